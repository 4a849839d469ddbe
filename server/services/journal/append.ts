import { isDeepStrictEqual } from 'node:util'
import { QueryTypes, type Transaction } from 'sequelize'
import { checkEntry } from '../../../contract'
import { filesOf, type Entry, type Kind, type Subject } from '../../../core/journal'
import type { Database } from '../../database/database'
import { closingProblem, filedBeforeClosing } from './closing'
import { containersKept, containersOf, recountContainers } from '../shelf/containers'
import { shownEntry, withFiledAt } from './entries'
import { filesKept } from './files'
import { notFound, Refusal } from '../refusal'
import { recountOrders } from '../orders/settle-orders'
import type { EntryRow } from '../../database/models'

/** What became of an entry that was sent: stored, there already, or refused. */
export type Appended = { entry: Entry; created: boolean } | Refusal

/** What a vehicle's own history says that bears on its jobs: their stops, and when its fluid is due. */
const BEARS_ON_JOBS: ReadonlySet<Kind> = new Set([
  'installation',
  'parameter',
  'route',
  'joint',
  'fluidInside',
  'withdrawal',
])

/** People who were seen in the database; nobody is ever taken out of it. */
const seenPeople = new WeakMap<Database, Set<string>>()

/** What is wrong with an entry whatever is in the database; null where nothing is. */
export function refusalOf(subject: Subject, entry: Entry): Refusal | null {
  if (entry.subject.type !== subject.type || entry.subject.id !== subject.id)
    return new Refusal('wrong-subject', 'The entry names another subject than its address', [
      { path: '/subject/id', message: 'must be the subject that it is posted to' },
    ])
  const problems = checkEntry(entry)
  return problems[0]
    ? new Refusal('invalid', `Refused: ${problems[0].path} ${problems[0].message}`, problems)
    : null
}

/**
 * Appends entries of one subject within a transaction. Its row is the lock that puts them in one order, without a gap.
 * The same entry again changes nothing; the same id with other content is refused, and does not hold up the others.
 *
 * @throws Refusal where there is no such subject
 */
export async function appendWithin(
  database: Database,
  subject: Subject,
  entries: readonly Entry[],
  transaction: Transaction,
): Promise<Appended[]> {
  const [last, known, people, files, containers, filed] = await Promise.all([
    lockedSequence(database, subject, transaction),
    entriesById(database, entries.flatMap(namedBy), transaction),
    strangers(database, entries, transaction),
    filesKept(database, entries.flatMap(filesOf)),
    containersKept(database, containersOf(entries), transaction),
    filedBeforeClosing(database, subject, entries, transaction),
  ])
  if (last === null) throw notFound(subject.type)
  const fresh: Entry[] = []
  const now = new Date()
  const done = entries.map((entry): Appended => {
    const refusal = refusalOf(subject, entry)
    if (refusal) return refusal
    const stored = known.get(entry.id)
    if (stored)
      return sameContent(stored, entry)
        ? { entry: stored, created: false }
        : new Refusal('entry-differs', 'An entry with this id and other content is already filed')
    const wrong =
      targetProblem(subject, entry, known) ??
      personProblem(entry, people) ??
      fileProblem(entry, files) ??
      containerProblem(entry, containers) ??
      closingProblem(entry, [...filed, ...fresh])
    if (wrong) return wrong
    const at = new Date(entry.at).toISOString()
    const made = withFiledAt({ ...entry, at, sequence: last + fresh.length + 1 }, now)
    fresh.push(made)
    known.set(made.id, made)
    return { entry: made, created: true }
  })
  // One after the other on one connection, without waiting for the answer between them.
  if (fresh.length > 0)
    await Promise.all([
      insertEntries(database, fresh, transaction, now),
      moveOn(database, subject, fresh, transaction),
    ])
  if (subject.type === 'job') {
    await recountContainers(database, subject, fresh, transaction)
    await recountOrders(database, subject, fresh, transaction)
  }
  return done
}

/** The first entries of a subject that is being made: all of them, or the first refusal. */
export async function appendFirst(
  database: Database,
  subject: Subject,
  entries: readonly Entry[],
  transaction: Transaction,
): Promise<void> {
  const answers = await appendWithin(database, subject, entries, transaction)
  const refusal = answers.find((answer) => answer instanceof Refusal)
  if (refusal) throw refusal
}

const namedBy = ({ id, corrects, withdraws }: Entry): string[] =>
  [id, corrects, withdraws].filter((one) => one !== undefined)

async function lockedSequence(
  { sequelize }: Database,
  { type, id }: Subject,
  transaction: Transaction,
): Promise<number | null> {
  const rows = await sequelize.query<{ lastSequence: number }>(
    `SELECT lastSequence FROM ${type}s WHERE id = ? FOR UPDATE`,
    { replacements: [id], type: QueryTypes.SELECT, transaction },
  )
  return rows[0]?.lastSequence ?? null
}

async function entriesById(
  { sequelize }: Database,
  ids: string[],
  transaction: Transaction,
): Promise<Map<string, Entry>> {
  const rows = await sequelize.query<EntryRow>('SELECT * FROM entries WHERE id IN (?)', {
    replacements: [ids],
    type: QueryTypes.SELECT,
    transaction,
  })
  return new Map(rows.map((row) => [row.id, shownEntry(row)]))
}

