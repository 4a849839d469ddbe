import { QueryTypes } from 'sequelize'
import type { VehicleHistory } from '../../../core/history'
import type { JobKind, Outcome } from '../../../core/journal'
import type { Database } from '../../database/database'
import { onCommitted } from '../../live/news'
import { ask } from '../../threads/pool'
import { bearingOf } from '../journal/history'
import { notFound } from '../refusal'
import { refreshJobs } from '../journal/standing'

/** Jobs of one vehicle that are gone through, the newest. */
const MOST = 60
/** Answers are kept until something in them goes on. */
const kept = new Map<string, { hangsOn: string; history: Promise<VehicleHistory> }>()
const MOST_KEPT = 300
onCommitted((news) => news === 'restored' && kept.clear())

interface Row {
  id: string | null
  title: string
  kind: JobKind
  createdAt: Date
  provenAt: Date | null
  outcome: Outcome | null
  cameBackOf: string | null
  lastSequence: number
  changes: number
  fresh: number
  vehicleId: string
  ofVehicle: number
}

/** The SELECT of a vehicle's jobs, with what fills its places; one row without a job where it has none. */
export const historyStatement = (vehicleId: string): { sql: string; replacements: unknown[] } => ({
  sql: `SELECT j.id, j.title, j.kind, j.createdAt, j.provenAt, j.outcome, j.cameBackOf, j.lastSequence, j.changes, j.fresh,
      v.id AS vehicleId, v.lastSequence AS ofVehicle
    FROM vehicles v LEFT JOIN jobs j ON j.vehicleId = v.id WHERE v.id = ? ORDER BY j.id DESC LIMIT ?`,
  replacements: [vehicleId, MOST],
})

/** A vehicle over the years; worked out beside the server's own thread. */
export async function historyOfVehicle(database: Database, id: string): Promise<VehicleHistory> {
  const { sql, replacements } = historyStatement(id)
  const select = () => database.sequelize.query<Row>(sql, { replacements, type: QueryTypes.SELECT })
  let all = await select()
  const stale = all.filter(isJob).filter(({ fresh }) => !fresh)
  if (stale.length > 0) {
    await refreshJobs(database, stale)
    all = await select()
  }
  const [first] = all
  if (!first) throw notFound('vehicle')
  const rows = all.filter(isJob)
  const hangsOn = JSON.stringify([
    first.ofVehicle,
    rows.map((row) => [row.id, row.lastSequence, row.provenAt, row.cameBackOf]),
  ])
  const known = kept.get(id)
  if (known?.hangsOn === hangsOn) return known.history

  const { entries: ofVehicle } = await bearingOf(database, { type: 'vehicle', id }, first.ofVehicle)
  const jobs = []
  for (const row of rows) {
    const { entries } = await bearingOf(database, { type: 'job', id: row.id }, row.lastSequence)
    jobs.push({
      id: row.id,
      title: row.title,
      kind: row.kind,
      outcome: row.outcome,
      cameBackOf: row.cameBackOf,
      createdAt: row.createdAt.toISOString(),
      provenAt: row.provenAt?.toISOString() ?? null,
      entries,
    })
  }
  const history = ask('history', { jobs, ofVehicle })
  kept.delete(id)
  kept.set(id, { hangsOn, history })
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!)
  history.catch(() => kept.delete(id))
  return history
}

const isJob = (row: Row): row is Row & { id: string } => row.id !== null
