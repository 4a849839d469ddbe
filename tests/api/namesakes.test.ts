import { Readable } from 'node:stream'
import { QueryTypes } from 'sequelize'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Namesakes, ShopFile } from '../../contract'
import { fromArchetype } from '../../core/installation'
import type { Entry } from '../../core/journal'
import { loadDemo } from '../../demo/load'
import type { Database } from '../../server/database/database'
import { appendEntry } from '../../server/services/journal/append-queue'
import { readJob, addJob } from '../../server/services/lists/jobs'
import { listOrders } from '../../server/services/orders/orders'
import { addPerson, listPeople, namesOfPeople } from '../../server/services/shop/people'
import { changePeople } from '../../server/services/shop/people-changes'
import { setShop, readShop } from '../../server/services/shop/shop'
import { addVehicle } from '../../server/services/lists/vehicles'
import { importShopFile } from '../../server/shop-file/import'
import { readShopFile } from '../../server/shop-file/read'
import { writeShopFile, type WhatFile } from '../../server/shop-file/write'
import { freshDatabase, testMariadb } from '../harness/running'
import { anEntry, newId } from './client'

const fileOf = async (database: Database, what: WhatFile): Promise<Buffer> => {
  let text = ''
  for await (const piece of Readable.from(writeShopFile(database, what))) text += piece as string
  return Buffer.from(text)
}
const into = (database: Database, file: Buffer, told = {}) =>
  importShopFile(database, readShopFile(file), told)
const asked = async (done: Promise<unknown>): Promise<Namesakes> =>
  done.then(
    () => expect.fail('it was taken'),
    (error: { namesakes?: Namesakes }) => error.namesakes!,
  )

