import type { PlannedStep } from './compose'
import { Masks, type Bits, type StepMasks } from './masks'
import { isPassing } from './states'
import { PLACES, type Place, type Step } from './step'

/** Between neighbouring places, min; into or out from under takes two. */
export function walkBetween(from: Place, to: Place): number {
  if (from === to) return 0
  return from === 'under' || to === 'under' ? 2 : 1
}

export interface Objective {
  breaches: number
  helperSpans: number
  helperMinutes: number
  walkMinutes: number
}
/** What a sequence costs beside its own minutes: stretches for which a helper is called, and walking. */
export function objectiveOf(steps: readonly Step[], breaches = 0): Objective {
  let helperSpans = 0
  let helperMinutes = 0
  let walkMinutes = 0
  steps.forEach((step, i) => {
    const before = steps[i - 1]
    if (step.people > 1) {
      helperMinutes += step.minutes[1]
      if (!before || before.people < 2) helperSpans += 1
    }
    if (before) walkMinutes += walkBetween(before.place, step.place)
  })
  return { breaches, helperSpans, helperMinutes, walkMinutes }
}

/** Partial orders that are kept of each length: all of them up to SMALL steps, where the best is found exactly. */
const WIDTH = 32
const SMALL = 12
const ALL = 200_000
/** Steps that are tried after partial orders, all in all: two or three seconds’ work. A plan of the usual packages takes a hundredth of it. */
const MOST_TRIED = 700_000

/** A step as the search sees it: its rules as bits, predecessors by index. */
interface Item {
  step: PlannedStep
  masks: StepMasks
  /** States that it needs, forbids, puts and takes. */
  lists: readonly [need: number[], forbid: number[], put: number[], take: number[]]
  after: number[]
  helper: boolean
}

interface Node {
  done: Uint8Array
  states: Bits
  /** Every state that was put so far. */
  put: Bits
  place: Place | null
  helper: boolean
  spans: number
  walk: number
  /** Order so far, newest first. */
  last: { at: number; before: Node['last'] } | null
  /** Of every state: steps left that need it, forbid it, put it, take it. */
  left: Int16Array
  helpersLeft: number
  hash: number
}

/**
 * The best order that breaks no rule: fewest stretches with a helper, then least walking, then by ids. Exact up to twelve steps;
 * beyond that the best of some dozens of partial orders carried along. The work it takes is bounded, whatever the steps.
 * @returns null where no order was found that breaks no rule
 * @throws TooManyStates where the steps name more states than can be told apart
 */
export function bestOrder(
  steps: readonly PlannedStep[],
  held: ReadonlySet<string> = new Set(),
): PlannedStep[] | null {
  const sorted = [...steps].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0))
  const budget = { left: MOST_TRIED }
  const found = (search: Search) =>
    search.canBegin
      ? (search.run(sorted.length <= SMALL ? ALL : WIDTH, budget) ?? search.run(WIDTH * 40, budget))
      : null
  // Where something stays on or off whatever the order, the best one is told with it: the check names what is left.
  return found(new Search(sorted, held)) ?? found(new Search(sorted, held, 'left'))
}

class Search {
  private readonly items: Item[]
  private readonly masks: Masks
  private readonly start: Bits
  /** Of every state: whether it must be gone at the end, and some step takes it. */
  private readonly goes: boolean[]

  /** @param mayBeLeft where what is put may stay to the end */
  constructor(steps: readonly PlannedStep[], held: ReadonlySet<string>, mayBeLeft?: 'left') {
    const keys = new Map<string, number[]>()
    steps.forEach((step, i) => {
      for (const key of [step.key, step.id]) keys.set(key, [...(keys.get(key) ?? []), i])
    })
    this.masks = new Masks(steps, held)
    this.start = this.masks.bits([...held])
    const taken = new Set(steps.flatMap(({ takes }) => takes))
    this.goes = this.masks.names.map((name) => !mayBeLeft && taken.has(name) && isPassing(name))
    this.items = steps.map((step): Item => {
      const { need, forbid } = this.masks.statesOf(step)
      const puts = step.puts.filter((state) => !step.takes.includes(state))
      return {
        step,
        masks: this.masks.of(step),
        lists: [this.list(need), this.list(forbid), this.list(puts), this.list(step.takes)],
        after: [...new Set(step.after.flatMap((key) => keys.get(key) ?? []))],
        helper: step.people > 1,
      }
    })
  }
  private list(names: readonly string[]): number[] {
    return [...new Set(names)].map((name) => this.masks.bitOf(name))
  }

  /** False where a step needs what does not hold and none of them puts: no order helps. */
  get canBegin(): boolean {
    const put = new Set(this.items.flatMap(({ lists: [, , puts] }) => puts))
    return this.items.every(({ lists: [needs] }) =>
      needs.every((state) => this.masks.holds(this.start, state) || put.has(state)),
    )
  }

