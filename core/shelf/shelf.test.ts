import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GENDERS, SEATS } from '../fitting'
import {
  guessMapping,
  isOwnHeader,
  kindNamed,
  LIST_COLUMNS,
  missingColumns,
  PART_COLUMNS,
  PART_GRADES,
  PART_KIND_WORDS,
  PART_KINDS,
  plainForSheets,
  readRow,
  writeRow,
  type ListedPart,
  type PartColumn,
} from '.'

const OWN = guessMapping(LIST_COLUMNS)
const cells = (given: Partial<Record<PartColumn, string>>): string[] =>
  LIST_COLUMNS.map((one) => given[one] ?? '')
const good = {
  number: 'MC-1587',
  name: 'Master cylinder 15.87',
  kind: 'masterCylinder',
  supplier: 'Ness Factors',
  price: '61.50',
} as const
const read = (given: Partial<Record<PartColumn, string>>) => readRow(cells({ ...good, ...given }), OWN)
const problemsOf = (given: Partial<Record<PartColumn, string>>): string[] => {
  const row = read(given)
  return 'problems' in row ? row.problems.map(({ column, reason }) => `${column}: ${reason}`) : []
}
const partOf = (given: Partial<Record<PartColumn, string>>): ListedPart => {
  const row = read(given)
  if ('problems' in row) throw new Error(JSON.stringify(row.problems))
  return row.part
}

describe('a row of a list', () => {
  it('is read with its figures, and what is empty is not known', () => {
    const part = partOf({
      currency: 'eur',
      stock: '4',
      bore_mm: '15,87',
      stroke_mm: '30',
      thread: 'M10',
      pitch_mm: '1',
      gender: 'female',
      seat: 'bubble flare',
    })
    expect(part).toEqual({
      ...good,
      price: 61.5,
      currency: 'EUR',
      stock: 4,
      leadDays: null,
      data: {
        bore: 15.87,
        stroke: 30,
        ends: [{ thread: 'M10x1', gender: 'female', seat: 'bubbleFlare' }],
      },
      grade: 'unknown',
      supersededBy: null,
      place: null,
    })
  })
  it('names every column that is wrong, with its bound', () => {
    expect(
      problemsOf({ number: '', kind: 'gadget', price: '12.345', stock: '1.5', bore_mm: '900' }),
    ).toEqual([
      'number: is empty',
      'kind: “gadget” is no kind of part that is known here',
      'price: “12.345” must be a price from 0 to 99999999.99 with at most two decimals',
      'stock: “1.5” must be a whole number',
      'bore_mm: “900” must be a number from 1 to 200 mm',
    ])
  })
  it('reads two ends with “>” between them, and refuses three', () => {
    const given = {
      kind: 'adapter',
      thread: 'M10x1 > 3/8-24',
      gender: 'female > male',
      seat: 'doubleFlare',
    }
    expect(partOf(given).data.ends).toEqual([
      { thread: 'M10x1', gender: 'female', seat: 'doubleFlare' },
      { thread: '3/8-24', gender: 'male', seat: 'doubleFlare' },
    ])
    expect(problemsOf({ ...given, thread: 'M10x1 > M10x1 > M10x1' })[0]).toMatch(
      /^thread: names 3 ends/,
    )
  })
  it('asks for the seat beside a thread, and says what is no thread', () => {
    expect(problemsOf({ thread: 'M10x1', gender: 'male' })[0]).toMatch(/^seat: is empty/)
    expect(problemsOf({ thread: 'ten', gender: 'male', seat: 'banjo' })[0]).toMatch(/^thread: “ten”/)
  })
  it('takes the supplier of the whole list where it has no column for it', () => {
    const mapping = guessMapping(['Part No', 'Description', 'Type', 'Net price'])
    expect(missingColumns(mapping)).toEqual(['supplier'])
    expect(missingColumns(mapping, 'Ness Factors')).toEqual([])
    const row = readRow(['7', 'Hose', 'Hoses', '9'], mapping, 'Ness Factors')
    expect('part' in row && [row.part.supplier, row.part.kind, row.part.price]).toEqual([
      'Ness Factors',
      'hose',
      9,
    ])
  })
  it('knows what a container holds by its name', () => {
    expect(partOf({ kind: 'fluid', name: 'DOT 4 fluid, 500 ml' }).data.volume).toBe(500_000)
    expect(partOf({ kind: 'fluid', name: 'DOT 4 fluid, 1 l' }).data.volume).toBe(1_000_000)
    expect(partOf({ name: 'Master, 15 ml' }).data.volume).toBeUndefined()
  })
  it('reads any cells at all without falling over', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 60, unit: 'binary' }), { maxLength: 30 }), (row) => {
        const answer = readRow(row, OWN)
        expect('problems' in answer ? answer.problems.length > 0 : answer.part.number !== '').toBe(true)
      }),
    )
  })
})

