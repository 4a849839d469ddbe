import ICAL from 'ical.js'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type {
  AwaitedDelivery,
  BenchJob,
  CatalogueAnswer,
  Job,
  Order,
  Page,
  Shop,
  StockAnswer,
  WithEntries,
} from '../../contract'
import { fold, type Entry } from '../../core/journal'
import {
  killServer,
  restartServer,
  runningSuite,
  supplierFaults,
  supplierTold,
} from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

const WIRED = 'Tidewrack Factors'
let by: string
beforeAll(async () => {
  by = await aPerson()
})
beforeEach(() => supplierFaults('api'))

const at = () => new Date().toISOString()
interface Wanted {
  number?: string
  words?: string
  quantity?: number
  jobId?: string
  price?: number
}
async function basket(supplier: string, ...lines: Wanted[]): Promise<Order> {
  const { body } = await call<Order[]>('POST', '/orders', {
    lines: lines.map(({ words = 'master cylinder', quantity = 1, price = 58, ...line }) => ({
      id: newId(),
      words,
      supplier,
      quantity,
      price,
      ...line,
    })),
  })
  return body[0]!
}
const place = async ({ id }: Order) =>
  (await call<Order>('POST', `/orders/${id}/place`, { by, at: at() })).body
const read = async (id: string) => (await call<Order>('GET', `/orders/${id}`)).body
const happened = (order: Order, ...all: [line: number, what: string, quantity: number][]) =>
  call<Order>('POST', `/orders/${order.id}/happened`, {
    by,
    at: at(),
    happened: all.map(([line, what, quantity]) => ({
      id: newId(),
      line: order.lines[line]!.id,
      happened: what,
      quantity,
    })),
  })
