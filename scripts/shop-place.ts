import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { QueryTypes } from 'sequelize'
import { KEPT_TABLES } from '../server/backup/format'
import { openDatabase } from '../server/database/database'
import { migrator } from '../server/database/migrate'
import { databaseSettings, type DatabaseSettings } from '../server/database/settings'
import { privateMariadb } from './mariadb'
import { dataFolder, portAsked } from './shop-folder'

/** Which shop a command works on: how it is named in a sentence, where its copies go, and whether there is one at all. */
export interface ShopPlace {
  words: string
  folder: string
  there: boolean
}

/** The database that the environment names, else the start command’s own at MELLOW_PORT or in MELLOW_DATA. */
export function shopAsked(env: NodeJS.ProcessEnv = process.env): ShopPlace {
  if (env.MELLOW_DB_NAME) {
    const { name, host, port } = databaseSettings()
    return { words: `the database ${name} at ${host}:${port}`, folder: process.cwd(), there: true }
  }
  const port = portAsked(env)
  const folder = dataFolder(port, env)
  const words = env.MELLOW_DATA ? `the shop in ${folder}` : `the shop of port ${port}, in ${folder}`
  return { words, folder, there: existsSync(join(folder, 'mariadb', 'mysql')) }
}

/** Works on a shop’s database, which is started for it where it does not run. */
export async function withShop<T>(
  { folder }: ShopPlace,
  work: (settings: DatabaseSettings) => Promise<T>,
): Promise<T> {
  if (process.env.MELLOW_DB_NAME) return work(databaseSettings())
  const own = await privateMariadb({ folder })
  try {
    return await work(own.settings)
  } finally {
    // One that ran before runs on.
    if (own.started) await own.stop()
  }
}

/** Rows that a shop holds, by table; null where it has none of the tables. */
export async function heldIn(settings: DatabaseSettings): Promise<Record<string, number> | null> {
  const { sequelize } = openDatabase(settings)
  const asked = (sql: string) =>
    sequelize.query<Record<string, string | number>>(sql, { type: QueryTypes.SELECT })
  try {
    const there = new Set((await asked('SHOW TABLES')).flatMap((row) => Object.values(row)))
    if (!there.has('entries')) return null
    const held: Record<string, number> = {}
    for (const table of KEPT_TABLES.filter((one) => there.has(one)))
      held[table] = Number((await asked(`SELECT COUNT(*) AS n FROM ${table}`))[0]!.n)
    return held
  } finally {
    await sequelize.close()
  }
}

/** Brings a shop’s tables to this version. */
export async function migrated(settings: DatabaseSettings): Promise<void> {
  const database = openDatabase(settings)
  try {
    await migrator(database).up()
  } finally {
    await database.sequelize.close()
  }
}

/** The file for what a shop held before a backup took its place: beside it, under the moment’s name. */
export const copyBeside = ({ folder }: ShopPlace): string =>
  join(folder, `before-restore-${new Date().toISOString().replaceAll(/[:.]/g, '-')}.backup`)
