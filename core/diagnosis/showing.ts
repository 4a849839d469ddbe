import type { Kinds } from './kinds'
import { chanceFromLoss } from './lost-travel'
import type { Sets } from './network'

/** Chance that something shows for each kind of way in which faults can be severe. */
export interface Showing {
  /** Of each kind of way, whatever in no table may do included. */
  present: Float64Array
  /** Kind of each way. */
  kind: Uint16Array
  /** What is in no table, as −ln(1 − chance). */
  background: number
  /** The same of each grade of way k at 3k, 3k+1, 3k+2: its row, and its part of the travel that is lost. */
  pulls(): Float64Array
}

/** Travel lost by each kind of way, as a share of the reserve, and by each grade alone. */
export interface Lost {
  kinds: Kinds
  share: Float64Array
  spread: Float64Array
  alone: Float64Array
}

export function showingOf(
  shown: Parameters<typeof chanceFromLoss>[0],
  { graded }: Sets,
  { kinds, share, spread, alone }: Lost,
  own: readonly number[],
  background: number,
): Showing {
  const { grades, kind } = kinds
  const count = share.length
  const present = new Float64Array(count)
  const byLoss = new Float64Array(count)
  const quiet = -Math.log1p(-background)
  for (let i = 0; i < count; i++) {
    byLoss[i] = -Math.log1p(-chanceFromLoss(shown, share[i]!, spread[i]!))
    let pull = quiet + byLoss[i]!
    for (let m = 3 * i; m < 3 * i + 3 && grades[m]! >= 0; m++) pull += own[grades[m]!]!
    present[i] = -Math.expm1(-pull)
  }
  let made: Float64Array | null = null
  function pulls(): Float64Array {
    if (made) return made
    made = new Float64Array(graded.length)
    for (let k = 0; k < kind.length; k++) {
      const loss = byLoss[kind[k]!]!
      let all = 0
      for (let m = 3 * k; m < 3 * k + 3 && graded[m]! >= 0; m++) all += Math.max(0, alone[graded[m]!]!)
      for (let m = 3 * k; m < 3 * k + 3 && graded[m]! >= 0; m++) {
        const grade = graded[m]!
        made[m] = own[grade]! + (all > 0 ? (loss * Math.max(0, alone[grade]!)) / all : 0)
      }
    }
    return made
  }
  return { present, kind, background: quiet, pulls }
}
