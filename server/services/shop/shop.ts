import { QueryTypes } from 'sequelize'
import type { Shop, ShopSettingsBody } from '../../../contract'
import {
  SHOP_COSTS,
  USUAL_POLICY,
  type FaultId,
  type ModelRecord,
  type ShopRecord,
} from '../../../core/diagnosis'
import { settingOf, type Learnt, type LearntSetting } from '../../../core/learnt'
import type { DeliveryDay } from '../../../core/orders'
import type { Database } from '../../database/database'
import { jobsCaughtUp } from '../journal/standing'

const ONLY = 1
/** Before any job was closed. */
const FIRST_DAY = new Date('1970-01-01T00:00:00.000Z')
const usual = (): ShopSettingsBody => ({
  ...SHOP_COSTS,
  name: '',
  school: { ...USUAL_POLICY },
  recordSince: null,
  delivery: [],
  learning: {},
})

/** The shop’s settings, the usual ones until somebody sets them, and its record of closed jobs. */
export async function readShop(database: Database): Promise<Shop> {
  const row = await database.models.Shop.findByPk(ONLY)
  // What was set before a setting came lacks it.
  const settings = row ? { ...usual(), ...settingsIn(row.settings) } : usual()
  const { off } = settingOf(settings.learning, 'causes')
  return { settings, record: off ? {} : await recordOf(database, settings.recordSince) }
}

/** The connector gives a JSON column as text or read already, as it is set. */
const settingsIn = (stored: unknown): ShopSettingsBody =>
  (typeof stored === 'string' ? JSON.parse(stored) : stored) as ShopSettingsBody

export async function setShop(database: Database, settings: ShopSettingsBody): Promise<Shop> {
  const before = await keptSettings(database)
  const name = (settings.name ?? before?.name ?? '').trim()
  const delivery = settings.delivery ?? before?.delivery ?? []
  // A figure that is set as if nobody had set it is not kept.
  const learning = Object.fromEntries(
    Object.entries({ ...before?.learning, ...settings.learning }).filter(
      ([, { off, since }]) => off || since !== null,
    ),
  )
  await database.models.Shop.upsert({
    id: ONLY,
    settings: JSON.stringify({ ...settings, name, delivery, learning }),
    changedAt: new Date(),
  })
  return readShop(database)
}

/** When parts come to this shop. */
export const deliveryDays = async (database: Database): Promise<DeliveryDay[]> =>
  (await keptSettings(database))?.delivery ?? []

/** Whether a figure is learnt from this shop's jobs, and from which on. */
export const learningOf = async (database: Database, figure: Learnt): Promise<LearntSetting> =>
  settingOf((await keptSettings(database))?.learning, figure)

/** What the shop calls itself; empty where it has not said. */
export const shopName = async (database: Database): Promise<string> =>
  (await keptSettings(database))?.name ?? ''

async function keptSettings({ models }: Database): Promise<ShopSettingsBody | null> {
  const row = await models.Shop.findByPk(ONLY)
  return row && settingsIn(row.settings)
}

/**
 * Confirmed causes of closed jobs by vehicle model. What a job was is kept with it once its verdict stands as passed, and
 * goes from there when either is taken back.
 * @param since jobs that were closed before this are left out; null for none.
 */
async function recordOf(database: Database, since: string | null): Promise<ShopRecord> {
  await jobsCaughtUp(database)
  const rows = await database.sequelize.query<{ model: string | null; causes: unknown; jobs: number }>(
    `SELECT v.model COLLATE utf8mb4_bin AS model, j.causes, COUNT(*) AS jobs
       FROM jobs j JOIN vehicles v ON v.id = j.vehicleId
      WHERE j.closedAt >= ?
      GROUP BY 1, j.causes`,
    { replacements: [since === null ? FIRST_DAY : new Date(since)], type: QueryTypes.SELECT },
  )
  // A model may be called anything, `__proto__` too: an object without a prototype holds only what is put into it.
  const record = Object.create(null) as Record<string, ModelRecord>
  for (const { model, causes, jobs } of rows) {
    const own = (record[model ?? ''] ??= { jobs: 0, confirmed: {} })
    own.jobs += Number(jobs)
    const faults = (typeof causes === 'string' ? JSON.parse(causes) : causes) as FaultId[]
    for (const fault of faults) own.confirmed[fault] = (own.confirmed[fault] ?? 0) + Number(jobs)
  }
  return record
}
