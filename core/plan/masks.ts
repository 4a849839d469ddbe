import { InputError } from '../circuit'
import { ANY_OPENING, STATE_RULES, type RuledStep, type StateRule } from './rules'
import { isOpening } from './states'

/** States as bits of two numbers. */
export type Bits = readonly [lo: number, hi: number]
const LOW = 30
const MOST_STATES = 60
const hasAny = ([lo, hi]: Bits, [a, b]: Bits): boolean => (lo & a) !== 0 || (hi & b) !== 0
const hasAll = ([lo, hi]: Bits, [a, b]: Bits): boolean => (lo & a) === a && (hi & b) === b
const isEmpty = ([lo, hi]: Bits): boolean => lo === 0 && hi === 0

/** More states than can be told apart: not a question of order. */
export class TooManyStates extends InputError {
  constructor(count: number) {
    super(
      `name ${count} states with those that always count; at most ${MOST_STATES} can be told apart`,
      '/steps',
    )
  }
}

/** A rule of one step, as bits. */
interface Asked {
  need: Bits
  forbid: Bits
  unless: Bits
}
interface Pair {
  holds: Bits
  with: Bits
}
/** What the rules ask of one step: those without a condition in one, the others each for itself. */
export interface StepMasks {
  put: Bits
  take: Bits
  before: Asked
  others: readonly Asked[]
  after: Bits
  since: Bits
}

/** The rules of a plan compiled for the steps of one search: the same rows that the check reads. */
export class Masks {
  readonly names: string[] = []
  private readonly at = new Map<string, number>()
  private readonly everPut: ReadonlySet<string>
  private readonly pairs: readonly Pair[]
  private readonly openings: readonly string[]

  /** @throws TooManyStates */
  constructor(
    steps: readonly RuledStep[],
    held: ReadonlySet<string>,
    private readonly rules: readonly StateRule[] = STATE_RULES,
  ) {
    for (const { needs, forbids, puts, takes } of steps)
      for (const name of [...needs, ...forbids, ...puts, ...takes]) this.bitOf(name)
    for (const name of held) this.bitOf(name)
    this.everPut = new Set([...steps.flatMap(({ puts }) => puts), ...held])
    this.openings = this.names.filter(isOpening)
    this.pairs = rules.flatMap((rule) =>
      rule.at === 'while' && this.isAsked(rule)
        ? [{ holds: this.bits([rule.holds]), with: this.bits(rule.with) }]
        : [],
    )
    // All that rules name of these steps is known before anything is counted by state.
    steps.forEach((step) => this.of(step))
    if (this.names.length > MOST_STATES) throw new TooManyStates(this.names.length)
  }

  private isAsked = ({ where }: StateRule): boolean => where === undefined || this.everPut.has(where)
  bitOf(name: string): number {
    let at = this.at.get(name)
    if (at === undefined) {
      at = this.names.push(name) - 1
      this.at.set(name, at)
    }
    return at
  }
  bits(names: readonly string[]): Bits {
    let [lo, hi] = [0, 0]
    const all = names.flatMap((name) => (name === ANY_OPENING ? this.openings : [name]))
    for (const name of all) {
      const at = this.bitOf(name)
      if (at < LOW) lo |= 1 << at
      else hi |= 1 << (at - LOW)
    }
    return [lo, hi]
  }
  holds = ([lo, hi]: Bits, state: number): boolean =>
    (state < LOW ? lo & (1 << state) : hi & (1 << (state - LOW))) !== 0

  /** States that a step needs and forbids before it, by rules that are asked whatever holds. */
  statesOf(step: RuledStep): { need: string[]; forbid: string[] } {
    const need: string[] = []
    const forbid: string[] = []
    for (const rule of this.rules) {
      if (rule.at !== 'before' || !this.isAsked(rule)) continue
      if ((rule.unless?.(step) ?? []).length > 0) continue
      need.push(...(rule.needs?.(step) ?? []))
      const forbids = rule.forbids?.(step) ?? []
      forbid.push(...forbids.flatMap((name) => (name === ANY_OPENING ? this.openings : [name])))
    }
    return { need, forbid }
  }

  of(step: RuledStep): StepMasks {
    const { need, forbid } = this.statesOf(step)
    const others: Asked[] = []
    const after: string[] = []
    const since: string[] = []
    for (const rule of this.rules) {
      if (!this.isAsked(rule)) continue
      if (rule.at === 'after') after.push(...(rule.forbids?.(step) ?? []))
      if (rule.at === 'since' && rule.asks(step) && !step.puts.includes(rule.put)) since.push(rule.put)
      if (rule.at !== 'before') continue
      const unless = this.bits(rule.unless?.(step) ?? [])
      if (isEmpty(unless)) continue
      others.push({
        need: this.bits(rule.needs?.(step) ?? []),
        forbid: this.bits(rule.forbids?.(step) ?? []),
        unless,
      })
    }
    return {
      put: this.bits(step.puts.filter((state) => !step.takes.includes(state))),
      take: this.bits(step.takes),
      before: { need: this.bits(need), forbid: this.bits(forbid), unless: [0, 0] },
      others,
      after: this.bits(after),
      since: this.bits(since),
    }
  }

  /** Whether a step keeps every rule, by what holds before it and after it, and what was put so far. */
  allows(step: StepMasks, before: Bits, after: Bits, put: Bits): boolean {
    const { need, forbid } = step.before
    if (!hasAll(before, need) || hasAny(before, forbid)) return false
    for (const one of step.others)
      if (!hasAll(before, one.unless) && (!hasAll(before, one.need) || hasAny(before, one.forbid)))
        return false
    if (hasAny(after, step.after) || !hasAll(put, step.since)) return false
    for (const pair of this.pairs) {
      const isBare = (states: Bits) => hasAny(states, pair.holds) && !hasAny(states, pair.with)
      if (isBare(after) && !isBare(before)) return false
    }
    return true
  }
}
