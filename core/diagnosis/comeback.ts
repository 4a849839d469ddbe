import { placeOf, type Sets } from './network'

/** A fault that is there and that nothing noted speaks for. */
export const UNNOTICED = {
  shows: 0.25,
  reason:
    'It has not shown so far; within the months in which a job counts as come back, one in four does.',
} as const

/** Repairs that a set of faults needs, and what is risked by leaving some of them. */
export interface Needed {
  /** One bit per repair, in rising order. */
  repairs: readonly number[]
  /**
   * Chance that it comes back, for each part of the repairs that is left: bit k of the place stands for `repairs[k]`.
   * Never falls where more is left.
   */
  back: Float64Array
}

/**
 * Chance that set s comes back when part of what it needs is left: the excess fraction of what is known that the faults left
 * are needed for, 1 − P(known | without them) / P(known | set) (Greenland and Robins 1988), else as what nobody noticed.
 * @param weights chances of the sets given what is known; a set that is 0 explains nothing.
 * @param bitOf repair of each fault.
 */
export function comebackOf(
  { members, prior }: Pick<Sets, 'members' | 'prior'>,
  s: number,
  weights: Float64Array,
  bitOf: Int32Array,
): Needed {
  const n = bitOf.length
  const faults = Array.from(members.subarray(3 * s, 3 * s + 3)).filter((fault) => fault >= 0)
  const repairs = [...new Set(faults.map((fault) => bitOf[fault]!))].sort((a, b) => a - b)
  const parts = 1 << repairs.length
  const needed = new Float64Array(parts)
  const back = new Float64Array(parts)
  const whole = weights[s]! / prior[s]!
  for (let part = 1; part < parts; part++) {
    const left = (fault: number) => part & (1 << repairs.indexOf(bitOf[fault]!))
    const [a, b] = faults.filter((fault) => !left(fault))
    const without = placeOf(n, a, b)
    needed[part] = Math.max(0, 1 - weights[without]! / prior[without]! / whole)
    // What one of them is needed for, both are.
    for (let k = 0; k < repairs.length; k++)
      if (part & (1 << k)) needed[part] = Math.max(needed[part]!, needed[part & ~(1 << k)]!)
    const unnoticed = (1 - UNNOTICED.shows) ** faults.filter(left).length
    back[part] = 1 - (1 - needed[part]!) * unnoticed
  }
  return { repairs, back }
}