describe('two shops with namesakes exchange a job', () => {
  const [anne, tam, hers, his] = [newId(), newId(), newId(), newId()]
  const [vehicleId, jobId] = [newId(), newId()]
  const subject = { type: 'job', id: jobId } as const
  let hill: Database
  let mill: Database
  const note = (database: Database, by: string, words: string) =>
    appendEntry(database, subject, anEntry(subject, by, 'note', { words }))
  const names = async (database: Database) => {
    const known = await namesOfPeople(database)
    const { entries } = await readJob(database, jobId, 'all')
    return entries.map(({ by }) => known.get(by))
  }
  const entriesIn = async (database: Database): Promise<Entry[]> =>
    (await readJob(database, jobId, 'all')).entries

  beforeAll(async () => {
    const { settings } = await testMariadb()
    hill = await freshDatabase(settings, 'mellow_hill')
    mill = await freshDatabase(settings, 'mellow_mill')
    await addPerson(hill, { id: anne, name: 'Anne' })
    await addPerson(hill, { id: tam, name: 'Tam' })
    await addPerson(mill, { id: hers, name: 'Anne' })
    await addPerson(mill, { id: his, name: 'tam' })
    await setShop(hill, { ...(await readShop(hill)).settings, name: 'Hill Street' })
    const vehicle = { type: 'vehicle', id: vehicleId } as const
    await addVehicle(hill, {
      id: vehicleId,
      name: 'Van',
      entries: [anEntry(vehicle, anne, 'installation', fromArchetype('long-line'))],
    })
    await addJob(hill, {
      id: jobId,
      vehicleId,
      title: 'Soft',
      entries: [anEntry(subject, tam, 'goal', { jobKind: 'fault', wanted: '' })],
    })
    await note(hill, anne, 'from the hill')
    return async () => {
      await hill.sequelize.close()
      await mill.sequelize.close()
    }
  })

  it('there: each namesake is asked about, and nothing goes in before', async () => {
    const file = await fileOf(hill, { of: 'job', id: jobId })
    expect(await asked(into(mill, file))).toEqual({
      shop: 'Hill Street',
      people: [
        { id: anne, name: 'Anne', here: hers },
        { id: tam, name: 'Tam', here: his },
      ],
    })
    // Only one of the two told: the other is asked about.
    const left = await asked(into(mill, file, { same: tam, by: hers }))
    expect(left.people.map(({ name }) => name)).toEqual(['Anne'])
    await expect(into(mill, file, { same: tam, mark: 'Hill Street' })).rejects.toThrow(
      /\/by is missing/,
    )
    expect(await mill.models.Entry.count()).toBe(0)
    expect(await mill.models.Person.count()).toBe(2)
  })

  it('there: one is the same person, the other somebody else with a mark; with who and when', async () => {
    const file = await fileOf(hill, { of: 'job', id: jobId })
    const { added } = await into(mill, file, { same: tam, mark: 'Hill Street', by: hers })
    expect(added).toMatchObject({ people: 2, vehicles: 1, jobs: 1, entries: 3 })
    expect(await entriesIn(mill)).toEqual(await entriesIn(hill))
    expect(await names(mill)).toEqual(['tam', 'Anne (Hill Street)'])
    expect((await listPeople(mill)).items.map(({ name }) => name)).toEqual([
      'Anne',
      'Anne (Hill Street)',
      'tam',
    ])
  })

  it('back: who is known keeps the name of here, whoever filed there is asked about, and the history goes on', async () => {
    await note(mill, hers, 'from the mill')
    await note(mill, tam, 'by an old tablet in the merged name')
    const file = await fileOf(mill, { of: 'job', id: jobId })
    const namesakes = await asked(into(hill, file))
    expect(namesakes).toEqual({
      shop: null,
      people: [
        { id: hers, name: 'Anne', here: anne },
        // He stands for the merged one there, and so comes along.
        { id: his, name: 'tam', here: tam },
      ],
    })
    const done = await into(hill, file, { same: his, mark: 'the mill', by: tam })
    expect(done.added).toMatchObject({ people: 2, entries: 2 })
    expect(done.kept).toEqual([{ what: 'people', here: 'Anne', there: 'Anne (Hill Street)' }])
    expect(await entriesIn(hill)).toEqual(await entriesIn(mill))
    expect(await names(hill)).toEqual(['Tam', 'Anne', 'Anne (the mill)', 'Tam'])
  })

  it('there again: nobody is asked about any more, and a name put right there stays', async () => {
    await note(hill, anne, 'once more')
    await changePeople(mill, {
      ...{ id: newId(), personId: anne, kind: 'renamed', name: 'Anne of the hill' },
      ...{ by: hers, at: new Date().toISOString() },
    })
    const done = await into(mill, await fileOf(hill, { of: 'job', id: jobId }))
    expect(done.added).toMatchObject({ people: 0, entries: 1 })
    expect(await entriesIn(mill)).toEqual(await entriesIn(hill))
    expect((await names(mill)).at(-1)).toBe('Anne of the hill')
    // Renamed there, renamed here: nobody’s words for a van refuse a job.
    await hill.models.Vehicle.update({ plate: 'AB 12' }, { where: { id: vehicleId } })
    await hill.models.Job.update({ title: 'Soft, again' }, { where: { id: jobId } })
    const renamed = await into(mill, await fileOf(hill, { of: 'job', id: jobId }))
    expect(renamed.kept).toEqual([
      { what: 'people', here: 'Anne of the hill', there: 'Anne' },
      { what: 'people', here: 'Anne', there: 'Anne (the mill)' },
      { what: 'vehicles', here: 'Van', there: 'Van, AB 12' },
      { what: 'jobs', here: 'Soft', there: 'Soft, again' },
    ])
  })

  it('a whole shop enters one that has settings, parts and a basket of its own: those stay, and the rest comes', async () => {
    const { settings } = await testMariadb()
    const [one, two] = [
      await freshDatabase(settings, 'mellow_whole_one'),
      await freshDatabase(settings, 'mellow_whole_two'),
    ]
    await loadDemo(one)
    await loadDemo(two)
    const countsOf = async ({ sequelize }: Database) =>
      Object.fromEntries(
        await Promise.all(
          ['people', 'jobs', 'entries', 'parts', 'orders', 'order_lines'].map(async (table) => {
            const [row] = await sequelize.query<{ n: number }>(`SELECT COUNT(*) AS n FROM ${table}`, {
              type: QueryTypes.SELECT,
            })
            return [table, Number(row!.n)] as const
          }),
        ),
      )
    const [ofOne, ofTwo] = [await countsOf(one), await countsOf(two)]
    const baskets = async (database: Database) =>
      (await listOrders(database)).filter(({ state }) => state === 'draft')
    const [basketsOne, basketsTwo] = [await baskets(one), await baskets(two)]
    expect(basketsOne.length).toBeGreaterThan(0)
    const whole = await fileOf(one, { of: 'shop' })
    const namesakes = await asked(into(two, whole))
    expect(namesakes.people).toHaveLength(ofOne.people!)
    const told = {
      same: namesakes.people.map(({ id }) => id).join(','),
      by: namesakes.people[0]!.here,
    }
    const { added, kept } = await into(two, whole, told)
    expect(added).toMatchObject({ jobs: ofOne.jobs!, entries: ofOne.entries!, parts: 0, shop: 0 })
    expect(kept).toEqual([
      { what: 'shop', here: 'This shop’s settings', there: 'others' },
      { what: 'parts', here: `${ofOne.parts}`, there: `${ofOne.parts}` },
    ])
    expect(await countsOf(two)).toEqual({
      people: 2 * ofTwo.people!,
      jobs: ofOne.jobs! + ofTwo.jobs!,
      entries: ofOne.entries! + ofTwo.entries!,
      parts: ofTwo.parts!,
      orders: ofOne.orders! + ofTwo.orders! - basketsOne.length,
      order_lines: ofOne.order_lines! + ofTwo.order_lines!,
    })
    // In the one basket at a supplier lies what lay in both, and it costs as much.
    const after = await baskets(two)
    expect(after.map(({ supplier }) => supplier).sort()).toEqual(
      basketsTwo.map(({ supplier }) => supplier).sort(),
    )
    const total = (list: typeof after) => list.reduce((sum, order) => sum + order.total, 0)
    expect(total(after)).toBeCloseTo(total(basketsOne) + total(basketsTwo), 6)
    const again = await into(two, whole)
    expect(Object.values(again.added).every((count) => count === 0)).toBe(true)
    await one.sequelize.close()
    await two.sequelize.close()
  })

  it('a mark that is taken, or too long, is said; a whole shop comes with its merged people', async () => {
    const file = JSON.parse((await fileOf(hill, { of: 'job', id: jobId })).toString()) as ShopFile
    const stranger = { ...file.people[0]!, id: newId(), name: 'Anne' }
    const with2 = Buffer.from(JSON.stringify({ ...file, people: [...file.people, stranger] }))
    await addPerson(mill, { id: newId(), name: 'Anne (the hill)' })
    const taken = await asked(into(mill, with2, { mark: 'the hill', by: hers }))
    expect(taken.people).toMatchObject([{ id: stranger.id, name: 'Anne (the hill)' }])
    const { settings } = await testMariadb()
    const third = await freshDatabase(settings, 'mellow_third_shop')
    const whole = await fileOf(mill, { of: 'shop' })
    await into(third, whole)
    expect((await fileOf(third, { of: 'shop' })).toString()).toBe(whole.toString())
    expect((await listPeople(third)).items).toEqual((await listPeople(mill)).items)
    await third.sequelize.close()
  })

  it('two strangers of one name, accents, ids that are not in the file, marks that nobody needs', async () => {
    const { settings } = await testMariadb()
    const here = await freshDatabase(settings, 'mellow_cases')
    const [jose, by] = [newId(), newId()]
    await addPerson(here, { id: jose, name: 'Jose' })
    await addPerson(here, { id: by, name: 'Wren' })
    const file = JSON.parse((await fileOf(hill, { of: 'job', id: jobId })).toString()) as ShopFile
    const [first, second] = file.people.filter(({ mergedInto }) => mergedInto === undefined)
    const named = (names: [string, string]) => {
      const people = file.people.map((one) =>
        one.id === first!.id
          ? { ...one, name: names[0] }
          : one.id === second!.id
            ? { ...one, name: names[1] }
            : one,
      )
      return Buffer.from(JSON.stringify({ ...file, people }))
    }
    const both = named(['José', 'JOSE'])
    const namesakes = await asked(into(here, both))
    expect(namesakes.people.map(({ id, here: own }) => [id, own])).toEqual([
      [first!.id, jose],
      [second!.id, jose],
    ])
    // Somebody who is not in the file is nobody’s choice.
    const left = await asked(into(here, both, { same: newId(), by }))
    expect(left.people).toHaveLength(2)
    const long = named(['x'.repeat(78), 'Jose'])
    await addPerson(here, { id: newId(), name: 'x'.repeat(78) })
    const tooLong = into(here, long, { mark: 'Hill', by })
    await expect(tooLong).rejects.toMatchObject({ status: 422, errors: [{ path: '/mark' }] })
    const stranger = into(here, both, { mark: 'Hill', by: newId() })
    await expect(stranger).rejects.toMatchObject({ status: 422, errors: [{ path: '/by' }] })
    expect(await here.models.Entry.count()).toBe(0)
    // Both are he: one person with two more records.
    await into(here, both, { same: [first!.id, second!.id].join(','), by })
    const shown = (await listPeople(here)).items.find(({ id }) => id === jose)!
    expect(shown.also).toEqual(expect.arrayContaining([first!.id, second!.id]))
    const again = await into(here, both, { mark: 'not needed', by })
    expect(again.added).toMatchObject({ people: 0, entries: 0 })
    await here.sequelize.close()
  })
})
