import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import {
  casualtiesOf,
  COMPARED,
  compareRow,
  fitVerdict,
  judgedAnew,
  judgeRow,
  listsFrom,
  rowsOf,
  unlooked,
  weighSet,
  type Compared,
  type ComparedRow,
  type Judged,
  type RowId,
  type RowValue,
} from '.'

interface Case {
  what: RowId
  of: Compared
  old: RowValue | null
  new: RowValue | null
  rodAdjusts?: boolean
  rodSupplied?: boolean
  is: Judged
}
const cases = JSON.parse(readFileSync(new URL('rows-judged.json', import.meta.url), 'utf8')) as Case[]

describe('a row of old against new', () => {
  it.each(cases)(
    '$what on a $of: $old against $new is $is',
    ({ is, what, old, new: fresh, ...context }) => {
      expect(judgeRow(what, { old, new: fresh }, context).judged).toBe(is)
    },
  )
  it('says which change it needs, in turns of the rod', () => {
    const context = { of: 'master', rodAdjusts: true, rodThreadPitch: 1.25 } as const
    expect(judgeRow('rodLength', { old: 118, new: 121 }, context).change).toBe(
      'set the rod 3.0 mm shorter, 2.4 turns',
    )
  })
  it('says that a look-alike starts and binds', () => {
    expect(judgeRow('portThread', { old: '3/8-24', new: 'M10x1' }, { of: 'slave' }).change).toMatch(
      /starts and binds after 4 turns/,
    )
  })
  it('never takes two equal sides for a misfit, whatever the row', () => {
    fc.assert(
      fc.property(fc.constantFrom(...COMPARED), fc.nat(), (of, n) => {
        const rows = rowsOf(of)
        const row = rows[n % rows.length]!
        const value =
          row.type === 'figure'
            ? row.min + (n % 10)
            : row.type === 'choice'
              ? row.values[n % row.values.length]!.id
              : row.type === 'thread'
                ? 'M10x1'
                : n % 2 === 0
        expect(judgeRow(row.id, { old: value, new: value }, { of }).judged).not.toBe('wontFit')
        expect(judgeRow(row.id, { old: value, new: null }, { of }).judged).toBe('notKnown')
      }),
    )
  })
})

const row = (what: RowId, judged: Judged, more: Partial<ComparedRow> = {}): ComparedRow => ({
  what,
  old: null,
  new: null,
  judged,
  ...more,
})
const known = (of: Compared): ComparedRow[] =>
  rowsOf(of)
    .filter(({ must }) => must?.includes(of))
    .map(({ id }) => row(id, 'same'))

describe('what the rows come to', () => {
  it('one row that will not fit decides, whatever else is not known', () => {
    expect(fitVerdict('slave', [row('portThread', 'wontFit')])).toBe('wontFit')
  })
  it('names what must be known before the old part comes off', () => {
    expect(fitVerdict('master', [row('bore', 'same')])).toBe('notKnown')
    expect(unlooked('master', [row('bore', 'same')]).map(({ id }) => id)).toEqual([
      'mounting',
      'rodLength',
      'portThread',
      'portSeat',
    ])
  })
  it('fits once all that is known, with changes or without', () => {
    for (const of of COMPARED) {
      expect(fitVerdict(of, known(of))).toBe('fits')
      const [first, ...rest] = known(of)
      expect(fitVerdict(of, [{ ...first!, judged: 'change' }, ...rest])).toBe('withChanges')
    }
  })
  it('every row says how it is told, and every tolerance why', () => {
    for (const of of COMPARED)
      for (const one of rowsOf(of)) {
        expect(one.how).toMatch(/\.$/)
        if (one.type === 'figure') expect(compareRow(one.id)).toHaveProperty('reason')
      }
  })
})

