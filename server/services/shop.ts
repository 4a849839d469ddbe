import { QueryTypes } from 'sequelize'
import type { Shop, ShopSettingsBody } from '../../contract'
import { SHOP_COSTS, USUAL_SCHOOL, type ShopRecord } from '../../core/diagnosis'
import { fold, type Entry } from '../../core/journal'
import type { Database } from '../database/database'
import type { EntryRow } from '../database/models'
import { shownEntry } from './entries'

const ONLY = 1
const usual = (): ShopSettingsBody => ({
  ...SHOP_COSTS,
  school: { ...USUAL_SCHOOL },
  recordSince: null,
})

/** The shop’s settings, the usual ones until somebody sets them, and its record of closed jobs. */
export async function readShop(database: Database): Promise<Shop> {
  const row = await database.models.Shop.findByPk(ONLY)
  const settings = row ? settingsIn(row.settings) : usual()
  return { settings, record: await recordOf(database, settings.recordSince) }
}

/** The connector gives a JSON column as text or read already, as it is set. */
const settingsIn = (stored: unknown): ShopSettingsBody =>
  (typeof stored === 'string' ? JSON.parse(stored) : stored) as ShopSettingsBody

export async function setShop(database: Database, settings: ShopSettingsBody): Promise<Shop> {
  await database.models.Shop.upsert({
    id: ONLY,
    settings: JSON.stringify(settings),
    changedAt: new Date(),
  })
  return readShop(database)
}

type Closed = EntryRow & { model: string | null }

/**
 * Confirmed causes of closed jobs by vehicle model: a job is closed once its verdict stands as passed.
 * @param since jobs that were closed before this are left out; null for none.
 */
async function recordOf({ sequelize }: Database, since: string | null): Promise<ShopRecord> {
  const rows = await sequelize.query<Closed>(
    `SELECT e.id, e.jobId, e.vehicleId, e.sequence, e.kind, e.at, e.byId, e.payload, e.corrects, e.withdraws,
            v.model
       FROM entries e
       JOIN jobs j ON j.id = e.jobId
       JOIN vehicles v ON v.id = j.vehicleId
      WHERE e.jobId IN (SELECT c.jobId FROM entries c WHERE c.kind = 'cause')
        AND e.kind IN ('cause', 'verdict', 'withdrawal')
      ORDER BY e.jobId, e.sequence`,
    { type: QueryTypes.SELECT },
  )
  const jobs = new Map<string, { model: string; entries: Entry[] }>()
  for (const row of rows) {
    const job = jobs.get(row.jobId!) ?? { model: row.model ?? '', entries: [] }
    job.entries.push(shownEntry(row))
    jobs.set(row.jobId!, job)
  }
  const record: Record<string, { jobs: number; confirmed: Record<string, number> }> = {}
  for (const { model, entries } of jobs.values()) {
    const { cause, verdict } = fold(entries)
    if (!cause || verdict?.payload.outcome !== 'pass') continue
    if (since !== null && verdict.at < since) continue
    const own = (record[model] ??= { jobs: 0, confirmed: {} })
    own.jobs++
    for (const fault of cause.payload.faults) own.confirmed[fault] = (own.confirmed[fault] ?? 0) + 1
  }
  return record
}
