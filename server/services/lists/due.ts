import { QueryTypes } from 'sequelize'
import type { CameBackTold, DueQueryValues, DueTold, Page } from '../../../contract'
import { dueWords } from '../../../core/due'
import { formatOf } from '../../../core/quantity'
import type { Database } from '../../database/database'
import { pageOf, pastCursor, whereOf, type Condition } from './paging'
import { STILL_PUT_OFF } from './put-off'
import { jobsCaughtUp } from '../journal/standing'

interface Row {
  jobId: string
  item: string
  kind: DueTold['kind']
  due: string | null
  atKm: number | null
  payload: unknown
  title: string
  vehicleId: string
  vehicleName: string
  plate: string | null
  sortDay: string
}

/** Of a vehicle’s fluid, what the job that knows the newest change says: an older one is out of date. */
const NEWEST_FLUID: Condition = {
  sql: `(d.kind <> 'fluid' OR NOT EXISTS (
    SELECT 1 FROM due_items o WHERE o.vehicleId = d.vehicleId AND o.kind = 'fluid'
      AND (JSON_VALUE(o.payload, '$.changed') > JSON_VALUE(d.payload, '$.changed')
        OR (JSON_VALUE(o.payload, '$.changed') = JSON_VALUE(d.payload, '$.changed') AND o.jobId > d.jobId))))`,
  values: [],
}

/** The SELECT of one page of what is due, with what fills its places. */
export function dueStatement({ limit = 50, after, vehicle }: DueQueryValues): {
  sql: string
  replacements: unknown[]
} {
  const where = [NEWEST_FLUID, STILL_PUT_OFF]
  if (vehicle) where.push({ sql: 'd.vehicleId = ?', values: [vehicle] })
  if (after) where.push(pastCursor(after, ['d.sortDay', 'd.jobId', 'd.item'], 'ASC'))
  return {
    sql: `SELECT STRAIGHT_JOIN d.jobId, d.item, d.kind, DATE_FORMAT(d.due, '%Y-%m-%d') AS due, d.atKm, d.payload,
        DATE_FORMAT(d.sortDay, '%Y-%m-%d') AS sortDay, j.title, v.id AS vehicleId, v.name AS vehicleName, v.plate
       FROM due_items d JOIN jobs j ON j.id = d.jobId JOIN vehicles v ON v.id = d.vehicleId
       ${whereOf(where)} ORDER BY d.sortDay, d.jobId, d.item LIMIT ?`,
    replacements: [...where.flatMap(({ values }) => values), limit + 1],
  }
}

/** What is owed to the shop’s vehicles, the soonest first; what has no day comes last. */
export async function listDue(database: Database, query: DueQueryValues = {}): Promise<Page<DueTold>> {
  await jobsCaughtUp(database)
  const { sql, replacements } = dueStatement(query)
  const rows = await database.sequelize.query<Row>(sql, { replacements, type: QueryTypes.SELECT })
  return pageOf(
    rows,
    query.limit ?? 50,
    ({ sortDay, jobId, item }) => [sortDay, jobId, item],
    ({ item, payload, sortDay: _, ...row }) => {
      const due = {
        ...row,
        id: item,
        payload: typeof payload === 'string' ? JSON.parse(payload) : payload,
      } as Omit<DueTold, 'words'> as DueTold
      return { ...due, words: dueWords(due, formatOf(query.units ?? 'metric')) }
    },
  )
}

/** Jobs on the bench that came back: complained of again within a year of being proven, the newest first. */
export async function listCameBack(database: Database): Promise<CameBackTold[]> {
  await jobsCaughtUp(database)
  const rows = await database.sequelize.query<{
    jobId: string
    title: string
    vehicleName: string
    createdAt: Date
    beforeId: string
    beforeTitle: string
    provenAt: Date
  }>(
    `SELECT STRAIGHT_JOIN j.id AS jobId, j.title, v.name AS vehicleName, j.createdAt, b.id AS beforeId, b.title AS beforeTitle,
        b.provenAt
       FROM jobs j JOIN jobs b ON b.id = j.cameBackOf JOIN vehicles v ON v.id = j.vehicleId
      WHERE j.onBench = 1 AND j.cameBackOf IS NOT NULL AND b.provenAt IS NOT NULL
      ORDER BY j.id DESC LIMIT 50`,
    { type: QueryTypes.SELECT },
  )
  return rows.map(({ jobId, title, vehicleName, createdAt, beforeId, beforeTitle, provenAt }) => ({
    jobId,
    title,
    vehicleName,
    createdAt: createdAt.toISOString(),
    before: { jobId: beforeId, title: beforeTitle, provenAt: provenAt.toISOString() },
  }))
}
