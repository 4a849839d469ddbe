import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { WHOLE } from '../../tests/whole'
import { METHODS, TRICKS } from '../entries'
import {
  callNow,
  drawsAt,
  isPutRight,
  moveOf,
  movesOf,
  startCoach,
  touched,
  waysOn,
  WORKS,
  type CoachState,
  type Elsewhere,
  type Move,
  type Part,
  type Touch,
} from '.'
import { planTried as plan, type PartTried } from './plan-tried'

/**
 * The workshop itself, kept apart from the machine: a screw, a pedal and a reservoir that answer only to moves which people really make.
 * It never reads what the machine believes of them.
 */
class Workshop {
  open = false
  down = false
  level: number
  readonly broken: string[] = []
  constructor(readonly usable: number) {
    this.level = usable
  }
  /** Somebody does what is called. @param draws the most that this cycle takes, by the ninety-fifth */
  does(move: Move, part: Part, draws: number): void {
    const { shutFirst } = movesOf(part.method)
    if (move.pedal === 'up') {
      if (this.open && this.down && shutFirst) this.broken.push(`${part.method}: up while open`)
      this.down = false
    }
    if (move.pedal === 'down') this.down = true
    if (move.screw) this.open = move.screw === 'open'
    if (move.draws) this.draws(draws)
    if (move.fills) this.level = this.usable
    if (move.lowers) this.level = 0
  }
  draws(ml: number): void {
    this.level = Math.min(this.usable, this.level - ml)
    if (this.level < 0) this.broken.push('the port ran dry')
  }
}

const touches: fc.Arbitrary<Touch> = fc.oneof(
  { weight: 14, arbitrary: fc.constant<Touch>({ touch: 'answer' }) },
  { weight: 3, arbitrary: fc.constant<Touch>({ touch: 'undo' }) },
  { weight: 2, arbitrary: fc.constant<Touch>({ touch: 'takenOver' }) },
  { weight: 2, arbitrary: fc.constant<Touch>({ touch: 'pause' }) },
  { weight: 2, arbitrary: fc.constant<Touch>({ touch: 'resume' }) },
  fc.constantFrom<Touch>(
    { touch: 'cameOut', cameOut: 'few' },
    { touch: 'cameOut', cameOut: 'foam' },
    { touch: 'cameOut', signs: ['hoseOff'] },
    { touch: 'drawnOff' },
    { touch: 'sign', sign: 'threadWet' },
    { touch: 'oneMore' },
    { touch: 'toppedUp' },
    { touch: 'says', says: 'firmer' },
    { touch: 'travel', mm: 30 },
    { touch: 'goOn' },
    { touch: 'nextPart' },
  ),
)
/** All of them in `npm run trials`. */
const runs = (some: number) => (WHOLE ? 10 * some : some)
/** What a finger answers or says was poured by mistake. */
const SLIPS: ReadonlySet<string> = new Set(['answer', 'toppedUp'])
/** What somebody answers for himself: the arithmetic no longer holds after it. */
const ownWord = fc.constantFrom<Touch>({ touch: 'override' }, { touch: 'didAnyway' })

const parts: fc.Arbitrary<PartTried[]> = fc.array(
  fc.record({
    // Those in which most can go wrong come oftener.
    method: fc.oneof(
      fc.constantFrom(...METHODS, ...TRICKS, ...WORKS),
      fc.constantFrom('openPush', 'pumpHold', 'submerged', 'gravity', 'pressure', 'prop'),
    ),
    cycles: fc.integer({ min: 0, max: 4 }),
  }),
  { minLength: 1, maxLength: 4 },
)
const steps = fc.array(
  fc.record({
    touch: touches,
    by: fc.constantFrom('pedal', 'bleeder', null),
    repeat: fc.boolean(),
    late: fc.integer({ min: 0, max: 9 }).map((one) => one === 0),
    /** Answered although nothing was done yet, and then perhaps taken back. */
    slip: fc.integer({ min: 0, max: 9 }).map((one) => one === 0),
    /** Another device takes the lead, which has not heard of the last few touches. */
    stale: fc.option(fc.integer({ min: 1, max: 9 }), { freq: 14 }),
    /** Somebody else logs a cycle, or pours. */
    foreign: fc.option(
      fc.constantFrom({ drew: 4 }, { drew: 12 }, { poured: null }, { poured: 15 } as const),
      { freq: 12 },
    ),
  }),
  { maxLength: 90 },
)
type Step = Parameters<Parameters<typeof steps.map>[0]>[0][number]