describe('kinds and columns', () => {
  it('are known by their own names, their words and what others call them', () => {
    for (const kind of PART_KINDS) {
      expect(kindNamed(kind)).toBe(kind)
      expect(kindNamed(PART_KIND_WORDS[kind].toUpperCase())).toBe(kind)
    }
    expect(kindNamed('Clutch master cylinders')).toBe('masterCylinder')
    expect(kindNamed('copper washers')).toBe('washer')
    expect(kindNamed('wheel')).toBeUndefined()
  })
  it('of our own header are read without asking, of any other by a guess', () => {
    expect(isOwnHeader(LIST_COLUMNS)).toBe(true)
    expect(isOwnHeader(PART_COLUMNS)).toBe(true)
    expect(isOwnHeader(['number', 'name', 'kind'])).toBe(false)
    expect(isOwnHeader([...LIST_COLUMNS, 'colour'])).toBe(false)
    expect(
      guessMapping(['SKU', 'Item No.', 'Description', 'Category', 'Vendor', 'Cost', 'Qty on hand']),
    ).toEqual({
      number: 1,
      name: 2,
      kind: 3,
      supplier: 4,
      price: 5,
      stock: 6,
    })
  })
})

const text = (maxLength: number) =>
  fc
    .string({ minLength: 1, maxLength, unit: 'grapheme' })
    .map((one) => one.trim().slice(0, maxLength).trim())
    .filter((one) => one !== '' && !/\p{Surrogate}|\uFFFD/u.test(one) && !one.startsWith("'"))
const end = fc.record({
  thread: fc.constantFrom('M10x1', '3/8-24', 'G1/8', '3/8-20 BSF'),
  gender: fc.constantFrom(...GENDERS),
  seat: fc.constantFrom(...SEATS),
})
const part: fc.Arbitrary<ListedPart> = fc.record({
  number: text(20),
  name: text(40).filter((one) => !/\d/.test(one)),
  kind: fc.constantFrom(...PART_KINDS),
  supplier: text(20),
  price: fc.nat(9_999_999).map((cents) => cents / 100),
  currency: fc.constantFrom(null, 'EUR'),
  stock: fc.option(fc.nat(1000)),
  leadDays: fc.option(fc.nat(365)),
  data: fc.record(
    {
      bore: fc.integer({ min: 100, max: 20_000 }).map((one) => one / 100),
      length: fc.nat(5000),
      ends: fc.array(end, { minLength: 1, maxLength: 2 }),
      notes: text(40),
    },
    { requiredKeys: [] },
  ),
  grade: fc.constantFrom(...PART_GRADES),
  supersededBy: fc.option(text(20)),
  place: fc.option(text(20)),
})

describe('a list that is written', () => {
  it('gives the same parts when it is read again', () => {
    const mapping = guessMapping(PART_COLUMNS)
    fc.assert(
      fc.property(part, (one) => {
        expect(readRow(writeRow(one).map(plainForSheets), mapping)).toEqual({ part: one })
      }),
    )
  })
  it('opens in a spreadsheet as text, never as a formula', () => {
    expect(plainForSheets('=1+1')).toBe("'=1+1")
    expect(partOf({ number: "'=1+1" }).number).toBe('=1+1')
  })
})
