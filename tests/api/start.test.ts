import { execFileSync } from 'node:child_process'
import {
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { get } from 'node:https'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import type { BenchJob, CatalogueAnswer, Health, Page, Person } from '../../contract'
import { serverAccount } from '../../scripts/data-folder'
import { ensureProgram } from '../../scripts/debian'
import { freePort, isFree, privateMariadb } from '../../scripts/mariadb'
import { root } from '../../scripts/packages.mjs'
import { openDatabase } from '../../server/database/database'
import { run } from '../harness/running'
import { processesOf, startDemo, type RunningDemo } from '../harness/demo'
import { scenario } from '../../demo/scenario'
import { newId } from './client'

// With a space: nobody keeps them out of a path.
const folder = join(root, '.data', 'test', 'a start')
const demo = (env: Record<string, string>) =>
  run('node', ['scripts/demo.mjs'], { env: { MELLOW_DATA: folder, ...env } })

let running: RunningDemo[] = []
const start = async (port: number, env: Record<string, string> = {}) => {
  const one = await startDemo({ MELLOW_DATA: folder, MELLOW_PORT: String(port), ...env })
  running.push(one)
  return one
}
afterEach(async () => {
  for (const one of running) await one.stop()
  running = []
})
const health = async (port: number) =>
  ((await (await fetch(`http://127.0.0.1:${port}/api/health`)).json()) as Health).status

/** Jobs of the scenario, with those of the years before. */
const JOBS = scenario().reduce((sum, { earlier = [] }) => sum + 1 + earlier.length, 0)

describe('npm run demo', () => {
  beforeAll(() => rmSync(folder, { recursive: true, force: true }))
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  it('on a taken port says so, and starts nothing', async () => {
    const port = await freePort()
    const taken = createServer().listen(port, '127.0.0.1')
    const { code, stderr } = await demo({ MELLOW_PORT: String(port) })
    taken.close()
    expect(code).toBe(1)
    expect(stderr).toContain(`Port ${port} on 127.0.0.1 is taken`)
    expect(stderr).toContain(`MELLOW_PORT=${port + 1} npm run demo`)
    expect(stderr).not.toMatch(/^\s+at /m)
    expect(existsSync(folder)).toBe(false)
  })

  it('with a database elsewhere that does not answer says where and which settings to check', async () => {
    const [port, nobody] = [await freePort(), await freePort()]
    const { code, stderr } = await demo({
      MELLOW_PORT: String(port),
      MELLOW_DB_NAME: 'mellow',
      MELLOW_DB_USER: 'mellow',
      MELLOW_DB_PASSWORD: 'wrong',
      MELLOW_DB_PORT: String(nobody),
    })
    expect(code).toBe(1)
    expect(stderr).toContain(`The database at 127.0.0.1:${nobody} does not take us in`)
    expect(stderr).toContain('MELLOW_DB_PASSWORD')
    expect(stderr).not.toMatch(/^\s+at /m)
    expect(await isFree(port)).toBe(true)
    expect(existsSync(folder)).toBe(false)
  })

  it('with a private database that will not start shows the end of its log, and leaves nothing running', async () => {
    const port = await freePort()
    mkdirSync(join(folder, 'mariadb', 'mysql'), { recursive: true })
    writeFileSync(join(folder, 'mariadb', 'ibdata1'), 'no tablespace')
    const { code, stderr } = await demo({ MELLOW_PORT: String(port) })
    rmSync(folder, { recursive: true, force: true })
    expect(code).toBe(1)
    expect(stderr).toMatch(/The private MariaDB would not start: it ended with \d+/)
    expect(stderr).toMatch(/Its log is .*mariadb\.log/)
    expect(stderr).not.toMatch(/^\s+at /m)
    expect(await isFree(port)).toBe(true)
  })

  it('serves the scenario, stops cleanly, and keeps what was entered', async () => {
    const port = await freePort()
    const address = `http://127.0.0.1:${port}/api`
    const get = async <T>(path: string) => (await (await fetch(address + path)).json()) as T
    const first = await start(port)
    expect(first.said()).toContain('Demo scenario loaded')
    expect((await get<Health>('/health')).status).toBe('ok')
    expect((await get<Page<BenchJob>>('/jobs')).items).toHaveLength(JOBS)
    const added = { id: newId(), name: 'Ness Calder' }
    await fetch(`${address}/people`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(added),
    })
    expect(await first.stop()).toBe(0)
    expect(await isFree(port)).toBe(true)
    expect(existsSync(join(folder, 'mariadb', 'mariadb.sock'))).toBe(false)

    const second = await start(port)
    expect(second.said()).not.toContain('Demo scenario loaded')
    expect((await get<Page<Person>>('/people')).items).toContainEqual({
      ...added,
      units: 'metric',
      also: [],
    })
    expect((await get<Page<BenchJob>>('/jobs')).items).toHaveLength(JOBS)
    expect(await second.stop()).toBe(0)
  })

  it.each([
    ['MELLOW_HOST', { MELLOW_HOST: '0.0.0.0' }, /would let the whole network in.*MELLOW_OPEN=yes/s],
    [
      'MELLOW_HOST',
      { MELLOW_HOST: 'no.such.host.invalid', MELLOW_OPEN: 'yes' },
      /cannot be listened on/,
    ],
    ['MELLOW_PORT', { MELLOW_PORT: 'x' }, /must be a port, 1 to 65535/],
    ['MELLOW_TLS', { MELLOW_TLS_CERT: '/nowhere/cert.pem' }, /set both MELLOW_TLS_CERT and/],
    ['MELLOW_TLS', { MELLOW_TLS_CERT: '/nowhere/c', MELLOW_TLS_KEY: '/nowhere/k' }, /cannot be read/],
    ['MELLOW_DATA', { MELLOW_DATA: '/dev/null/data' }, /The data folder .* cannot be used/],
  ])('that %s makes impossible is said in a sentence, and leaves nothing', async (_, env, words) => {
    const { code, stderr } = await demo({ MELLOW_PORT: String(await freePort()), ...env })
    expect(code).toBe(1)
    expect(stderr).toMatch(words)
    expect(stderr).not.toMatch(/^\s+at /m)
    expect(processesOf(folder)).toEqual([])
  })

  describe('once it runs', () => {
    let port: number
    let one: RunningDemo
    beforeAll(async () => {
      port = await freePort()
      one = await startDemo({ MELLOW_DATA: folder, MELLOW_PORT: String(port) })
    }, 60_000)
    afterAll(() => one.stop())

    it('does not share its folder: a second one there is refused, and one on another port has its own', async () => {
      const second = await freePort()
      const refused = await demo({ MELLOW_PORT: String(second) })
      expect(refused.code).toBe(1)
      expect(refused.stderr).toMatch(/is in use by the demo at port \d+ \(process \d+\)/)
      expect(await health(port)).toBe('ok')
      const other = await startDemo({ MELLOW_PORT: String(second) })
      const own = join(root, '.data', `demo-${second}`)
      try {
        expect(processesOf(own).map(({ command }) => command.includes('mariadbd'))).toEqual([true])
        expect(await other.stop()).toBe(0)
        expect(await health(port)).toBe('ok')
      } finally {
        await other.stop()
        rmSync(own, { recursive: true, force: true })
      }
    })

    it('brings a killed server, database and stand-in for the supplier back, and says so', async () => {
      const ofKind = (part: string) =>
        processesOf(folder).find(({ command }) => command.includes(part))!
      const web = ofKind('.output/server/index.mjs')
      process.kill(web.pid, 'SIGKILL')
      await expect.poll(one.said, { timeout: 20_000 }).toContain('The web server is back.')
      expect(await health(port)).toBe('ok')
      process.kill(ofKind('mariadbd').pid, 'SIGKILL')
      await expect.poll(one.said, { timeout: 20_000 }).toContain('The database is back.')
      await expect.poll(() => health(port), { timeout: 10_000 }).toBe('ok')
      const supplier = ofKind('devices/supplier/main.ts')
      process.kill(supplier.pid, 'SIGKILL')
      await expect.poll(one.said, { timeout: 20_000 }).toContain('The stand-in for a supplier is back.')
      expect(ofKind('devices/supplier/main.ts').pid).not.toBe(supplier.pid)
      const asked = await fetch(`http://127.0.0.1:${port}/api/supplier/catalogue?q=slave`)
      expect(((await asked.json()) as CatalogueAnswer).items).not.toBeNull()
      expect(one.said()).toContain('The web server ended by itself; starting it again.')
      expect(one.said()).toContain('The database ended by itself; starting it again.')
    })
  })

  it('gives its database another port where a program takes the one it found free', async () => {
    rmSync(folder, { recursive: true, force: true })
    const port = await freePort()
    mkdirSync(folder, { recursive: true })
    writeFileSync(join(folder, 'place.json'), JSON.stringify({ port }))
    const starting = privateMariadb({ folder })
    await expect.poll(() => existsSync(join(folder, 'mariadb.new')), { interval: 5 }).toBe(true)
    const taken = createServer().listen(port, '127.0.0.1')
    const { settings, stop } = await starting
    taken.close()
    const database = openDatabase(settings)
    await database.sequelize.authenticate()
    await database.sequelize.close()
    await stop()
    expect(settings.port).not.toBe(port)
    expect(JSON.parse(readFileSync(join(folder, 'place.json'), 'utf8'))).toEqual({
      port: settings.port,
    })
  })

  describe('with its folder cut off, open to the network, with a certificate', () => {
    let port: number
    let said: () => string
    let stop: () => Promise<unknown>
    const seen = new Set<string>()
    const theirs = join(tmpdir(), '#sql-temptable-ffffff-1-1.MAI')
    beforeAll(async () => {
      rmSync(folder, { recursive: true, force: true })
      mkdirSync(folder, { recursive: true })
      writeFileSync(join(folder, 'account.json'), '{"passw')
      writeFileSync(join(folder, 'place.json'), '')
      await ensureProgram('openssl', 'openssl')
      const [cert, key] = ['cert.pem', 'key.pem'].map((name) => join(folder, name)) as [string, string]
      const subject = ['-subj', '/CN=bench.test', '-days', '2', '-keyout', key, '-out', cert]
      execFileSync('openssl', ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', ...subject], {
        stdio: 'ignore',
      })
      writeFileSync(theirs, 'a table that another server has open')
      const account = serverAccount(root)
      if (account) chownSync(theirs, account.uid, account.gid)
      port = await freePort()
      const watching = setInterval(
        () => processesOf('').forEach(({ command }) => seen.add(command)),
        10,
      )
      const env = { MELLOW_HOST: '0.0.0.0', MELLOW_OPEN: 'yes', MELLOW_NAMES: 'bench.test, Pit.test' }
      const tls = { MELLOW_TLS_CERT: cert, MELLOW_TLS_KEY: key }
      ;({ said, stop } = await startDemo({
        ...env,
        ...tls,
        MELLOW_DATA: folder,
        MELLOW_PORT: String(port),
      }).finally(() => clearInterval(watching)))
    }, 60_000)
    afterAll(async () => {
      await stop()
      rmSync(theirs, { force: true })
    })
    const asked = (path: string, name?: string) =>
      new Promise<number | undefined>((resolve, reject) =>
        get(
          `https://127.0.0.1:${port}${path}`,
          { rejectUnauthorized: false, ...(name && { headers: { host: `${name}:${port}` } }) },
          (answer) => resolve(answer.resume().statusCode),
        ).on('error', reject),
      )

    it('serves https', async () => {
      expect(said()).toContain(`Mellow Anchor is at https://127.0.0.1:${port}`)
      expect(await asked('/api/health')).toBe(200)
    })

    it('says what that opens, and takes names with spaces', async () => {
      expect(said()).toMatch(/there is no sign-in, so whoever reaches it reads every job/)
      const hosts = ['bench.test', 'pit.test', 'elsewhere.test']
      expect(await Promise.all(hosts.map((host) => asked('/api/people', host)))).toEqual([
        200, 200, 403,
      ])
    })

    it('mends the folder, and keeps the password out of every process list', () => {
      const { password } = JSON.parse(readFileSync(join(folder, 'account.json'), 'utf8')) as {
        password: string
      }
      expect(password).toMatch(/^[0-9a-f]{48}$/)
      expect([...seen].some((command) => command.includes('mariadbd'))).toBe(true)
      expect([...seen].filter((command) => command.includes(password))).toEqual([])
      expect(statSync(join(folder, 'account.json')).mode & 0o777).toBe(0o600)
    })

    it('runs its database under the account that Debian made for it, where there is one', () => {
      const account = readFileSync('/etc/passwd', 'utf8').match(/^mysql:[^:]*:(\d+):/m)
      const { pid } = processesOf(folder).find(({ command }) => command.includes('mariadbd'))!
      const uid = /^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]
      const asRoot = process.getuid?.() === 0
      expect(uid).toBe(asRoot && account ? account[1] : String(process.getuid?.()))
    })

    it('leaves alone what other database servers of the machine have in the shared temporary folder', () => {
      expect(existsSync(theirs)).toBe(true)
    })
  })
})
