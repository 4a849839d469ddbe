import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ImportTold, KeptMapping, NeedAnswered, Page, Part, PartsCount } from '../../contract'
import { guessMapping, LIST_COLUMNS, PART_COLUMNS, type ListedPart } from '../../core/shelf'
import { openDatabase, type Database } from '../../server/database/database'
import { headerHash, importParts } from '../../server/services/shelf/import-parts'
import { runningSuite } from '../harness/running'
import { call, newId, refused } from './client'

const supplier = `Supplier ${newId()}`
const part = (given: Partial<ListedPart> = {}): ListedPart & { id: string } => ({
  id: newId(),
  number: newId(),
  name: 'Master cylinder',
  kind: 'masterCylinder',
  supplier,
  price: 61.5,
  currency: null,
  stock: 3,
  leadDays: 2,
  data: { bore: 15.87, stroke: 30 },
  grade: 'usual',
  supersededBy: null,
  place: 'rack 2',
  ...given,
})
const put = (given: Partial<ListedPart> = {}) =>
  call<Part>('POST', '/parts', part(given)).then(({ body }) => body)
const list = async (query: string) =>
  (await call<Page<Part>>('GET', `/parts?supplier=${encodeURIComponent(supplier)}&${query}`)).body
const names = async (query: string) => (await list(query)).items.map(({ name }) => name)

describe('parts on the shelf', () => {
  it('are put there once, changed, and taken off', async () => {
    const one = part()
    expect((await call('POST', '/parts', one)).status).toBe(201)
    const again = await call<Part>('POST', '/parts', one)
    expect([again.status, again.body]).toEqual([200, { ...one, changedAt: again.body.changedAt }])
    const { id, ...rest } = one
    const twin = await refused(call('POST', '/parts', { ...rest, id: newId() }))
    expect([twin.status, twin.errors![0]!.path]).toEqual([409, '/number'])
    const changed = await call<Part>('PUT', `/parts/${id}`, { ...rest, price: 70, stock: null })
    expect([changed.body.price, changed.body.stock]).toEqual([70, null])
    expect((await call<Part>('GET', `/parts/${id}`)).body).toEqual(changed.body)
    await call('DELETE', `/parts/${id}`)
    expect((await refused(call('GET', `/parts/${id}`))).status).toBe(404)
  })

  it('are refused by the field that is wrong, with its bound', async () => {
    const wrong = await refused(call('POST', '/parts', part({ data: { bore: 900 } })))
    expect(wrong.errors).toEqual([{ path: '/data/bore', message: 'must be at most 200' }])
    const ring = await refused(call('POST', '/parts', part({ data: { outer: 40, inner: 50 } })))
    expect(ring.errors![0]!.path).toBe('/data/inner')
    expect((await refused(call('POST', '/parts', { ...part(), colour: 'red' }))).errors![0]!.path).toBe(
      '/colour',
    )
  })

  it('are found by the beginnings of words in name and number, and by short ones anywhere', async () => {
    await put({ name: 'Banjo hose braided', kind: 'hose', number: 'BH-380/A', price: 30 })
    await put({ name: 'Banjo hose rubber', kind: 'hose', number: 'BR 42', price: 20, stock: 0 })
    await put({ name: 'Copper washer with shoulder', kind: 'washer', number: 'CW10', price: 0.4 })
    expect(await names('search=banj&sort=price')).toEqual(['Banjo hose rubber', 'Banjo hose braided'])
    expect(await names('search=hose+braid')).toEqual(['Banjo hose braided'])
    expect(await names('search=BH-380')).toEqual(['Banjo hose braided'])
    expect(await names('search=42')).toEqual(['Banjo hose rubber'])
    expect(await names('search=with')).toEqual(['Copper washer with shoulder'])
    expect(await names('search=banjo&inStock=yes')).toEqual(['Banjo hose braided'])
    expect(await names('search=banjo&kind=washer')).toEqual([])
    expect(await names(`search=${encodeURIComponent('+-*"()~<>@')}`)).toEqual([])
    const { body } = await call<PartsCount>(
      'GET',
      `/parts/count?search=banjo&supplier=${encodeURIComponent(supplier)}`,
    )
    expect(body.count).toBe(2)
  })

  it('come in any order and from any row on', async () => {
    for (let i = 0; i < 7; i++) await put({ name: `Seal ${i}`, kind: 'lineSeal', price: 10 - i })
    const up = await list('kind=lineSeal&sort=name&limit=3')
    expect([up.items.map(({ name }) => name), up.next]).toEqual([['Seal 0', 'Seal 1', 'Seal 2'], '3'])
    const on = await list('kind=lineSeal&sort=name&limit=3&after=5')
    expect([on.items.map(({ name }) => name), on.next]).toEqual([['Seal 5', 'Seal 6'], null])
    expect(
      (await list('kind=lineSeal&sort=price&direction=down&limit=2&after=1')).items.map(
        ({ price }) => price,
      ),
    ).toEqual([9, 8])
  })

  it('answer what a job needs, the best first', async () => {
    const bore = 33.33
    await put({ number: 'dear', price: 90, data: { bore } })
    await put({ number: 'cheap', price: 40, data: { bore } })
    await put({ number: 'low', price: 10, grade: 'low', data: { bore } })
    await put({ number: 'old', price: 1, supersededBy: 'cheap', data: { bore } })
    const { body } = await call<NeedAnswered[]>('POST', '/parts/for', {
      needs: [{ id: 'master', kind: 'masterCylinder', quantity: 1, spec: { bore } }],
    })
    const own = body[0]!.found.filter((one) => one.unsure.length === 0)
    expect(own.map((one) => one.part.number)).toEqual(['cheap', 'dear', 'low'])
  })
})

