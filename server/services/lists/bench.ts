import { QueryTypes } from 'sequelize'
import type { BenchJob, JobsQueryValues, Page } from '../../../contract'
import type { JobKind, Outcome } from '../../../core/journal'
import type { NextStep } from '../../../core/proof'
import type { Database } from '../../database/database'
import { asColumn, matching, pageOf, pastCursor, whereOf } from './paging'
import { recordsOf } from '../shop/people'
import { jobsCaughtUp, refreshJobs } from '../journal/standing'

/** A row as the one SELECT gives it. */
interface Row {
  id: string
  vehicleId: string
  title: string
  kind: JobKind
  createdAt: Date
  lastSequence: number
  vehicleName: string
  lastAt: Date
  lastBy: string | null
  outcome: Outcome | null
  step: NextStep | string | null
  fresh: number
  changes: number
}

const COLUMNS = `j.id, j.vehicleId, j.title, j.kind, j.createdAt, j.lastSequence, j.changedAt AS lastAt, j.outcome, j.step,
  j.fresh, j.changes, v.name AS vehicleName, p.name AS lastBy`
const FROM = `FROM jobs j JOIN vehicles v ON v.id = j.vehicleId LEFT JOIN people w ON w.id = j.changedById
  LEFT JOIN people p ON p.id = COALESCE(w.mergedInto, w.id)`

const ORDER = {
  changed: { by: ['j.changedAt', 'j.id'], of: (row: Row) => [asColumn(row.lastAt), row.id] },
  opened: { by: ['j.id'], of: (row: Row) => [row.id] },
} as const
const ON_BENCH = { sql: 'j.onBench = 1', values: [] }
const STANDINGS = {
  open: ['open', 'stopped'],
  stopped: ['stopped'],
  done: ['done'],
  closed: ['closed'],
} as const

/** What a page of jobs is asked for with: the statement and what fills its places. */
export function jobsStatement(
  query: JobsQueryValues,
  /** All records of the person that is asked for. */
  records: readonly string[] = query.person ? [query.person] : [],
): {
  sql: string
  replacements: unknown[]
  limit: number
} {
  const { limit = 50, after, vehicle, filter, person, search, sort = 'changed' } = query
  const order = ORDER[sort]
  const where = matching(search, ['v.name', 'v.plate', 'v.model', 'j.title'])
  if (vehicle) where.push({ sql: 'j.vehicleId = ?', values: [vehicle] })
  if (filter === 'bench') where.push(ON_BENCH)
  else if (filter) where.push({ sql: 'j.standing IN (?)', values: [[...STANDINGS[filter]]] })
  if (person)
    where.push({
      sql: 'EXISTS (SELECT 1 FROM entries e WHERE e.jobId = j.id AND e.byId IN (?))',
      values: [[...records]],
    })
  if (after) where.push(pastCursor(after, order.by, 'DESC'))
  return {
    // Jobs first, in their order: else all vehicles are gone through and sorted for one page.
    sql: `SELECT STRAIGHT_JOIN ${COLUMNS} ${FROM} ${whereOf(where)}
      ORDER BY ${order.by.map((column) => `${column} DESC`).join(', ')} LIMIT ?`,
    replacements: [...where.flatMap(({ values }) => values), limit + 1],
    limit,
  }
}

/** Jobs, the last changed first unless asked otherwise, each with what its entries add up to. */
export async function listJobs(
  database: Database,
  query: JobsQueryValues = {},
): Promise<Page<BenchJob>> {
  const records = query.person ? await recordsOf(database, query.person) : []
  const { sql, replacements, limit } = jobsStatement(query, records)
  const select = () => database.sequelize.query<Row>(sql, { replacements, type: QueryTypes.SELECT })
  await jobsCaughtUp(database)
  let rows = await select()
  // One that was never worked out, as after a file was read in, has nothing to show yet.
  const unknown = rows.filter(({ step }) => step === null)
  if (unknown.length > 0) {
    await refreshJobs(database, unknown)
    rows = await select()
  }
  return pageOf(rows, limit, ORDER[query.sort ?? 'changed'].of, shownRow)
}

function shownRow({ fresh: _, changes: __, step, lastAt, createdAt, lastBy, ...row }: Row): BenchJob {
  return {
    ...row,
    createdAt: createdAt.toISOString(),
    lastAt: lastAt.toISOString(),
    lastBy: lastBy ?? '',
    // Filed into between the two looks: the next look has it.
    step: step === null ? { to: 'look' } : typeof step === 'string' ? JSON.parse(step) : step,
  }
}
