import { QueryTypes, Transaction } from 'sequelize'
import { SHELF_TABLES, SHOP_FILE, type ShopFile } from '../../contract'
import { filesOf, installationFrom, type Entry, type Subject } from '../../core/journal'
import type { Database } from '../database/database'
import { columnOf, shownEntry } from '../services/journal/entries'
import type { EntryRow } from '../database/models'
import { notFound } from '../services/refusal'
import { shopName } from '../services/shop/shop'
import { canonical } from './canonical'
import { digestOf } from './digest'
import { rowsOf } from './tables'

export type WhatFile = { of: 'job' | 'vehicle'; id: string } | { of: 'shop' }

/**
 * A job with its vehicle, a vehicle with its jobs, or the whole shop, as it is at one moment: JSON with its keys sorted, a record
 * on each line, so that the same shop is the same file to the byte.
 * @throws Refusal 404 where there is no such job or vehicle
 */
export async function* writeShopFile(database: Database, what: WhatFile): AsyncGenerator<string> {
  const transaction = await database.sequelize.transaction({
    // One moment for all of it, while others go on filing.
    isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ,
  })
  try {
    yield* written(database, what, transaction)
  } finally {
    // Nothing was written; whoever goes away in the midst of it gives the connection back, too.
    await transaction.rollback()
  }
}

interface Named {
  vehicles: ShopFile['vehicles']
  jobs: ShopFile['jobs']
}

async function* written(
  database: Database,
  what: WhatFile,
  transaction: Transaction,
): AsyncGenerator<string> {
  const { vehicles, jobs } = await subjectsOf(database, what, transaction)
  const people = new Set<string>()
  const files = new Set<string>()
  const ofVehicle = new Map<string, Entry[]>()
  const installations: ShopFile['installations'] = []
  const subjects: Subject[] = [
    ...vehicles.map(({ id }): Subject => ({ type: 'vehicle', id })),
    ...jobs.map(({ id }): Subject => ({ type: 'job', id })),
  ]
  const vehicleOf = new Map(jobs.map(({ id, vehicleId }) => [id, vehicleId]))

  yield '{\n"entries":['
  let first = true
  for (const subject of subjects) {
    const history = await historyOf(database, subject, transaction)
    if (subject.type === 'vehicle') ofVehicle.set(subject.id, history)
    const start =
      subject.type === 'vehicle'
        ? null
        : installationFrom(ofVehicle.get(vehicleOf.get(subject.id)!) ?? [])
    const installation = installationFrom(history, start)
    if (installation) installations.push({ of: subject, installation })
    for (const entry of history) {
      people.add(entry.by)
      for (const file of filesOf(entry)) files.add(file)
      yield `${first ? '' : ','}\n${canonical(entry)}`
      first = false
    }
  }
  yield `\n],\n"files":[`
  yield* photographs(database, [...files].sort(), transaction)
  yield `\n],\n"format":${JSON.stringify(SHOP_FILE)},\n`
  yield* list('installations', installations)
  yield ',\n'
  yield* list('jobs', jobs)
  yield ',\n'
  yield `"of":${JSON.stringify(what.of)},\n`
  yield* list('people', await peopleOf(database, what.of === 'shop' ? null : [...people], transaction))
  yield ',\n'
  const shop = await shopName(database)
  if (shop !== '') yield `"shop":${JSON.stringify(shop)},\n`
  if (what.of === 'shop') {
    yield '"tables":{'
    let table = 0
    for (const name of [...SHELF_TABLES].sort()) {
      yield `${table++ === 0 ? '' : ','}\n`
      yield* list(name, rowsOf(database, name, transaction))
    }
    yield '\n},\n'
  }
  yield* list('vehicles', vehicles)
  yield '\n}\n'
}

