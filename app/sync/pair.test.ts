import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { CoachCue } from '~~/contract'
import { callNow, movesOf, type CoachPlan, type CoachState, type Role, type Touch } from '~~/core/coach'
import { ANSWER_WITHIN, LEASE, Pair, SILENT, type Filed, type KeptRun } from './pair'

const PLAN: CoachPlan = {
  parts: [{ method: 'openPush', cycles: 30, draws: [{ low: 4, middle: 4, high: 4 }] }],
  usable: 400,
  shared: false,
  people: 2,
  unknown: null,
}

/** Devices on one job, a clock that is turned by hand, and a network that can be cut. */
function workshop(names: readonly string[]) {
  let now = 0
  let ids = 0
  const cut = new Set<string>()
  /** Numbers that the server gives, one after the other. */
  let number = 100
  const mail: { to: string; cue: CoachCue }[] = []
  const entries = new Map<string, Filed>()
  const kept = new Map<string, KeptRun | null>()
  /** ms by which the clock that makes ids is ahead of the first. */
  let fast = 0
  const make = (name: string, before: KeptRun | null = null) =>
    new Pair(
      {
        device: name,
        by: () => `by ${name}`,
        newId: () => `${String(fast).padStart(10, '0')}${String(ids++).padStart(6, '0')}`,
        now: () => now,
        send: (cue) => {
          if (cut.has(name)) return Promise.resolve(null)
          const copy = JSON.parse(JSON.stringify(cue)) as CoachCue
          // It comes back to the one who said it, too.
          for (const to of names) mail.push({ to, cue: copy })
          return Promise.resolve(++number)
        },
        file: (filed) => {
          entries.set(filed.id, filed)
          return Promise.resolve()
        },
        save: (one) => kept.set(name, one && (JSON.parse(JSON.stringify(one)) as KeptRun)),
        changed: () => {},
      },
      before,
    )
  const pairs = new Map(names.map((name) => [name, make(name)]))
  const at = (name: string) => pairs.get(name)!
  const deliver = () => {
    for (let i = 0; i < 400 && mail.length > 0; i++) {
      const { to, cue } = mail.shift()!
      if (!cut.has(to)) at(to).hear(cue)
    }
  }
  return {
    at,
    cut,
    ahead: (ms: number) => (fast += ms),
    now: () => now,
    mail,
    deliver,
    reopen: (name: string) => pairs.set(name, make(name, kept.get(name) ?? null)),
    pass: (ms: number) => {
      for (const end = now + ms; now < end;) {
        now += 500
        for (const pair of pairs.values()) pair.beat()
        deliver()
      }
    },
    /** Entries that stand: filed, and not withdrawn. */
    standing: () => {
      const own = new Map<string, Filed>()
      for (const one of entries.values())
        if (one.effect.do !== 'withdraw' && one.effect.do !== 'correct') own.set(one.id, one)
      for (const { effect, of } of entries.values()) if (effect.do === 'withdraw') own.delete(of!)
      return [...own.values()]
    },
  }
}
type Workshop = ReturnType<typeof workshop>
const answer: Touch = { touch: 'answer' }
/** Whoever’s turn it is answers, on its own device. */
function step(shop: Workshop, seats: { pedal: string; bleeder: string }) {
  const move = callNow(shop.at(seats.bleeder).told!.state)!
  shop.at(seats[move.role]).touch(answer, move.role)
  shop.deliver()
}
/** Fill and hose are called first. */
const ready = (shop: Workshop, seats: { pedal: string; bleeder: string }) => {
  for (let i = 0; i < 2; i++) step(shop, seats)
}
const cyclesOf = (shop: Workshop) =>
  shop.standing().flatMap(({ effect }) => (effect.do === 'cycle' ? [effect.ref] : []))

