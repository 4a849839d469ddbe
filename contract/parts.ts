import { Type, type Static } from '@sinclair/typebox'
import { GENDERS, SEATS } from '../core/fitting'
import {
  PART_BOUNDS,
  PART_COLUMNS,
  PART_GRADES,
  PART_KINDS,
  TEXT_BOUNDS,
  type ColumnMapping,
  type ListedPart,
  type PartColumn,
} from '../core/shelf'
import { bounded, Line, OneOf, OrNull, strict, Ulid, type Same } from './shape'

/** Parts on the shelf and in suppliers’ lists. */
const figure = (name: keyof typeof PART_BOUNDS) => Type.Optional(bounded(PART_BOUNDS[name]))
const count = (name: 'stock' | 'leadDays') =>
  OrNull(Type.Integer({ minimum: PART_BOUNDS[name].min, maximum: PART_BOUNDS[name].max }))

const PartEndSchema = Type.Object(
  {
    thread: OrNull(Line(30)),
    gender: OneOf(GENDERS),
    seat: OneOf(SEATS),
  },
  strict,
)
const listed = {
  number: Line(TEXT_BOUNDS.number),
  name: Line(TEXT_BOUNDS.name),
  kind: OneOf(PART_KINDS),
  supplier: Line(TEXT_BOUNDS.supplier),
  price: bounded(PART_BOUNDS.price),
  /** ISO 4217; null for the shop’s own money. */
  currency: OrNull(Type.String({ pattern: '^[A-Z]{3}$' })),
  stock: count('stock'),
  leadDays: count('leadDays'),
  data: Type.Object(
    {
      bore: figure('bore'),
      stroke: figure('stroke'),
      outer: figure('outer'),
      inner: figure('inner'),
      length: figure('length'),
      volume: figure('volume'),
      ends: Type.Optional(Type.Array(PartEndSchema, { maxItems: 2 })),
      notes: Type.Optional(Line(TEXT_BOUNDS.notes)),
    },
    strict,
  ),
  grade: OneOf(PART_GRADES),
  supersededBy: OrNull(Line(TEXT_BOUNDS.number)),
  place: OrNull(Line(TEXT_BOUNDS.place)),
}
export const NewPart = Type.Object({ id: Ulid, ...listed }, strict)
export const PartChange = Type.Object(listed, strict)
export type NewPartBody = Static<typeof NewPart>
export type PartChangeBody = Static<typeof PartChange>
const same: Same<PartChangeBody, ListedPart> = true
void same

/** A part as the server keeps it. */
export interface Part extends ListedPart {
  id: string
  changedAt: string
}

export const PART_SORTS = ['number', 'name', 'kind', 'supplier', 'price', 'stock', 'leadDays'] as const
export type PartSort = (typeof PART_SORTS)[number]
const filters = {
  search: Type.Optional(Type.String({ maxLength: 80 })),
  kind: Type.Optional(OneOf(PART_KINDS)),
  supplier: Type.Optional(Line(TEXT_BOUNDS.supplier)),
  grade: Type.Optional(OneOf(PART_GRADES)),
  /** Only what is in stock. */
  inStock: Type.Optional(OneOf(['yes'])),
}
export const PartsQuery = Type.Object(
  {
    ...filters,
    sort: Type.Optional(OneOf(PART_SORTS)),
    direction: Type.Optional(OneOf(['up', 'down'])),
    limit: Type.Optional(Type.Integer({ minimum: 1, maximum: 200 })),
    /** Rows that are passed over: a list that is scrolled may be entered anywhere. */
    after: Type.Optional(Type.Integer({ minimum: 0, maximum: 10_000_000 })),
  },
  strict,
)
export const PartsCountQuery = Type.Object(filters, strict)
export type PartsQueryValues = Static<typeof PartsQuery>
export type PartsCountQueryValues = Static<typeof PartsCountQuery>

/** What is in the whole shelf, for its filters. */
export interface PartsCount {
  count: number
}
export interface SupplierCount {
  supplier: string
  parts: number
}

/** Needs of a job, for each of which the shelf is asked. */
export const NeedsAsked = Type.Object(
  {
    needs: Type.Array(
      Type.Object(
        {
          id: Line(120),
          kind: OneOf(PART_KINDS),
          quantity: Type.Integer({ minimum: 1, maximum: 1000 }),
          spec: Type.Object(
            {
              bore: figure('bore'),
              outer: figure('outer'),
              inner: figure('inner'),
              thread: Type.Optional(Line(30)),
              volume: figure('volume'),
              name: Type.Optional(Line(80)),
            },
            strict,
          ),
        },
        strict,
      ),
      { maxItems: 80 },
    ),
  },
  strict,
)
export type NeedsAskedBody = Static<typeof NeedsAsked>
/** For one need the parts that answer it, the best first, and what of it they do not tell. */
export interface NeedAnswered {
  id: string
  found: { part: Part; unsure: ('bore' | 'thread' | 'volume')[]; pieces: number }[]
}

/** How a list is read in. */
export const ImportPlan = Type.Object(
  {
    mapping: Type.Record(
      Type.String({ pattern: `^(${PART_COLUMNS.join('|')})$` }),
      Type.Integer({ minimum: 0, maximum: 199 }),
      { additionalProperties: false },
    ),
    /** Of every row, where the list has no column for it. */
    supplier: Type.Optional(Line(TEXT_BOUNDS.supplier)),
    /** Nothing is kept unless every row is good. */
    whole: Type.Optional(Type.Boolean()),
  },
  strict,
)
export interface ImportPlanBody {
  mapping: ColumnMapping
  supplier?: string
  whole?: boolean
}
/** Bytes of a list that is read in. */
export const MOST_LIST_BYTES = 64 * 1024 * 1024

/** A row that was not taken: its line in the file, counted from 1 with the header. */
export interface RefusedRow {
  row: number
  problems: { column: PartColumn; reason: string }[]
}
/** What an import says while it runs, one JSON object a line; the last one ends it. */
export type ImportTold =
  | { stage: 'reading'; rows: number; bad: number; share: number }
  | {
      stage: 'done'
      rows: number
      kept: number
      added: number
      refused: number
      /** The first of them, for the screen. */
      first: RefusedRow[]
      /** Rows that were refused, with column and reason, as a list of their own; empty where none was. */
      csv: string
      /** All or nothing was asked for and a row was bad: nothing was kept. */
      nothing: boolean
    }
  | { stage: 'failed'; detail: string }
/** A mapping as it was kept for a header. */
export interface KeptMapping {
  mapping: ColumnMapping
  supplier: string | null
}
export const HashPath = Type.Object({ hash: Type.String({ pattern: '^[0-9a-f]{64}$' }) }, strict)
