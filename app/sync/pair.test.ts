import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { CoachCue } from '~~/contract'
import { callNow, type CoachPlan, type Touch } from '~~/core/coach'
import { Pair, SILENT, type Filed, type KeptRun } from './pair'

const PLAN: CoachPlan = {
  parts: [{ method: 'openPush', cycles: 30 }],
  stroke: 4,
  usable: 400,
  shared: false,
  people: 2,
}

/** Devices on one job, a clock that is turned by hand, and a network that can be cut. */
function workshop(names: readonly string[]) {
  let now = 0
  let ids = 0
  const cut = new Set<string>()
  const mail: { to: string; cue: CoachCue }[] = []
  const entries = new Map<string, Filed>()
  const kept = new Map<string, KeptRun | null>()
  const make = (name: string, before: KeptRun | null = null) =>
    new Pair(
      {
        device: name,
        by: () => `by ${name}`,
        newId: () => `${String(ids++).padStart(6, '0')}`,
        now: () => now,
        send: (cue) => {
          if (cut.has(name)) return
          const copy = JSON.parse(JSON.stringify(cue)) as CoachCue
          for (const to of names) if (to !== name) mail.push({ to, cue: copy })
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
const cyclesOf = (shop: Workshop) =>
  shop.standing().flatMap(({ effect }) => (effect.do === 'cycle' ? [effect.ref] : []))

describe('two devices on one bleed', () => {
  const begin = () => {
    const shop = workshop(['A', 'B'])
    shop.at('A').start(PLAN, ['bleeder'])
    shop.deliver()
    shop.at('B').ask('pedal')
    shop.deliver()
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
    shop.at('B').takeLead()
    for (let i = 0; i < 4; i++) shop.at('B').touch(answer, callNow(shop.at('B').told!.state)!.role)
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
    expect([shop.at('A').roles, shop.at('B').roles]).toEqual([['pedal'], ['bleeder']])
    shop.reopen('B')
    expect(shop.at('B').leads).toBe(true)
    for (let i = 0; i < 3; i++) step(shop, { pedal: 'A', bleeder: 'B' })
    expect(cyclesOf(shop)).toEqual(['0.0'])
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
})
