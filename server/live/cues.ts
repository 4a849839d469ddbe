import { QueryTypes } from 'sequelize'
import type { Cue } from '../../contract'
import type { Database } from '../database/database'
import { NO_SUCH_ROW, numberOf } from '../database/errors'
import { notFound } from '../services/refusal'
import { committed } from './news'

/** s that a cue is kept, and within which it is handed out. */
const KEPT = 60
const NEWS = 5

/** Cues that this process has handed out, by id, with when. */
const handedOut = new Map<number, number>()

/**
 * Leaves a cue for every process of the workshop to hand out, and gives the number that the database made for it: later ones are higher.
 * @throws Refusal 404 where there is no such job
 */
export async function leaveCue({ sequelize }: Database, jobId: string, cue: Cue): Promise<number> {
  let number: number
  try {
    ;[number] = await sequelize.query('INSERT INTO cues (jobId, cue, at) VALUES (?, ?, NOW(3))', {
      replacements: [jobId, JSON.stringify(cue)],
      type: QueryTypes.INSERT,
    })
  } catch (error) {
    throw numberOf(error) === NO_SUCH_ROW ? notFound('job') : error
  }
  committed('cue')
  return number
}

/** Cues of these jobs from the last seconds that this process has not handed out yet. */
export async function newCues(
  { sequelize }: Database,
  jobs: readonly string[],
): Promise<{ jobId: string; cue: Cue }[]> {
  if (jobs.length === 0) return []
  // By the database's own clock, for processes may run on machines whose clocks differ.
  const rows = await sequelize.query<{ id: number; jobId: string; cue: unknown }>(
    `SELECT id, jobId, cue FROM cues WHERE at > NOW(3) - INTERVAL ${NEWS} SECOND AND jobId IN (?) ORDER BY id`,
    { replacements: [jobs], type: QueryTypes.SELECT },
  )
  const now = Date.now()
  for (const [id, at] of handedOut) if (now - at > KEPT * 1000) handedOut.delete(id)
  const fresh = rows.filter(({ id }) => !handedOut.has(id))
  for (const { id } of fresh) handedOut.set(id, now)
  return fresh.map(({ jobId, cue }) => ({
    jobId,
    cue: (typeof cue === 'string' ? JSON.parse(cue) : cue) as Cue,
  }))
}

/** Cues older than a minute are gone; nothing of them is kept anywhere. */
export async function emptyOldCues({ sequelize }: Database): Promise<void> {
  await sequelize.query(`DELETE FROM cues WHERE at < NOW(3) - INTERVAL ${KEPT} SECOND`, {
    type: QueryTypes.DELETE,
  })
}