  /** @param budget steps that may still be tried; what is tried is taken from it */
  run(width: number, budget: { left: number }): PlannedStep[] | null {
    const { items } = this
    let level: Node[] = [this.first()]
    for (let n = 0; n < items.length; n++) {
      const next = new Map<string, Node>()
      for (const node of level) {
        if ((budget.left -= items.length) < 0) return null
        for (let i = 0; i < items.length; i++) {
          const made = this.step(node, i)
          if (!made) continue
          const key = `${made.hash} ${made.states[0]} ${made.states[1]} ${made.place} ${made.helper}`
          const there = next.get(key)
          if (!there || this.better(made, there)) next.set(key, made)
        }
      }
      if (next.size === 0) return null
      level = [...next.values()]
      if (level.length > width) level = this.kept(level, width)
    }
    return this.orderOf(level.reduce((a, b) => (this.better(b, a) ? b : a)))
  }

  /** The most promising, some from wherever the work has come to: one that is far on alone may have shut its own way. */
  private kept(level: readonly Node[], width: number): Node[] {
    const ranked = level
      .map((node) => ({ node, promise: this.promise(node) }))
      .sort((a, b) => a.promise - b.promise)
    const each = Math.ceil(width / 8)
    const counts = new Map<string, number>()
    return ranked
      .filter(({ node }) => {
        const where = `${node.place} ${node.helper}`
        const count = counts.get(where) ?? 0
        counts.set(where, count + 1)
        return count < each
      })
      .slice(0, width)
      .map(({ node }) => node)
  }

  private first(): Node {
    const left = new Int16Array(this.masks.names.length * 4)
    for (const item of this.items) this.count(left, item, 1)
    return {
      done: new Uint8Array(this.items.length),
      states: this.start,
      put: this.start,
      place: null,
      helper: false,
      spans: 0,
      walk: 0,
      last: null,
      left,
      helpersLeft: this.items.filter(({ helper }) => helper).length,
      hash: 0,
    }
  }
  private count(left: Int16Array, { lists }: Item, by: number): void {
    for (let kind = 0; kind < 4; kind++) for (const state of lists[kind]!) left[4 * state + kind]! += by
  }

  /** The next node with a step done; null where it may not be done now, or others never could be after it. */
  private step(node: Node, i: number): Node | null {
    if (node.done[i]) return null
    const item = this.items[i]!
    const { put, take } = item.masks
    for (const at of item.after) if (!node.done[at]) return null
    const [lo, hi] = node.states
    const states: Bits = [(lo | put[0]) & ~take[0], (hi | put[1]) & ~take[1]]
    if (!this.masks.allows(item.masks, node.states, states, node.put)) return null
    const left = node.left.slice()
    this.count(left, item, -1)
    if (this.strands(left, item, states)) return null
    const done = node.done.slice()
    done[i] = 1
    const { place } = item.step
    return {
      done,
      states,
      put: [node.put[0] | put[0], node.put[1] | put[1]],
      place,
      helper: item.helper,
      spans: node.spans + (item.helper && !node.helper ? 1 : 0),
      walk: node.walk + (node.place === null ? 0 : walkBetween(node.place, place)),
      last: { at: i, before: node.last },
      left,
      helpersLeft: node.helpersLeft - (item.helper ? 1 : 0),
      // A sum of one number a step: the same set of steps gives the same sum.
      hash: node.hash + WEIGHTS[i % WEIGHTS.length]! * (1 + Math.floor(i / WEIGHTS.length)),
    }
  }

  /**
   * Whether a step that is left could never be done any more: what it needs is gone for good, or what it forbids stays; or
   * what was put is taken by none of them.
   */
  private strands(left: Int16Array, { lists }: Item, states: Bits): boolean {
    const holds = (s: number) => this.masks.holds(states, s)
    const [, , puts, takes] = lists
    for (const s of takes) if (!holds(s) && left[4 * s]! > 0 && left[4 * s + 2] === 0) return true
    for (const s of puts)
      if (holds(s) && left[4 * s + 3] === 0 && (left[4 * s + 1]! > 0 || this.goes[s])) return true
    return false
  }

  /** The less, the better: what it has cost, and what it will cost at the least. */
  private promise(node: Node): number {
    const spans = node.spans + (node.helpersLeft > 0 && !node.helper ? 1 : 0)
    let places = 0
    for (let i = 0; i < this.items.length; i++)
      if (!node.done[i]) places |= 1 << PLACES.indexOf(this.items[i]!.step.place)
    if (node.place !== null) places &= ~(1 << PLACES.indexOf(node.place))
    let more = 0
    for (; places; places &= places - 1) more += 1
    return spans * 1000 + node.walk + more
  }
  private better(a: Node, b: Node): boolean {
    if (a.spans !== b.spans) return a.spans < b.spans
    if (a.walk !== b.walk) return a.walk < b.walk
    const [one, other] = [this.indexes(a), this.indexes(b)]
    for (let i = 0; i < one.length; i++) if (one[i] !== other[i]) return one[i]! < other[i]!
    return false
  }
  private indexes({ last }: Node): number[] {
    const list: number[] = []
    for (let at = last; at; at = at.before) list.push(at.at)
    return list.reverse()
  }
  private orderOf(node: Node): PlannedStep[] {
    return this.indexes(node).map((i) => this.items[i]!.step)
  }
}

/** Numbers no two sums of which are likely to be the same: odd, spread, and exact as long as sums stay below 2^53. */
const WEIGHTS = Array.from({ length: 200 }, (_, i) => {
  let x = (i + 1) * 2_654_435_761
  x = (x ^ (x >>> 15)) >>> 0
  return x * 1024 + i * 7919 + 1
})