/** A list under its name, record by record: others have their turn in between. */
async function* list(
  name: string,
  rows: Iterable<unknown> | AsyncIterable<unknown>,
): AsyncGenerator<string> {
  yield `${JSON.stringify(name)}:[`
  let first = true
  for await (const row of rows) {
    yield `${first ? '' : ','}\n${canonical(row)}`
    first = false
  }
  yield '\n]'
}

async function subjectsOf(
  { models }: Database,
  what: WhatFile,
  transaction: Transaction,
): Promise<Named> {
  const job = what.of === 'job' ? await models.Job.findByPk(what.id, { transaction }) : null
  if (what.of === 'job' && !job) throw notFound('job')
  const vehicleId = what.of === 'vehicle' ? what.id : job?.vehicleId
  const vehicles = await models.Vehicle.findAll({
    ...(vehicleId !== undefined && { where: { id: vehicleId } }),
    order: [['id', 'ASC']],
    raw: true,
    transaction,
  })
  if (what.of === 'vehicle' && vehicles.length === 0) throw notFound('vehicle')
  const jobs = job
    ? [job]
    : await models.Job.findAll({
        ...(vehicleId !== undefined && { where: { vehicleId } }),
        order: [['id', 'ASC']],
        raw: true,
        transaction,
      })
  return {
    vehicles: vehicles.map(({ id, name, plate, model, createdAt }) => ({
      id,
      name,
      plate,
      model,
      createdAt: createdAt.toISOString(),
    })),
    jobs: jobs.map((one) => ({
      id: one.id,
      vehicleId: one.vehicleId,
      title: one.title,
      kind: one.kind,
      createdAt: one.createdAt.toISOString(),
    })),
  }
}

async function historyOf(
  { models }: Database,
  subject: Subject,
  transaction: Transaction,
): Promise<Entry[]> {
  const rows = await models.Entry.findAll({
    where: { [columnOf(subject)]: subject.id },
    order: [['sequence', 'ASC']],
    raw: true,
    transaction,
  })
  return rows.map((row) => shownEntry(row as EntryRow))
}

/** Also those that stand for them. @param ids null for everybody */
async function peopleOf(
  { models }: Database,
  ids: readonly string[] | null,
  transaction: Transaction,
): Promise<ShopFile['people']> {
  const rows = await models.Person.findAll({
    ...(ids && { where: { id: [...ids] } }),
    transaction,
  })
  const own = new Set(rows.map(({ id }) => id))
  const stand = rows.flatMap(({ mergedInto }) => (mergedInto !== null ? [mergedInto] : []))
  const missing = stand.filter((id) => !own.has(id))
  rows.push(...(await models.Person.findAll({ where: { id: missing }, transaction })))
  return rows
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map(({ id, name, units, createdAt, mergedInto }) => ({
      id,
      name,
      units,
      createdAt: createdAt.toISOString(),
      ...(mergedInto !== null && { mergedInto }),
    }))
}

/** One by one: photographs of years do not fit into memory at once. */
async function* photographs(
  { sequelize }: Database,
  ids: readonly string[],
  transaction: Transaction,
): AsyncGenerator<string> {
  let first = true
  for (const id of ids) {
    const [row] = await sequelize.query<{
      sha256: Buffer
      type: 'image/jpeg'
      width: number
      height: number
      content: Buffer
      thumbnail: Buffer
      createdAt: Date
    }>('SELECT sha256, type, width, height, content, thumbnail, createdAt FROM files WHERE id = ?', {
      replacements: [id],
      type: QueryTypes.SELECT,
      transaction,
    })
    if (!row) continue
    const [content, thumbnail] = [row.content.toString('base64'), row.thumbnail.toString('base64')]
    const file: ShopFile['files'][number] = {
      id,
      sha256: row.sha256.toString('hex'),
      type: row.type,
      width: row.width,
      height: row.height,
      createdAt: row.createdAt.toISOString(),
      content,
      thumbnail,
      digest: digestOf(content, thumbnail),
    }
    yield `${first ? '' : ','}\n${canonical(file)}`
    first = false
  }
}
