import { placeOf, type Sets } from './network'

/** A fault that is there and that nothing noted speaks for. */
export const UNNOTICED = {
  shows: 0.25,
  reason:
    'It has not shown so far; within the months in which a job counts as come back, one in four does.',
} as const

/** Repairs that a set of faults needs, and what would be left of it by leaving each part of them. */
export interface Parts {
  /** One bit per repair, in rising order. */
  repairs: readonly number[]
  /** For each part that is left (bit k stands for `repairs[k]`): place of the set without its faults. */
  without: Int32Array
  /** For each part that is left: chance that its faults go on unnoticed. */
  unnoticed: Float64Array
}

/**
 * @param bitOf repair of each fault.
 * @param shows chance that a fault comes back that nothing noted speaks for.
 */
export function partsOf(
  { members }: Pick<Sets, 'members'>,
  s: number,
  bitOf: Int32Array,
  shows: number = UNNOTICED.shows,
): Parts {
  const faults = Array.from(members.subarray(3 * s, 3 * s + 3)).filter((fault) => fault >= 0)
  const repairs = [...new Set(faults.map((fault) => bitOf[fault]!))].sort((a, b) => a - b)
  const parts = 1 << repairs.length
  const without = new Int32Array(parts).fill(s)
  const unnoticed = new Float64Array(parts).fill(1)
  for (let part = 1; part < parts; part++) {
    const left = (fault: number) => part & (1 << repairs.indexOf(bitOf[fault]!))
    const [a, b] = faults.filter((fault) => !left(fault))
    without[part] = placeOf(bitOf.length, a, b)
    unnoticed[part] = (1 - shows) ** faults.filter(left).length
  }
  return { repairs, without, unnoticed }
}

const needed = new Float64Array(8)

/**
 * Adds to `into`, from `first` on, the chance that it comes back for each part of the repairs that is left: the excess
 * fraction of what is known that the faults left are needed for, 1 − P(known | without them) / P(known | set) (Greenland
 * and Robins 1988), else as what nobody noticed. Never falls where more is left.
 * @param chance of the set now.
 * @param whole P(known | set), and `explains` that of each set by its place, in the same measure; −1: none.
 */
export function addBack(
  { without, unnoticed }: Pick<Parts, 'without' | 'unnoticed'>,
  chance: number,
  whole: number,
  explains: Float64Array,
  into: Float64Array,
  first: number,
): void {
  needed[0] = 0
  for (let part = 1; part < without.length; part++) {
    const place = without[part]!
    let one = place < 0 ? 1 : Math.max(0, 1 - explains[place]! / whole)
    // What one of them is needed for, both are.
    if (part & (part - 1))
      for (let bit = 1; bit <= part; bit <<= 1)
        if (part & bit && needed[part & ~bit]! > one) one = needed[part & ~bit]!
    needed[part] = one
    into[first + part]! += chance * (1 - (1 - one) * unnoticed[part]!)
  }
}
