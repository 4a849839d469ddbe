import { wayCount, type Sets } from './network'
import type { Expected } from './posterior'

/** Kinds of ways: those whose grades that matter are alike are one kind. */
export interface Kinds {
  /** Kind of each way. */
  kind: Uint16Array
  /** Grades of kind i that matter, at 3i, 3i+1, 3i+2; −1 where it has fewer. */
  grades: Int32Array
}

/** Kinds are counted in sixteen bits: they are read a hundred thousand times for every tap. */
const MOST_KINDS = 65_535

/** Codes up to which a table of them is smaller than it is quick, 16 MB. */
const MOST_CODES = 4_000_000

/** @param alike what tells a grade's effect from another's; null where it does not matter. */
export function kindsOf(sets: Sets, alike: readonly (string | null)[]): Kinds {
  const { graded } = sets
  // What matters is counted from 1, in the order of its first grade; 0 is what does not.
  const firsts: number[] = [-1]
  const seen = new Map<string, number>()
  const stand = Uint16Array.from(alike, (key, grade) => {
    if (key === null) return 0
    let at = seen.get(key)
    if (at === undefined) {
      at = firsts.push(grade) - 1
      seen.set(key, at)
    }
    return at
  })
  const n = firsts.length
  if (n ** 3 > MOST_CODES) throw new RangeError(`more than ${Math.cbrt(MOST_CODES)} effects told apart`)
  const known = new Int32Array(n ** 3).fill(-1)
  const grades: number[] = []
  const kind = new Uint16Array(wayCount(sets))
  for (let k = 0; k < kind.length; k++) {
    // Up to three, in rising order, those that do not matter left out: this is gone through for every way.
    let x = 0
    let y = 0
    let z = 0
    for (let m = 3 * k; m < 3 * k + 3; m++) {
      const grade = graded[m]!
      if (grade < 0) break
      const one = stand[grade]!
      if (one === 0) continue
      if (z === 0) z = one
      else if (y === 0) {
        y = Math.min(z, one)
        z = Math.max(z, one)
      } else {
        x = Math.min(y, one)
        const rest = Math.max(y, one)
        y = Math.min(rest, z)
        z = Math.max(rest, z)
      }
    }
    const code = (x * n + y) * n + z
    let at = known[code]!
    if (at < 0) {
      at = grades.length / 3
      if (at > MOST_KINDS) throw new RangeError(`more than ${MOST_KINDS} kinds of ways`)
      known[code] = at
      const own = [x, y, z].filter((one) => one > 0).map((one) => firsts[one]!)
      grades.push(own[0] ?? -1, own[1] ?? -1, own[2] ?? -1)
    }
    kind[k] = at
  }
  return { kind, grades: Int32Array.from(grades) }
}

/** For each kind of way the sum of what its grades add. */
export function summed(
  { kind, grades }: Kinds,
  parts: ArrayLike<number>,
  widths: ArrayLike<number>,
  start: number,
  variance: number,
): Expected {
  const count = grades.length / 3
  const expected = { mean: new Float64Array(count), sigma: new Float64Array(count), kind }
  for (let i = 0; i < count; i++) {
    let value = start
    let spread = variance
    for (let m = 3 * i; m < 3 * i + 3; m++) {
      const grade = grades[m]!
      if (grade < 0) break
      value += parts[grade]!
      spread += widths[grade]!
    }
    expected.mean[i] = value
    expected.sigma[i] = Math.sqrt(spread)
  }
  return expected
}
