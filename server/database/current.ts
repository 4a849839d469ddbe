import { openDatabase, type Database } from './database'
import { databaseSettings } from './settings'

let current: Database | undefined

/** The running server's one database; a pool that connects, and connects again, by itself. */
export function currentDatabase(): Database {
  current ??= openDatabase(databaseSettings())
  return current
}

export async function closeDatabase(): Promise<void> {
  await current?.sequelize.close()
  current = undefined
}
