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

/** @param alike what tells a grade's effect from another's; null where it does not matter. */
export function kindsOf(sets: Sets, alike: readonly (string | null)[]): Kinds {
  const first = new Map<string, number>()
  const stand = alike.map((key, grade) => {
    if (key === null) return -1
    if (!first.has(key)) first.set(key, grade)
    return first.get(key)!
  })
  const n = alike.length + 1
  const known = new Map<number, number>()
  const grades: number[] = []
  const kind = new Uint16Array(wayCount(sets))
  const own: number[] = []
  for (let k = 0; k < kind.length; k++) {
    own.length = 0
    for (let m = 3 * k; m < 3 * k + 3 && sets.graded[m]! >= 0; m++) {
      const grade = stand[sets.graded[m]!]!
      if (grade >= 0) own.push(grade)
    }
    if (own.length > 1) own.sort((a, b) => a - b)
    let code = 0
    for (const grade of own) code = code * n + grade + 1
    let at = known.get(code)
    if (at === undefined) {
      at = grades.length / 3
      if (at > MOST_KINDS) throw new RangeError(`more than ${MOST_KINDS} kinds of ways`)
      known.set(code, at)
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
