import type { Installation } from '../installation'

/** What a vehicle of a kind most likely has, and how far it may be from that. */
export interface Archetype {
  id: string
  name: string
  /** How to know one, in a line. */
  looksLike: string
  installation: Omit<Installation, 'archetype' | 'assumed'>
  ranges: Range[]
}

/** Where a parameter of this kind of vehicle lies, nine times in ten. */
export interface Range {
  /** Dotted path in the circuit; `load` and `expansion` are factors on all loads and hoses. */
  path: string
  low: number
  high: number
  reason: string
}

const range = (path: string, low: number, high: number, reason: string): Range => ({
  path,
  low,
  high,
  reason,
})

/**
 * Ranges that hold for every kind unless a kind says otherwise. All are engineering judgement:
 * the reason says what they rest on.
 */
export const COMMON_RANGES: Range[] = [
  range(
    'pedal.returnForce',
    0,
    25,
    'A light spring, since the cover brings the pedal up; old and large pedals have more.',
  ),
  range(
    'master.pushrodClearance',
    0.1,
    0.9,
    'Set small and never less than none; worn pins add to it.',
  ),
  range('master.portClosure', 0.8, 1.6, 'The primary cup stands about its own lip short of the port.'),
  range('master.springPreload', 15, 45, 'Enough to bring the piston home against the cup’s drag.'),
  range('master.springRate', 0.4, 1.4, 'Long, soft return springs.'),
  range('master.sealFriction', 5, 18, 'Two lips, wetted.'),
  range('slave.sealFriction', 7, 24, 'One lip, wetted; an old bore has more.'),
  range('load', 0.8, 1.2, 'Covers of one size differ by a fifth in load, and worn facings raise it.'),
  range('expansion', 0.6, 1.6, 'Hoses of one kind differ by age, heat and maker.'),
  range('fluid.bulkModulus', 1600, 2000, 'Glycol fluid, fresh to moist and warm.'),
]
