import { join, resolve } from 'node:path'
import { BackupRefused } from '../server/backup/format'
import { restoreBackup } from '../server/backup/restore'
import { writeBackup } from '../server/backup/write'
import { openDatabase } from '../server/database/database'
import { migrator } from '../server/database/migrate'
import { databaseSettings, type DatabaseSettings } from '../server/database/settings'
import { Plain } from './debian'
import { end } from './ending.mjs'
import { privateMariadb } from './mariadb'
import { root, say } from './packages.mjs'

/**
 * `npm run backup -- <file>` and `npm run restore -- <file>`: the whole shop, of the database that the environment names, else
 * of the start command's own. A server that runs goes on while a backup is written.
 */
const [way, given] = process.argv.slice(2)

async function withDatabase<T>(work: (settings: DatabaseSettings) => Promise<T>): Promise<T> {
  if (process.env.MELLOW_DB_NAME) return work(databaseSettings())
  const folder = process.env.MELLOW_DATA ?? join(root, '.data', 'demo')
  const own = await privateMariadb({ folder })
  try {
    return await work(own.settings)
  } finally {
    // One that ran before runs on.
    if (own.started) await own.stop()
  }
}
const table = (rows: Record<string, number>) =>
  Object.entries(rows)
    .filter(([, count]) => count > 0)
    .map(([name, count]) => `${count} ${name}`)
    .join(', ')

async function backup(file: string): Promise<void> {
  const { rows, bytes, sha256 } = await withDatabase((settings) => writeBackup(settings, file))
  say(`${file}: ${table(rows)}; ${(bytes / 1e6).toFixed(1)} MB, checksum ${sha256.slice(0, 12)}…`)
}
async function restore(file: string): Promise<void> {
  const rows = await withDatabase(async (settings) => {
    const database = openDatabase(settings)
    try {
      await migrator(database).up()
    } finally {
      await database.sequelize.close()
    }
    return restoreBackup(settings, file)
  })
  say(`Put back: ${table(rows)}. Pages that are open say so, and show it once they are opened again.`)
}

try {
  if (!given || (way !== 'backup' && way !== 'restore'))
    throw new Plain('Name a file: npm run backup -- shop.backup, npm run restore -- shop.backup')
  await (way === 'backup' ? backup : restore)(resolve(given))
  await end(0)
} catch (error) {
  const known = error instanceof Plain || error instanceof BackupRefused
  const missing = (error as NodeJS.ErrnoException).code === 'ENOENT'
  if (!known && !missing) throw error
  say(missing ? `${given} is not there.` : (error as Error).message)
  await end(1)
}
