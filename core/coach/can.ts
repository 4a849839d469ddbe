import { METHODS, TRICKS } from '../entries'
import { movesOf, type Coached } from './moves'

/** What cannot be done on this circuit, or by these people. */
export type CannotBe = 'noScrew' | 'twoPeople' | 'shared'
export interface Here {
  /** The circuit has a bleed screw. */
  screw: boolean
  people: 1 | 2
  /** The brakes share the reservoir, and nobody who answers for them has said that it may be done all the same. */
  shared: boolean
}
export interface Refused {
  method: Coached
  why: CannotBe
  /** What can be done instead, the likeliest first. */
  instead: Coached[]
}

/** Under pressure, vacuum or from below it acts on the brakes too. */
const ACTS_ON_BRAKES: ReadonlySet<Coached> = new Set(['pressure', 'reservoirVacuum', 'inject'])
/** How it is done instead: those that ask for the least first. */
const INSTEAD: readonly Coached[] = [
  'openPush',
  'prop',
  'submerged',
  'slaveStrokes',
  'gravity',
  'vacuum',
  'reservoirVacuum',
  'crackedUnion',
  'hang',
]

/** Why this cannot be done here; null where it can. */
export function cannotBe(method: Coached, { screw, people, shared }: Here): CannotBe | null {
  const { valve, two } = movesOf(method)
  if (!screw && valve === 'screw') return 'noScrew'
  if (people === 1 && two) return 'twoPeople'
  return shared && ACTS_ON_BRAKES.has(method) ? 'shared' : null
}
/** A slave that has a screw is not stroked by hand in place of it. */
const isForHere = (method: Coached, here: Here): boolean =>
  cannotBe(method, here) === null &&
  (!here.screw || !['slaveStrokes', 'crackedUnion', 'hang'].includes(method))

/** What of these steps the coach refuses, and what it calls instead. */
export function refusalsOf(steps: readonly { method: Coached }[], here: Here): Refused[] {
  return steps.flatMap(({ method }) => {
    const why = cannotBe(method, here)
    if (!why) return []
    const others = method === 'masterPrimed' ? (['benchLoop', 'gravity'] as const) : INSTEAD
    return [
      {
        method,
        why,
        instead: others.filter((one) => one !== method && isForHere(one, here)).slice(0, 3),
      },
    ]
  })
}
/** What can be called here, of all methods and tricks. */
export const canBeCalled = (here: Here): Coached[] =>
  [...METHODS, ...TRICKS].filter((method) => cannotBe(method, here) === null)
/** The way to begin with where nobody has chosen one. */
export const firstWay = (here: Here): Coached => INSTEAD.find((one) => isForHere(one, here)) ?? 'hang'
