import type { Health } from '../../contract'
import type { Database } from '../database/database'
import { migrator, NEWEST_MIGRATION } from '../database/migrate'

/** What state the database is in, without throwing. */
export async function health(database: Database): Promise<Health> {
  try {
    const done = await migrator(database).executed()
    const schema = done.at(-1)?.name ?? null
    const current = schema === NEWEST_MIGRATION
    return { status: current ? 'ok' : 'degraded', database: current ? 'up' : 'behind', schema }
  } catch {
    return { status: 'degraded', database: 'down', schema: null }
  }
}
