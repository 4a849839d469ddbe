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
  /** Place of each graded fault among them, from 1; 0 for one that is not graded. */
  const rank = new Int32Array(n)
  let ranks = 1
  isGraded.forEach((graded, fault) => (rank[fault] = graded ? ranks++ : 0))

  // How many sets there are is known; this is gone through with every vehicle, so nothing grows and nothing is hashed.
  const count =
    1 +
    (most >= 1 ? n : 0) +
    (most >= 2 ? (n * (n - 1)) / 2 : 0) +
    (most >= 3 ? (n * (n - 1) * (n - 2)) / 6 : 0)
  const members = new Int16Array(3 * count).fill(-1)
  const prior = new Float64Array(count)
  const group = new Int32Array(count)
  /** Group of each triple of ranks, in the order of its faults, −1 where none has been met; and the triples as they were met. */
  const known = new Int32Array(ranks ** 3).fill(-1)
  const met: [number, number, number][] = []
  let sets = 0
  let mass = 0
  function add(a: number, b: number, c: number): void {
    let chance = none
    let code = 0
    for (const fault of [a, b, c]) {
      if (fault < 0) break
      members[3 * sets + (fault === a ? 0 : fault === b ? 1 : 2)] = fault
      chance *= odds[fault]!
      if (isGraded[fault]) code = code * ranks + rank[fault]!
    }
    if (known[code]! < 0) known[code] = met.push([a, b, c]) - 1
    group[sets] = known[code]!
    prior[sets++] = chance
    mass += chance
  }
  add(-1, -1, -1)
  for (let a = 0; a < n && most >= 1; a++) add(a, -1, -1)
  for (let a = 0; a < n && most >= 2; a++) for (let b = a + 1; b < n; b++) add(a, b, -1)
  for (let a = 0; a < n && most >= 3; a++)
    for (let b = a + 1; b < n; b++) for (let c = b + 1; c < n; c++) add(a, b, c)

  const own = met.map((set) => set.filter((fault) => fault >= 0 && isGraded[fault]))
  const ways = new Int32Array(own.length + 1)
  own.forEach((set, g) => {
    ways[g + 1] = ways[g]! + set.reduce((product, fault) => product * faults[fault]!.weights.length, 1)
  })
  const graded = new Int16Array(3 * ways[own.length]!).fill(-1)
  const weight = new Float64Array(ways[own.length]!)
  own.forEach((set, g) => {
    for (let k = ways[g]!; k < ways[g + 1]!; k++) {
      // The last fault's severity changes with each way, the first one's seldomest.
      let left = k - ways[g]!
      let share = 1
      for (let i = set.length - 1; i >= 0; i--) {
        const { length } = faults[set[i]!]!.weights
        graded[3 * k + i] = firstGrade[set[i]!]! + (left % length)
        left = Math.floor(left / length)
      }
      for (let i = 0; i < set.length; i++) share *= grades[graded[3 * k + i]!]!.weight
      weight[k] = share
    }
  })
  return {
    count,
    members,
    prior,
    leftOut: Math.max(0, 1 - mass),
    group,
    groupCount: own.length,
    ways,
    grades,
    graded,
    weight,
  }
}

/** Place of a set of at most two of n faults, in rising order, among the sets that are enumerated. */
export function placeOf(n: number, a = -1, b = -1): number {
  if (a < 0) return 0
  return b < 0 ? 1 + a : 1 + n + (a * (2 * n - a - 1)) / 2 + (b - a - 1)
}

/** How many ways there are over all groups. */
export const wayCount = ({ ways, groupCount }: Sets): number => ways[groupCount]!
