import type { First, Policy, Scope, Way } from './policies'

const WHY: Record<Scope | Way | First, string> = {
  proven: 'the companions’ own risk is worth less than renewing them now',
  pair: 'the circuit is open anyway, and the other cylinder is as old',
  all: 'the circuit is open anyway, and all rubber in it is as old',
  replace: 'a new one comes back less often and saves bench time',
  rebuild: 'a kit costs little and the bore has not been found bad',
  part: 'a bleed alone would probably not end it',
  bleed: 'air alone may be all of it, and a bleed is cheap to try',
}

/** Which answer to one of the questions the figures favoured. */
export interface Favoured {
  question: keyof Policy
  favoured: Scope | Way | First
  same: boolean
}
/** Why, in words. */
export const whyFavoured = ({ favoured, same }: Favoured): string =>
  same ? 'the ways cost about the same here, and it is the usual one' : WHY[favoured]
