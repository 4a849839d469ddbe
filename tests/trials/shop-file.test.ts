import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ShopFile } from '../../contract'
import { loadDemo } from '../../demo/load'
import { Refusal } from '../../server/services/refusal'
import { readShopFile } from '../../server/shop-file/read'
import { NASTY } from './nasty'
import { ask, draws, openWorkshop, scaled, type Process, type Workshop } from './workshop'

const random = draws()
const below = (most: number) => Math.floor(random() * most)
const pick = <T>(list: readonly T[]): T => list[below(list.length)]!

/** Text that went wrong on its way: bytes turned, lost, doubled, put in from elsewhere, or the end cut off. */
function torn(bytes: Buffer): Buffer {
  const copy = Buffer.from(bytes)
  const at = below(copy.length)
  const some = 1 + below(40)
  switch (below(6)) {
    case 0:
      copy[at] = below(256)
      return copy
    case 1:
      return copy.subarray(0, at)
    case 2:
      return Buffer.concat([copy.subarray(0, at), copy.subarray(at + some)])
    case 3:
      return Buffer.concat([copy.subarray(0, at), copy.subarray(at, at + some), copy.subarray(at)])
    case 4:
      for (let i = 0; i < some; i++) copy[below(copy.length)] = below(256)
      return copy
    default:
      return Buffer.concat([
        copy.subarray(0, at),
        Buffer.from(pick(['}', ']', ',', '"', '\u0000', '{"a":', '[[[[', '1e999', '﻿'])),
        copy.subarray(at),
      ])
  }
}

/** A record that says something else: a value put in the place of any other, taken out, or doubled. */
function changed(file: ShopFile): Buffer {
  const copy = structuredClone(file) as unknown
  const places: [Record<string, unknown>, string][] = []
  const rest: unknown[] = [copy]
  for (let one = rest.pop(); one !== undefined; one = rest.pop())
    if (one !== null && typeof one === 'object')
      for (const name of Object.keys(one)) {
        const inner = (one as Record<string, unknown>)[name]
        places.push([one as Record<string, unknown>, name])
        rest.push(inner)
      }
  for (let i = 0; i < 1 + below(3); i++) {
    const [owner, name] = pick(places)
    switch (below(5)) {
      case 0:
        if (Array.isArray(owner)) owner.splice(Number(name), 1)
        else delete owner[name]
        break
      case 1:
        owner[name] = structuredClone(pick(places)[0])
        break
      case 2:
        if (Array.isArray(owner)) owner.push(structuredClone(owner[Number(name)]))
        else owner[pick(['__proto__', 'constructor', 'x', 'id'])] = owner[name]
        break
      default:
        owner[name] = pick(NASTY)()
    }
  }
  return Buffer.from(JSON.stringify(copy))
}

describe('a file of the shop that went wrong', () => {
  let workshop: Workshop
  let server: Process
  let bytes: Buffer
  let file: ShopFile
  beforeAll(async () => {
    workshop = await openWorkshop('shop_file', (database) => loadDemo(database))
    server = workshop.servers[0]
    const [vehicle] = await workshop.database.models.Vehicle.findAll({ limit: 1 })
    const { text } = await ask(`${server.address}/api/vehicles/${vehicle!.id}/file`)
    bytes = Buffer.from(text)
    file = JSON.parse(text) as ShopFile
  })
  afterAll(() => workshop.close())

  it('is refused with a reason by the reader, however it went wrong; the reader never fails itself', () => {
    expect(readShopFile(bytes).entries.length).toBe(file.entries.length)
    let taken = 0
    let refused = 0
    for (let i = 0; i < scaled(10_000); i++) {
      const piece = i % 2 === 0 ? torn(bytes) : changed(file)
      try {
        readShopFile(piece)
        taken += 1
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        expect(error.message.length).toBeGreaterThan(10)
        refused += 1
      }
    }
    // A letter of somebody's words may be another one; most of what goes wrong is seen.
    expect(refused).toBeGreaterThan(taken)
    expect(({} as Record<string, unknown>).polluted).toBeUndefined()
  })

  it('is taken whole or not at all at the door', async () => {
    const tables = ['people', 'vehicles', 'jobs', 'entries', 'files', 'parts', 'orders', 'shop']
    const sums = async () =>
      JSON.stringify(
        await workshop.database.sequelize.query(`CHECKSUM TABLE ${tables.join(', ')} EXTENDED`, {
          type: QueryTypes.SELECT,
        }),
      )
    /** Jobs are worked out anew, and their words kept, behind the answers: what that writes is waited for. */
    const settled = () =>
      expect
        .poll(
          async () => {
            const [row] = await workshop.database.sequelize.query<{ n: number }>(
              `SELECT (SELECT COUNT(*) FROM jobs WHERE fresh = 0 OR searched = 0)
                + (SELECT COUNT(*) FROM vehicles WHERE searched = 0) AS n`,
              { type: QueryTypes.SELECT },
            )
            return Number(row!.n)
          },
          { timeout: 30_000 },
        )
        .toBe(0)
    await settled()
    let before = await sums()
    let refused = 0
    for (let i = 0; i < scaled(500); i++) {
      const body = (i % 2 === 0 ? torn(bytes) : changed(file)).toString('utf8')
      const { status, text } = await ask(`${server.address}/api/shop/import`, { method: 'POST', body })
      expect(status, text).toBeGreaterThanOrEqual(200)
      expect([200, 400, 409, 413, 422], text).toContain(status)
      if (status === 200) {
        await settled()
        before = await sums()
        continue
      }
      refused += 1
      expect(JSON.parse(text)).toMatchObject({ status })
      expect(await sums(), text).toBe(before)
    }
    expect(refused).toBeGreaterThan(0)
    const { status } = await ask(`${server.address}/api/health`)
    expect(status).toBe(200)
  })
})