describe('two devices on one bleed', () => {
  const begin = () => {
    const shop = workshop(['A', 'B'])
    shop.at('A').start(PLAN, ['bleeder'])
    shop.deliver()
    shop.at('B').ask('pedal')
    shop.deliver()
    ready(shop, { pedal: 'B', bleeder: 'A' })
    return shop
  }
  it('one leads and files, the other answers; both show the same', () => {
    const shop = begin()
    for (let i = 0; i < 12; i++) step(shop, { pedal: 'B', bleeder: 'A' })
    expect(shop.at('B').told).toEqual(shop.at('A').told)
    expect(shop.at('A').told!.state).toMatchObject({ cycle: 3 })
    expect(cyclesOf(shop)).toEqual(['0.0', '0.1', '0.2'])
    expect([shop.at('A').roles, shop.at('B').roles]).toEqual([['bleeder'], ['pedal']])
  })
  it('a touch made while the line was cut counts when it is back, once', () => {
    const shop = begin()
    step(shop, { pedal: 'B', bleeder: 'A' })
    shop.cut.add('B')
    shop.at('B').touch(answer, 'pedal')
    shop.pass(8000)
    expect(callNow(shop.at('A').told!.state)!.call).toBe('down')
    expect(shop.at('B').onItsWay).toBe(true)
    shop.cut.clear()
    shop.pass(5000)
    expect(callNow(shop.at('A').told!.state)!.call).toBe('shut')
    expect(shop.at('B').onItsWay).toBe(false)
    expect(shop.at('B').told).toEqual(shop.at('A').told)
  })
  it('after ten seconds of silence the other may lead; what the first filed alone meanwhile is taken back', () => {
    const shop = begin()
    for (let i = 0; i < 4; i++) step(shop, { pedal: 'B', bleeder: 'A' })
    shop.cut.add('A')
    // A goes on by itself for a whole cycle, B for a whole cycle too.
    for (let i = 0; i < 4; i++) shop.at('A').touch(answer, callNow(shop.at('A').told!.state)!.role)
    expect(shop.at('B').silent).toBe(false)
    shop.pass(SILENT + 1000)
    expect(shop.at('B').silent).toBe(true)
    // By then the first takes no answers any more, for its own word does not come back.
    expect(shop.at('A').cutOff).toBe(true)
    const { n } = shop.at('A').told!.state
    shop.at('A').touch(answer, 'bleeder')
    expect(shop.at('A').told!.state.n).toBe(n)
    shop.at('B').takeLead()
    expect(shop.at('B').unheard).toBe(true)
    shop.deliver()
    // Close and Up come first: nobody knows what was done meanwhile.
    const calls: string[] = []
    for (let i = 0; i < 6; i++) {
      const move = callNow(shop.at('B').told!.state)!
      calls.push(move.call)
      shop.at('B').touch(answer, move.role)
    }
    expect(calls).toEqual(['shut', 'up', 'open', 'down', 'shut', 'up'])
    expect(cyclesOf(shop)).toEqual(['0.0', '0.1', '0.1'])
    shop.cut.clear()
    shop.pass(5000)
    expect([shop.at('A').leads, shop.at('B').leads]).toEqual([false, true])
    expect(cyclesOf(shop)).toEqual(['0.0', '0.1'])
    expect(shop.at('A').told).toEqual(shop.at('B').told)
  })
  it('the lead passes when it is asked for, places change, and a page opened again goes on', () => {
    const shop = begin()
    step(shop, { pedal: 'B', bleeder: 'A' })
    shop.at('B').ask('lead')
    shop.deliver()
    expect([shop.at('A').leads, shop.at('B').leads]).toEqual([false, true])
    shop.at('A').ask('pedal')
    shop.deliver()
    // Whoever holds it is asked first.
    expect(shop.at('B').told!.asked).toMatchObject({ roles: ['pedal'], seat: { device: 'A' } })
    expect([shop.at('A').roles, shop.at('B').roles]).toEqual([['bleeder'], ['pedal']])
    shop.at('B').ask('give')
    shop.deliver()
    expect([shop.at('A').roles, shop.at('B').roles]).toEqual([['pedal'], ['bleeder']])
    shop.reopen('B')
    expect(shop.at('B').leads).toBe(true)
    shop.pass(3000)
    for (let i = 0; i < 3; i++) step(shop, { pedal: 'A', bleeder: 'B' })
    expect(cyclesOf(shop)).toEqual(['0.0'])
  })
  it('a place that is held is given after ten seconds without an answer, which both are told; it can be taken back, or kept', () => {
    const shop = workshop(['A', 'B', 'C'])
    shop.at('A').start(PLAN, ['bleeder'])
    shop.deliver()
    shop.at('B').ask('pedal')
    shop.deliver()
    shop.at('C').ask('pedal')
    shop.pass(ANSWER_WITHIN - 1000)
    expect(shop.at('B').roles).toEqual(['pedal'])
    shop.pass(2000)
    expect([shop.at('B').roles, shop.at('C').roles]).toEqual([[], ['pedal']])
    for (const who of ['B', 'C'])
      expect(shop.at(who).told!.took).toMatchObject({ from: { device: 'B' }, to: { device: 'C' } })
    shop.at('B').ask('takeBack')
    shop.deliver()
    expect([shop.at('B').roles, shop.at('C').roles]).toEqual([['pedal'], []])
    shop.at('C').ask('pedal')
    shop.deliver()
    shop.at('B').ask('keep')
    shop.pass(ANSWER_WITHIN + 2000)
    expect(shop.at('B').roles).toEqual(['pedal'])
    expect(shop.at('C').told!.kept).toMatchObject({ to: { device: 'C' }, by: { device: 'B' } })
  })
  it('a run is newer by the server’s number, whatever the clocks of the devices say', async () => {
    const shop = workshop(['A', 'B'])
    const settle = async () => {
      for (let i = 0; i < 6; i++) {
        await Promise.resolve()
        shop.deliver()
      }
    }
    // Ids are made in the order of a clock: this one’s is an hour ahead.
    shop.ahead(3_600_000)
    shop.at('A').start(PLAN, ['bleeder'])
    await settle()
    shop.ahead(-3_600_000)
    shop.at('B').ask('pedal')
    await settle()
    shop.at('B').start(PLAN, ['pedal', 'bleeder'])
    await settle()
    shop.pass(20_000)
    await settle()
    const [a, b] = [shop.at('A').told!, shop.at('B').told!]
    expect(a.run < b.run).toBe(false)
    expect(a.run).toBe(b.run)
    expect(b).toMatchObject({ confirmed: true, lead: 'B' })
  })
  it('under any touches, cuts, and changes of lead every cycle stands once when they hear each other again', () => {
    const acts = fc.array(
      fc.record({
        who: fc.constantFrom('A', 'B'),
        act: fc.constantFrom(
          'answer',
          'answer',
          'answer',
          'says',
          'undo',
          'lead',
          'take',
          'cut',
          'mend',
          'wait',
          'lose',
          'reopen',
          'came',
          'alone',
          'seat',
          'give',
        ),
      }),
      { maxLength: 80 },
    )
    fc.assert(
      fc.property(acts, (list) => {
        const shop = begin()
        for (const { who, act } of list) {
          const pair = shop.at(who)
          const move = callNow(pair.told!.state)
          if (act === 'answer') pair.touch(answer, move?.role ?? null)
          else if (act === 'says') pair.touch({ touch: 'says', says: 'firmer' }, 'pedal')
          else if (act === 'came') pair.touch({ touch: 'cameOut', cameOut: 'few' }, 'bleeder')
          else if (act === 'undo') pair.touch({ touch: 'undo' }, null)
          else if (act === 'lead') pair.ask('lead')
          else if (act === 'take') pair.takeLead()
          else if (act === 'alone') pair.goOnAlone()
          else if (act === 'seat') pair.ask(who === 'A' ? 'pedal' : 'bleeder')
          else if (act === 'give') pair.ask('give')
          else if (act === 'cut') shop.cut.add(who)
          else if (act === 'mend') shop.cut.clear()
          else if (act === 'wait') shop.pass(2000)
          else if (act === 'lose') shop.mail.length = 0
          else shop.reopen(who)
          if (act !== 'lose') shop.deliver()
        }
        shop.cut.clear()
        shop.pass(70_000)
        const [a, b] = [shop.at('A'), shop.at('B')]
        expect(a.told).toEqual(b.told)
        expect([a.leads, b.leads].filter(Boolean)).toHaveLength(1)
        const standing = shop.standing()
        expect(standing.map(({ id }) => id).sort()).toEqual(Object.values(a.told!.ids).sort())
        expect(cyclesOf(shop).sort()).toEqual(
          Array.from({ length: a.told!.state.cycle }, (_, i) => `0.${i}`).sort(),
        )
      }),
      { numRuns: 150 },
    )
  })

  it('with people who do what stands on their own screen, a real screw and a real pedal: never up while open, however the line is cut', () => {
    const acts = fc.array(
      fc.record({
        who: fc.constantFrom('A', 'B'),
        act: fc.oneof(
          { weight: 12, arbitrary: fc.constant('does') },
          { weight: 3, arbitrary: fc.constantFrom('wait', 'longer') },
          fc.constantFrom(
            'cut',
            'mend',
            'lead',
            'take',
            'alone',
            'both',
            'give',
            'undo',
            'reopen',
            'stop',
            'go',
          ),
        ),
      }),
      { maxLength: 120 },
    )
    fc.assert(
      fc.property(acts, fc.constantFrom('openPush', 'pumpHold'), (list, method) => {
        const shop = workshop(['A', 'B'])
        const plan = { ...PLAN, parts: [{ ...PLAN.parts[0]!, method }] } as CoachPlan
        shop.at('A').start(plan, ['bleeder'])
        shop.deliver()
        shop.at('B').ask('pedal')
        shop.deliver()
        let [open, down] = [false, false]
        /** Whoever said that both places are his: the other one puts his device away until they hear each other again. */
        let alone: string | null = null
        for (const { who, act } of list) {
          const pair = shop.at(who)
          const told: CoachState = pair.told!.state
          if (alone !== null && shop.cut.size === 0 && !pair.unheard) alone = null
          if (act === 'does') {
            const move = callNow(told)
            const mine = move && pair.roles.includes(move.role)
            if (!move || !mine || pair.unheard || (alone !== null && alone !== who)) continue
            // Done by hand, whether or not the touch arrives.
            if (move.pedal === 'up' && down && movesOf(method as 'openPush').shutFirst)
              expect(open, `${who} lets it up`).toBe(false)
            if (move.pedal) down = move.pedal === 'down'
            if (move.screw) open = move.screw === 'open'
            pair.touch(answer, move.role as Role)
          } else if (act === 'wait') shop.pass(2000)
          else if (act === 'longer') shop.pass(LEASE + 3000)
          else if (act === 'cut') shop.cut.add(who)
          else if (act === 'mend') shop.cut.clear()
          else if (act === 'lead') pair.ask('lead')
          else if (act === 'take' && pair.silent && alone === null) pair.takeLead()
          else if (act === 'alone' && pair.cutOff && alone === null) {
            pair.goOnAlone()
            alone = who
          } else if (act === 'both') pair.ask('both')
          else if (act === 'give') pair.ask('give')
          else if (act === 'undo') pair.touch({ touch: 'undo' }, null)
          else if (act === 'stop') pair.touch({ touch: 'pause' }, null)
          else if (act === 'go') pair.touch({ touch: 'resume' }, null)
          else if (act === 'reopen') shop.reopen(who)
          shop.deliver()
        }
      }),
      { numRuns: 300 },
    )
  })
})