const row = (number: string, given: Partial<Record<(typeof PART_COLUMNS)[number], string>> = {}) =>
  LIST_COLUMNS.map(
    (column) =>
      ({ number, name: `Slave ${number}`, kind: 'slave', supplier: list2, price: '45.00', ...given })[
        column as string
      ] ?? '',
  ).join(',')
const list2 = `List ${newId()}`
const file = (rows: readonly string[]) => [LIST_COLUMNS.join(','), ...rows].join('\r\n')
const OWN = guessMapping(LIST_COLUMNS)

async function imported(csv: string, plan: object = { mapping: OWN }): Promise<ImportTold[]> {
  const { address } = runningSuite('api')
  const response = await fetch(
    `${address}/api/parts/import?plan=${encodeURIComponent(JSON.stringify(plan))}`,
    {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body: csv,
    },
  )
  const text = await response.text()
  return text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as ImportTold)
}
const counted = async (of = list2) =>
  (await call<PartsCount>('GET', `/parts/count?supplier=${encodeURIComponent(of)}`)).body.count
const ending = (told: ImportTold[]) => told.at(-1) as ImportTold & { stage: 'done' }

describe('a list that is read in', () => {
  it('keeps every good row and hands the bad ones back with column and reason', async () => {
    const rows = Array.from({ length: 1200 }, (_, i) => row(`N${i}`, { bore_mm: '20.64' }))
    rows[700] = row('N700', { price: 'ask', bore_mm: '-1' })
    rows[701] = row('N5')
    const told = await imported(file(rows))
    const done = ending(told)
    expect(done).toMatchObject({
      stage: 'done',
      rows: 1200,
      kept: 1198,
      added: 1198,
      refused: 2,
      nothing: false,
    })
    expect(done.first).toEqual([
      {
        row: 702,
        problems: [
          {
            column: 'price',
            reason: '“ask” must be a price from 0 to 99999999.99 with at most two decimals',
          },
          { column: 'bore_mm', reason: '“-1” must be a number from 1 to 200 mm' },
        ],
      },
      { row: 703, problems: [{ column: 'number', reason: 'stands in row 7 of this list already' }] },
    ])
    expect(told.filter(({ stage }) => stage === 'reading').length).toBeGreaterThan(2)
    expect(await counted()).toBe(1198)
    // Mended, the rows that came back are read as they are.
    const mended = done.csv
      .replace('ask', '44')
      .replace('-1', '19')
      .replace(/\bN5\b/, 'N701')
    expect(ending(await imported(mended))).toMatchObject({ kept: 2, added: 2, refused: 0 })
    expect(await counted()).toBe(1200)
    // Again, it changes prices and adds nothing.
    const dearer = await imported(file([row('N1', { price: '50' })]))
    expect(ending(dearer)).toMatchObject({ kept: 1, added: 0 })
    expect(
      (
        await call<Page<Part>>(
          'GET',
          `/parts?supplier=${encodeURIComponent(list2)}&search=N1&sort=number&limit=1`,
        )
      ).body.items[0],
    ).toMatchObject({ number: 'N1', price: 50 })
  })

  it('keeps nothing where all or nothing is asked for and a row is bad', async () => {
    const before = await counted()
    const told = await imported(file([row('W1'), row('W2', { kind: 'gadget' })]), {
      mapping: OWN,
      whole: true,
    })
    expect(ending(told)).toMatchObject({ kept: 0, added: 0, refused: 1, nothing: true })
    expect(await counted()).toBe(before)
  })

  it('with another header is read by its mapping, which is kept for the next time', async () => {
    const header = ['Art. no', 'Text', 'Sort', 'EUR']
    const mapping = { number: 0, name: 1, kind: 2, price: 3 }
    const from = `Other ${newId()}`
    const csv = '\uFEFFArt. no;Text;Sort;EUR\n1;Hose, long;hose;12,50\n'
    expect(ending(await imported(csv, { mapping, supplier: from }))).toMatchObject({
      kept: 1,
      refused: 0,
    })
    const { body } = await call<{ kept: KeptMapping | null }>(
      'GET',
      `/parts/mappings/${headerHash(header)}`,
    )
    expect(body.kept).toEqual({ mapping, supplier: from })
    const { items } = (await call<Page<Part>>('GET', `/parts?supplier=${encodeURIComponent(from)}`))
      .body
    expect(items[0]).toMatchObject({ number: '1', name: 'Hose, long', kind: 'hose', price: 12.5 })
  })

  it('leaves what only the shop knows as it was, where the list does not have it', async () => {
    await imported(file([row('K1')]))
    const [kept] = (
      await call<Page<Part>>('GET', `/parts?supplier=${encodeURIComponent(list2)}&search=K1`)
    ).body.items
    const { id, changedAt: _, ...rest } = kept!
    await call('PUT', `/parts/${id}`, { ...rest, place: 'rack 9', grade: 'good' })
    await imported(file([row('K1', { price: '46' })]))
    expect((await call<Part>('GET', `/parts/${id}`)).body).toMatchObject({
      price: 46,
      place: 'rack 9',
      grade: 'good',
    })
  })

  it('is refused whole where it is none: empty, without a column, with a plan that cannot be read', async () => {
    expect(await imported('')).toMatchObject(
      [{ stage: 'reading' }, { stage: 'failed', detail: /empty/ }].map((one) =>
        expect.objectContaining({ stage: one.stage }),
      ),
    )
    const [failed] = await imported('number,name\n1,2', { mapping: { number: 0, name: 1 } })
    expect(failed).toMatchObject({ stage: 'failed', detail: 'No column is given for kind, supplier' })
    const refusedPlan = await refused(
      call('POST', '/parts/import?plan=%7B', 'x', { 'content-type': 'text/csv' }),
    )
    expect(refusedPlan.status).toBe(422)
  })

  describe('that is left half-way', () => {
    let database: Database
    beforeAll(() => {
      database = openDatabase(runningSuite('api').settings)
    })
    afterAll(() => database.sequelize.close())
    it('has kept nothing', async () => {
      const { writeFile, rm } = await import('node:fs/promises')
      const path = `${runningSuite('api').port}.csv`
      const from = `Left ${newId()}`
      await writeFile(
        path,
        file(Array.from({ length: 1500 }, (_, i) => row(`L${i}`, { supplier: from }))),
      )
      try {
        let read = 0
        for await (const told of importParts(database, { path, bytes: 1 }, { mapping: OWN }))
          if (told.stage === 'reading' && (read = told.rows) >= 1000) break
        expect(read).toBe(1000)
        expect(await counted(from)).toBe(0)
      } finally {
        await rm(path)
      }
    })
  })
})

