import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { QueryTypes, type Transaction } from 'sequelize'
import { WELL, type Control } from '../../devices/supplier/supplier'
import { supplierServer } from '../../devices/supplier/server'
import { ensureBuilt } from '../../scripts/build'
import { databaseEnvironment, freePort, privateMariadb } from '../../scripts/mariadb'
import { root } from '../../scripts/packages.mjs'
import { startWebServer } from '../../scripts/web-server'
import { openDatabase, type Database } from '../../server/database/database'
import { migrator } from '../../server/database/migrate'
import type { DatabaseSettings } from '../../server/database/settings'

/** The built application on a test database: what both the API tests and the browser tests run against. */
export interface Running {
  address: string
  port: number
  pid: number
  settings: DatabaseSettings
  /** The stand-in for its supplier. */
  supplier: string
}

/** Suites that run beside each other have a database server of their own each. */
const FOLDER = join(root, '.data', 'test', process.env.MELLOW_LANE ?? '.')
const stateFile = (suite: string) => join(FOLDER, `${suite}.json`)

export const testMariadb = () => privateMariadb({ folder: FOLDER, careless: true })

/** An empty database of its own, with all tables. */
export async function freshDatabase(settings: DatabaseSettings, name: string): Promise<Database> {
  const master = openDatabase(settings)
  await master.sequelize.query(`DROP DATABASE IF EXISTS ${name}`, { type: QueryTypes.RAW })
  await master.sequelize.query(`CREATE DATABASE ${name}`, { type: QueryTypes.RAW })
  await master.sequelize.close()
  const database = openDatabase({ ...settings, name })
  await migrator(database).up()
  return database
}

/** Starts database and server for a suite; `fill` puts something into the fresh database. */
export async function startSuite(
  suite: string,
  fill?: (database: Database) => Promise<unknown>,
): Promise<Running> {
  mkdirSync(FOLDER, { recursive: true })
  const { settings } = await testMariadb()
  const name = `mellow_${suite}`
  const database = await freshDatabase(settings, name)
  await fill?.(database)
  await database.sequelize.close()
  return startServer(suite, { ...settings, name }, await freePort(), await startSupplier())
}

/** Waits for the supplier are a tenth of what they are. */
const wiredTo = (supplier: string) => ({ MELLOW_SUPPLIER_URL: supplier, MELLOW_SUPPLIER_PACE: '0.1' })

/** A supplier of a suite’s own, which lives as long as the process that started the suite. */
function startSupplier(): Promise<string> {
  const server = supplierServer().unref()
  return new Promise((resolve) =>
    server.listen(0, '127.0.0.1', () =>
      resolve(`http://127.0.0.1:${(server.address() as AddressInfo).port}`),
    ),
  )
}

async function startServer(
  suite: string,
  settings: DatabaseSettings,
  port: number,
  supplier: string,
): Promise<Running> {
  const { address, child } = await startWebServer({
    entry: await ensureBuilt(),
    host: '127.0.0.1',
    port,
    env: { ...databaseEnvironment(settings), ...wiredTo(supplier) },
    log: join(FOLDER, `${suite}.log`),
  })
  child.unref()
  const running = { address, port, pid: child.pid!, settings, supplier }
  writeFileSync(stateFile(suite), JSON.stringify(running))
  return running
}

export function runningSuite(suite: string): Running {
  return JSON.parse(readFileSync(stateFile(suite), 'utf8')) as Running
}

/** Kills a suite's server without warning, as a power cut would. */
export async function killServer(
  suite: string,
  signal: 'SIGKILL' | 'SIGTERM' = 'SIGKILL',
): Promise<void> {
  const { pid } = runningSuite(suite)
  try {
    process.kill(pid, signal)
  } catch {
    return
  }
  while (isAlive(pid)) await wait(20)
}

/** Starts it again on the same port and database. */
export function restartServer(suite: string): Promise<Running> {
  const { settings, port, supplier } = runningSuite(suite)
  return startServer(suite, settings, port, supplier)
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    // A child that has ended and was not waited for yet still answers the signal.
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'))
  } catch {
    return false
  }
}

