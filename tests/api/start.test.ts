import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { BenchJob, Health, Page, Person } from '../../contract'
import { freePort, isFree } from '../../scripts/mariadb'
import { root } from '../../scripts/packages.mjs'
import { run } from '../harness/running'
import { scenario } from '../../demo/scenario'
import { newId } from './client'

const folder = join(root, '.data', 'test', 'start')
const demo = (env: Record<string, string>) =>
  run('node', ['scripts/demo.mjs'], { env: { MELLOW_DATA: folder, ...env } })

/** Starts the demo and waits until it prints its address. */
async function start(port: number) {
  const child = spawn('node', ['scripts/demo.mjs'], {
    cwd: root,
    env: { ...process.env, MELLOW_DATA: folder, MELLOW_PORT: String(port) },
  })
  let said = ''
  const ended = new Promise<number | null>((resolve) => child.on('exit', resolve))
  await new Promise<void>((resolve, reject) => {
    child.stderr.on('data', (chunk: Buffer) => {
      said += chunk.toString()
      if (said.includes('Mellow Anchor is at')) resolve()
    })
    child.on('exit', () => reject(new Error(said)))
  })
  const stop = async () => {
    child.kill('SIGINT')
    return ended
  }
  return { said, stop }
}

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
    expect(stderr).toContain('MELLOW_PORT=4181 npm run demo')
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
    expect(first.said).toContain('Demo scenario loaded')
    expect((await get<Health>('/health')).status).toBe('ok')
    expect((await get<Page<BenchJob>>('/jobs')).items).toHaveLength(scenario().length)
    const added = { id: newId(), name: 'Ness Calder' }
    await fetch(`${address}/people`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(added),
    })
    expect(await first.stop()).toBe(0)
    expect(await isFree(port)).toBe(true)
    expect(existsSync(join(folder, 'mariadb.sock'))).toBe(false)

    const second = await start(port)
    expect(second.said).not.toContain('Demo scenario loaded')
    expect((await get<Page<Person>>('/people')).items).toContainEqual({ ...added, units: 'metric' })
    expect((await get<Page<BenchJob>>('/jobs')).items).toHaveLength(scenario().length)
    expect(await second.stop()).toBe(0)
  })
})
