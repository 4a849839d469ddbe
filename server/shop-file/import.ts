import { isDeepStrictEqual } from 'node:util'
import { QueryTypes, type Transaction } from 'sequelize'
import type { ShopFile, ShopFileTold } from '../../contract'
import type { Subject } from '../../core/journal'
import type { Database } from '../database/database'
import type { EntryRow } from '../database/models'
import { inTransaction } from '../database/transaction'
import { committed } from '../live/news'
import { insertEntries } from '../services/journal/append'
import { columnOf, shownEntry } from '../services/journal/entries'
import { putPeople, type Told } from './people'
import { clash, type ReadFile } from './read'
import { AT_ONCE, putTables } from './rows'

type Counts = Record<string, number>

/**
 * Puts a file's records in, all or nothing. What is here already stays, and keeps the name it has here; what has an id of
 * something else here refuses the whole file and is named.
 * @param told who of the file is who here, where a name is the same
 * @throws Refusal 409 or 422; nothing was changed
 */
export async function importShopFile(
  database: Database,
  { file, entries }: ReadFile,
  told: Told = {},
): Promise<ShopFileTold> {
  const done = await inTransaction(database, async (transaction) => {
    const counts: Counts = {}
    const kept: ShopFileTold['kept'] = []
    counts.people = await putPeople(database, file, told, kept, transaction)
    counts.vehicles = await putVehicles(database, file.vehicles, kept, transaction)
    counts.jobs = await putJobs(database, file.jobs, kept, transaction)
    counts.files = await putFiles(database, file.files, transaction)
    counts.entries = await putEntries(database, entries, transaction)
    if (file.tables) Object.assign(counts, await putTables(database, file.tables, kept, transaction))
    return { added: counts, kept }
  })
  committed('entries')
  return { of: file.of, ...done }
}

/** A vehicle as it is called, to its plate and model. */
const labelOf = ({
  name,
  plate,
  model,
}: Pick<ShopFile['vehicles'][number], 'name' | 'plate' | 'model'>) =>
  [name, plate, model].filter((word) => word !== null).join(', ')

async function putVehicles(
  { models }: Database,
  vehicles: ShopFile['vehicles'],
  kept: ShopFileTold['kept'],
  transaction: Transaction,
): Promise<number> {
  const ids = vehicles.map(({ id }) => id)
  const known = new Map(
    (await models.Vehicle.findAll({ where: { id: ids }, transaction })).map((one) => [one.id, one]),
  )
  const fresh = vehicles.filter((one) => {
    const here = known.get(one.id)
    if (here && (here.name !== one.name || here.plate !== one.plate || here.model !== one.model))
      kept.push({ what: 'vehicles', here: labelOf(here), there: labelOf(one) })
    return !here
  })
  await models.Vehicle.bulkCreate(
    fresh.map((one) => ({ ...one, createdAt: new Date(one.createdAt) })),
    { transaction },
  )
  return fresh.length
}

async function putJobs(
  { models }: Database,
  jobs: ShopFile['jobs'],
  kept: ShopFileTold['kept'],
  transaction: Transaction,
): Promise<number> {
  const ids = jobs.map(({ id }) => id)
  const known = new Map(
    (await models.Job.findAll({ where: { id: ids }, transaction })).map((one) => [one.id, one]),
  )
  const fresh = jobs.filter((one) => {
    const here = known.get(one.id)
    if (here && (here.vehicleId !== one.vehicleId || here.kind !== one.kind))
      throw clash('jobs', one.id, `is “${here.title}”`)
    if (here && here.title !== one.title)
      kept.push({ what: 'jobs', here: here.title, there: one.title })
    return !here
  })
  await models.Job.bulkCreate(
    fresh.map((one) => ({ ...one, createdAt: new Date(one.createdAt) })),
    { transaction },
  )
  return fresh.length
}

