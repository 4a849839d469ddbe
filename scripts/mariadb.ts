import type { ChildProcess } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { existsSync, readFileSync, renameSync, rmSync, mkdirSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir, userInfo } from 'node:os'
import { basename, dirname, join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import type { DatabaseSettings } from '../server/database/settings'
import { inFolder, makeFolder, readSmall, serverAccount, writeSmall, type Account } from './data-folder'
import { ensureProgram, Plain } from './debian'
import { hasEnded, runTool, startService, stopService } from './ending.mjs'

/** A private MariaDB on loopback with its own folder, port and account. */
export interface PrivateMariadb {
  settings: DatabaseSettings
  /** False where it was running already. */
  started: boolean
  stop: () => Promise<void>
  start: () => Promise<void>
  /** Whether its process is there. */
  alive: () => boolean
}

interface Options {
  /** Folder that holds its data, log and account. */
  folder: string
  /** For tests only: gives up safety against a power cut for speed. */
  careless?: boolean
}

interface Place {
  data: string
  /** A folder of its own for temporary tables: every MariaDB that starts clears away what other ones have in a shared one. */
  temporary: string
  port: number
  socket: string
  log: string
  account: Account | null
  careless: boolean
}

const READY_WITHIN = 60_000
/** A database that writes what it holds; one whose disk is full never ends by itself. */
const ENDS_WITHIN = 20_000

/** Starts the server in a folder, making the folder, database and account the first time. */
export async function privateMariadb({ folder, careless = false }: Options): Promise<PrivateMariadb> {
  await ensureProgram('mariadbd', 'mariadb-server')
  makeFolder(folder)
  const place: Place = {
    ...(await placeOf(folder)),
    data: join(folder, 'mariadb'),
    temporary: join(folder, 'mariadb-temporary'),
    log: join(folder, 'mariadb', 'mariadb.log'),
    account: serverAccount(folder),
    careless,
  }
  inFolder(folder, () => mkdirSync(place.temporary, { recursive: true, mode: 0o700 }))
  if (place.account) await runTool('chown', ['-R', place.account.name, place.temporary])
  if (!existsSync(join(place.data, 'mysql'))) await layOut(place)
  if (place.account) await runTool('chown', ['-R', place.account.name, place.data])
  let child: ChildProcess | null = null
  const start = async () => {
    child = await launch(place)
  }
  const stop = async () => {
    if (child && !hasEnded(child)) await stopService(child, ENDS_WITHIN)
    else await stopPid(place)
  }
  const alive = () => (child ? !hasEnded(child) : pidOf(place) !== null)
  const started = !(await ping(place.socket))
  if (started)
    await start().catch(async (error: unknown) => {
      // Another program may have taken the port since it was found free: nobody knows this one's yet, so it moves.
      if (await isFree(place.port)) throw error
      place.port = await newPort(folder)
      await start()
    })
  return { settings: await openAccount(folder, place), started, start, stop, alive }
}

/** Port and socket of a folder's server, kept so that a second start finds the first. */
async function placeOf(folder: string): Promise<{ port: number; socket: string }> {
  const file = join(folder, 'place.json')
  // A socket's path holds at most 107 characters, and a checkout may lie deeper than that.
  const short = createHash('sha256').update(folder).digest('hex').slice(0, 12)
  const inside = join(folder, 'mariadb', 'mariadb.sock')
  const socket = inside.length <= 100 ? inside : join(tmpdir(), `mellow-${short}.sock`)
  const known = readSmall<{ port: number }>(file)?.port
  if (known && ((await ping(socket)) || (await isFree(known)))) return { port: known, socket }
  return { port: await newPort(folder), socket }
}

async function newPort(folder: string): Promise<number> {
  const port = await freePort()
  inFolder(folder, () => writeSmall(join(folder, 'place.json'), { port }))
  return port
}

/** What keeps a port from being listened on; null where nothing does. */
export function portTrouble(port: number, host = '127.0.0.1'): Promise<string | null> {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', (error: NodeJS.ErrnoException) => resolve(error.code ?? error.message))
    probe.listen(port, host, () => probe.close(() => resolve(null)))
  })
}
export const isFree = async (port: number, host = '127.0.0.1'): Promise<boolean> =>
  (await portTrouble(port, host)) === null

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

