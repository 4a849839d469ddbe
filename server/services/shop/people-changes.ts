import { QueryTypes, type Transaction } from 'sequelize'
import type {
  NewPeopleChangeBody,
  Page,
  PeopleChange,
  PeopleChangesQueryValues,
} from '../../../contract'
import type { Database } from '../../database/database'
import type { PersonRow } from '../../database/models'
import { inTransaction } from '../../database/transaction'
import { asColumn, pageOf, pastCursor, whereOf } from '../lists/paging'
import { knownPerson } from './people'
import { notFound, Refusal } from '../refusal'

/** What is kept of a change: the names, and of a merging whose record stands for it and which ones went along. */
export interface Kept {
  from: string
  to: string
  into?: string
  along?: string[]
}
interface Row {
  id: string
  personId: string
  kind: PeopleChange['kind']
  payload: string | Kept
  at: Date
  filedAt: Date
  byId: string
  byName: string
  mergedInto: string | null
  newest: number
}
const keptIn = ({ payload }: Pick<Row, 'payload'>): Kept =>
  typeof payload === 'string' ? (JSON.parse(payload) as Kept) : payload

const SELECT = `SELECT c.*, one.name AS byName, p.mergedInto,
    c.id = (SELECT l.id FROM people_entries l WHERE l.personId = c.personId ORDER BY l.filedAt DESC, l.id DESC LIMIT 1)
      AS newest
  FROM people_entries c JOIN people p ON p.id = c.personId JOIN people w ON w.id = c.byId
  JOIN people one ON one.id = COALESCE(w.mergedInto, w.id)`

function shownChange(row: Row): PeopleChange {
  const { id, personId, kind, at, byName, newest, mergedInto } = row
  const { from, to } = keptIn(row)
  const isMerged = mergedInto !== null
  // A merging is taken back for as long as it holds; a name only while nothing came after it.
  const stands = kind === 'merged' ? isMerged && newest === 1 : kind === 'renamed' && newest === 1
  return { id, personId, kind, from, to, at: at.toISOString(), by: byName, stands }
}

/** What was done to people’s names, the newest first. */
export async function listPeopleChanges(
  { sequelize }: Database,
  { limit = 50, after }: PeopleChangesQueryValues = {},
): Promise<Page<PeopleChange>> {
  const where = after ? [pastCursor(after, ['c.filedAt', 'c.id'], 'DESC')] : []
  const rows = await sequelize.query<Row>(
    `${SELECT} ${whereOf(where)} ORDER BY c.filedAt DESC, c.id DESC LIMIT ?`,
    { replacements: [...where.flatMap(({ values }) => values), limit + 1], type: QueryTypes.SELECT },
  )
  return pageOf(rows, limit, ({ filedAt, id }) => [asColumn(filedAt), id], shownChange)
}

/**
 * Gives a person another name, merges two records of one person, or parts them again; the same change again changes nothing.
 * @throws Refusal 404, 409 where a name is taken or the records do not stand so, 422 where something is missing
 */
export async function changePeople(
  database: Database,
  change: NewPeopleChangeBody,
): Promise<{ change: PeopleChange; created: boolean }> {
  return inTransaction(database, async (transaction) => {
    const known = await changeById(database, change.id, transaction)
    if (known) {
      if (isSame(known, change)) return { change: shownChange(known), created: false }
      throw new Refusal('taken', 'This id belongs to another change')
    }
    await knownPerson(database, change.by, transaction)
    const kept = await DONE[change.kind](database, change, transaction)
    await keepPeopleChange(database, change, kept, transaction)
    return { change: shownChange((await changeById(database, change.id, transaction))!), created: true }
  })
}

function isSame(known: Row, { personId, kind, name, into }: NewPeopleChangeBody): boolean {
  const kept = keptIn(known)
  return (
    known.personId === personId &&
    known.kind === kind &&
    (kind === 'merged' ? kept.into === into : name === undefined || kept.to === name.trim())
  )
}

export async function keepPeopleChange(
  { sequelize }: Database,
  { id, personId, kind, at, by }: NewPeopleChangeBody,
  kept: Kept,
  transaction: Transaction,
): Promise<void> {
  await sequelize.query(
    'INSERT INTO people_entries (id, personId, kind, payload, at, byId, filedAt) VALUES (?, ?, ?, ?, ?, ?, ?)',
    {
      replacements: [id, personId, kind, JSON.stringify(kept), new Date(at), by, new Date()],
      type: QueryTypes.INSERT,
      transaction,
    },
  )
}