/** Asks until it is so: what goes on behind the answers comes in its own time. */
async function until(id: string, is: (order: Order) => boolean): Promise<Order> {
  const end = Date.now() + 60_000
  for (;;) {
    const order = await read(id)
    if (is(order)) return order
    if (Date.now() > end) throw new Error(`still ${JSON.stringify(order)}`)
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
}
const entriesOf = async (jobId: string): Promise<Entry[]> =>
  (await call<WithEntries<Job>>('GET', `/jobs/${jobId}`)).body.entries
const told = async (jobId: string) =>
  (await entriesOf(jobId)).flatMap(({ kind, payload }) =>
    kind === 'order'
      ? [[(payload as { happened: string }).happened, (payload as { quantity: number }).quantity]]
      : [],
  )
/** The job’s step on the bench, once it is the one that is waited for: it is worked out behind the answers. */
async function benchStep(vehicleId: string, to: BenchJob['step']['to']): Promise<BenchJob['step']> {
  const end = Date.now() + 20_000
  for (;;) {
    const [one] = (await call<Page<BenchJob>>('GET', `/jobs?vehicle=${vehicleId}`)).body.items
    if (one?.step.to === to) return one.step
    if (Date.now() > end) throw new Error(`still ${JSON.stringify(one?.step)}`)
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
}

describe('a basket', () => {
  it('is one draft a supplier, over all jobs; a line that comes twice stands once', async () => {
    const supplier = `Hand ${newId()}`
    const [one, other] = [await aJob(by), await aJob(by)]
    const line = {
      id: newId(),
      words: 'copper washer',
      supplier,
      quantity: 2,
      price: 0.4,
      jobId: one.jobId,
    }
    await call('POST', '/orders', { lines: [line] })
    await call('POST', '/orders', { lines: [line] })
    const { body } = await call<Order[]>('POST', '/orders', {
      lines: [{ ...line, id: newId(), jobId: other.jobId, quantity: 3 }],
    })
    expect(body).toHaveLength(1)
    expect(body[0]).toMatchObject({ state: 'draft', total: 2 })
    expect(body[0]!.lines.map(({ quantity, jobId }) => [quantity, jobId])).toEqual([
      [2, one.jobId],
      [3, other.jobId],
    ])
    const more = await call<Order[]>('PUT', `/orders/lines/${line.id}`, { quantity: 10 })
    expect(more.body[0]!.total).toBe(5.2)
    await call('PUT', `/orders/lines/${line.id}`, { quantity: 0 })
    const gone = await call<Order[]>('PUT', `/orders/lines/${body[0]!.lines[1]!.id}`, { quantity: 0 })
    expect(gone.body).toEqual([])
    const strange = { ...line, id: newId(), jobId: newId() }
    expect((await refused(call('POST', '/orders', { lines: [strange] }))).errors![0]!.path).toBe(
      '/lines/0/jobId',
    )
  })

  it('is added to by many at once and stays one', async () => {
    const supplier = `Many ${newId()}`
    await Promise.all(Array.from({ length: 12 }, () => basket(supplier, {})))
    const { body } = await call<Page<Order>>('GET', '/orders')
    const drafts = body.items.filter((one) => one.supplier === supplier)
    expect(drafts.map(({ lines }) => lines.length)).toEqual([12])
  })
})

describe('an order that is rung up', () => {
  it('goes through short and wrong deliveries to its end, and its jobs tell it', async () => {
    const [one, other] = [await aJob(by), await aJob(by)]
    const draft = await basket(
      `Hand ${newId()}`,
      { jobId: one.jobId, quantity: 2, words: 'copper washer' },
      { jobId: other.jobId, words: 'slave cylinder' },
    )
    const early = await refused(happened(draft, [0, 'delivered', 1]))
    expect(early.type).toBe('urn:mellow-anchor:draft')
    const placed = await place(draft)
    expect(placed).toMatchObject({ state: 'placed', wired: false })
    expect((await place(draft)).placedAt).toBe(placed.placedAt)
    expect(await told(one.jobId)).toEqual([['placed', 2]])
    expect(await benchStep(one.vehicleId, 'wait')).toMatchObject({ lines: 1, words: 'copper washer' })

    const partly = (await happened(placed, [0, 'delivered', 1], [0, 'short', 1], [1, 'wrong', 1])).body
    expect([partly.state, partly.lines[0]!.received]).toEqual(['partly', 1])
    expect(await benchStep(other.vehicleId, 'sendBack')).toMatchObject({ words: 'slave cylinder' })
    const tooMany = await refused(happened(placed, [0, 'delivered', 2]))
    expect(tooMany.errors).toEqual([{ path: '/happened/0/quantity', message: 'must be at most 1' }])

    await happened(placed, [1, 'returned', 1])
    expect(await benchStep(other.vehicleId, 'wait')).toMatchObject({ lines: 1 })
    const end = (await happened(placed, [0, 'cancelled', 1], [1, 'delivered', 1])).body
    expect([end.state, end.lines[1]!.received, end.lines[1]!.returned]).toEqual(['delivered', 1, 1])
    expect(await told(one.jobId)).toEqual([
      ['placed', 2],
      ['delivered', 1],
      ['short', 1],
      ['cancelled', 1],
    ])
    expect(await benchStep(one.vehicleId, 'look')).toEqual({ to: 'look' })
    const { body } = await call<Page<Order>>('GET', `/orders?job=${one.jobId}`)
    expect(body.items).toEqual([])
    const all = (await call<Page<Order>>('GET', `/orders?job=${one.jobId}&show=all`)).body
    expect(all.items.map(({ id }) => id)).toEqual([placed.id])
  })

  it('is told once however often it is sent, and refuses what it is not', async () => {
    const placed = await place(await basket(`Hand ${newId()}`, { quantity: 3 }))
    const event = { id: newId(), line: placed.lines[0]!.id, happened: 'delivered', quantity: 1 }
    const body = { by, at: at(), happened: [event] }
    for (let i = 0; i < 3; i++) await call('POST', `/orders/${placed.id}/happened`, body)
    expect((await read(placed.id)).lines[0]!.received).toBe(1)
    await Promise.all(
      Array.from({ length: 6 }, () =>
        call('POST', `/orders/${placed.id}/happened`, {
          ...body,
          happened: [{ ...event, id: newId() }],
        }),
      ),
    )
    expect((await read(placed.id)).lines[0]!.received).toBe(3)
    const nobody = { ...body, by: newId() }
    expect(
      (await refused(call('POST', `/orders/${placed.id}/happened`, nobody))).errors![0]!.path,
    ).toBe('/by')
    const wrongLine = { ...body, happened: [{ ...event, id: newId(), line: newId() }] }
    expect(
      (await refused(call('POST', `/orders/${placed.id}/happened`, wrongLine))).errors![0]!.path,
    ).toBe('/happened/0/line')
  })

  it('is put right by taking back, at the order or in the job, and put again', async () => {
    const job = await aJob(by)
    const placed = await place(await basket(`Hand ${newId()}`, { quantity: 1, jobId: job.jobId }))
    const came = (await happened(placed, [0, 'delivered', 1])).body
    expect(came.state).toBe('delivered')
    const event = came.lines[0]!.events.find((one) => one.happened === 'delivered')!
    const undo = { by, at: at(), id: newId(), event: event.id }
    for (let i = 0; i < 2; i++) await call('POST', `/orders/${placed.id}/undo`, undo)
    expect([(await read(placed.id)).state, await told(job.jobId)]).toEqual([
      'placed',
      [
        ['placed', 1],
        ['delivered', 1],
      ],
    ])
    expect(Object.values(fold(await entriesOf(job.jobId)).ordered)[0]!.counts.delivered).toBe(0)
    // The withdrawal taken back in the job: it stands again, with the order too.
    await call(
      'POST',
      `/jobs/${job.jobId}/entries`,
      anEntry(job.subject, by, 'withdrawal', {}, { withdraws: undo.id }),
    )
    expect((await read(placed.id)).state).toBe('delivered')
    const sideways = anEntry(job.subject, by, 'order', {
      line: placed.lines[0]!.id,
      happened: 'delivered',
      quantity: 1,
    })
    expect((await refused(call('POST', `/jobs/${job.jobId}/entries`, sideways))).type).toBe(
      'urn:mellow-anchor:by-order',
    )
  })

  it('is promised with the delivery that brings it, by the shop’s days', async () => {
    const { settings } = (await call<Shop>('GET', '/shop')).body
    const every = Array.from({ length: 7 }, (_, weekday) => ({
      weekday,
      cutoff: '23:59',
      arrivesDay: (weekday + 2) % 7,
      arrives: '09:30',
    }))
    await call('PUT', '/shop', { ...settings, delivery: every })
    const job = await aJob(by)
    const placed = await place(await basket(`Ferry ${newId()}`, { jobId: job.jobId, words: 'hose' }))
    const arrives = new Date(placed.arrives!)
    const days = Math.round(
      (new Date(arrives).setHours(0, 0, 0, 0) - new Date().setHours(0, 0, 0, 0)) / 86_400_000,
    )
    expect([days, arrives.getHours(), arrives.getMinutes()]).toEqual([2, 9, 30])
    expect(await benchStep(job.vehicleId, 'wait')).toMatchObject({ arrives: placed.arrives })
    const { body } = await call<AwaitedDelivery[]>('GET', '/orders/awaited')
    const one = body.find((each) => each.arrives === placed.arrives)!
    expect(one.jobs.find(({ id }) => id === job.jobId)).toMatchObject({
      vehicleName: 'Test van',
      words: ['hose'],
    })
    const { address } = runningSuite('api')
    const text = await (await fetch(`${address}/api/orders/calendar`)).text()
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent')
    const event = events
      .map((each) => new ICAL.Event(each))
      .find(({ uid }) => uid === `${placed.id}@mellow-anchor`)!
    expect(event.startDate.toJSDate().toISOString()).toBe(placed.arrives)
    expect(event.description).toBe('1 x hose for Test van')
    // A tab from before this setting leaves it as it is.
    const { delivery: _, ...before } = settings
    expect((await call<Shop>('PUT', '/shop', before)).body.settings.delivery).toEqual(every)
    await call('PUT', '/shop', { ...settings, delivery: [] })
  })
})

describe('an order by wire', () => {
  it('is taken by the supplier, which confirms each line with its price', async () => {
    await supplierFaults('api', { priceFactor: 1.25 })
    const placed = await place(await basket(WIRED, { number: 'TW-S1270', price: 38 }))
    const order = await until(placed.id, ({ answeredAt }) => answeredAt !== null)
    expect(order).toMatchObject({ state: 'confirmed', wired: true, total: 47.5, trouble: null })
    expect(order.lines[0]).toMatchObject({ confirmed: 1, confirmedPrice: 47.5, price: 38 })
  })

  it('is not lost while the supplier is down, and ordered once when it is back', async () => {
    await supplierFaults('api', { down: true })
    const before = await supplierTold('api')
    const placed = await place(await basket(WIRED, { number: 'TW-S1429' }))
    const tried = await until(placed.id, ({ trouble }) => trouble !== null)
    expect([tried.state, tried.answeredAt]).toEqual(['placed', null])
    const asked = (await call<StockAnswer>('GET', '/supplier/stock/TW-S1429')).body
    expect([asked.stock, asked.supplier.answering]).toEqual([null, false])
    expect(Date.parse(asked.supplier.since!)).toBeLessThanOrEqual(Date.now())
    const catalogue = (await call<CatalogueAnswer>('GET', '/supplier/catalogue?q=master')).body
    expect([catalogue.items, catalogue.supplier.name]).toEqual([null, WIRED])
    await supplierFaults('api')
    expect((await until(placed.id, ({ answeredAt }) => answeredAt !== null)).state).toBe('confirmed')
    expect((await supplierTold('api')).orders).toBe(before.orders + 1)
  })

  it('that is answered after the timeout is ordered once', async () => {
    await supplierFaults('api', { latencyMs: 600 })
    const before = await supplierTold('api')
    const placed = await place(
      await basket(WIRED, { number: 'TW-S1588' }, { number: 'TW-CW10', quantity: 4 }),
    )
    await until(placed.id, ({ trouble }) => trouble !== null)
    expect((await supplierTold('api')).orders).toBe(before.orders + 1)
    await supplierFaults('api')
    const order = await until(placed.id, ({ answeredAt }) => answeredAt !== null)
    expect(order.lines.map(({ confirmed }) => confirmed)).toEqual([0, 4])
    const after = await supplierTold('api')
    expect([after.orders, after.repeats > before.repeats]).toEqual([before.orders + 1, true])
  })

  it('outlives the server that was sending it', async () => {
    await supplierFaults('api', { latencyMs: 300 })
    const before = await supplierTold('api')
    const placed = await place(await basket(WIRED, { number: 'TW-K1270' }))
    await killServer('api')
    await restartServer('api')
    await supplierFaults('api')
    expect((await until(placed.id, ({ answeredAt }) => answeredAt !== null)).state).toBe('confirmed')
    expect((await supplierTold('api')).orders).toBe(before.orders + 1)
  })

  it('by a supplier that lies about its stock says what is promised of it', async () => {
    await supplierFaults('api', { lieStock: true })
    const said = (await call<StockAnswer>('GET', '/supplier/stock/TW-M1270')).body.stock!
    const placed = await place(await basket(WIRED, { number: 'TW-M1270', quantity: said }))
    const order = await until(placed.id, ({ answeredAt }) => answeredAt !== null)
    expect([said, order.lines[0]!.confirmed, order.state]).toEqual([5, 1, 'partly'])
    // The rest can be given up, and what was promised comes.
    const end = (await happened(order, [0, 'delivered', 1], [0, 'cancelled', 4])).body
    expect(end.state).toBe('delivered')
  })

  it('says what was sent in place of what was ordered', async () => {
    await supplierFaults('api', { wrong: true })
    const placed = await place(await basket(WIRED, { number: 'TW-K1429' }))
    await until(placed.id, ({ answeredAt }) => answeredAt !== null)
    const { body } = await call<{ lines: object[] }>('GET', `/orders/${placed.id}/note`)
    expect(body.lines).toEqual([{ number: 'TW-K1429', sent: 'TW-K1587', quantity: 1 }])
  })
})
