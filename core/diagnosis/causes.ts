import { pullsOf } from './chances'
import { COMPLAINTS } from './complaints'
import type { Item } from './evidence'
import { FINDINGS } from './findings'
import type { Knowledge } from './knowledge'
import type { Posterior } from './posterior'

/** Things to be explained: each complaint, and each finding that is not commonplace. */
export function explainedBy({ ready, place }: Knowledge, items: readonly Item[]): string[] {
  const { findings } = ready.network
  return items
    .filter(
      (item) => item.kind === 'complaint' || (item.kind === 'finding' && item.state === 'present'),
    )
    .map(({ id }) => id)
    .filter((id) => findings[place.get(id)!]!.background < COMMONPLACE)
    .slice(0, EXPLAINED)
}

const ELSEWHERE: ReadonlySet<string> = new Set(
  [...COMPLAINTS, ...FINDINGS].filter(({ elsewhere }) => elsewhere).map(({ id }) => id),
)

/** A set this unlikely explains nothing that is seen. */
const LEAST_SET = 1e-6

/**
 * Chance that what is to be explained is caused by each fault, then by what is in no table: elsewhere than in hydraulic
 * parts and fluid, and last wherever it may be; averaged over the things. Null where nothing is to be explained.
 */
export function causeChances(
  knowledge: Knowledge,
  items: readonly Item[],
  found: Posterior,
): Float64Array | null {
  const { faults, sets } = knowledge
  const explained = explainedBy(knowledge, items)
  if (explained.length === 0) return null
  const n = faults.length
  const chances = new Float64Array(n + 2)
  let mass = 0
  for (const what of explained) {
    const none = ELSEWHERE.has(what) ? n : n + 1
    const pulls = pullsOf(knowledge, found, what)
    for (let s = 0; s < sets.count; s++) {
      const weight = found.sets[s]!
      if (weight < LEAST_SET) continue
      const [a, b, c, background] = pulls(s) as unknown as [number, number, number, number]
      const share = weight / (a + b + c + background)
      mass += weight
      if (a > 0) chances[sets.members[3 * s]!]! += share * a
      if (b > 0) chances[sets.members[3 * s + 1]!]! += share * b
      if (c > 0) chances[sets.members[3 * s + 2]!]! += share * c
      chances[none]! += share * background
    }
  }
  return chances.map((sum) => sum / mass)
}

/** What is to be explained, and by what: a look is worth what it tells of that, and nothing of faults beside the point. */
export interface Causes {
  /**
   * Expected fall of the entropy of the causes when an answer is learnt, nats.
   * @param chances of each answer under each likely set, row by row.
   */
  worth(chances: Float64Array, answers: number): number
  /** The same of whether a hydraulic part or the fluid is the cause, or neither. */
  sides(chances: Float64Array, answers: number): number
}

/** A finding this common without any fault needs no explanation. */
const COMMONPLACE = 0.1
/** More things than these are not explained at once; the first are what the driver said. */
const EXPLAINED = 6

/**
 * Each complaint, and each finding that is not commonplace, is caused by one of the faults present or by what is in no
 * table: in a noisy-OR by each in proportion to −ln(1 − q). A fault that merely might be there as well explains nothing,
 * so looking for it is worth nothing here; the cost of leaving it is weighed in the advice.
 * Where nothing is to be explained, the sets themselves are.
 */
