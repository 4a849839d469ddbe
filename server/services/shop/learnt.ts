import { QueryTypes } from 'sequelize'
import type { LearntTold } from '../../../contract'
import type { CameBackCount } from '../../../core/learnt'
import type { OperationId } from '../../../core/work'
import type { Database } from '../../database/database'
import { learningOf } from './shop'
import { jobsCaughtUp } from '../journal/standing'

/** Jobs that were proven, since a moment, each once. */
const PROVEN = `j.provenAt >= ?`
/** Whether a job came back with a later one. */
const BACK = `EXISTS (SELECT 1 FROM jobs b WHERE b.cameBackOf = j.id)`
const FIRST_DAY = '1970-01-01T00:00:00.000Z'
/** Rows of a table that are told. */
const MOST = 20

type Row<T> = T & { jobs: number; back: number | string | null }
const counted = ({ jobs, back }: { jobs: number; back: number | string | null }): CameBackCount => ({
  jobs: Number(jobs),
  back: Number(back ?? 0),
})

/** Of proven jobs those that came back: of all, by what was done, by model, and by who made the parts. */
export async function whatIsLearnt(database: Database): Promise<LearntTold> {
  await jobsCaughtUp(database)
  const select = <T extends object>(sql: string, since: string | null) =>
    database.sequelize.query<Row<T>>(sql, {
      replacements: [new Date(since ?? FIRST_DAY)],
      type: QueryTypes.SELECT,
    })
  const [comebacks, makers] = await Promise.all([
    learningOf(database, 'comebacks'),
    learningOf(database, 'makers'),
  ])
  const [all, byModel, byRepair, byMaker] = await Promise.all([
    select(
      `SELECT COUNT(*) AS jobs, SUM(${BACK}) AS back FROM jobs j WHERE ${PROVEN}`,
      comebacks.since,
    ),
    select<{ model: string | null }>(
      `SELECT v.model COLLATE utf8mb4_bin AS model, COUNT(*) AS jobs, SUM(${BACK}) AS back
         FROM jobs j JOIN vehicles v ON v.id = j.vehicleId
        WHERE ${PROVEN} GROUP BY 1 ORDER BY jobs DESC, model LIMIT ${MOST}`,
      comebacks.since,
    ),
    select<{ operation: OperationId }>(
      `SELECT done.operation, COUNT(*) AS jobs, SUM(${BACK}) AS back
         FROM jobs j, JSON_TABLE(j.work, '$[*]' COLUMNS (operation VARCHAR(40) PATH '$')) done
        WHERE ${PROVEN} GROUP BY 1 ORDER BY jobs DESC, done.operation LIMIT ${MOST}`,
      comebacks.since,
    ),
    select<{ supplier: string; grade: LearntTold['makers'][number]['grade'] }>(
      `SELECT used.supplier, used.grade, COUNT(*) AS jobs, SUM(${BACK}) AS back
         FROM jobs j JOIN (
           SELECT DISTINCT l.jobId, o.supplier, COALESCE(p.grade, 'unknown') AS grade
             FROM order_lines l JOIN orders o ON o.id = l.orderId LEFT JOIN parts p ON p.id = l.partId
            WHERE l.jobId IS NOT NULL AND l.received > l.returned) used ON used.jobId = j.id
        WHERE ${PROVEN} GROUP BY 1, 2 ORDER BY jobs DESC, used.supplier LIMIT ${MOST}`,
      makers.since,
    ),
  ])
  return {
    all: all[0] ? counted(all[0]) : { jobs: 0, back: 0 },
    models: byModel.map(({ model, ...row }) => ({ model, ...counted(row) })),
    repairs: byRepair.map(({ operation, ...row }) => ({ operation, ...counted(row) })),
    makers: byMaker.map(({ supplier, grade, ...row }) => ({ supplier, grade, ...counted(row) })),
  }
}
