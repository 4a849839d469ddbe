import { describe, expect, it } from 'vitest'
import { circuitVolume } from '../fluid'
import { entry as made } from '../../tests/arbitrary/entry'
import { fromArchetype } from '../installation'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import type { ComparedRow } from '../side-by-side'
import { chooseOwed } from './choose-owed'
import { needsAhead, repairsAhead } from './work-ahead'
import { nextStep } from './next-step'

const installation = fromArchetype('long-line')
let count = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K]): Entry => made(++count, kind, payload)
const goal = (jobKind: Payloads['goal']['jobKind']) => entry('goal', { jobKind, wanted: '' })
const decided = (repairs: Payloads['decision']['repairs'], way: 'replace' | 'rebuild' = 'replace') =>
  entry('decision', {
    ...{ scope: 'proven', way, first: 'part', repairs },
    ...{ reasons: [], minutes: 80, money: 70, comebackRisk: 0.1 },
  })
const check = (more: Partial<Payloads['fitCheck']>) =>
  entry('fitCheck', { brought: true, rows: [], keep: [], move: [], bin: [], casualties: [], ...more })

describe('the work ahead', () => {
  it('is what was decided and what is planned, with the planned sizes', () => {
    const state = fold([
      goal('upgrade'),
      decided(['master']),
      entry('circuitPlan', { changes: [{ change: 'field', field: 'slave.bore', value: 22.2 }] }),
    ])
    expect(repairsAhead(state, installation)).toEqual(['master', 'slave'])
    const needs = needsAhead(state, installation)
    expect(needs.find(({ id }) => id === 'slave')!.spec.bore).toBe(22.2)
    expect(needs.find(({ id }) => id === 'master')!.spec.bore).toBe(installation.circuit.master.bore)
  })
  it('takes fluid by what it does to this circuit', () => {
    const volume = (entries: Entry[]) =>
      needsAhead(fold(entries), installation).find(({ id }) => id === 'fluid')?.spec.volume
    const { usable } = installation.reservoir
    const circuit = circuitVolume(installation.circuit)
    expect(volume([goal('fault'), decided(['master'])])).toBeCloseTo(2 * circuit + usable, 6)
    expect(volume([goal('fault'), decided(['bleed'])])).toBeCloseTo(circuit + usable, 6)
    expect(volume([goal('fluidService'), decided(['bleed'])])).toBeCloseTo(3 * circuit + usable, 6)
    expect(volume([goal('fault'), decided(['rod'])])).toBeUndefined()
  })
  it('does not buy what the customer brought, and buys what will break with it', () => {
    const rows = [{ what: 'bore', old: 20.64, new: 20.64, judged: 'same' }] as const
    const ids = (brought: boolean) =>
      needsAhead(
        fold([
          goal('partsBrought'),
          check({ of: 'slave', brought, rows: [...rows], casualties: ['odd clip'] }),
        ]),
        installation,
      ).map(({ id }) => id)
    expect(ids(true)).not.toContain('slave')
    expect(ids(false)).toContain('slave')
    expect(ids(true)).toEqual(
      expect.arrayContaining(['casualty.odd clip', 'casualty.plasticClips', 'fluid']),
    )
  })
  it('survives a plan that no longer fits the circuit', () => {
    const state = fold([
      goal('upgrade'),
      entry('circuitPlan', {
        changes: [
          { change: 'field', field: 'lines.9.length', value: 10 },
          { change: 'field', field: 'master.bore', value: 17.46 },
        ],
      }),
    ])
    expect(needsAhead(state, installation).find(({ id }) => id === 'master')!.spec.bore).toBe(
      installation.circuit.master.bore,
    )
  })
})

describe('a comparison over several entries', () => {
  const row = (what: 'bore' | 'mounting', judged: 'same' | 'wontFit'): ComparedRow => ({
    ...{
      what,
      old: what === 'bore' ? 15.87 : 'studs',
      new: what === 'bore' ? 15.87 : judged === 'same' ? 'studs' : 'bayonet',
      judged,
    },
  })
  it('adds its rows up, the later in place of the earlier, and keeps lists that stay empty', () => {
    const entries = [
      goal('partsBrought'),
      check({ rows: [row('bore', 'same')], keep: ['reservoir'] }),
      check({ rows: [row('mounting', 'wontFit')], words: 'green box' }),
    ]
    const { comparisons } = fold(entries)
    expect(comparisons.master).toMatchObject({ words: 'green box', keep: ['reservoir'], brought: true })
    expect(comparisons.master!.rows.map(({ what }) => what)).toEqual(['bore', 'mounting'])
    expect(nextStep(fold(entries), [])).toEqual({ to: 'fit', of: 'master' })
    const mended = fold([...entries, check({ rows: [row('mounting', 'same')] })])
    expect(chooseOwed(mended).wontFit).toEqual([])
    expect(nextStep(mended, [])).toEqual({ to: 'compare' })
    // Taking the row back brings the misfit back.
    const back = { ...entry('withdrawal', {}), withdraws: mended.history.at(-1)!.origin.id } as Entry
    expect(chooseOwed(fold([...entries, check({ rows: [] }), back])).wontFit).toEqual(['master'])
  })
})

describe('parts that are waited for', () => {
  const told = (happened: Payloads['order']['happened'], quantity: number, arrives?: string) =>
    entry('order', {
      line: 'L'.padStart(26, '0'),
      happened,
      quantity,
      words: 'copper washer',
      ...(arrives && { arrives }),
    })
  const step = (...entries: Entry[]) =>
    nextStep(fold([goal('fault'), decided(['slave']), ...entries]), [])
  it('hold the job until they are here, back, or given up', () => {
    const placed = told('placed', 2, '2026-11-28T09:30:00.000Z')
    expect(step(placed)).toEqual({
      to: 'wait',
      lines: 1,
      words: 'copper washer',
      arrives: '2026-11-28T09:30:00.000Z',
    })
    expect(step(placed, told('delivered', 1), told('wrong', 1)).to).toBe('sendBack')
    expect(step(placed, told('delivered', 1), told('wrong', 1), told('returned', 1)).to).toBe('wait')
    expect(step(placed, told('delivered', 1), told('cancelled', 1)).to).toBe('repair')
  })
})