/** Another server process on a suite's database, as a second machine of the workshop would be. */
export async function secondServer(
  suite: string,
  port?: number,
): Promise<{ address: string; port: number; kill: () => Promise<void>; stop: () => Promise<void> }> {
  const own = port ?? (await freePort())
  const { address, child, stop } = await startWebServer({
    entry: await ensureBuilt(),
    host: '127.0.0.1',
    port: own,
    env: {
      ...databaseEnvironment(runningSuite(suite).settings),
      ...wiredTo(runningSuite(suite).supplier),
    },
    log: join(FOLDER, `${suite}-second.log`),
  })
  const kill = async () => {
    const ended = new Promise((resolve) => child.once('exit', resolve))
    child.kill('SIGKILL')
    await ended
  }
  return { address, port: own, kill, stop }
}

/** A suite's database emptied while its server runs, and filled again with what another database of the same server holds. */
export async function refilled(suite: string, from: string): Promise<void> {
  const database = openDatabase(runningSuite(suite).settings)
  try {
    // On one connection, for which the keys between tables are not looked at.
    await database.sequelize.transaction(async (transaction) => {
      const run = (sql: string) => database.sequelize.query(sql, { type: QueryTypes.RAW, transaction })
      await run('SET foreign_key_checks = 0')
      for (const table of TABLES) {
        await run(`DELETE FROM ${table}`)
        const columns = await columnsOf(database, from, table, transaction)
        await run(`INSERT INTO ${table} (${columns}) SELECT ${columns} FROM ${from}.${table}`)
      }
      await run('SET foreign_key_checks = 1')
    })
  } finally {
    await database.sequelize.close()
  }
}
const TABLES = [
  'entries',
  'jobs',
  'vehicles',
  'people_entries',
  'people',
  'shop',
  'cues',
  'files',
  'containers',
  'container_use',
  'order_events',
  'order_lines',
  'orders',
  'part_mappings',
  'parts',
  'packages',
  'due_items',
  'search_words',
]

/** Columns that can be written: what the database works out by itself is left to it. */
async function columnsOf(
  { sequelize }: Database,
  schema: string,
  table: string,
  transaction: Transaction,
): Promise<string> {
  const rows = await sequelize.query<{ name: string }>(
    `SELECT COLUMN_NAME AS name FROM information_schema.COLUMNS
      WHERE TABLE_SCHEMA = ? AND TABLE_NAME = ? AND IS_GENERATED = 'NEVER' ORDER BY ORDINAL_POSITION`,
    { replacements: [schema, table], type: QueryTypes.SELECT, transaction },
  )
  return rows.map(({ name }) => `\`${name}\``).join(', ')
}

/** Ends a suite's server; its database stays where it is. */
export async function endServer(suite: string): Promise<void> {
  if (!existsSync(stateFile(suite))) return
  await killServer(suite, 'SIGTERM')
  rmSync(stateFile(suite))
}

/** Ends a suite's server and the test database. */
export async function stopSuite(suite: string): Promise<void> {
  await endServer(suite)
  await (await testMariadb()).stop()
}

/** A command's whole output, for tests of commands. */
export function run(
  command: string,
  args: string[],
  { input = '', env = {} }: { input?: string; env?: Record<string, string> } = {},
): Promise<{ code: number | null; stdout: string; stderr: string }> {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } })
    let stdout = ''
    let stderr = ''
    child.stdout.on('data', (chunk: Buffer) => (stdout += chunk.toString()))
    child.stderr.on('data', (chunk: Buffer) => (stderr += chunk.toString()))
    child.on('close', (code) => resolve({ code, stdout, stderr }))
    child.stdin.end(input)
  })
}

/** Sets what goes wrong with a suite’s supplier; the rest goes well. Afresh, it has forgotten every order. */
export async function supplierFaults(
  suite: string,
  faults: Partial<Control> = {},
  afresh?: 'afresh',
): Promise<void> {
  await fetch(`${runningSuite(suite).supplier}/control`, {
    method: 'PUT',
    body: JSON.stringify({ ...WELL, ...faults, ...(afresh && { reset: true }) }),
  })
}
/** How many orders it has, and how many came again. */
export async function supplierTold(suite: string): Promise<{ orders: number; repeats: number }> {
  const response = await fetch(`${runningSuite(suite).supplier}/control`)
  return (await response.json()) as { orders: number; repeats: number }
}