export function causesOf(
  knowledge: Knowledge,
  items: readonly Item[],
  found: Posterior,
  likely: Int32Array,
): Causes {
  const { faults, sets } = knowledge
  const n = faults.length
  const explained = explainedBy(knowledge, items)
  const weights = Float64Array.from(likely, (s) => found.sets[s]!)
  const mass = weights.reduce((sum, weight) => sum + weight, 0)
  if (explained.length === 0) return { worth: worthOfSets, sides: () => 0 }

  // For each thing explained and each likely set: up to three faults and the background, with their shares.
  const bins = n + 1
  const shares = explained.map((what) => {
    const pulls = pullsOf(knowledge, found, what)
    const list = new Float64Array(likely.length * 4)
    likely.forEach((s, row) => {
      const own = pulls(s)
      const sum = own[0]! + own[1]! + own[2]! + own[3]!
      for (let m = 0; m < 4; m++) list[4 * row + m] = own[m]! / sum
    })
    return list
  })
  const before = shares.map((list) => {
    const bin = new Float64Array(bins)
    likely.forEach((_, row) => addTo(bin, 0, list, row, weights[row]!))
    return negLog(bin, 0, bins, mass)
  })

  function addTo(bin: Float64Array, at: number, list: Float64Array, row: number, weight: number): void {
    const s = likely[row]!
    for (let m = 0; m < 3; m++) {
      const fault = sets.members[3 * s + m]!
      if (fault < 0) break
      bin[at + fault]! += weight * list[4 * row + m]!
    }
    bin[at + n]! += weight * list[4 * row + 3]!
  }

  function worth(chances: Float64Array, answers: number): number {
    const bin = new Float64Array(answers * bins)
    let fall = 0
    shares.forEach((list, c) => {
      bin.fill(0)
      for (let row = 0; row < likely.length; row++)
        for (let answer = 0; answer < answers; answer++) {
          const weight = weights[row]! * chances[row * answers + answer]!
          if (weight > 0) addTo(bin, answer * bins, list, row, weight)
        }
      fall += before[c]!
      for (let answer = 0; answer < answers; answer++) {
        const chance = sumOf(bin, answer * bins, bins)
        if (chance > 0) fall -= (chance / mass) * negLog(bin, answer * bins, bins, chance)
      }
    })
    return fall / shares.length
  }

  const hydraulic = new Float64Array(likely.length)
  shares.forEach((list) =>
    likely.forEach((s, row) => {
      for (let m = 0; m < 3; m++) {
        const fault = sets.members[3 * s + m]!
        if (fault >= 0 && faults[fault]!.hydraulic)
          hydraulic[row]! += list[4 * row + m]! / shares.length
      }
    }),
  )
  function sides(chances: Float64Array, answers: number): number {
    let fall = 0
    const bin = new Float64Array(2)
    const add = (chance: (row: number) => number): number => {
      bin.fill(0)
      for (let row = 0; row < likely.length; row++) {
        const weight = weights[row]! * chance(row)
        bin[0]! += weight * hydraulic[row]!
        bin[1]! += weight * (1 - hydraulic[row]!)
      }
      const all = bin[0]! + bin[1]!
      return all > 0 ? (all / mass) * negLog(bin, 0, 2, all) : 0
    }
    fall += add(() => 1)
    for (let answer = 0; answer < answers; answer++)
      fall -= add((row) => chances[row * answers + answer]!)
    return fall
  }

  function worthOfSets(chances: Float64Array, answers: number): number {
    const whole = new Float64Array(answers)
    let within = 0
    for (let row = 0; row < likely.length; row++)
      for (let answer = 0; answer < answers; answer++) {
        const chance = chances[row * answers + answer]!
        if (chance <= 0) continue
        whole[answer]! += weights[row]! * chance
        within -= weights[row]! * chance * Math.log(chance)
      }
    return negLog(whole, 0, answers, mass) - within / mass
  }

  return { worth, sides }
}

function sumOf(values: Float64Array, from: number, count: number): number {
  let sum = 0
  for (let i = from; i < from + count; i++) sum += values[i]!
  return sum
}

/** Entropy of chances that sum to `mass`, nats. */
function negLog(values: Float64Array, from: number, count: number, mass: number): number {
  let sum = 0
  for (let i = from; i < from + count; i++) {
    const chance = values[i]! / mass
    if (chance > 0) sum -= chance * Math.log(chance)
  }
  return sum
}