/** One run with its workshop beside it. */
function together(list: readonly PartTried[], usable: number, shared: boolean) {
  let state: CoachState = startCoach(plan(list, { shared, usable }))
  const shop = new Workshop(usable)
  const standing = new Map<string, number>()
  /** States as they were told before, with what had been drawn and poured by then. */
  const told: { state: CoachState; drawn: number; poured: number }[] = []
  let [drawn, poured] = [0, 0]
  const does = (before: CoachState, touch: Touch, after: CoachState) => {
    const called = touch.touch === 'didAnyway' ? moveOf(before) : callNow(before)
    if (touch.touch === 'answer' || touch.touch === 'didAnyway') {
      const part = before.plan.parts[Math.min(before.part, before.plan.parts.length - 1)]!
      if (called) shop.does(called, part, drawsAt(part, before.cycle, before.plan).high)
      if (called?.draws) drawn += 1
      if (called?.fills) poured += 1
    }
    if (touch.touch === 'toppedUp') {
      shop.level = shop.usable
      poured += 1
    }
    if (touch.touch === 'drawnOff') shop.level = Math.max(0, shop.usable - after.level.middle)
    // What flows by itself has flowed for as long as it was let, when somebody stops it.
    const move = moveOf(before)
    if (
      touch.touch === 'pause' &&
      shop.open &&
      move?.draws &&
      FLOWS.has(before.plan.parts[before.part]!.method)
    )
      shop.draws(drawsAt(before.plan.parts[before.part]!, before.cycle, before.plan).high)
  }
  const touch = (id: string, one: Touch, by: Step['by'], seen: number, slip: boolean) => {
    const before = state
    const next = touched(state, id, one, by, seen)
    state = next.state
    if (state === before) return
    for (const effect of next.effects) {
      if (effect.do === 'withdraw') standing.set(effect.ref, (standing.get(effect.ref) ?? 1) - 1)
      else if (effect.do === 'correct') expect(standing.get(effect.ref) ?? 1).toBe(1)
      else standing.set(effect.ref, (standing.get(effect.ref) ?? 0) + 1)
    }
    for (const count of standing.values()) expect(count === 0 || count === 1).toBe(true)
    if (!(slip && SLIPS.has(one.touch))) does(before, one, state)
    told.push({ state: before, drawn, poured })
  }
  /** The lead goes to a device that heard nothing for the last few touches: what was filed meanwhile is taken back by the first. */
  const takenOver = (back: number, id: string) => {
    const old = told.at(-back)
    // Nobody goes on for longer than three cycles, or through a fill, without noticing that nobody hears it.
    if (!old || poured > old.poured || old.state.part !== state.part || drawn > old.drawn + 3) return
    state = touched({ ...old.state, n: state.n }, id, { touch: 'takenOver' }).state
    standing.clear()
    for (const { made } of [...state.past]) for (const ref of made) standing.set(ref, 1)
  }
  return {
    shop,
    get state() {
      return state
    },
    set state(next) {
      state = next
    },
    touch,
    takenOver,
  }
}
/** Where the pedal may rise by itself: nobody keeps it down at a stop, and no call asks for it. */
function mayRise(state: CoachState): boolean {
  const called = callNow(state)
  return (
    called === null &&
    (state.paused || state.held !== null || state.asks !== null || state.unusual !== null)
  )
}
function looksSafe({ state, shop }: ReturnType<typeof together>): void {
  const part = state.plan.parts[Math.min(state.part, state.plan.parts.length - 1)]!
  const called = callNow(state)
  const { shutFirst } = movesOf(part.method)
  if (called?.pedal === 'up' && shop.down && shutFirst)
    expect(shop.open, 'called up while open').toBe(false)
  if (mayRise(state)) expect(shop.open, 'left open at a stop').toBe(false)
  if (state.done && !state.asks) expect(shop.open, 'left open at the end').toBe(false)
}
/** These run out by themselves while the screw is open and their call stands. */
const FLOWS: ReadonlySet<string> = new Set(['gravity', 'pressure', 'vacuum'])
/** Goes on by the first way that is offered, until it is done. */
function toItsEnd(run: ReturnType<typeof together>): void {
  for (let i = 0; i < 600 && !(run.state.done && !run.state.asks); i++) {
    const way = waysOn(run.state)[0]!
    const one = way === 'travel' ? { touch: 'travel', mm: null } : { touch: way }
    run.touch(`end${i}`, one as Touch, null, run.state.n, false)
    looksSafe(run)
  }
  expect(run.state.done).toBe(true)
}

