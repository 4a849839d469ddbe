/** Columns of a parts list, in the order in which it is written; with these names it is read without asking. */
export const PART_COLUMNS = [
  'number',
  'name',
  'kind',
  'supplier',
  'price',
  'currency',
  'stock',
  'lead_days',
  'bore_mm',
  'stroke_mm',
  'outer_mm',
  'inner_mm',
  'thread',
  'pitch_mm',
  'gender',
  'seat',
  'length_mm',
  'notes',
  'grade',
  'superseded_by',
  'place',
] as const
export type PartColumn = (typeof PART_COLUMNS)[number]

/** The part of them that a supplier's list has. */
export const LIST_COLUMNS = PART_COLUMNS.slice(0, 18)
/** Without these no row can be read. */
export const NEEDED_COLUMNS = ['number', 'name', 'kind', 'supplier'] as const

export const COLUMN_WORDS: Record<PartColumn, string> = {
  number: 'Part number',
  name: 'Name',
  kind: 'Kind',
  supplier: 'Supplier',
  price: 'Price',
  currency: 'Currency',
  stock: 'In stock',
  lead_days: 'Days to come',
  bore_mm: 'Bore, mm',
  stroke_mm: 'Stroke, mm',
  outer_mm: 'Outer diameter, mm',
  inner_mm: 'Inner diameter, mm',
  thread: 'Thread',
  pitch_mm: 'Pitch, mm',
  gender: 'Gender',
  seat: 'Seat',
  length_mm: 'Length, mm',
  notes: 'Notes',
  grade: 'Grade',
  superseded_by: 'Superseded by',
  place: 'Place on the shelf',
}

/** Which column of a file each of ours is, by its place from 0; what is not in it is missing. */
export type ColumnMapping = Partial<Record<PartColumn, number>>

const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[_./()-]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

/** How others head these columns; a guess, which is shown before anything is read. */
const OTHERS_SAY: readonly (readonly [PartColumn, RegExp])[] = [
  ['superseded_by', /\b(?:superseded|replaced|replacement)\b/],
  [
    'number',
    /^(?:part|item|article|stock code|code|ref|reference)?\s?(?:number|no|nr|code|#)?$|\bpart no\b/,
  ],
  ['name', /^(?:name|description|title|designation|text)$|\bdescription\b/],
  ['kind', /^(?:kind|type|category|group|class)$/],
  ['supplier', /^(?:supplier|vendor|maker|make|manufacturer|source)$/],
  ['price', /\b(?:price|cost|net)\b/],
  ['currency', /^(?:currency|curr)$/],
  ['stock', /\b(?:stock|qty|quantity|on hand|available)\b/],
  ['lead_days', /\b(?:lead|days|delivery)\b/],
  ['bore_mm', /\bbore\b/],
  ['stroke_mm', /\bstroke\b/],
  ['outer_mm', /\b(?:outer|outside|od)\b/],
  ['inner_mm', /\b(?:inner|inside|id)\b/],
  ['pitch_mm', /\bpitch\b/],
  ['thread', /\bthread\b/],
  ['gender', /\b(?:gender|male|female)\b/],
  ['seat', /\b(?:seat|flare|sealing)\b/],
  ['length_mm', /\blength\b/],
  ['notes', /\b(?:notes?|remarks?|comments?)\b/],
  ['grade', /^(?:grade|quality)$/],
  ['place', /\b(?:place|bin|shelf|location)\b/],
]

/** True where every column is ours and none that is needed is missing: nothing has to be asked. */
export function isOwnHeader(header: readonly string[]): boolean {
  // Refused rows come back with two columns more, and are read in again once they are mended.
  const known = new Set<string>([...PART_COLUMNS, 'wrong_column', 'reason'])
  const names = header.map((one) => one.trim())
  return (
    names.every((one) => known.has(one)) &&
    new Set(names).size === names.length &&
    NEEDED_COLUMNS.every((one) => names.includes(one))
  )
}

/** Which column is which, by name: exact for our own header, a guess for any other. */
export function guessMapping(header: readonly string[]): ColumnMapping {
  const mapping: ColumnMapping = {}
  const taken = new Set<number>()
  const take = (column: PartColumn, at: number) => {
    if (at < 0 || mapping[column] !== undefined) return
    mapping[column] = at
    taken.add(at)
  }
  for (const column of PART_COLUMNS)
    take(
      column,
      header.findIndex((one) => one.trim().toLowerCase() === column),
    )
  for (const [column, way] of OTHERS_SAY)
    take(
      column,
      header.findIndex((one, i) => !taken.has(i) && one.trim() !== '' && way.test(plain(one))),
    )
  return mapping
}

/** Columns that a mapping must have and has not. */
export const missingColumns = (mapping: ColumnMapping, supplier?: string): PartColumn[] =>
  NEEDED_COLUMNS.filter(
    (one) => mapping[one] === undefined && !(one === 'supplier' && supplier?.trim()),
  )
