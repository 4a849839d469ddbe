import { QueryTypes } from 'sequelize'
import { monotonicFactory } from 'ulid'
import type { Entry, Subject } from '../core/journal'
import type { Database } from '../server/database/database'
import { addJob } from '../server/services/lists/jobs'
import { addPerson, listPeople } from '../server/services/shop/people'
import { addContainer } from '../server/services/shelf/containers'
import { addVehicle } from '../server/services/lists/vehicles'
import type { ListedPart } from '../core/shelf'
import { addToBasket } from '../server/services/orders/orders'
import { orderHappened, placeOrder } from '../server/services/orders/order-events'
import { addPart } from '../server/services/shelf/parts'
import { readShop, setShop } from '../server/services/shop/shop'
import { refreshStale } from '../server/services/journal/standing'
import { PEOPLE, scenario, type DemoJob, type DemoPerson } from './scenario'
import { FERRY, ORDERS, PARTS, type DemoOrder } from './shelf'

const MINUTE = 60_000
const DAY = 24 * 60 * MINUTE

/** Loads the scenario through the same services as real data. Says whether it did: only an empty database is filled. */
export async function loadDemo(database: Database, now = Date.now()): Promise<boolean> {
  if ((await listPeople(database)).items.length > 0) return false
  const ulid = monotonicFactory()
  const people = new Map<DemoPerson, string>()
  for (const name of PEOPLE) {
    const id = ulid(now - 30 * DAY)
    await addPerson(database, { id, name })
    people.set(name, id)
  }
  for (const { kind, ml, openDays } of SHELF)
    await addContainer(database, {
      id: ulid(now - 400 * DAY),
      kind,
      volume: ml * 1000,
      openedAt: openDays === null ? null : new Date(now - openDays * DAY).toISOString(),
    })
  const jobs = new Map<string, string>()
  for (const job of scenario())
    jobs.set(job.vehicle.name, await loadJob(database, job, now, ulid, people))
  await setShop(database, { ...(await readShop(database)).settings, delivery: FERRY })
  const parts = new Map<string, { id: string } & ListedPart>()
  for (const part of PARTS) {
    const one = { id: ulid(now - 40 * DAY), ...part }
    await addPart(database, one)
    parts.set(part.number, one)
  }
  for (const order of ORDERS) await loadOrder(database, order, { now, ulid, people, jobs, parts })
  // Filed when it is told to have been, and not while the demo is loaded.
  await database.sequelize.query('UPDATE entries SET filedAt = at', { type: QueryTypes.UPDATE })
  // Lists show what is worked out: all of it, before anybody looks.
  while ((await refreshStale(database)) > 0);
  return true
}

interface Known {
  now: number
  ulid: (time: number) => string
  people: ReadonlyMap<DemoPerson, string>
  jobs: ReadonlyMap<string, string>
  parts: ReadonlyMap<string, { id: string } & ListedPart>
}
/** An order as it would have been made: into the basket, placed by phone, and what has come of it. */
async function loadOrder(
  database: Database,
  { supplier, daysAgo, lines }: DemoOrder,
  { now, ulid, people, jobs, parts }: Known,
): Promise<void> {
  const time = now - (daysAgo ?? 0) * DAY
  const wanted = lines.map(({ number, quantity, vehicle, need }) => {
    const part = parts.get(number)!
    return {
      id: ulid(time),
      partId: part.id,
      words: part.name,
      supplier,
      quantity,
      price: part.price,
      ...(vehicle !== undefined && { jobId: jobs.get(vehicle)! }),
      ...(need !== undefined && { need }),
    }
  })
  const newId = () => ulid(time)
  const [order] = await addToBasket(database, { lines: wanted }, newId)
  if (daysAgo === null) return
  const hand = { by: people.get('Orla Venn')!, at: new Date(time).toISOString() }
  const means = { newId, wired: null, days: FERRY, leadDays: 1, now: new Date(now) }
  await placeOrder(database, order!.id, hand, means)
  const happened = lines.flatMap(({ came = 0, short = 0 }, i) => [
    ...(came > 0 ? [{ happened: 'delivered' as const, quantity: came, i }] : []),
    ...(short > 0 ? [{ happened: 'short' as const, quantity: short, i }] : []),
  ])
  if (happened.length > 0)
    await orderHappened(database, order!.id, {
      ...hand,
      happened: happened.map(({ i, ...one }) => ({ id: newId(), line: wanted[i]!.id, ...one })),
    })
}

/** Fluid on the shelf: one sealed, one in use, one that somebody forgot. */
const SHELF = [
  { kind: 'dot4', ml: 1000, openDays: null },
  { kind: 'dot4', ml: 500, openDays: 40 },
  { kind: 'dot4', ml: 500, openDays: 520 },
] as const

async function loadJob(
  database: Database,
  { vehicle, title, daysAgo, lines, earlier = [], owed = [] }: DemoJob,
  now: number,
  ulid: (time: number) => string,
  people: ReadonlyMap<DemoPerson, string>,
): Promise<string> {
  const days = [...earlier, { title, daysAgo, lines }]
  const first = now - days[0]!.daysAgo * DAY
  const vehicleId = ulid(first - DAY)
  const entry = (
    opened: number,
    subject: Subject,
    [minute, by, kind, payload]: DemoJob['lines'][number],
  ) => {
    const time = opened + minute * MINUTE
    const at = new Date(time).toISOString()
    return { id: ulid(time), subject, kind, at, by: people.get(by)!, payload } as Entry
  }
  const inVehicle = { type: 'vehicle', id: vehicleId } as const
  await addVehicle(database, {
    id: vehicleId,
    name: vehicle.name,
    plate: vehicle.plate,
    ...(vehicle.model && { model: vehicle.model }),
    entries: [entry(first, inVehicle, [-30, 'Tam Brackley', 'installation', vehicle.installation])],
  })
  let id = ''
  for (const day of days) {
    const opened = now - day.daysAgo * DAY
    id = ulid(opened)
    const inJob = { type: 'job', id } as const
    const entries = day.lines.map((line) => entry(opened, inJob, line))
    // What was promised is filed with the last of them, by a day that is still to come.
    if (day === days.at(-1))
      for (const { what, inDays, by } of owed) {
        const due = new Date(now + inDays * DAY).toISOString().slice(0, 10)
        const last = day.lines.at(-1)![0]
        entries.push(entry(opened, inJob, [last + 1, by, 'followUp', { what, due }]))
      }
    await addJob(database, { id, vehicleId, title: day.title, entries })
    // Opened when it is told to have been, and not while the demo is loaded.
    await database.models.Job.update({ createdAt: new Date(opened) }, { where: { id } })
  }
  return id
}
