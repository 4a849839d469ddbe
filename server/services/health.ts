import { QueryTypes } from 'sequelize'
import type { Health } from '../../contract'
import type { Database } from '../database/database'
import { migrator, NEWEST_MIGRATION } from '../database/migrate'

/** ms within which a healthy database has read and written a row. */
const ANSWERS_WITHIN = 3000
/** ms for which a look at the tables is good: many ask, and each look writes. */
const GOOD_FOR = 2000

/** The tables that a workshop's day needs. */
const TABLES = ['people', 'vehicles', 'jobs', 'entries', 'shop', 'cues'] as const

/** When a database was last seen to be read and written; and when one last had no room for an entry. */
const seenWell = new WeakMap<Database, number>()
const seenFull = new WeakMap<Database, number>()
/** ms for which a full disk is believed: a row written over needs no room, so a look of one's own may miss it. */
const FULL_FOR = 30_000

/** What became of an entry that was to be written. */
export function sawWrite(database: Database, done: boolean): void {
  if (done) seenFull.delete(database)
  else seenFull.set(database, Date.now())
}

/** What state the database is in, without throwing: does it answer, is it of this version, can it be read and written. */
export async function health(database: Database): Promise<Health> {
  let schema: string | null
  try {
    schema = (await inTime(migrator(database).executed())).at(-1)?.name ?? null
  } catch {
    return { status: 'degraded', database: 'down', schema: null }
  }
  if (schema !== NEWEST_MIGRATION) return { status: 'degraded', database: 'behind', schema }
  if (Date.now() - (seenFull.get(database) ?? 0) < FULL_FOR)
    return { status: 'degraded', database: 'failing', schema }
  if (Date.now() - (seenWell.get(database) ?? 0) > GOOD_FOR)
    try {
      await inTime(readAndWrite(database))
      seenWell.set(database, Date.now())
    } catch {
      return { status: 'degraded', database: 'failing', schema }
    }
  return { status: 'ok', database: 'up', schema }
}

/** A full disk or a broken table lets a connection in all the same. */
async function readAndWrite({ sequelize }: Database): Promise<void> {
  const reads = TABLES.map((table) => `(SELECT 1 FROM ${table} LIMIT 1)`).join(' UNION ALL ')
  await sequelize.query(reads, { type: QueryTypes.SELECT })
  await sequelize.query('REPLACE INTO pulse (id, at) VALUES (1, ?)', {
    replacements: [new Date()],
    type: QueryTypes.INSERT,
  })
}

async function inTime<T>(work: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('no answer in time')), ANSWERS_WITHIN)
  })
  // Nobody waits for it any longer: what it says then is heard by nobody.
  work.catch(() => {})
  return Promise.race([work, late]).finally(() => clearTimeout(timer))
}
