/**
 * A noisy-OR network (Pearl 1988, section 4.3.2): faults with a prior chance and, where they can be quantified, severities;
 * findings that any present fault may make present, and a background for what is in no table.
 */
export interface Network {
  faults: readonly {
    prior: number
    weights: readonly number[]
    /** Graded though it has one severity only: what it shows depends on what else is there. */
    graded?: boolean
  }[]
  findings: readonly {
    background: number
    causes: readonly (readonly [fault: number, chance: number])[]
  }[]
}

/** Most faults that are taken to be present together. */
export const MOST_TOGETHER = 3

/** A quantified fault at one of its severities. */
export interface GradedFault {
  fault: number
  severity: number
  weight: number
}

/** All sets of up to three faults; those with the same quantified faults share a group of severities. */
export interface Sets {
  readonly count: number
  /** Members of set s at 3s, 3s+1, 3s+2; −1 where it has fewer. */
  readonly members: Int16Array
  /** Prior chance of each set: its faults present, all others absent. */
  readonly prior: Float64Array
  /** Prior mass of all larger sets, left out. */
  readonly leftOut: number
  /** Group of each set. */
  readonly group: Int32Array
  readonly groupCount: number
  /** First way of group g at g, one past its last at g + 1: each way grades every quantified fault of the group. */
  readonly ways: Int32Array
  readonly grades: readonly GradedFault[]
  /** Grades of way k at 3k, 3k+1, 3k+2, as places in `grades`; −1 where the group has fewer. */
  readonly graded: Int16Array
  /** Prior weight of each way within its group. */
  readonly weight: Float64Array
}

/** @throws RangeError where a prior is not a chance. */
export function enumerate({ faults }: Network, most = MOST_TOGETHER): Sets {
  for (const { prior } of faults)
    if (!(prior > 0 && prior < 1)) throw new RangeError(`a prior must be over 0 and under 1: ${prior}`)
  const n = faults.length
  const none = faults.reduce((product, { prior }) => product * (1 - prior), 1)
  const odds = faults.map(({ prior }) => prior / (1 - prior))
  const grades: GradedFault[] = []
  const isGraded = faults.map(({ weights, graded: always }) => always === true || weights.length > 1)
  const firstGrade = faults.map(({ weights }, fault) => {
    const first = grades.length
    if (isGraded[fault]) weights.forEach((weight, severity) => grades.push({ fault, severity, weight }))
    return first
  })
  const members: number[] = []
  const prior: number[] = []
  const group: number[] = []
  const ways = [0]
  const graded: number[] = []
  const weight: number[] = []
  const known = new Map<number, number>()

  function groupOf(set: readonly number[]): number {
    const own = set.filter((fault) => isGraded[fault])
    const key = own.reduce((code, fault) => code * (n + 1) + fault + 1, 0)
    const there = known.get(key)
    if (there !== undefined) return there
    addWays(own)
    known.set(key, ways.length - 2)
    return ways.length - 2
  }
  function addWays(own: readonly number[]): void {
    const at = [-1, -1, -1]
    const fill = (i: number, share: number): void => {
      if (i === own.length) {
        graded.push(at[0]!, at[1]!, at[2]!)
        weight.push(share)
        return
      }
      const fault = own[i]!
      faults[fault]!.weights.forEach((one, severity) => {
        at[i] = firstGrade[fault]! + severity
        fill(i + 1, share * one)
      })
      at[i] = -1
    }
    fill(0, 1)
    ways.push(weight.length)
  }
  function add(set: readonly number[]): void {
    let chance = none
    for (const fault of set) chance *= odds[fault]!
    members.push(set[0] ?? -1, set[1] ?? -1, set[2] ?? -1)
    prior.push(chance)
    group.push(groupOf(set))
  }

  add([])
  for (let a = 0; a < n && most >= 1; a++) add([a])
  for (let a = 0; a < n && most >= 2; a++) for (let b = a + 1; b < n; b++) add([a, b])
  for (let a = 0; a < n && most >= 3; a++)
    for (let b = a + 1; b < n; b++) for (let c = b + 1; c < n; c++) add([a, b, c])

  let mass = 0
  for (const chance of prior) mass += chance
  return {
    count: prior.length,
    members: Int16Array.from(members),
    prior: Float64Array.from(prior),
    leftOut: Math.max(0, 1 - mass),
    group: Int32Array.from(group),
    groupCount: ways.length - 1,
    ways: Int32Array.from(ways),
    grades,
    graded: Int16Array.from(graded),
    weight: Float64Array.from(weight),
  }
}

/** Place of a set of at most two of n faults, in rising order, among the sets that are enumerated. */
export function placeOf(n: number, a = -1, b = -1): number {
  if (a < 0) return 0
  return b < 0 ? 1 + a : 1 + n + (a * (2 * n - a - 1)) / 2 + (b - a - 1)
}

/** How many ways there are over all groups. */
export const wayCount = ({ ways, groupCount }: Sets): number => ways[groupCount]!
