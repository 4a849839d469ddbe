import type { PartColumn } from './columns'
import { PART_COLUMNS } from './columns'
import type { ListedPart, PartEnd } from './part'

const apart = (ends: readonly PartEnd[], of: (end: PartEnd) => string): string => {
  const told = ends.map(of)
  // Told once where both ends have it in common; two ends that differ anywhere stay two.
  return told.every((one) => one === '') ? '' : told.join(' > ')
}

/** A part as a row of the list, cell by cell in the order of its columns; reading it gives the same part. */
export function writeRow(part: ListedPart): string[] {
  const { data } = part
  const ends = data.ends ?? []
  const figure = (value: number | null | undefined): string => (value ?? '').toString()
  const cells: Record<PartColumn, string> = {
    number: part.number,
    name: part.name,
    kind: part.kind,
    supplier: part.supplier,
    price: part.price.toFixed(2),
    currency: part.currency ?? '',
    stock: figure(part.stock),
    lead_days: figure(part.leadDays),
    bore_mm: figure(data.bore),
    stroke_mm: figure(data.stroke),
    outer_mm: figure(data.outer),
    inner_mm: figure(data.inner),
    thread: apart(ends, ({ thread }) => thread ?? ''),
    // The thread's own name carries it.
    pitch_mm: '',
    gender: apart(ends, ({ gender }) => gender),
    seat: apart(ends, ({ seat }) => seat),
    length_mm: figure(data.length),
    notes: data.notes ?? '',
    grade: part.grade,
    superseded_by: part.supersededBy ?? '',
    place: part.place ?? '',
  }
  return PART_COLUMNS.map((column) => cells[column])
}

/** Characters with which a spreadsheet begins a formula. */
const FORMULA = /^[=+\-@\t\r]/
const NUMBER = /^[+-]\d+(?:[.,]\d+)?$/
/** A text that a spreadsheet opens as text: one that would be a formula gets an apostrophe before it. */
export const plainForSheets = (text: string): string =>
  FORMULA.test(text) && !NUMBER.test(text) ? `'${text}` : text
