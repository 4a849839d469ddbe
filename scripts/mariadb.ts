import { spawn, spawnSync } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir, userInfo } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import type { DatabaseSettings } from '../server/database/settings'
import { ensureProgram, Plain } from './debian'

/** A private MariaDB on loopback with its own folder, port and account. */
export interface PrivateMariadb {
  settings: DatabaseSettings
  /** False where it was running already. */
  started: boolean
  stop: () => Promise<void>
  start: () => Promise<void>
}

interface Options {
  /** Folder that holds its data, log and account. */
  folder: string
  /** For tests only: gives up safety against a power cut for speed. */
  careless?: boolean
}

const READY_WITHIN = 60_000

/** Starts the server in a folder, making the folder, database and account the first time. */
export async function privateMariadb({ folder, careless = false }: Options): Promise<PrivateMariadb> {
  ensureProgram('mariadbd', 'mariadb-server')
  const data = join(folder, 'mariadb')
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const place = await placeOf(folder)
  const fresh = !existsSync(join(data, 'mysql'))
  if (fresh) install(data)
  const server = {
    start: () => launch(data, place, careless, join(folder, 'mariadb.log')),
    stop: () => shutDown(place.socket),
  }
  const started = !ping(place.socket)
  if (started) await server.start()
  const settings = account(folder, place)
  return { settings, started, ...server }
}

/** Port and socket of a folder's server, kept so that a second start finds the first. */
async function placeOf(folder: string): Promise<{ port: number; socket: string }> {
  const file = join(folder, 'place.json')
  const known = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as { port: number }) : null
  // A socket's path holds at most 107 characters, and a checkout may lie deeper than that.
  const short = createHash('sha256').update(folder).digest('hex').slice(0, 12)
  const inside = join(folder, 'mariadb.sock')
  const socket = inside.length <= 100 ? inside : join(tmpdir(), `mellow-${short}.sock`)
  if (known && (ping(socket) || (await isFree(known.port)))) return { port: known.port, socket }
  const port = await freePort()
  writeFileSync(file, JSON.stringify({ port }))
  return { port, socket }
}

export function isFree(port: number, host = '127.0.0.1'): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, host, () => probe.close(() => resolve(true)))
  })
}

export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address()
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0))
    })
  })
}

function install(data: string): void {
  const user = userInfo().username
  const done = spawnSync(
    'mariadb-install-db',
    [
      '--no-defaults',
      `--user=${user}`,
      `--datadir=${data}`,
      '--auth-root-authentication-method=socket',
      `--auth-root-socket-user=${user}`,
      '--skip-test-db',
      '--skip-name-resolve',
      '--innodb-log-file-size=16M',
    ],
    { encoding: 'utf8' },
  )
  if (done.status !== 0)
    throw new Plain(`MariaDB could not lay out its data in ${data}:\n${done.stdout}${done.stderr}`)
}

async function launch(
  data: string,
  { port, socket }: { port: number; socket: string },
  careless: boolean,
  log: string,
): Promise<void> {
  const child = spawn(
    'mariadbd',
    [
      '--no-defaults',
      `--user=${userInfo().username}`,
      `--datadir=${data}`,
      `--socket=${socket}`,
      `--pid-file=${data}/mariadbd.pid`,
      '--bind-address=127.0.0.1',
      `--port=${port}`,
      '--skip-name-resolve',
      '--skip-log-bin',
      '--character-set-server=utf8mb4',
      '--collation-server=utf8mb4_unicode_520_ci',
      '--default-time-zone=+00:00',
      '--innodb-log-file-size=16M',
      '--innodb-buffer-pool-size=64M',
      '--max-connections=60',
      '--sql-mode=STRICT_ALL_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ZERO_DATE,NO_ZERO_IN_DATE,NO_ENGINE_SUBSTITUTION',
      `--log-error=${log}`,
      ...(careless ? ['--innodb-flush-log-at-trx-commit=0', '--skip-innodb-doublewrite'] : []),
    ],
    // Its own session: Ctrl-C at the terminal must not reach it before the web server has let go.
    { detached: true, stdio: 'ignore', env: { ...process.env, PATH: `${process.env.PATH}:/usr/sbin` } },
  )
  let ended: string | null = null
  child.on('error', (error) => (ended = error.message))
  child.on('exit', (code) => (ended = `it ended with ${code}`))
  child.unref()
  const until = Date.now() + READY_WITHIN
  while (!ping(socket)) {
    if (ended !== null || Date.now() > until) {
      if (ended === null) child.kill('SIGTERM')
      const why = ended ?? `it did not answer within ${READY_WITHIN / 1000} s`
      throw new Plain(
        `The private MariaDB would not start: ${why}.\nIts log is ${log}; the last lines:\n${tail(log)}`,
      )
    }
    await wait(100)
  }
}

function tail(file: string): string {
  return existsSync(file)
    ? readFileSync(file, 'utf8').trim().split('\n').slice(-6).join('\n')
    : '(no log)'
}

function admin(socket: string, ...words: string[]): boolean {
  const done = spawnSync(
    'mariadb-admin',
    ['--no-defaults', '-S', socket, '--connect-timeout=5', ...words],
    {
      stdio: 'ignore',
    },
  )
  return done.status === 0
}
const ping = (socket: string): boolean => existsSync(socket) && admin(socket, 'ping')

async function shutDown(socket: string): Promise<void> {
  if (!ping(socket)) return
  admin(socket, 'shutdown')
  const until = Date.now() + 30_000
  while (existsSync(socket) && Date.now() < until) await wait(50)
}

/** Database and account of the application; the password is made here and never leaves the folder. */
function account(folder: string, { port, socket }: { port: number; socket: string }): DatabaseSettings {
  const file = join(folder, 'account.json')
  if (!existsSync(file))
    writeFileSync(file, JSON.stringify({ password: randomBytes(24).toString('hex') }), { mode: 0o600 })
  const { password } = JSON.parse(readFileSync(file, 'utf8')) as { password: string }
  createDatabase(socket, 'mellow', password)
  return { host: '127.0.0.1', port, name: 'mellow', user: 'mellow', password }
}

function createDatabase(socket: string, name: string, password: string): void {
  const who = `'${name}'@'127.0.0.1'`
  const sql = [
    `CREATE DATABASE IF NOT EXISTS ${name}`,
    `CREATE USER IF NOT EXISTS ${who} IDENTIFIED BY '${password}'`,
    `ALTER USER ${who} IDENTIFIED BY '${password}'`,
    // Its own database, and others of its name for tests.
    `GRANT ALL ON \`${name}%\`.* TO ${who}`,
  ].join(';')
  const done = spawnSync('mariadb', ['--no-defaults', '-S', socket, '-e', sql], { encoding: 'utf8' })
  if (done.status !== 0) throw new Plain(`MariaDB refused its account: ${done.stderr}`)
}

/** The environment by which the server finds a database. */
export const databaseEnvironment = (settings: DatabaseSettings): Record<string, string> => ({
  MELLOW_DB_HOST: settings.host,
  MELLOW_DB_PORT: String(settings.port),
  MELLOW_DB_NAME: settings.name,
  MELLOW_DB_USER: settings.user,
  MELLOW_DB_PASSWORD: settings.password,
})