async function changeById(
  { sequelize }: Database,
  id: string,
  transaction: Transaction,
): Promise<Row | null> {
  const [row] = await sequelize.query<Row>(`${SELECT} WHERE c.id = ?`, {
    replacements: [id],
    type: QueryTypes.SELECT,
    transaction,
  })
  return row ?? null
}

type Work = (database: Database, change: NewPeopleChangeBody, transaction: Transaction) => Promise<Kept>

const DONE: Record<NewPeopleChangeBody['kind'], Work> = {
  renamed: async (database, { personId, name }, transaction) => {
    const to = needed(name, 'name').trim()
    const person = await locked(database, personId, 'person', transaction)
    if (person.mergedInto !== null)
      throw new Refusal('merged', `${person.name} is merged into somebody: part them first`)
    await free(database, to, personId, transaction)
    const from = person.name
    await person.update({ name: to }, { transaction })
    return { from, to }
  },
  merged: async (database, { personId, into }, transaction) => {
    const target = needed(into, 'into')
    if (target === personId) throw wrongField('into', 'is the same record')
    // In one order, whoever asks: two that merge the same two do not wait for each other.
    const rows = new Map<string, PersonRow>()
    for (const id of [personId, target].sort())
      rows.set(
        id,
        await locked(database, id, id === target ? 'person to merge into' : 'person', transaction),
      )
    const [person, stands] = [rows.get(personId)!, rows.get(target)!]
    for (const one of [person, stands])
      if (one.mergedInto !== null)
        throw new Refusal('merged', `${one.name} is merged into somebody already`)
    const along = (
      await database.models.Person.findAll({ where: { mergedInto: personId }, transaction })
    ).map(({ id }) => id)
    await database.models.Person.update(
      { mergedInto: target },
      { where: { id: [personId, ...along] }, transaction },
    )
    return { from: person.name, to: stands.name, into: target, along }
  },
  parted: async (database, { personId, name }, transaction) => {
    const person = await locked(database, personId, 'person', transaction)
    const into = person.mergedInto
    if (into === null) throw new Refusal('not-merged', `${person.name} is merged into nobody`)
    const to = (name ?? person.name).trim()
    await free(database, to, personId, transaction)
    const from = person.name
    const merging = await lastMerging(database, personId, transaction)
    await person.update({ mergedInto: null, name: to }, { transaction })
    const along: string[] = []
    for (const id of merging?.along ?? []) {
      // One that was parted since and merged by itself stays where that put it.
      const own = await lastMerging(database, id, transaction)
      if (own === null || own.into === personId) along.push(id)
    }
    if (along.length > 0)
      await database.models.Person.update(
        { mergedInto: personId },
        { where: { id: along, mergedInto: into }, transaction },
      )
    return { from, to, into, along }
  },
}

/** How a record was merged last; null where that was in another shop. */
async function lastMerging(
  { sequelize }: Database,
  personId: string,
  transaction: Transaction,
): Promise<Kept | null> {
  const [row] = await sequelize.query<Row>(
    `SELECT payload FROM people_entries WHERE personId = ? AND kind = 'merged' ORDER BY filedAt DESC, id DESC LIMIT 1`,
    { replacements: [personId], type: QueryTypes.SELECT, transaction },
  )
  return row ? keptIn(row) : null
}

function needed(value: string | undefined, field: string): string {
  if (value === undefined) throw wrongField(field, 'is missing')
  return value
}
const wrongField = (field: string, message: string): Refusal =>
  new Refusal('invalid', `Refused: /${field} ${message}`, [{ path: `/${field}`, message }])

async function locked(
  { models }: Database,
  id: string,
  what: string,
  transaction: Transaction,
): Promise<PersonRow> {
  const row = await models.Person.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE })
  if (!row) throw notFound(what)
  return row
}

/** @throws Refusal 409 where somebody else is shown under this name */
async function free(
  { models }: Database,
  name: string,
  but: string,
  transaction: Transaction,
): Promise<void> {
  const other = await models.Person.findOne({ where: { name, mergedInto: null }, transaction })
  if (other && other.id !== but)
    throw new Refusal(
      'name-taken',
      `There is a ${other.name} already: choose another name, or merge the two where they are one person`,
      [{ path: '/name', message: 'is taken' }],
    )
}
