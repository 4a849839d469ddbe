import { GENDERS, SEATS, threadOf, type Gender, type Seat } from '../fitting'
import type { ColumnMapping, PartColumn } from './columns'
import { kindNamed } from './kinds-named'
import {
  PART_BOUNDS,
  PART_GRADES,
  TEXT_BOUNDS,
  type FieldBounds,
  type ListedPart,
  type PartData,
  type PartEnd,
  type PartGrade,
} from './part'

/** Why a row cannot be taken: the column, and what is wrong there. */
export interface RowProblem {
  column: PartColumn
  reason: string
}
export type RowRead = { part: ListedPart } | { problems: RowProblem[] }

/** Between the two ends of one piece, in thread, pitch, gender and seat. */
const ENDS_APART = '>'
/** Two decimals, with a point or a comma, and no sign. */
const MONEY = /^\d{1,8}(?:[.,]\d{1,2})?$/
const NUMBER = /^\d+(?:[.,]\d+)?$/

/**
 * One row of a parts list.
 * @param cells the row's cells as they stand in the file
 * @param mapping which cell is which column
 * @param supplier for every row, where the list has no column for it
 * @returns the part, or every column that is wrong with its bound
 */
export function readRow(cells: readonly string[], mapping: ColumnMapping, supplier?: string): RowRead {
  const problems: RowProblem[] = []
  const bad = (column: PartColumn, reason: string): null => {
    problems.push({ column, reason })
    return null
  }
  const cell = (column: PartColumn): string => {
    const at = mapping[column]
    // An apostrophe before a formula’s sign is how a text is kept from being one; it is no part of the text.
    return at === undefined ? '' : (cells[at] ?? '').trim().replace(/^'(?=[=+\-@])/, '')
  }
  const text = (column: PartColumn, most: number, needed: boolean): string => {
    const value = cell(column)
    if (value === '' && needed) bad(column, 'is empty')
    if (value.length > most) bad(column, `has ${value.length} characters; at most ${most} are kept`)
    if (/\p{Surrogate}/u.test(value) || value.includes('\uFFFD'))
      bad(column, 'holds a character that cannot be read; save the file as UTF-8')
    return value
  }
  const figure = (column: PartColumn, { min, max, unit }: FieldBounds): number | null => {
    const typed = cell(column)
    if (typed === '') return null
    const value = NUMBER.test(typed) ? Number(typed.replace(',', '.')) : NaN
    if (!(value >= min && value <= max))
      return bad(
        column,
        `“${short(typed)}” must be a number from ${min} to ${max}${unit && ` ${unit}`}`,
      )
    return value
  }
  const count = (column: PartColumn, bounds: FieldBounds): number | null => {
    const value = figure(column, bounds)
    return value !== null && !Number.isInteger(value)
      ? bad(column, `“${short(cell(column))}” must be a whole number`)
      : value
  }

  const number = text('number', TEXT_BOUNDS.number, true)
  const name = text('name', TEXT_BOUNDS.name, true)
  const from =
    cell('supplier') === '' && supplier?.trim()
      ? supplier.trim()
      : text('supplier', TEXT_BOUNDS.supplier, true)
  const named = cell('kind')
  const kind = kindNamed(named)
  if (!kind)
    bad('kind', named === '' ? 'is empty' : `“${short(named)}” is no kind of part that is known here`)
  const price = moneyOf(cell('price'), (reason) => bad('price', reason))
  const currency = cell('currency').toUpperCase()
  if (currency !== '' && !/^[A-Z]{3}$/.test(currency))
    bad('currency', `“${short(currency)}” must be three letters, or empty for the shop’s own money`)
  const graded = cell('grade').toLowerCase()
  const grade = (PART_GRADES as readonly string[]).includes(graded) ? (graded as PartGrade) : 'unknown'
  if (graded !== '' && graded !== grade) bad('grade', `must be ${PART_GRADES.join(', ')}`)
  const stock = count('stock', PART_BOUNDS.stock)
  const leadDays = count('lead_days', PART_BOUNDS.leadDays)

  const data: PartData = {}
  for (const [column, field] of [
    ['bore_mm', 'bore'],
    ['stroke_mm', 'stroke'],
    ['outer_mm', 'outer'],
    ['inner_mm', 'inner'],
    ['length_mm', 'length'],
  ] as const) {
    const value = figure(column, PART_BOUNDS[field])
    if (value !== null) data[field] = value
  }
  if (data.outer !== undefined && data.inner !== undefined && data.inner >= data.outer)
    bad('inner_mm', `${data.inner} must be smaller than the outer diameter, ${data.outer}`)
  const ends = endsIn(cell, bad)
  if (ends.length > 0) data.ends = ends
  const volume = kind === 'fluid' || kind === 'bleedKit' ? volumeNamed(name) : null
  if (volume !== null) data.volume = volume
  const notes = text('notes', TEXT_BOUNDS.notes, false)
  if (notes !== '') data.notes = notes
  const supersededBy = text('superseded_by', TEXT_BOUNDS.number, false)
  const place = text('place', TEXT_BOUNDS.place, false)

  if (problems.length > 0 || !kind) return { problems }
  return {
    part: {
      number,
      name,
      kind,
      supplier: from,
      price: price ?? 0,
      currency: currency || null,
      stock,
      leadDays,
      data,
      grade,
      supersededBy: supersededBy || null,
      place: place || null,
    },
  }
}

const CONTAINER = /(\d+(?:[.,]\d+)?)\s?(ml|cl|l|litres?|liters?)\b/i
const MM3: Record<string, number> = { ml: 1000, cl: 10_000 }
/** What a container holds, mm³, where its name says so; a list has no column for it. */
function volumeNamed(name: string): number | null {
  const found = CONTAINER.exec(name)
  if (!found) return null
  const value = Number(found[1]!.replace(',', '.')) * (MM3[found[2]!.toLowerCase()] ?? 1_000_000)
  return value >= PART_BOUNDS.volume.min && value <= PART_BOUNDS.volume.max ? value : null
}

const short = (text: string): string => (text.length > 40 ? `${text.slice(0, 40)}…` : text)

function moneyOf(typed: string, bad: (reason: string) => null): number | null {
  if (typed === '') return null
  return MONEY.test(typed)
    ? Number(typed.replace(',', '.'))
    : bad(
        `“${short(typed)}” must be a price from 0 to ${PART_BOUNDS.price.max} with at most two decimals`,
      )
}

const SEAT_BY_NAME = new Map(SEATS.map((one) => [one.toLowerCase(), one]))
const bare = (text: string): string => text.toLowerCase().replace(/[\s_°-]+/g, '')

/** The ends that a row names: one, or two with “>” between them. */
function endsIn(
  cell: (column: PartColumn) => string,
  bad: (column: PartColumn, reason: string) => null,
): PartEnd[] {
  const parted = (['thread', 'pitch_mm', 'gender', 'seat'] as const).map(
    (column) =>
      [
        column,
        cell(column)
          .split(ENDS_APART)
          .map((one) => one.trim()),
      ] as const,
  )
  const most = Math.max(...parted.map(([, list]) => list.length))
  if (parted.every(([, [first]]) => first === '') && most === 1) return []
  for (const [column, list] of parted)
    if (list.length > 2) {
      bad(column, `names ${list.length} ends; a piece has two`)
      return []
    }
  const at = (i: number, column: number): string => {
    const list = parted[column]![1]
    return list[i] ?? list[0] ?? ''
  }
  const ends: PartEnd[] = []
  for (let i = 0; i < most; i++) {
    const seat = SEAT_BY_NAME.get(bare(at(i, 3)))
    const thread = threadIn(at(i, 0), at(i, 1))
    if (thread === undefined) {
      bad('thread', `“${short(at(i, 0))}” must be as M10x1, or M10 with its pitch, 3/8-24 or G1/8`)
      continue
    }
    if (!seat) {
      // A thread alone is no end: without its seat nothing can be said of what it joins.
      if (at(i, 3) !== '') bad('seat', `“${short(at(i, 3))}” must be one of ${SEATS.join(', ')}`)
      else if (thread !== null) bad('seat', 'is empty beside a thread: what does it seal on?')
      continue
    }
    const said = at(i, 2).toLowerCase()
    const gender = said === '' ? (thread === null ? 'none' : null) : (said as Gender)
    if (gender === null || !(GENDERS as readonly string[]).includes(gender)) {
      bad('gender', `must be ${GENDERS.join(', ')}`)
      continue
    }
    ends.push({ thread, gender, seat: seat as Seat })
  }
  return ends
}

/** A thread out of its name and, where that has none, its pitch; null where there is none, undefined where it cannot be read. */
function threadIn(name: string, pitch: string): string | null | undefined {
  if (name === '') return null
  const given = name.replace(/\s*[x×]\s*/i, 'x').replace(/^m/, 'M')
  const whole =
    /^M\d+(\.\d+)?$/.test(given) && pitch !== '' ? `${given}x${pitch.replace(',', '.')}` : given
  return threadOf(whole) ? whole : undefined
}