describe('the shelf as a list', () => {
  it('is written so that reading it gives the same parts', async () => {
    const from = `Export ${newId()}`
    const ends = [
      { thread: 'M10x1', gender: 'female', seat: 'bubbleFlare' },
      { thread: '3/8-24', gender: 'male', seat: 'doubleFlare' },
    ] as const
    await put({
      supplier: from,
      number: '=2',
      name: 'Adapter, "short"',
      kind: 'adapter',
      data: { ends: [...ends], notes: 'brass' },
      currency: 'EUR',
    })
    await put({ supplier: from, number: 'Z9', stock: null, leadDays: null, place: null })
    const { address } = runningSuite('api')
    const query = `supplier=${encodeURIComponent(from)}`
    const response = await fetch(`${address}/api/parts/export?${query}`)
    expect(response.headers.get('content-type')).toMatch(/^text\/csv/)
    const csv = await response.text()
    const before = (await call<Page<Part>>('GET', `/parts?${query}&sort=number`)).body.items
    for (const { id } of before) await call('DELETE', `/parts/${id}`)
    expect(ending(await imported(csv, { mapping: guessMapping(PART_COLUMNS) }))).toMatchObject({
      kept: 2,
      refused: 0,
    })
    const after = (await call<Page<Part>>('GET', `/parts?${query}&sort=number`)).body.items
    const bare = (all: Part[]) => all.map(({ id: _, changedAt: _at, ...rest }) => rest)
    expect(bare(after)).toEqual(bare(before))
  })
})