describe('with a screw, a pedal and a reservoir that are really there, under any order of touches, undos, stops, repeats and takeovers', () => {
  const all = (honest: boolean) =>
    fc.property(
      parts,
      steps,
      fc.boolean(),
      fc.array(ownWord, { maxLength: 3 }),
      (list, sequence, shared, own) => {
        const run = together(list, 90, shared)
        // Whoever answers for himself is not held to the arithmetic; what is open and what is down holds all the same.
        const words = honest ? [] : own
        sequence.forEach(({ touch, by, repeat, late, foreign, stale }, i) => {
          if (stale) run.takenOver(stale, `s${i}`)
          looksSafe(run)
          if (foreign) {
            const before = run.state
            const ml = foreign.drew ?? 0
            const entry: Elsewhere =
              foreign.drew === undefined
                ? { id: `f${i}`, poured: foreign.poured ?? null }
                : { id: `f${i}`, drew: { low: ml, middle: ml, high: ml } }
            const drew = foreign.drew ?? 0
            // What others draw they draw from what is there.
            if (run.shop.level >= drew) {
              run.state = touched(before, `e${i}`, { touch: 'elsewhere', entries: [entry] }).state
              if (drew) run.shop.draws(drew)
              else
                run.shop.level = Math.min(
                  run.shop.usable,
                  run.shop.level + (entry.poured ?? run.shop.usable),
                )
            }
          }
          const extra = words[i % 7]
          if (i % 7 === 3 && extra) run.touch(`o${i}`, extra, null, run.state.n, false)
          run.touch(`t${i}`, touch, by, late ? run.state.n - 1 : run.state.n, false)
          if (repeat) {
            const once = run.state
            run.touch(`t${i}`, touch, by, once.n, false)
            // The same touch again is no other touch, unless the first was no answer to what stood there.
            if (once.taken.includes(`t${i}`)) expect(run.state).toBe(once)
          }
          looksSafe(run)
          expect(waysOn(run.state).length).toBeGreaterThan(0)
        })
        toItsEnd(run)
        const dry = run.shop.broken.filter((one) => one === 'the port ran dry')
        expect(run.shop.broken.filter((one) => one !== 'the port ran dry')).toEqual([])
        if (honest) expect(dry).toEqual([])
      },
    )
  it('never calls the pedal up, or leaves it to rise, with the screw open; never runs the port dry; counts no cycle twice; has a way on', () => {
    fc.assert(all(true), { numRuns: runs(120) })
  })
  it('screw and pedal hold also where somebody answers for himself that the reservoir gives one more', () => {
    fc.assert(all(false), { numRuns: runs(60) })
  })

  it('an answer by a slip of the finger that is taken back leaves in doubt what it said, and is called for again', () => {
    fc.assert(
      fc.property(parts, fc.array(fc.boolean(), { maxLength: 60 }), (list, slips) => {
        const run = together(list, 14, false)
        slips.forEach((slip, i) => {
          const way = waysOn(run.state)[0]!
          const one = way === 'travel' ? { touch: 'travel', mm: null } : { touch: way }
          run.touch(`t${i}`, one as Touch, null, run.state.n, slip)
          if (slip && SLIPS.has(way)) run.touch(`u${i}`, { touch: 'undo' }, null, run.state.n, false)
          looksSafe(run)
        })
        toItsEnd(run)
        expect(run.shop.broken).toEqual([])
      }),
      { numRuns: runs(60) },
    )
  })

  it('three undos from Close never bring “Up” before the screw is shut', () => {
    let state = startCoach(plan([{ method: 'openPush', cycles: 3 }]))
    let k = 0
    const touch = (one: Touch) => (state = touched(state, `t${k++}`, one).state)
    while (!(state.cycle === 1 && callNow(state)?.call === 'shut')) touch({ touch: 'answer' })
    for (let i = 0; i < 3; i++) {
      touch({ touch: 'undo' })
      expect(callNow(state)!.call).toBe('shut')
      expect(isPutRight(state)).toBe(true)
    }
    touch({ touch: 'answer' })
    expect(callNow(state)!.call).toBe('up')
    touch({ touch: 'answer' })
    expect(['up', 'open']).toContain(callNow(state)!.call)
  })

  it('goes over a wire whole: plain data that goes on where it was', () => {
    fc.assert(
      fc.property(parts, fc.array(touches, { maxLength: 20 }), (list, sequence) => {
        let state = startCoach(plan(list))
        let copy = startCoach(plan(list))
        sequence.forEach((touch, i) => {
          state = touched(state, `t${i}`, touch).state
          copy = JSON.parse(JSON.stringify(touched(copy, `t${i}`, touch).state)) as CoachState
        })
        expect(copy).toEqual(state)
      }),
      { numRuns: 60 },
    )
  })
})