/** Ids of `by` that belong to nobody here. */
async function strangers(
  database: Database,
  entries: readonly Entry[],
  transaction: Transaction,
): Promise<ReadonlySet<string>> {
  let seen = seenPeople.get(database)
  if (!seen) seenPeople.set(database, (seen = new Set()))
  const unseen = new Set(entries.map(({ by }) => by).filter((by) => !seen.has(by)))
  if (unseen.size === 0) return unseen
  const rows = await database.models.Person.findAll({
    where: { id: [...unseen] },
    attributes: ['id'],
    transaction,
  })
  for (const { id } of rows) {
    seen.add(id)
    unseen.delete(id)
  }
  return unseen
}

const personProblem = ({ by }: Entry, strangers: ReadonlySet<string>): Refusal | null =>
  strangers.has(by)
    ? new Refusal('nobody', 'Nobody with this id works here: pick a name at the bench', [
        { path: '/by', message: 'is not a person here' },
      ])
    : null

const fileProblem = (entry: Entry, kept: ReadonlySet<string>): Refusal | null =>
  filesOf(entry).every((id) => kept.has(id))
    ? null
    : new Refusal('no-file', 'The photograph of this entry has not come here', [
        {
          path: entry.kind === 'photo' ? '/payload/file' : '/payload/photo',
          message: 'names no photograph that is kept here',
        },
      ])

const containerProblem = (entry: Entry, kept: ReadonlySet<string>): Refusal | null =>
  containersOf([entry]).every((id) => kept.has(id))
    ? null
    : new Refusal('no-container', 'The container of this entry is not on the shelf here', [
        { path: '/payload/container', message: 'names no container that is kept here' },
      ])

/** A correction or withdrawal acts on an entry of the same subject; a correction keeps its kind. */
function targetProblem(
  subject: Subject,
  { kind, corrects, withdraws }: Entry,
  known: ReadonlyMap<string, Entry>,
): Refusal | null {
  const id = corrects ?? withdraws
  if (id === undefined) return null
  const path = corrects === undefined ? '/withdraws' : '/corrects'
  const target = known.get(id)
  if (!target || target.subject.id !== subject.id || target.subject.type !== subject.type)
    return new Refusal('no-target', 'The entry that this one acts on is not in this history', [
      { path, message: 'names no entry of this subject' },
    ])
  if (target.kind === 'order' && (corrects !== undefined || target.payload.happened === 'placed'))
    return new Refusal('by-order', 'An order that went out is cancelled with the order, not here', [
      { path, message: 'names an order that went out' },
    ])
  if (corrects !== undefined && target.kind !== kind)
    return new Refusal('other-kind', `A ${target.kind} is put right by a ${target.kind}`, [
      { path: '/kind', message: `must be ${target.kind}` },
    ])
  return null
}

/** Rows of new entries, each with its sequence. */
export async function insertEntries(
  { sequelize }: Database,
  entries: readonly Entry[],
  transaction: Transaction,
  filedAt: Date | null = null,
): Promise<void> {
  const row = (entry: Entry) => [
    entry.id,
    entry.subject.type === 'job' ? entry.subject.id : null,
    entry.subject.type === 'vehicle' ? entry.subject.id : null,
    entry.sequence,
    entry.kind,
    new Date(entry.at),
    entry.by,
    JSON.stringify(entry.payload),
    entry.corrects ?? null,
    entry.withdraws ?? null,
    filedAt,
  ]
  const places = '(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)'
  await sequelize.query(
    `INSERT INTO entries (id, jobId, vehicleId, sequence, kind, at, byId, payload, corrects, withdraws, filedAt)
     VALUES ${entries.map(() => places).join(', ')}`,
    { replacements: entries.flatMap(row), type: QueryTypes.INSERT, transaction },
  )
}

/** The subject's last sequence; what was kept with a job is no longer fresh. */
async function moveOn(
  { sequelize }: Database,
  { type, id }: Subject,
  entries: readonly Entry[],
  transaction: Transaction,
): Promise<void> {
  const { sequence, at, by } = entries.at(-1)!
  const run = (sql: string, replacements: unknown[]) =>
    sequelize.query(sql, { replacements, type: QueryTypes.UPDATE, transaction })
  if (type === 'job')
    await run(
      `UPDATE jobs SET lastSequence = ?, changedAt = ?, changedById = ?, fresh = 0, searched = 0, changes = changes + 1
        WHERE id = ?`,
      [sequence, new Date(at), by, id],
    )
  else {
    await run('UPDATE vehicles SET lastSequence = ?, searched = 0 WHERE id = ?', [sequence, id])
    if (entries.some(({ kind }) => BEARS_ON_JOBS.has(kind)))
      await run('UPDATE jobs SET fresh = 0, changes = changes + 1 WHERE vehicleId = ?', [id])
  }
}

/** Equal but for what the server adds; the order of fields does not matter. */
function sameContent(stored: Entry, posted: Entry): boolean {
  const { sequence: _, filedAt: __, ...rest } = stored
  return isDeepStrictEqual(rest, { ...posted, at: new Date(posted.at).toISOString() })
}
