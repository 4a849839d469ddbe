import { METHOD_ROWS, METHODS, TRICK_ROWS, TRICKS, type KitItem, type Needs } from '../bleed/methods'
import { isMethod, isTrick, movesOf, type Coached } from './moves'

/** What cannot be done on this circuit, or by these people. */
export type CannotBe = 'noScrew' | 'twoPeople' | 'shared'
export interface Here {
  /** The circuit has a bleed screw. */
  screw: boolean
  people: 1 | 2
  /** The brakes share the reservoir, and nobody who answers for them has said that it may be done all the same. */
  shared: boolean
  /** What these people have at hand; left out where nobody has said. */
  kit?: readonly KitItem[]
}
export interface Refused {
  method: Coached
  why: CannotBe
  /** What can be done instead, the likeliest first. */
  instead: Coached[]
}

const rowOf = (id: Coached) => (isMethod(id) ? METHOD_ROWS[id] : isTrick(id) ? TRICK_ROWS[id] : null)
const needsOf = (id: Coached): Needs | null => rowOf(id)?.run?.needs ?? null
/** How it is done instead: those that ask for the least first. */
const INSTEAD: readonly Coached[] = METHODS.filter((id) => METHOD_ROWS[id].instead !== null).sort(
  (a, b) => METHOD_ROWS[a].instead! - METHOD_ROWS[b].instead!,
)

/** Why this cannot be done here; null where it can. */
export function cannotBe(method: Coached, { screw, people, shared }: Here): CannotBe | null {
  const { valve, two } = movesOf(method)
  if (!screw && valve === 'screw') return 'noScrew'
  if (people === 1 && two) return 'twoPeople'
  // Under pressure, vacuum or from below it acts on the brakes too.
  return shared && needsOf(method)?.shared === false ? 'shared' : null
}
/** A slave that has a screw is not stroked by hand in place of it. */
const isForHere = (method: Coached, here: Here): boolean =>
  cannotBe(method, here) === null &&
  (!here.screw || !isMethod(method) || !METHOD_ROWS[method].screwless)
/** What it takes is at hand. Fluid from a union goes into a rag. */
const isAtHand = (method: Coached, { kit }: Here): boolean => {
  const needs = isMethod(method) && !METHOD_ROWS[method].atUnion ? needsOf(method) : null
  return !kit || !needs || needs.tools.every((tool) => kit.includes(tool))
}
/** Of these ways the ones that can be done with what is at hand; where none can, those that ask for a tool. */
function waysHere(ways: readonly Coached[], here: Here): Coached[] {
  const can = ways.filter((one) => isForHere(one, here))
  const now = can.filter((one) => isAtHand(one, here))
  return now.length > 0 ? now : can
}

/** What of these steps the coach refuses, and what it calls instead. */
export function refusalsOf(steps: readonly { method: Coached }[], here: Here): Refused[] {
  return steps.flatMap(({ method }) => {
    const why = cannotBe(method, here)
    if (!why) return []
    const own = isTrick(method) ? TRICK_ROWS[method].instead : null
    const others = own
      ? METHODS.filter((one) => own.includes(one)).sort((a, b) => own.indexOf(a) - own.indexOf(b))
      : INSTEAD
    return [
      {
        method,
        why,
        instead: waysHere(
          others.filter((one) => one !== method),
          here,
        ).slice(0, 3),
      },
    ]
  })
}
/** What can be called here, of all methods and tricks. */
export const canBeCalled = (here: Here): Coached[] =>
  [...METHODS, ...TRICKS].filter((method) => cannotBe(method, here) === null)
/** The way to begin with where nobody has chosen one. */
export const firstWay = (here: Here): Coached => waysHere(INSTEAD, here)[0] ?? 'hang'
