import { QueryTypes, type Transaction } from 'sequelize'
import type { DeferredDue, DueItem, Watched } from '../../../core/due'
import type { Database } from '../../database/database'
import type { Condition } from './paging'

/** Of what a row `d` says is put off: no later job of the vehicle has done it, put it off anew, or says itself that it is due. */
const stillPutOff = (before = ''): string =>
  `NOT EXISTS (
      SELECT 1 FROM jobs l WHERE l.vehicleId = d.vehicleId AND l.id > d.jobId ${before && `AND l.id < ${before}`}
        AND JSON_CONTAINS(l.work, JSON_QUOTE(JSON_VALUE(d.payload, '$.repair'))))
    AND NOT EXISTS (
      SELECT 1 FROM due_items o WHERE o.vehicleId = d.vehicleId AND o.kind = 'deferred' AND o.jobId > d.jobId
        ${before && `AND o.jobId < ${before}`} AND JSON_VALUE(o.payload, '$.repair') = JSON_VALUE(d.payload, '$.repair'))`

/** Of all that is due, the repairs that are still put off. */
export const STILL_PUT_OFF: Condition = {
  sql: `(d.kind <> 'deferred' OR (${stillPutOff()}))`,
  values: [],
}

/** Repairs that earlier jobs of a vehicle put off, and that no job since has done. */
export async function putOffBefore(
  { sequelize }: Database,
  vehicleId: string,
  jobId: string,
): Promise<Watched[]> {
  const rows = await sequelize.query<{ jobId: string; item: string; payload: unknown }>(
    `SELECT d.jobId, d.item, d.payload FROM due_items d
      WHERE d.vehicleId = ? AND d.kind = 'deferred' AND d.jobId < ?
        AND JSON_VALUE(d.payload, '$.ofJob') IS NULL AND ${stillPutOff('?')}`,
    { replacements: [vehicleId, jobId, jobId, jobId], type: QueryTypes.SELECT },
  )
  return rows.map((row) => ({ id: row.item, jobId: row.jobId, payload: payloadOf(row.payload) }))
}
const payloadOf = (kept: unknown) => (typeof kept === 'string' ? JSON.parse(kept) : kept) as DeferredDue

/** Whether what a job has put off is no longer what is kept of it. */
export async function hasPutOffChanged(
  { sequelize }: Database,
  jobId: string,
  due: readonly DueItem[],
  transaction: Transaction,
): Promise<boolean> {
  const kept = await sequelize.query<{ payload: unknown }>(
    "SELECT payload FROM due_items WHERE jobId = ? AND kind = 'deferred' ORDER BY item",
    { replacements: [jobId], type: QueryTypes.SELECT, transaction },
  )
  const own = (list: readonly DeferredDue[]) =>
    JSON.stringify(
      list
        .filter(({ ofJob }) => ofJob === undefined)
        .map(({ repair, watch, limit, was }) => [repair, watch, limit, was])
        .sort(),
    )
  const now = due.flatMap((item) => (item.kind === 'deferred' ? [item.payload] : []))
  return own(kept.map(({ payload }) => payloadOf(payload))) !== own(now)
}
