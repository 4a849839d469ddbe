import { monotonicFactory } from 'ulid'
import type { Entry, Subject } from '../core/journal'
import type { Database } from '../server/database/database'
import { addJob } from '../server/services/jobs'
import { addPerson, listPeople } from '../server/services/people'
import { addContainer } from '../server/services/containers'
import { addVehicle } from '../server/services/vehicles'
import { PEOPLE, scenario, type DemoJob, type DemoPerson } from './scenario'

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
  for (const job of scenario()) await loadJob(database, job, now, ulid, people)
  return true
}

/** Fluid on the shelf: one sealed, one in use, one that somebody forgot. */
const SHELF = [
  { kind: 'dot4', ml: 1000, openDays: null },
  { kind: 'dot4', ml: 500, openDays: 40 },
  { kind: 'dot4', ml: 500, openDays: 520 },
] as const

async function loadJob(
  database: Database,
  { vehicle, title, daysAgo, lines }: DemoJob,
  now: number,
  ulid: (time: number) => string,
  people: ReadonlyMap<DemoPerson, string>,
): Promise<void> {
  const opened = now - daysAgo * DAY
  const vehicleId = ulid(opened - DAY)
  const id = ulid(opened)
  const entry = (subject: Subject, [minute, by, kind, payload]: DemoJob['lines'][number]) => {
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
    entries: [entry(inVehicle, [-30, 'Tam Brackley', 'installation', vehicle.installation])],
  })
  const inJob = { type: 'job', id } as const
  await addJob(database, { id, vehicleId, title, entries: lines.map((line) => entry(inJob, line)) })
}
