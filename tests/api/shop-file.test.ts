import { Readable } from 'node:stream'
import { beforeAll, describe, expect, it } from 'vitest'
import sharp from 'sharp'
import type { Problem, ShopFile, ShopFileTold } from '../../contract'
import { loadDemo } from '../../demo/load'
import type { Database } from '../../server/database/database'
import { importShopFile } from '../../server/shop-file/import'
import { readShopFile } from '../../server/shop-file/read'
import { writeShopFile, type WhatFile } from '../../server/shop-file/write'
import { freshDatabase, runningSuite, testMariadb } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId } from './client'

const textOf = async (database: Database, what: WhatFile): Promise<string> => {
  let text = ''
  for await (const piece of Readable.from(writeShopFile(database, what))) text += piece as string
  return text
}
const post = async (body: string | Uint8Array<ArrayBuffer>) => {
  const { address } = runningSuite('api')
  const answer = await fetch(`${address}/api/shop/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  })
  return { status: answer.status, body: (await answer.json()) as ShopFileTold & Problem }
}

describe('the whole shop as a file', () => {
  let full: Database
  let empty: Database
  let text: string
  beforeAll(async () => {
    const { settings } = await testMariadb()
    full = await freshDatabase(settings, 'mellow_file_full')
    await loadDemo(full)
    empty = await freshDatabase(settings, 'mellow_file_empty')
    text = await textOf(full, { of: 'shop' })
    return async () => {
      await full.sequelize.close()
      await empty.sequelize.close()
    }
  })

  it('goes out, is wiped, and comes in again the same, byte for byte', async () => {
    const told = await importShopFile(empty, readShopFile(Buffer.from(text)))
    expect(told.added).toMatchObject({
      entries: await full.models.Entry.count(),
      jobs: await full.models.Job.count(),
      vehicles: await full.models.Vehicle.count(),
    })
    expect(told.added.parts).toBeGreaterThan(0)
    expect(await textOf(empty, { of: 'shop' })).toBe(text)
    // Once more it changes nothing.
    const again = await importShopFile(empty, readShopFile(Buffer.from(text)))
    expect(Object.values(again.added).every((count) => count === 0)).toBe(true)
    expect(await textOf(empty, { of: 'shop' })).toBe(text)
  })

  it('gives its connection back, however early somebody goes away', async () => {
    // More often than there are connections.
    for (let i = 0; i < 40; i++) {
      const pieces = writeShopFile(full, { of: 'shop' })
      expect((await pieces.next()).done).toBe(false)
      await pieces.return(undefined)
    }
    expect(await textOf(full, { of: 'shop' })).toBe(text)
  })

  it('has its keys sorted, lines that end in LF, and no byte order mark', () => {
    const sorted = (value: unknown): boolean =>
      Array.isArray(value)
        ? value.every(sorted)
        : value === null || typeof value !== 'object'
          ? true
          : JSON.stringify(Object.keys(value)) === JSON.stringify(Object.keys(value).sort()) &&
            Object.values(value).every(sorted)
    expect(sorted(JSON.parse(text))).toBe(true)
    expect(text).not.toContain('\r')
    expect(text.endsWith('}\n')).toBe(true)
    expect(text.charCodeAt(0)).toBe('{'.charCodeAt(0))
  })

  it('is refused whole where an id is here with other content, and the id is named', async () => {
    const before = await textOf(empty, { of: 'shop' })
    const file = JSON.parse(text) as ShopFile & { entries: Record<string, unknown>[] }
    const cases: [string, (copy: typeof file) => string][] = [
      [
        'a job',
        (copy) => {
          const [job] = copy.jobs
          job!.vehicleId = copy.vehicles.find(({ id }) => id !== job!.vehicleId)!.id
          return job!.id
        },
      ],
      [
        'an entry',
        (copy) => {
          const last = copy.entries.at(-1) as unknown as { id: string; at: string }
          last.at = '2020-01-01T00:00:00.000Z'
          return last.id
        },
      ],
      [
        'a part',
        (copy) => {
          const part = copy.tables!.parts[0]!
          part.name = 'Another part'
          return String(part.id)
        },
      ],
    ]
    for (const [what, change] of cases) {
      const copy = structuredClone(file)
      const id = change(copy)
      // Something new stands before it: none of that may stay.
      copy.people.push({
        id: newId(),
        name: `New ${what}`,
        units: 'metric',
        createdAt: '2026-01-01T00:00:00.000Z',
      })
      await expect(
        importShopFile(empty, readShopFile(Buffer.from(JSON.stringify(copy)))),
        what,
      ).rejects.toThrow(id)
      expect(await textOf(empty, { of: 'shop' }), what).toBe(before)
    }
  })

  it('of one vehicle and one job is whole by itself, and a history goes on where it was left', async () => {
    const { settings } = await testMariadb()
    const other = await freshDatabase(settings, 'mellow_file_other')
    const [job] = await full.models.Job.findAll({ order: [['id', 'ASC']], limit: 1 })
    const own = await textOf(full, { of: 'job', id: job!.id })
    await importShopFile(other, readShopFile(Buffer.from(own)))
    expect(await textOf(other, { of: 'job', id: job!.id })).toBe(own)
    await other.sequelize.close()
    const third = await freshDatabase(settings, 'mellow_file_third')
    const ofVehicle = await textOf(full, { of: 'vehicle', id: job!.vehicleId })
    const file = JSON.parse(ofVehicle) as ShopFile
    // The first half of the vehicle's last history, and then all of it.
    const last = file.jobs.at(-1)!.id
    const kept = file.entries.filter(
      (one) => (one as unknown as { subject: { id: string } }).subject.id === last,
    )
    const half = kept.slice(Math.ceil(kept.length / 2))
    const short = { ...file, entries: file.entries.filter((one) => !half.includes(one)) }
    await importShopFile(third, readShopFile(Buffer.from(JSON.stringify(short))))
    const { added } = await importShopFile(third, readShopFile(Buffer.from(ofVehicle)))
    expect(half.length).toBeGreaterThan(3)
    expect(added.entries).toBe(half.length)
    expect(await textOf(third, { of: 'vehicle', id: job!.vehicleId })).toBe(ofVehicle)
    await third.sequelize.close()
  })
})

describe('a file at the door', () => {
  it('takes photographs along, and is the same when it is asked for again', async () => {
    const by = await aPerson()
    const { jobId, vehicleId, subject } = await aJob(by)
    const picture = await sharp({
      create: { width: 40, height: 30, channels: 3, background: '#a33' },
    })
      .png()
      .toBuffer()
    const { address } = runningSuite('api')
    const kept = await fetch(`${address}/api/files`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: new Uint8Array(picture),
    })
    const { id } = (await kept.json()) as { id: string }
    await call('POST', `/jobs/${jobId}/entries`, anEntry(subject, by, 'photo', { file: id }))
    const answer = await fetch(`${address}/api/vehicles/${vehicleId}/file`)
    expect(answer.headers.get('content-disposition')).toContain('vehicle.json')
    const text = await answer.text()
    const file = JSON.parse(text) as ShopFile
    expect(file.files.map((one) => one.id)).toEqual([id])
    expect(file.installations.map(({ of }) => of.type).sort()).toEqual(['job', 'vehicle'])
    const told = await post(text)
    expect(told.status).toBe(200)
    expect(Object.values(told.body.added).every((count) => count === 0)).toBe(true)

    // One letter of the photograph, and nothing is taken.
    const at = file.files[0]!.content.length >> 1
    const letters = [...file.files[0]!.content]
    letters[at] = letters[at] === 'A' ? 'B' : 'A'
    file.files[0]!.content = letters.join('')
    const damaged = await post(JSON.stringify(file))
    expect(damaged.status).toBe(422)
    expect(damaged.body.errors?.[0]?.path).toBe('/files/0/digest')
  })

  it('names what is wrong with it, and where', async () => {
    const by = await aPerson()
    const { vehicleId } = await aJob(by)
    const { address } = runningSuite('api')
    const file = (await (await fetch(`${address}/api/vehicles/${vehicleId}/file`)).json()) as ShopFile
    const cases: [string, (copy: ShopFile) => unknown][] = [
      ['/format', (copy) => ((copy as { format: string }).format = 'something else')],
      ['/people/0/mergedInto', (copy) => (copy.people[0]!.mergedInto = copy.people[0]!.id)],
      ['/entries/0/sequence', (copy) => (copy.entries[0]!.sequence = 2)],
      ['/entries/0/by', (copy) => (copy.people = [])],
      ['/jobs/0/vehicleId', (copy) => (copy.jobs[0]!.vehicleId = newId())],
      [
        '/vehicles/0/colour',
        (copy) => ((copy.vehicles[0] as unknown as Record<string, string>).colour = 'red'),
      ],
      [
        '/entries/0/payload/circuit/master/bore',
        (copy) => {
          const first = copy.entries[0] as unknown as {
            payload: { circuit: { master: { bore: number } } }
          }
          first.payload.circuit.master.bore = -4
        },
      ],
    ]
    for (const [path, change] of cases) {
      const copy = structuredClone(file)
      change(copy)
      const { status, body } = await post(JSON.stringify(copy))
      expect(status, path).toBe(422)
      expect(body.errors?.[0]?.path).toBe(path)
    }
    expect((await post('{"format":')).body.errors?.[0]?.message).toContain('JSON')
    expect((await post(new Uint8Array([0x7b, 0xff, 0xfe]))).body.errors?.[0]?.message).toContain(
      'UTF-8',
    )
  })

  it('of a newer version is refused in those words; one of the first version is read', async () => {
    const by = await aPerson()
    const { vehicleId } = await aJob(by)
    const { address } = runningSuite('api')
    const text = await (await fetch(`${address}/api/vehicles/${vehicleId}/file`)).text()
    const newer = await post(text.replace('mellow-anchor file 2', 'mellow-anchor file 3'))
    expect([newer.status, newer.body.errors?.[0]?.path]).toEqual([422, '/format'])
    expect(newer.body.detail).toMatch(
      /made by a newer version .*file 3.* up to 2.* Nothing was read in/,
    )
    const first = await post(text.replace('mellow-anchor file 2', 'mellow-anchor file 1'))
    expect([first.status, first.body.added.entries]).toEqual([200, 0])
  })

  it('has schemas that are published', async () => {
    for (const name of ['file', 'installation', 'entry']) {
      const { body } = await call<{ $schema: string }>('GET', `/schemas/${name}`)
      expect(body.$schema).toContain('json-schema.org')
    }
    expect((await call('GET', '/schemas/nothing')).status).toBe(404)
  })
})
