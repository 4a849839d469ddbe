import { join } from 'node:path'
import { loadDemo } from '../demo/load'
import { openDatabase } from '../server/database/database'
import { migrator } from '../server/database/migrate'
import { databaseSettings, type DatabaseSettings } from '../server/database/settings'
import { ensureBuilt } from './build'
import { ensureProgram, Plain } from './debian'
import { databaseEnvironment, isFree, privateMariadb } from './mariadb'
import { root, say } from './packages.mjs'
import { startWebServer } from './web-server'

/** `npm run demo`: database, tables, demo scenario, build, serve; Ctrl-C ends all of it. */
const undo: (() => Promise<void>)[] = []
let ending: Promise<void> | undefined

function end(): Promise<void> {
  ending ??= (async () => {
    for (const step of undo.reverse()) await step().catch((error: Error) => say(error.message))
  })()
  return ending
}

async function start(): Promise<void> {
  const host = process.env.MELLOW_HOST ?? '127.0.0.1'
  const port = Number(process.env.MELLOW_PORT ?? 4180)
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Plain('MELLOW_PORT must be a port, 1 to 65535')
  if (!(await isFree(port, host)))
    throw new Plain(
      `Port ${port} on ${host} is taken. Stop what is there, or choose another: MELLOW_PORT=4181 npm run demo`,
    )
  // What may be refused is asked for before the minute of building.
  if (!process.env.MELLOW_DB_NAME) ensureProgram('mariadbd', 'mariadb-server')
  const entry = ensureBuilt()
  const settings = await database()
  await prepare(settings)
  const server = await startWebServer({ entry, host, port, env: databaseEnvironment(settings) })
  undo.push(server.stop)
  server.child.once('exit', () => {
    if (ending) return
    say('The web server ended by itself.')
    void end().then(() => process.exit(1))
  })
  say(`\nMellow Anchor is at ${server.address}\nCtrl-C stops it; what was entered is kept.`)
}

/** The database that the environment names, or a private one in the project's data folder. */
async function database(): Promise<DatabaseSettings> {
  if (process.env.MELLOW_DB_NAME) return databaseSettings()
  say('Starting the private MariaDB …')
  const folder = process.env.MELLOW_DATA ?? join(root, '.data', 'demo')
  const mariadb = await privateMariadb({ folder })
  undo.push(mariadb.stop)
  return mariadb.settings
}

async function prepare(settings: DatabaseSettings): Promise<void> {
  const database = openDatabase(settings)
  try {
    await database.sequelize.authenticate().catch((error: Error) => {
      throw new Plain(
        `The database at ${settings.host}:${settings.port} does not take us in: ${error.message}\n` +
          'Check MELLOW_DB_HOST, MELLOW_DB_PORT, MELLOW_DB_NAME, MELLOW_DB_USER and MELLOW_DB_PASSWORD.',
      )
    })
    await migrator(database).up()
    if (await loadDemo(database)) say('Demo scenario loaded.')
  } finally {
    await database.sequelize.close()
  }
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
  process.on(signal, () => {
    if (!ending) say('\nStopping …')
    void end().then(() => process.exit(0))
  })

await start().catch(async (error: unknown) => {
  say(
    error instanceof Plain
      ? `\n${error.message}`
      : `\n${error instanceof Error ? error.stack : String(error)}`,
  )
  await end()
  process.exit(1)
})