/** Lays out an empty server beside its place and moves it there when it is whole: a start may be cut off at any moment. */
async function layOut({ data, temporary, account }: Place): Promise<void> {
  // What else is there was made by no start that came to its end.
  if (existsSync(data) && existsSync(join(data, 'ibdata1')))
    throw new Plain(
      `${data} holds part of a database only. Put a backup there, or move it away to begin anew.`,
    )
  const fresh = `${data}.new`
  inFolder(data, () => {
    rmSync(fresh, { recursive: true, force: true })
    rmSync(data, { recursive: true, force: true })
    mkdirSync(fresh, { mode: 0o700 })
  })
  const user = userInfo().username
  const options = [
    '--no-defaults',
    `--user=${account?.name ?? user}`,
    `--datadir=./${basename(fresh)}`,
    '--auth-root-authentication-method=socket',
    `--auth-root-socket-user=${user}`,
    '--skip-test-db',
    '--skip-name-resolve',
    '--innodb-log-file-size=16M',
  ]
  // No full path among its options: it would be taken apart at a space.
  const env = { ...process.env, TMPDIR: temporary }
  const done = await runTool('mariadb-install-db', options, { cwd: dirname(fresh), env })
  if (done.code !== 0)
    throw new Plain(`MariaDB could not lay out its data in ${data}:\n${done.stdout}${done.stderr}`)
  inFolder(data, () => renameSync(fresh, data))
}

async function launch(place: Place): Promise<ChildProcess> {
  const { data, temporary, port, socket, log, account, careless } = place
  let why: string | null = null
  const child = startService(
    'mariadbd',
    [
      '--no-defaults',
      `--user=${account?.name ?? userInfo().username}`,
      `--datadir=${data}`,
      `--tmpdir=${temporary}`,
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
    { stdio: 'ignore', env: { ...process.env, PATH: `${process.env.PATH}:/usr/sbin` } },
    (own) => stopService(own, ENDS_WITHIN),
  )
  child.on('error', (error) => (why = error.message))
  child.on('exit', (code) => (why = `it ended with ${code}`))
  child.unref()
  const until = Date.now() + READY_WITHIN
  while (!(await ping(socket))) {
    if (why !== null || Date.now() > until) {
      await stopService(child, ENDS_WITHIN)
      why ??= `it did not answer within ${READY_WITHIN / 1000} s`
      throw new Plain(
        `The private MariaDB would not start: ${why}.\nIts log is ${log}; the last lines:\n${tail(log)}`,
      )
    }
    await wait(100)
  }
  return child
}

function tail(file: string): string {
  return existsSync(file)
    ? readFileSync(file, 'utf8').trim().split('\n').slice(-6).join('\n')
    : '(no log)'
}

async function ping(socket: string): Promise<boolean> {
  if (!existsSync(socket)) return false
  const asked = ['--no-defaults', '-S', socket, '--connect-timeout=5', 'ping']
  return (await runTool('mariadb-admin', asked)).code === 0
}

/** The process of a server that an earlier start has left running. */
function pidOf({ data }: Place): number | null {
  try {
    const pid = Number(readFileSync(join(data, 'mariadbd.pid'), 'utf8').trim())
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(`--datadir=${data}\0`) ? pid : null
  } catch {
    return null
  }
}

async function stopPid(place: Place): Promise<void> {
  const pid = pidOf(place)
  if (pid === null) return
  process.kill(pid, 'SIGTERM')
  const until = Date.now() + ENDS_WITHIN
  while (pidOf(place) === pid) {
    if (Date.now() > until) process.kill(pid, 'SIGKILL')
    await wait(50)
  }
}

/** Database and account of the application; the password is made here and never leaves the folder. */
async function openAccount(folder: string, { port, socket }: Place): Promise<DatabaseSettings> {
  const file = join(folder, 'account.json')
  let password = readSmall<{ password: string }>(file)?.password
  if (!password || !/^[0-9a-f]{48}$/.test(password)) {
    // None yet, or cut off: it is set anew below, so nothing is lost with it.
    password = randomBytes(24).toString('hex')
    inFolder(folder, () => writeSmall(file, { password }))
  }
  await createDatabase(socket, 'mellow', password)
  return { host: '127.0.0.1', port, name: 'mellow', user: 'mellow', password }
}

async function createDatabase(socket: string, name: string, password: string): Promise<void> {
  const who = `'${name}'@'127.0.0.1'`
  const sql = [
    `CREATE DATABASE IF NOT EXISTS ${name}`,
    `CREATE USER IF NOT EXISTS ${who} IDENTIFIED BY '${password}'`,
    `ALTER USER ${who} IDENTIFIED BY '${password}'`,
    // Its own database, and others of its name for tests.
    `GRANT ALL ON \`${name}%\`.* TO ${who}`,
  ].join(';')
  // On standard input: every account of the machine can read a command line.
  const done = await runTool('mariadb', ['--no-defaults', '-S', socket], { input: sql })
  if (done.code !== 0) throw new Plain(`MariaDB refused its account: ${done.stderr}`)
}

/** The environment by which the server finds a database. */
export const databaseEnvironment = (settings: DatabaseSettings): Record<string, string> => ({
  MELLOW_DB_HOST: settings.host,
  MELLOW_DB_PORT: String(settings.port),
  MELLOW_DB_NAME: settings.name,
  MELLOW_DB_USER: settings.user,
  MELLOW_DB_PASSWORD: settings.password,
})