async function putFiles(
  { sequelize }: Database,
  files: ShopFile['files'],
  transaction: Transaction,
): Promise<number> {
  let added = 0
  for (const { id, sha256, type, width, height, createdAt, ...parts } of files) {
    const [content, thumbnail] = [parts.content, parts.thumbnail].map((text) =>
      Buffer.from(text, 'base64'),
    ) as [Buffer, Buffer]
    const [here] = await sequelize.query<{ same: number }>(
      'SELECT sha256 = ? AND content = ? AND thumbnail = ? AS same FROM files WHERE id = ?',
      {
        replacements: [Buffer.from(sha256, 'hex'), content, thumbnail, id],
        type: QueryTypes.SELECT,
        transaction,
      },
    )
    if (here && !here.same) throw clash('files', id, 'is another photograph')
    if (here) continue
    await sequelize.query(
      `INSERT INTO files (id, sha256, type, bytes, width, height, content, thumbnail, createdAt)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      {
        replacements: [
          id,
          Buffer.from(sha256, 'hex'),
          type,
          content.length,
          width,
          height,
          content,
          thumbnail,
          new Date(createdAt),
        ],
        type: QueryTypes.INSERT,
        transaction,
      },
    )
    added += 1
  }
  return added
}

/** A history that goes on in the file goes on here; one that is told otherwise here is refused. */
async function putEntries(
  database: Database,
  entries: ReadFile['entries'],
  transaction: Transaction,
): Promise<number> {
  const { models, sequelize } = database
  const bySubject = new Map<string, ReadFile['entries']>()
  for (const entry of entries) {
    const key = `${entry.subject.type} ${entry.subject.id}`
    bySubject.set(key, [...(bySubject.get(key) ?? []), entry])
  }
  let added = 0
  for (const [, own] of bySubject) {
    const { subject } = own[0]!
    await sequelize.query(`SELECT id FROM ${subject.type}s WHERE id = ? FOR UPDATE`, {
      replacements: [subject.id],
      type: QueryTypes.SELECT,
      transaction,
    })
    const here = await models.Entry.findAll({
      where: { [columnOf(subject)]: subject.id },
      order: [['sequence', 'ASC']],
      raw: true,
      transaction,
    })
    here.slice(0, own.length).forEach((row, i) => {
      if (!isDeepStrictEqual(shownEntry(row as EntryRow), own[i]))
        throw clash('entries', row.id, 'says something else, or stands elsewhere in its history')
    })
    const fresh = own.slice(here.length)
    for (let i = 0; i < fresh.length; i += AT_ONCE)
      await insert(database, fresh.slice(i, i + AT_ONCE), transaction)
    if (fresh.length > 0) await moveOn(database, subject, fresh.at(-1)!, transaction)
    added += fresh.length
  }
  return added
}

async function insert(
  database: Database,
  entries: ReadFile['entries'],
  transaction: Transaction,
): Promise<void> {
  const ids = entries.map(({ id }) => id)
  const [known] = await database.sequelize.query<{ id: string }>(
    'SELECT id FROM entries WHERE id IN (?)',
    {
      replacements: [ids],
      type: QueryTypes.SELECT,
      transaction,
    },
  )
  if (known) throw clash('entries', known.id, 'belongs to another history')
  await insertEntries(database, entries, transaction)
}

async function moveOn(
  { sequelize }: Database,
  { type, id }: Subject,
  { sequence, at, by }: ReadFile['entries'][number],
  transaction: Transaction,
): Promise<void> {
  const ofJob = type === 'job'
  await sequelize.query(
    `UPDATE ${type}s SET lastSequence = ?, searched = 0${
      ofJob ? ', changedAt = ?, changedById = ?, fresh = 0, changes = changes + 1' : ''
    } WHERE id = ?`,
    {
      replacements: [sequence, ...(ofJob ? [new Date(at), by] : []), id],
      type: QueryTypes.UPDATE,
      transaction,
    },
  )
  if (!ofJob)
    await sequelize.query('UPDATE jobs SET fresh = 0, changes = changes + 1 WHERE vehicleId = ?', {
      replacements: [id],
      type: QueryTypes.UPDATE,
      transaction,
    })
}
