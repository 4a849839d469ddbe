import {
  checkEntry,
  fileIdOf,
  MOST_SHOP_FILE_BYTES,
  NEWEST_SHOP_FILE,
  ShopFileSchema,
  type ShopFile,
} from '../../contract'
import { filesOf, type Entry } from '../../core/journal'
import { checkNewEntry } from '../services/journal/check-new-entry'
import { Refusal } from '../services/refusal'
import { checker } from '../services/validate'
import { digestOf } from './digest'

/** Compiled when the first file comes. */
let check: ((value: unknown) => ShopFile) | undefined

/** A file that was read through and found whole. */
export interface ReadFile {
  file: Omit<ShopFile, 'entries'>
  entries: (Entry & { sequence: number })[]
}

/**
 * Reads a file of a job, a vehicle or the shop: its text, each of its records, and that every name in it leads somewhere.
 * Nothing of it is trusted, and nothing is kept.
 * @throws Refusal 413 or 422, which names the place and what is wrong with it
 */
export function readShopFile(bytes: Uint8Array): ReadFile {
  if (bytes.length > MOST_SHOP_FILE_BYTES)
    throw new Refusal('too-large', 'The file is too large: move a shop of this size by its backup')
  const value = parsed(bytes)
  checkVersion(value)
  check ??= checker(ShopFileSchema)
  const { entries: raw, ...file } = check(value)
  const entries = raw.map((one, i) => entryAt(one, i))
  checkNames(file, entries)
  return { file, entries }
}

/** A newer file is refused in these words, and not by the first field that is strange in it. */
function checkVersion(value: unknown): void {
  const format = (value as { format?: unknown } | null)?.format
  const version = typeof format === 'string' ? /^mellow-anchor file (\d{1,6})$/.exec(format) : null
  if (!version || Number(version[1]) < 1)
    throw new Refusal(
      'invalid',
      'This is no file of a job, a vehicle or a shop. Nothing was read in.',
      [{ path: '/format', message: 'is not “mellow-anchor file” and a number' }],
    )
  if (Number(version[1]) > NEWEST_SHOP_FILE)
    throw new Refusal(
      'newer',
      `The file was made by a newer version of Mellow Anchor (file ${version[1]}; this one reads up to ${NEWEST_SHOP_FILE}). Update this one, then read it in. Nothing was read in.`,
      [{ path: '/format', message: 'is of a newer version' }],
    )
}

function parsed(bytes: Uint8Array): unknown {
  let text: string
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    throw wrong('', 'is not readable as UTF-8')
  }
  try {
    return JSON.parse(text)
  } catch {
    throw wrong('', 'is not readable as JSON')
  }
}

function entryAt(raw: ShopFile['entries'][number], i: number): ReadFile['entries'][number] {
  const { sequence, ...posted } = raw
  try {
    const entry = checkNewEntry(posted)
    const [problem] = checkEntry(entry)
    if (problem) throw wrong(`/entries/${i}${problem.path}`, problem.message)
    return { ...entry, at: new Date(entry.at).toISOString(), sequence }
  } catch (error) {
    if (!(error instanceof Refusal) || error.message.startsWith('Refused: /entries')) throw error
    const [first] = error.errors ?? []
    throw wrong(`/entries/${i}${first?.path ?? ''}`, first?.message ?? 'is no entry')
  }
}

export const wrong = (path: string, message: string): Refusal =>
  new Refusal('invalid', `Refused: ${path || 'the file'} ${message}`, [{ path, message }])

/** Something here has this id, and is something else. */
export const clash = (what: string, id: string, how: string): Refusal =>
  new Refusal('taken', `Refused: ${what} ${id} is here already and ${how}. Nothing was read in.`, [
    { path: `/${what}`, message: `${id} is here already and ${how}` },
  ])

function unique(list: readonly { id: string }[], name: string): Set<string> {
  const seen = new Set<string>()
  list.forEach(({ id }, i) => {
    if (seen.has(id)) throw wrong(`/${name}/${i}/id`, `${id} stands there already`)
    seen.add(id)
  })
  return seen
}

/** Every id stands once, and whatever one record names of another is in the file. */
function checkNames(file: ReadFile['file'], entries: ReadFile['entries']): void {
  const people = unique(file.people, 'people')
  const stands = new Map(file.people.map((one) => [one.id, one]))
  file.people.forEach(({ id, mergedInto }, i) => {
    if (mergedInto === undefined) return
    const other = stands.get(mergedInto)
    if (!other || other.mergedInto !== undefined || mergedInto === id)
      throw wrong(
        `/people/${i}/mergedInto`,
        `${mergedInto} is nobody of this file who stands for another`,
      )
  })
  const vehicles = unique(file.vehicles, 'vehicles')
  const jobs = unique(file.jobs, 'jobs')
  const files = unique(file.files, 'files')
  unique(entries, 'entries')
  file.jobs.forEach(({ vehicleId }, i) => {
    if (!vehicles.has(vehicleId))
      throw wrong(`/jobs/${i}/vehicleId`, `${vehicleId} is no vehicle of this file`)
  })
  file.files.forEach(({ id, sha256, content, thumbnail, digest }, i) => {
    if (fileIdOf(Buffer.from(sha256, 'hex')) !== id)
      throw wrong(`/files/${i}/id`, `${id} is not made from its checksum`)
    if (digestOf(content, thumbnail) !== digest)
      throw wrong(`/files/${i}/digest`, 'does not fit: the photograph is damaged')
    for (const [name, text] of [
      ['content', content],
      ['thumbnail', thumbnail],
    ] as const)
      if (!text.startsWith('/9j/')) throw wrong(`/files/${i}/${name}`, 'is no photograph')
  })
  const newest = new Map<string, number>()
  const seen = new Map<string, string>()
  entries.forEach((entry, i) => {
    const { id, subject, by, sequence, corrects, withdraws } = entry
    const own = subject.type === 'job' ? jobs : vehicles
    if (!own.has(subject.id))
      throw wrong(`/entries/${i}/subject/id`, `${subject.id} is no ${subject.type} of this file`)
    if (!people.has(by)) throw wrong(`/entries/${i}/by`, `${by} is nobody of this file`)
    const key = `${subject.type} ${subject.id}`
    const wanted = (newest.get(key) ?? 0) + 1
    if (sequence !== wanted) throw wrong(`/entries/${i}/sequence`, `must be ${wanted}`)
    newest.set(key, sequence)
    const target = corrects ?? withdraws
    if (target !== undefined && seen.get(target) !== key)
      throw wrong(
        `/entries/${i}/${corrects === undefined ? 'withdraws' : 'corrects'}`,
        `${target} is no earlier entry of the same history`,
      )
    for (const named of filesOf(entry))
      if (!files.has(named))
        throw wrong(`/entries/${i}/payload`, `names the photograph ${named}, which is not in this file`)
    seen.set(id, key)
  })
}
