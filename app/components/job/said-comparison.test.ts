import { describe, expect, it } from 'vitest'
import { entry } from '../../../tests/arbitrary/entry'
import { fold, type FitCheck } from '~~/core/journal'
import { understandLine } from '~~/core/jotting'
import { completedCheck } from './said-comparison'

const check = (more: Partial<FitCheck>): FitCheck => ({
  ...{ brought: false, rows: [], keep: [], move: [], bin: [], casualties: [] },
  ...more,
})
const said = (line: string): FitCheck => {
  const [one] = understandLine(line, { phase: 'asFound', units: 'metric' }).statements
  if (one?.kind !== 'fitCheck') throw new Error(JSON.stringify(one))
  return one.payload
}
const held = (...checks: Partial<FitCheck>[]) =>
  fold([
    entry(1, 'goal', { jobKind: 'partsBrought', wanted: '' }),
    ...checks.map((one, i) => entry(i + 2, 'fitCheck', check(one))),
  ])

describe('a comparison as it is said', () => {
  it('keeps the side that is known, is judged anew, and is of the part that is compared', () => {
    const state = held({
      of: 'slave',
      brought: true,
      rows: [{ what: 'bore', old: 20.64, new: null, judged: 'notKnown' }],
    })
    expect(completedCheck(said('old bore 20.64 new bore 22.2'), state)).toMatchObject({
      of: 'slave',
      brought: true,
      rows: [{ what: 'bore', old: 20.64, new: 22.2, judged: 'change' }],
    })
    const fresh = completedCheck({ ...said('new slave bore 20.64') }, state)
    expect(fresh.rows[0]).toMatchObject({ old: 20.64, new: 20.64, judged: 'same' })
  })
  it('counts the turns of the rod where it adjusts, and refuses it where it does not', () => {
    const adjusts = (yes: boolean) =>
      held({ of: 'master', rows: [{ what: 'rodAdjusts', old: true, new: yes, judged: 'same' }] })
    const line = said('old rod 118, new rod 121')
    expect(completedCheck(line, adjusts(true), 1.5).rows[0]!.change).toBe(
      'set the rod 3.0 mm shorter, 2.0 turns',
    )
    expect(completedCheck(line, adjusts(false), 1.5).rows[0]!.judged).toBe('wontFit')
  })
  it('is of the master where nothing tells', () => {
    expect(completedCheck(said('old rod 118, new rod 121'), held()).of).toBe('master')
  })
  it('is refused out of its bounds, in the person’s own unit', () => {
    const context = { phase: 'asFound', units: 'inch' } as const
    expect(understandLine('slave bore old 13/16, new 7/8', context).statements[0]).toMatchObject({
      payload: { rows: [{ new: expect.closeTo(22.225, 6) as number }] },
    })
    expect(understandLine('new master bore 900 mm', context).problem).toMatch(/Bore is 5 to 100 mm/)
  })
})
