import { readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import sharp from 'sharp'
import { beforeAll, describe, expect, it } from 'vitest'
import type { ImportTold, Order, Page, Part, Problem, StoredFile } from '../../contract'
import { guessMapping, LIST_COLUMNS, PART_COLUMNS } from '../../core/shelf'
import { openDatabase } from '../../server/database/database'
import { exportParts } from '../../server/services/shelf/export-parts'
import { runningSuite } from '../harness/running'
import { aPerson, call, newId, refused } from './client'

const { address, settings } = runningSuite('api')
let by: string
beforeAll(async () => {
  by = await aPerson()
})

const aPart = (number: string, supplier: string) => ({
  ...{ id: newId(), number, name: 'Slave', kind: 'slaveCylinder', data: {}, supplier },
  ...{ price: 1, currency: null, stock: 3, leadDays: 2 },
  ...{ grade: 'usual', supersededBy: null, place: null },
})

describe('a package of work', () => {
  const pack = (steps: object[]) => ({
    $schema: 'urn:mellow-anchor:package:1',
    id: 'own-heavy',
    title: 'Heavy',
    steps: steps.map((more, i) => ({
      id: `s${i}`,
      title: `Step ${i}`,
      place: 'bench',
      minutes: [1, 2, 3],
      ...more,
    })),
  })
  const sent = (steps: object[]) => refused(call('PUT', '/shop/packages/own-heavy', pack(steps)))

  it('of more states than can be told apart is refused by its steps', async () => {
    const { status, errors } = await sent(
      Array.from({ length: 60 }, (_, i) => ({ puts: [`circuitOpen:x${i}`] })),
    )
    expect(status).toBe(422)
    expect(errors).toEqual([{ path: '/steps', message: expect.stringMatching(/at most 60/) }])
  })

  it('that has no order is refused, however many ways there are to go wrong', async () => {
    const needs = [
      { forbids: ['plugged:b'], needs: ['plugged:a'] },
      { puts: ['plugged:a', 'plugged:b'] },
    ]
    const { status, errors } = await sent([
      ...Array.from({ length: 38 }, (_, i) => ({ place: i % 2 ? 'bench' : 'footwell' })),
      ...needs,
    ])
    expect(status).toBe(422)
    expect(errors).toEqual([
      { path: '/steps', message: expect.stringMatching(/no order of its steps/) },
    ])
  })

  it('of a dozen steps with nothing between them is kept, and planned in the fewest walks', async () => {
    const steps = Array.from({ length: 12 }, (_, i) => ({ place: i % 2 ? 'bench' : 'engineBay' }))
    const { status, body } = await call('PUT', '/shop/packages/own-heavy', pack(steps))
    expect([status, (body as { steps: object[] }).steps.length]).toEqual([200, 12])
    await call('DELETE', '/shop/packages/own-heavy')
  })
})

describe('a photograph', () => {
  const send = async (content: Buffer) => {
    const body = new Uint8Array(content)
    const response = await fetch(`${address}/api/files`, { method: 'POST', body })
    return { status: response.status, body: (await response.json()) as StoredFile & Problem }
  }
  const flat = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#123456' } })

  it('of few bytes that stands for a huge picture is refused by its bound', async () => {
    const { status, body } = await send(await flat(7200, 7200).avif({ effort: 0 }).toBuffer())
    expect(status).toBe(413)
    expect(body.detail).toMatch(/more than 50 megapixels.*Nothing was kept/)
    const larger = await send(await flat(11_000, 11_000).png().toBuffer())
    expect([larger.status, larger.body.detail]).toEqual([413, expect.stringMatching(/120 megapixels/)])
  })

  it('waits its turn where several come at once, and each is kept', async () => {
    const pictures = await Promise.all(
      Array.from({ length: 6 }, (_, i) =>
        flat(800 + i, 600)
          .jpeg()
          .toBuffer(),
      ),
    )
    const answers = await Promise.all(pictures.map(send))
    expect(answers.map(({ status, body }) => [status, body.width])).toEqual(
      pictures.map((_, i) => [201, 800 + i]),
    )
  })
})

describe('a list of parts', () => {
  const plan = encodeURIComponent(JSON.stringify({ mapping: guessMapping(LIST_COLUMNS) }))
  const told = async (csv: string): Promise<ImportTold[]> => {
    const headers = { 'content-type': 'text/csv' }
    const response = await fetch(`${address}/api/parts/import?plan=${plan}`, {
      method: 'POST',
      headers,
      body: csv,
    })
    const lines = (await response.text()).split('\n').filter(Boolean)
    return lines.map((line) => JSON.parse(line) as ImportTold)
  }
  const header = LIST_COLUMNS.join(',')
  const from = `Bounds ${newId()}`
  const line = (number: string, name = 'Slave') =>
    LIST_COLUMNS.map((column) => {
      if (column === 'number') return number
      if (column === 'name') return name
      if (column === 'kind') return 'slave'
      if (column === 'supplier') return from
      return column === 'price' ? '12' : ''
    }).join(',')
  const count = async () =>
    (await call<{ count: number }>('GET', `/parts/count?supplier=${encodeURIComponent(from)}`)).body
      .count

  it('with a quotation mark that is never closed ends there, names the row, and keeps nothing', async () => {
    const rest = `${line('B2')}\n`.repeat(12_000)
    const last = (await told(`${header}\n${line('B1')}\n${line('B3', '"never closed')}\n${rest}`)).at(
      -1,
    )
    expect(last).toEqual({
      stage: 'failed',
      detail: expect.stringMatching(/^Row 3 does not end within 256 KiB: .*never closed/),
    })
    expect(await count()).toBe(0)
  })

  it('with one huge cell hands that row back cut, and reads the others', async () => {
    const last = (await told(`${header}\n${line('B4', 'x'.repeat(100_000))}\n${line('B5')}\n`)).at(-1)
    expect(last).toMatchObject({ stage: 'done', kept: 1, refused: 1 })
    expect((last as { csv: string }).csv.length).toBeLessThan(3000)
  })

  it('with many empty rows after it is read to its end', async () => {
    const empty = `${','.repeat(LIST_COLUMNS.length - 1)}\n`.repeat(40_000)
    const last = (await told(`${header}\n${line('B6')}\n${empty}`)).at(-1)
    expect(last).toMatchObject({ stage: 'done', rows: 1, kept: 1, refused: 0 })
  })

  it('waits for the one before it, and both are read', async () => {
    const lists = await Promise.all(
      ['C', 'D', 'E'].map((name) =>
        told(`${header}\n${Array.from({ length: 700 }, (_, i) => line(`${name}${i}`)).join('\n')}`),
      ),
    )
    expect(lists.map((one) => one.at(-1))).toEqual(
      Array(3).fill(expect.objectContaining({ stage: 'done', kept: 700, added: 700 })),
    )
  })

  it('goes out as the shelf was at one moment, whatever is put on it and taken off meanwhile', async () => {
    const before = new Set<string>()
    const database = openDatabase(settings)
    try {
      const rows: string[] = []
      let pages = 0
      for await (const piece of exportParts(database, { supplier: from })) {
        rows.push(piece)
        if (++pages !== 2) continue
        // One that would move all that follows down by a row.
        const made = await call<Part>('POST', '/parts', aPart('00-first', from))
        expect(made.status).toBe(201)
      }
      const parsed = Papa.parse<string[]>(rows.join(''), { skipEmptyLines: true }).data.slice(1)
      const at = PART_COLUMNS.indexOf('number')
      const numbers = parsed.map((row) => row[at]!)
      for (const number of numbers) before.add(number)
      expect(numbers).toHaveLength(2102)
      expect(before.size).toBe(2102)
      expect(before.has('00-first')).toBe(false)
    } finally {
      await database.sequelize.close()
    }
  })
})

describe('an order', () => {
  const basket = (line: object) =>
    call<Order[]>('POST', '/orders', {
      lines: [
        { id: newId(), words: 'a pallet', supplier: `Dear ${newId()}`, quantity: 1, price: 1, ...line },
      ],
    })

  it('of more money than is kept is refused by its pieces, and nothing of it is kept', async () => {
    const supplier = `Dear ${newId()}`
    const problem = await refused(basket({ supplier, quantity: 100_000, price: 99_999_999.99 }))
    expect(problem).toMatchObject({ status: 422, errors: [{ path: '/quantity' }] })
    expect(problem.detail).toContain('9999999999.99')
    const { body: open } = await call<Page<Order>>('GET', '/orders')
    expect(open.items.filter((one) => one.supplier === supplier)).toEqual([])
    const { body } = await basket({ supplier, quantity: 100, price: 99_999_999.99 })
    expect(body[0]!.total).toBe(9_999_999_999)
    const more = await refused(call('PUT', `/orders/lines/${body[0]!.lines[0]!.id}`, { quantity: 101 }))
    expect(more.status).toBe(422)
  })

  it('whose lines come again after it was placed begins no new draft', async () => {
    const supplier = `Again ${newId()}`
    const lines = [{ id: newId(), words: 'hose', supplier, quantity: 2, price: 3 }]
    const { body: first } = await call<Order[]>('POST', '/orders', { lines })
    const at = new Date().toISOString()
    await call('POST', `/orders/${first[0]!.id}/place`, { by, at })
    const { body: again } = await call<Order[]>('POST', '/orders', { lines })
    expect(again.map(({ id, state }) => [id, state])).toEqual([[first[0]!.id, 'placed']])
    const { body: open } = await call<Page<Order>>('GET', '/orders')
    expect(open.items.filter((one) => one.supplier === supplier)).toHaveLength(1)
  })

  it('of a new part sent twice at once is one part, and both are told so', async () => {
    for (let round = 0; round < 10; round++) {
      const part = aPart(`T${round}`, 'Twice')
      const answers = await Promise.all([call('POST', '/parts', part), call('POST', '/parts', part)])
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 201])
    }
  })
})

