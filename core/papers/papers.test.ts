import { describe, expect, it } from 'vitest'
import { entry as made, reading } from '../../tests/arbitrary/entry'
import { fromArchetype } from '../installation'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import { formatOf } from '../quantity'
import { PAPERS, type Paper, type PaperKind } from '.'

let n = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K], more: Partial<Entry> = {}): Entry =>
  made(++n, kind, payload, more)
const car = fromArchetype('small-car')

const paperOf = (kind: PaperKind, entries: Entry[], plate: string | null = 'FID 09'): Paper =>
  PAPERS[kind](
    {
      job: { title: 'Soft', createdAt: '2026-11-24T08:00:00.000Z' },
      vehicle: { name: 'Post car', plate, model: null },
      state: fold(entries),
      installation: car,
      ofVehicle: [],
    },
    {
      format: formatOf('metric'),
      day: (iso) => iso.slice(0, 10),
      moment: (iso) => iso.slice(0, 16),
      name: () => 'Orla',
      now: '2026-11-27T10:00:00.000Z',
    },
  )
/** All that a section says, in lines. */
const said = (paper: Paper, heading: string): string[] =>
  paper.sections
    .filter((one) => one.heading.startsWith(heading))
    .flatMap(({ parts }) =>
      parts.flatMap((part) => {
        switch (part.type) {
          case 'text':
            return [part.words]
          case 'list':
            return part.items.map((item) => (typeof item === 'string' ? item : item.strong))
          case 'table':
            return part.rows.map((row) => row.join(' | '))
        }
      }),
    )

describe('the customer’s sheet', () => {
  it('says what remains of a partial cure, and whose the parts are', () => {
    const sheet = paperOf('customer', [
      entry('goal', { jobKind: 'partsBrought', wanted: 'fit mine' }),
      entry('complaint', { complaint: 'soft', words: ' sags at the lights ' }),
      entry('workDone', { operation: 'slave' }),
      entry('graded', { of: 'soft', grade: 'less', remaining: 'slaveLeak', words: 'part on order' }),
      entry('followUp', { what: 'boot', due: '2026-12-01' }),
      entry('followUp', { what: 'clip', done: true }),
    ])
    expect(said(sheet, 'What you told us')).toEqual(['“sags at the lights”, now less'])
    expect(said(sheet, 'What was done')).toEqual([
      'Renew the slave',
      'Parts were brought by the customer: fitted as agreed, on his own account.',
    ])
    expect(said(sheet, 'What remains')).toEqual([
      'sags at the lights: better, not gone; left to mend: slave leaks at its boot (part on order)',
      'Still owed: boot, by 1 Dec 2026',
    ])
    expect(said(sheet, 'How it is now')).toContain(
      'Not finished yet: something is still to be measured or mended.',
    )
  })

  it('quotes the customer where his words were written down, and nobody else', () => {
    const sheet = paperOf('customer', [
      entry('complaint', { complaint: 'soft', words: 'like a sponge' }),
      entry('complaint', { complaint: 'sinks' }),
      entry('approval', { option: 'Slave only', by: 'the owner', how: 'written' }),
    ])
    expect(said(sheet, 'What you told us')).toEqual(['“like a sponge”', 'Sinks under a held foot'])
    expect(said(sheet, 'What you agreed to')[0]).toMatch(/^Slave only \(the owner, in writing, /)
  })

  it('leaves out a repair put off that is done since, and a look again that was taken', () => {
    const verdict = entry('verdict', { outcome: 'pass', reasons: [] })
    const week = entry('recheck', { of: verdict.id, due: '2026-12-04', rules: ['reserve'] })
    const far = entry('recheck', { of: verdict.id, atKm: 85_000, rules: ['sink'] })
    const off = entry('deferred', { repair: 'hose', watch: 'freeTravel', limit: 45 })
    const open = paperOf('customer', [verdict, week, far, off])
    expect(said(open, 'What remains')).toEqual([
      'Put off: renew the hose; ends at 45.0 mm of free travel at the pad',
    ])
    expect(said(open, 'When we look again').join()).toContain('2026-12-04')
    const done = paperOf('customer', [
      ...[verdict, week, far, off],
      entry('workDone', { operation: 'hose' }, { at: '2027-01-01T08:00:00.000Z' }),
      entry('verdict', { outcome: 'pass', reasons: [], recheck: week.id }),
    ])
    expect(said(done, 'What remains').join()).not.toContain('Put off')
    const next = said(done, 'When we look again').join()
    expect(next).not.toContain('2026-12-04')
    expect(next).toContain('at 85000 km')
  })

  it('gives parts alone where the shop’s rate was not kept with the decision', () => {
    const sheet = paperOf('customer', [
      entry('decision', {
        ...{ scope: 'proven', way: 'replace', first: 'part' },
        ...{ repairs: ['slave'], reasons: [], minutes: 90, money: 53, comebackRisk: 0.25 },
      }),
    ])
    expect(said(sheet, 'What was proposed')).toEqual([
      'Renew the slave: about 1.5 hours of work, parts 53. Chance that it comes back: 25 in 100.',
    ])
  })

  it('of a job with nothing in it has no empty section', () => {
    for (const kind of ['card', 'verdict', 'customer'] as const)
      for (const { parts } of paperOf(kind, [], null).sections)
        for (const part of parts) {
          if (part.type === 'list') expect(part.items.length).toBeGreaterThan(0)
          if (part.type === 'table') expect(part.rows.length).toBeGreaterThan(0)
          if (part.type === 'text') expect(part.words).not.toBe('')
        }
  })
})

describe('the verdict sheet', () => {
  const pass = () => entry('verdict', { outcome: 'pass', reasons: [] })

  it('says by whom it was filed, and what was filed since that bears on it', () => {
    const filed = [entry('measurement', reading('freeTravel', 30, 'after')), pass()]
    const sheet = paperOf('verdict', filed)
    expect(sheet.title).toBe('Post car: Proven')
    expect(sheet.lead.join(' ')).toMatch(/Filed 2026-11-24T08:\d\d by Orla\./)
    expect(said(sheet, 'Changed since')).toEqual([])
    const later = paperOf('verdict', [
      ...filed,
      entry('measurement', reading('freeTravel', 44, 'after')),
    ])
    expect(said(later, 'Changed since')).toEqual([
      'Something that bears on it was filed after it: it no longer stands as proven. Measure again.',
    ])
  })

  it('tells each correction, and that one which is not filed is not', () => {
    const first = pass()
    const put = entry('verdict', { outcome: 'notYet', reasons: [] }, { corrects: first.id })
    const sheet = paperOf('verdict', [first, put])
    expect(sheet.title).toBe('Post car: Not yet')
    expect(said(sheet, 'Changed since')).toHaveLength(1)
    expect(paperOf('verdict', []).lead).toContain(
      'Not filed: this is how it stands when it was printed.',
    )
  })
})
