import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { loadDemo } from '../../demo/load'
import { scenario } from '../../demo/scenario'
import { airFromFreeTravel, isImplausible } from '../../core/circuit'
import { fold, installationFrom } from '../../core/journal'
import { judge } from '../../core/proof'
import { listJobs } from '../../server/services/lists/bench'
import { readJob } from '../../server/services/lists/jobs'
import { readVehicle } from '../../server/services/lists/vehicles'
import { openDatabase, type Database } from '../../server/database/database'
import { migrator } from '../../server/database/migrate'
import { databaseSettings } from '../../server/database/settings'
import type { Health } from '../../contract'
import { root } from '../../scripts/packages.mjs'
import { freshDatabase, runningSuite, testMariadb } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

describe('tables', () => {
  let database: Database
  beforeAll(async () => {
    database = await freshDatabase((await testMariadb()).settings, 'mellow_tables')
  })
  afterAll(() => database.sequelize.close())
  const tables = async () =>
    (await database.sequelize.query<Record<string, string>>('SHOW TABLES', { type: QueryTypes.SELECT }))
      .flatMap((row) => Object.values(row))
      .sort()

  it('go forward and back', async () => {
    const all = [
      'container_use',
      'containers',
      'cues',
      'due_items',
      'entries',
      'files',
      'jobs',
      'migrations',
      'order_events',
      'order_lines',
      'orders',
      'packages',
      'part_mappings',
      'parts',
      'people',
      'people_entries',
      'pulse',
      'search_words',
      'shop',
      'vehicles',
    ]
    expect(await tables()).toEqual(all)
    await migrator(database).down({ to: 0 })
    expect(await tables()).toEqual(['migrations'])
    await migrator(database).up()
    expect(await tables()).toEqual(all)
  })

  it('refuse what the services would never write', async () => {
    const insert = (sql: string) => database.sequelize.query(sql, { type: QueryTypes.INSERT })
    const [entry, nobody] = [newId(), newId()]
    const values = (job: string, vehicle: string) =>
      `INSERT INTO entries (id, jobId, vehicleId, sequence, kind, at, byId, payload)
       VALUES ('${entry}', ${job}, ${vehicle}, 1, 'note', NOW(3), '${nobody}', '{}')`
    await expect(insert(values('NULL', 'NULL'))).rejects.toThrow(/entries_one_subject/)
    await expect(insert(values(`'${nobody}'`, 'NULL'))).rejects.toThrow(/foreign key/i)
    await expect(insert(values('NULL', 'NULL').replace("'{}'", "'{'"))).rejects.toThrow(/CONSTRAINT/)
  })

  it('the demo scenario loads once, and its figures belong together', async () => {
    expect(await loadDemo(database)).toBe(true)
    expect(await loadDemo(database)).toBe(false)
    const all = (await listJobs(database)).items
    const names = all.map((job) => job.vehicleName).sort()
    expect(names).toEqual(
      scenario()
        .flatMap(({ vehicle, earlier = [] }) => [vehicle.name, ...earlier.map(() => vehicle.name)])
        .sort(),
    )
    // Two that are closed with their cause, and three of the years before.
    expect(all.filter(({ outcome }) => outcome === 'pass')).toHaveLength(5)
    const made = { 'Mail van, north round': 1200, 'Quarry tipper': 4200, 'School minibus': 2400 }
    const jobs = Object.keys(made).map((name) => all.find((job) => job.vehicleName === name)!)
    const air: number[] = []
    for (const { id, vehicleId } of jobs) {
      const state = fold((await readJob(database, id)).entries)
      const installation = installationFrom((await readVehicle(database, vehicleId)).entries)!
      const found = airFromFreeTravel(
        installation.circuit,
        state.readings.asFound.freeTravel!.payload.value,
      )
      if (isImplausible(found)) throw new Error(found.implausible)
      air.push(found.air)
      expect(judge(installation, state).before.solution.releases).toBe(false)
    }
    // Each was read off with a tape held to the millimetre: within 40 mm³ of the air it was made with.
    Object.values(made).forEach((one, i) => expect(Math.abs(air[i]! - one)).toBeLessThan(40))
  })
})