describe('an address', () => {
  it.each([
    ['PUT', '/api/orders'],
    ['DELETE', '/api/health'],
    ['HEAD', '/api/people'],
    ['GET', '//api/people'],
    ['GET', '/API/people'],
    ['PATCH', '/api/nothing'],
  ])(
    'of the API under another method or spelling is not answered with the page: %s %s',
    async (method, path) => {
      const response = await fetch(`${address}${path}`, { method })
      expect(response.status).toBe(404)
      expect(response.headers.get('content-type')).toContain('application/problem+json')
    },
  )

  it('of a page is read, and nothing else', async () => {
    const response = await fetch(`${address}/shelf/basket`, { method: 'POST' })
    expect([response.status, response.headers.get('allow')]).toEqual([405, 'GET, HEAD'])
    const page = await fetch(`${address}/shelf/basket`)
    expect(page.status).toBe(200)
    expect(page.headers.get('permissions-policy')).toMatch(/microphone=\(self\)/)
    expect(page.headers.get('permissions-policy')).toMatch(/camera=\(\)/)
  })
})

it('nothing that was laid aside stays behind', () => {
  const folders = readdirSync(tmpdir()).filter((name) => name.startsWith('mellow-spool-'))
  expect(folders.length).toBeGreaterThan(0)
  expect(folders.flatMap((name) => readdirSync(join(tmpdir(), name)))).toEqual([])
})