describe('rows judged anew', () => {
  const rod = row('rodLength', 'notKnown', { old: 96, new: 89, change: 'does its rod adjust?' })
  it('follow what was looked at later, and leave what was judged by hand', () => {
    const fixed = row('rodAdjusts', 'change', { old: true, new: false })
    const [first] = judgedAnew('slave', [rod, fixed])
    expect(first).toMatchObject({
      judged: 'wontFit',
      change: expect.stringContaining('7.0 mm shorter'),
    })
    const [own] = judgedAnew('slave', [{ ...rod, judged: 'same', hand: true }, fixed])
    expect(own!.judged).toBe('same')
  })
})

describe('three lists', () => {
  const where = (of: Compared, rows: ComparedRow[]) =>
    Object.fromEntries(listsFrom(of, rows).map(({ item, list }) => [item, list]))
  it('keeps the reservoir, moves clevis and nuts, bins what was bent once', () => {
    expect(where('master', [])).toMatchObject({
      reservoir: 'keep',
      feedHose: 'keep',
      clevis: 'move',
      mountNuts: 'move',
      oldCotter: 'bin',
    })
  })
  it('moves the rod where none came, and the switch where the new one has none', () => {
    const lists = where('master', [
      row('rodSupplied', 'change', { new: false }),
      row('switch', 'change', { old: true, new: false }),
    ])
    expect(lists).toMatchObject({ rod: 'move', switch: 'move' })
  })
  it('bins the clevis whose pin is of another size, once the new one brings a rod', () => {
    const lists = where('master', [
      row('rodSupplied', 'same', { new: true }),
      row('pinDiameter', 'change', { old: 8, new: 10 }),
    ])
    expect(lists).toMatchObject({ clevis: 'bin', clevisPin: 'bin', rod: 'bin' })
  })
  it('bins the line whose end does not fit the new port', () => {
    expect(where('slave', [row('portThread', 'wontFit')]).line).toBe('bin')
  })
})

describe('casualties', () => {
  it('follow the operation and the vehicle, each with its reason', () => {
    const installation = fromArchetype('long-line')
    const of = (...operations: Parameters<typeof casualtiesOf>[0]) =>
      casualtiesOf(operations, installation).map(({ id }) => id)
    expect(of('master')).toEqual(['plasticClips', 'feedHose', 'pipeNut', 'cotter'])
    expect(of('rod')).toEqual([])
    expect(of('fork')).toEqual(['slaveBoot'])
    expect(casualtiesOf(['pipe'], installation).find(({ id }) => id === 'oldPipe')?.onPurpose).toBe(
      true,
    )
  })
  it('name the connector only where there is one', () => {
    const plain = fromArchetype('concentric')
    const end = { thread: null, gender: 'male', seat: 'quickConnector' } as const
    const joined = { ...plain, joints: [{ at: 'slavePort', a: end, b: null }] } as const
    const ids = (installation: typeof plain) =>
      casualtiesOf(['concentric'], installation).map(({ id }) => id)
    expect(ids(plain)).not.toContain('coupling')
    expect(ids({ ...plain, ...joined, joints: [...joined.joints] })).toContain('coupling')
  })
})

describe('a filled set against dry single parts', () => {
  const usual = {
    set: { price: 210, days: 2 },
    singles: { price: 190, days: 2 },
    seat: 'quickConnector',
    corroded: false,
    rate: 60,
    broken: 45,
  } as const
  it('is favoured where its connector lets go', () => {
    const { favoured, bleedSpared, set, singles } = weighSet(usual)
    expect([favoured, bleedSpared, set.minutes, singles.minutes]).toEqual(['set', 52, 13, 60])
  })
  it('is not where the joint that it forces open is corroded', () => {
    const { favoured, breaks } = weighSet({ ...usual, corroded: true })
    expect([favoured, breaks]).toEqual(['singles', 0.5])
  })
  it('costs more, the more its joint breaks', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), (broken) => {
        const good = weighSet({ ...usual, broken })
        const bad = weighSet({ ...usual, broken, corroded: true })
        expect(bad.set.cost).toBeGreaterThan(good.set.cost)
        expect(bad.singles.cost).toBe(good.singles.cost)
      }),
    )
  })
})
