import { QueryTypes } from 'sequelize'
import { allWords, plateWords, writtenIn } from '../../../core/search'
import type { Database } from '../../database/database'
import { historyOf } from './history'
import { sharedRounds } from '../lists/rounds'

/** Subjects that are gone through in one go, before others have their turn. */
const AT_ONCE = 25

interface Stale {
  id: string
  subject: 'job' | 'vehicle'
  lastSequence: number
  changedAt: Date
  title: string | null
  name: string
  plate: string | null
  model: string | null
}

/**
 * Keeps every word of a job or a vehicle, once each, so that one look in the database's index of words finds where it stands.
 * At most so many subjects whose history has gone on; says how many.
 */
async function refreshSome(database: Database): Promise<number> {
  const select = (sql: string) =>
    database.sequelize.query<Stale>(sql, { replacements: [AT_ONCE], type: QueryTypes.SELECT })
  const jobs = await select(
    `SELECT j.id, 'job' AS subject, j.lastSequence, COALESCE(j.changedAt, j.createdAt) AS changedAt, j.title, v.name, v.plate,
      v.model
       FROM jobs j JOIN vehicles v ON v.id = j.vehicleId WHERE j.searched = 0 LIMIT ?`,
  )
  const vehicles = await select(
    `SELECT id, 'vehicle' AS subject, lastSequence, createdAt AS changedAt, NULL AS title, name, plate, model
       FROM vehicles WHERE searched = 0 LIMIT ?`,
  )
  const stale = [...jobs, ...vehicles].slice(0, AT_ONCE)
  for (const one of stale) await keepWords(database, one)
  return stale.length
}

const subjectsLeft = async ({ sequelize }: Database, most: number): Promise<number> =>
  (
    await sequelize.query(
      `(SELECT id FROM jobs WHERE searched = 0 LIMIT ?) UNION ALL (SELECT id FROM vehicles WHERE searched = 0 LIMIT ?)`,
      { replacements: [most, most], type: QueryTypes.SELECT },
    )
  ).length

/** One round over what is to be gone through, which all who ask at once share; and what a search waits for. */
export const { round: refreshWords, caughtUp: wordsCaughtUp } = sharedRounds(refreshSome, subjectsLeft)

async function keepWords(database: Database, stale: Stale): Promise<void> {
  const { id, subject, lastSequence, changedAt, title, name, plate, model } = stale
  const history = await historyOf(database, { type: subject, id }, lastSequence)
  const names = [name, model ?? '', title ?? '', ...plateWords(plate)]
  // A blank before each, so that a short one is found by how it begins.
  const words = ` ${allWords(writtenIn(history), names).join(' ')}`
  const { sequelize } = database
  await sequelize.query(
    `INSERT INTO search_words (id, subject, changedAt, words) VALUES (?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE changedAt = VALUES(changedAt), words = VALUES(words)`,
    { replacements: [id, subject, changedAt, words], type: QueryTypes.INSERT },
  )
  // Filed into meanwhile: it stays to be gone through.
  await sequelize.query(`UPDATE ${subject}s SET searched = 1 WHERE id = ? AND lastSequence = ?`, {
    replacements: [id, lastSequence],
    type: QueryTypes.UPDATE,
  })
}
