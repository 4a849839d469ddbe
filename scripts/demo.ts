import type { ChildProcess } from 'node:child_process'
import { setTimeout as wait } from 'node:timers/promises'
import { databaseSettings, type DatabaseSettings } from '../server/database/settings'
import { ensureBuilt } from './build'
import { takeFolder } from './data-folder'
import { ensureProgram, Plain } from './debian'
import { end, Ending, isEnding } from './ending.mjs'
import {
  databaseEnvironment,
  freePort,
  portTrouble,
  privateMariadb,
  type PrivateMariadb,
} from './mariadb'
import { say } from './packages.mjs'
import { dataFolder, portAsked } from './shop-folder'
import { startSupplier } from './supplier'
import { addressesOf, isLoopback, startWebServer, tlsFrom } from './web-server'

/** `npm run demo`: database, tables, demo scenario, build, serve; what dies is started again; Ctrl-C ends all of it. */
/** ms between looks at the database's process. */
const LOOK = 1000
/** A program that dies so often in a minute is not started again. */
const MOST_DEATHS = 5

interface Settings {
  host: string
  port: number
}

async function start(): Promise<void> {
  const { host, port } = await settings()
  const tls = tlsFrom(process.env)
  // What may be refused is asked for before the minute of building.
  if (!process.env.MELLOW_DB_NAME) await ensureProgram('mariadbd', 'mariadb-server')
  const entry = await ensureBuilt()
  const mariadb = process.env.MELLOW_DB_NAME ? null : await ownDatabase(port)
  const place = mariadb?.settings ?? databaseSettings()
  await prepare(place)
  // A supplier of one’s own is asked; else the stand-in, which runs beside.
  const supplierPort = await freePort()
  const supply = () => startSupplier(supplierPort)
  const supplier = process.env.MELLOW_SUPPLIER_URL ? null : await supply()
  const wired: Record<string, string> = supplier ? { MELLOW_SUPPLIER_URL: supplier.url } : {}
  const serve = () =>
    startWebServer({ entry, host, port, tls, env: { ...databaseEnvironment(place), ...wired } })
  const server = await serve()
  const [address, ...others] = addressesOf(host, port, tls !== null)
  if (!isLoopback(host))
    say(
      `\nOpen to the network${others.length > 0 ? ` at ${others.join(', ')}` : ''}: there is no sign-in, so whoever ` +
        'reaches it reads every job and files in any name.',
    )
  if (supplier) say(`The stand-in for a supplier is at ${supplier.url}`)
  say(`\nMellow Anchor is at ${address}\nCtrl-C stops it; what was entered is kept.`)
  watch('web server', server, serve)
  // At the same port, so that the web server finds it again.
  if (supplier) watch('stand-in for a supplier', supplier, supply, 'not vital')
  if (mariadb) void watchDatabase(mariadb)
}

/** Host and port as asked for, each refused in a sentence where it cannot be. */
async function settings(): Promise<Settings> {
  const host = process.env.MELLOW_HOST ?? '127.0.0.1'
  const port = portAsked()
  if (!isLoopback(host) && process.env.MELLOW_OPEN !== 'yes')
    throw new Plain(
      `MELLOW_HOST=${host} would let the whole network in, and there is no sign-in yet: whoever reaches it reads every ` +
        'job and files in any name. Where that is wanted, set MELLOW_OPEN=yes as well.',
    )
  const trouble = await portTrouble(port, host)
  if (trouble === 'EADDRINUSE')
    throw new Plain(
      `Port ${port} on ${host} is taken. Stop what is there, or choose another: MELLOW_PORT=${port + 1} npm run demo`,
    )
  if (trouble)
    throw new Plain(
      `MELLOW_HOST=${host} with port ${port} cannot be listened on (${trouble}): give an address of this machine.`,
    )
  return { host, port }
}

/** A private database in a data folder of this port's own. */
async function ownDatabase(port: number): Promise<PrivateMariadb> {
  const folder = dataFolder(port)
  const giveBack = takeFolder(folder, port)
  process.once('exit', giveBack)
  say('Starting the private MariaDB …')
  return privateMariadb({ folder })
}

async function prepare(settings: DatabaseSettings): Promise<void> {
  // Read only now: what is refused before it is said at once.
  const [{ openDatabase }, { migrator }, { loadDemo }] = await Promise.all([
    import('../server/database/database'),
    import('../server/database/migrate'),
    import('../demo/load'),
  ])
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

/** Starts again what dies without being asked to, and says so. */
function watch<T extends { child: ChildProcess }>(
  name: string,
  first: T,
  startIt: () => Promise<T>,
  vital: 'vital' | 'not vital' = 'vital',
): void {
  const again = restarter(name, startIt, vital)
  const follow = ({ child }: T) =>
    child.once('exit', () => void again().then((next) => next && follow(next)))
  follow(first)
}

async function watchDatabase(mariadb: PrivateMariadb): Promise<void> {
  const database = restarter('database', mariadb.start)
  while (!isEnding()) {
    await wait(LOOK)
    if (!isEnding() && !mariadb.alive()) await database()
  }
}

/** Starts one program anew; where it dies again and again, or will not start, all is ended if it is vital. */
function restarter<T>(
  name: string,
  startIt: () => Promise<T>,
  vital: 'vital' | 'not vital' = 'vital',
): () => Promise<T | null> {
  const deaths: number[] = []
  return async () => {
    if (isEnding()) return null
    const now = Date.now()
    deaths.push(now)
    while (deaths[0]! < now - 60_000) deaths.shift()
    say(`The ${name} ended by itself; starting it again.`)
    try {
      if (deaths.length > MOST_DEATHS)
        throw new Plain(`The ${name} ended ${deaths.length} times in a minute.`)
      const started = await startIt()
      say(`The ${name} is back.`)
      return started
    } catch (error) {
      if (vital === 'vital') await fail(error)
      else if (!isEnding()) say(`The ${name} stays away; what hangs on it waits.`)
      return null
    }
  }
}

async function fail(error: unknown): Promise<void> {
  if (error instanceof Ending || isEnding()) return
  say(
    error instanceof Plain
      ? `\n${error.message}`
      : `\n${error instanceof Error ? error.stack : String(error)}`,
  )
  await end(1)
}

await start().catch(fail)
