import { Op } from 'sequelize'
import type { BenchJob, ListQueryValues } from '../../contract'
import { fold, installationFrom, type Entry, type Kind } from '../../core/journal'
import { nextStep, openStops } from '../../core/proof'
import type { Database } from '../database/database'
import { shownEntry } from './entries'
import { shownJob } from './jobs'

/** What an installation is folded from; the rest of a vehicle's history says nothing of its jobs. */
const OF_INSTALLATION: readonly Kind[] = ['installation', 'parameter', 'route', 'withdrawal']

/** Jobs, newest first, each with what its entries add up to: the verdict that stands and what would bring it on. */
export async function listJobs(
  database: Database,
  { limit = 100, before, vehicle }: ListQueryValues = {},
): Promise<BenchJob[]> {
  const { Job, Vehicle, Person } = database.models
  const jobs = await Job.findAll({
    where: {
      ...(before && { id: { [Op.lt]: before } }),
      ...(vehicle && { vehicleId: vehicle }),
    },
    order: [['id', 'DESC']],
    limit,
  })
  const vehicleIds = [...new Set(jobs.map(({ vehicleId }) => vehicleId))]
  const [entries, ofVehicles, vehicles, people] = await Promise.all([
    entriesBy(database, 'jobId', { jobId: jobs.map(({ id }) => id) }),
    entriesBy(database, 'vehicleId', { vehicleId: vehicleIds, kind: OF_INSTALLATION }),
    Vehicle.findAll({ where: { id: vehicleIds }, attributes: ['id', 'name'] }),
    Person.findAll({ attributes: ['id', 'name'] }),
  ])
  const nameOf = new Map([...vehicles, ...people].map(({ id, name }) => [id, name]))
  return jobs.map((row) => {
    const own = entries.get(row.id)!
    const newest = own.at(-1)!
    const state = fold(own)
    const installation = installationFrom(own, installationFrom(ofVehicles.get(row.vehicleId) ?? []))
    return {
      ...shownJob(row),
      vehicleName: nameOf.get(row.vehicleId)!,
      lastAt: newest.at,
      lastBy: nameOf.get(newest.by)!,
      outcome: state.verdict?.payload.outcome ?? null,
      step: nextStep(state, openStops(state, installation?.circuit.master.portClosure)),
    }
  })
}

/** Entries by their subject, each in sequence order. */
async function entriesBy(
  { models }: Database,
  subject: 'jobId' | 'vehicleId',
  where: { jobId?: string[]; vehicleId?: string[]; kind?: readonly Kind[] },
): Promise<Map<string, Entry[]>> {
  const rows = await models.Entry.findAll({
    where: { ...where, ...(where.kind && { kind: [...where.kind] }) },
    order: [['sequence', 'ASC']],
    raw: true,
  })
  const bySubject = new Map<string, Entry[]>()
  for (const row of rows) {
    const list = bySubject.get(row[subject]!) ?? []
    list.push(shownEntry(row))
    bySubject.set(row[subject]!, list)
  }
  return bySubject
}