describe('the environment', () => {
  it('names what is missing', () => {
    expect(() => databaseSettings({})).toThrow(/MELLOW_DB_NAME, MELLOW_DB_USER, MELLOW_DB_PASSWORD/)
    const env = { MELLOW_DB_NAME: 'a', MELLOW_DB_USER: 'b', MELLOW_DB_PASSWORD: 'c' }
    expect(databaseSettings({ ...env, MELLOW_DB_PORT: '3307' })).toMatchObject({
      port: 3307,
      host: '127.0.0.1',
    })
    expect(() => databaseSettings({ ...env, MELLOW_DB_PORT: 'x' })).toThrow(/MELLOW_DB_PORT/)
  })
})

describe('the server', () => {
  it('sends the headers that keep other sites and foreign scripts out', async () => {
    const { headers } = await call('GET', '/health')
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect(headers.get('access-control-allow-origin')).toBeNull()
    const page = await fetch(`${runningSuite('api').address}/`)
    const policy = page.headers.get('content-security-policy')!
    expect(policy).toMatch(/script-src 'self' 'strict-dynamic' 'nonce-[^']+'/)
    expect(policy).not.toMatch(/unsafe-eval/)
    expect(policy).toMatch(/frame-ancestors 'none'/)
  })

  it('heeds what the browser says of the page that asks, and keeps its answers to itself', async () => {
    const from = (site: string, method: 'GET' | 'POST' = 'GET') =>
      call(method, '/people', method === 'POST' ? {} : undefined, { 'sec-fetch-site': site })
    expect((await from('same-origin')).status).toBe(200)
    expect((await from('none')).status).toBe(200)
    for (const site of ['cross-site', 'same-site'])
      expect(await refused(from(site))).toMatchObject({ status: 403 })
    expect(await refused(from('none', 'POST'))).toMatchObject({ status: 403 })
    const { headers } = await call('GET', '/people')
    expect(headers.get('cross-origin-resource-policy')).toBe('same-origin')
    const gone = await fetch(`${runningSuite('api').address}/_nuxt/gone-since-the-last-build.js`)
    expect(gone.status).toBe(404)
    expect(gone.headers.get('content-type')).not.toMatch(/html/)
  })

  it('tells tables that cannot be read from a database that is away, and logs why', async () => {
    const { settings } = runningSuite('api')
    const database = openDatabase(settings)
    const run = (sql: string) => database.sequelize.query(sql, { type: QueryTypes.RAW })
    const logged = () => readFileSync(join(root, '.data', 'test', 'api.log'), 'utf8')
    try {
      await run('RENAME TABLE pulse TO pulse_away')
      await expect
        .poll(async () => (await call<Health>('GET', '/health')).body.database, { timeout: 5000 })
        .toBe('failing')
      await run('RENAME TABLE shop TO shop_away')
      const before = logged().length
      expect(await refused(call('GET', '/shop'))).toMatchObject({ status: 500, title: 'failed' })
      await expect.poll(() => logged().slice(before)).toMatch(/shop' doesn't exist/)
      expect(logged().slice(before)).toMatch(/"stack":"[^"]*readShop/)
      expect(logged().slice(before)).not.toMatch(/SELECT/)
    } finally {
      await run('RENAME TABLE pulse_away TO pulse').catch(() => {})
      await run('RENAME TABLE shop_away TO shop').catch(() => {})
      await database.sequelize.close()
    }
    expect((await call<Health>('GET', '/health')).body.database).toBe('up')
  })

  it('says so when its database goes, keeps running, and finds it again', async () => {
    const by = await aPerson()
    const { jobId, subject } = await aJob(by)
    const mariadb = await testMariadb()
    expect((await call<Health>('GET', '/health')).body).toMatchObject({ status: 'ok', database: 'up' })
    await mariadb.stop()
    const entry = anEntry(subject, by, 'note', { words: 'while it was away' })
    try {
      const problem = await refused(call('POST', `/jobs/${jobId}/entries`, entry))
      expect(problem).toMatchObject({ status: 503, type: 'urn:mellow-anchor:database-away' })
      // Whether it waits to be sent again is for the page to say.
      expect(problem.detail).toBe('The database does not answer.')
      const { status, body } = await call<Health>('GET', '/health')
      expect([status, body]).toEqual([503, { status: 'degraded', database: 'down', schema: null }])
    } finally {
      await mariadb.start()
    }
    expect((await call('POST', `/jobs/${jobId}/entries`, entry)).status).toBe(201)
    expect((await call<Health>('GET', '/health')).status).toBe(200)
  })
})
