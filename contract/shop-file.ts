import { Type, type Static } from '@sinclair/typebox'
import { JOB_KINDS } from '../core/journal'
import { UNIT_SYSTEMS } from '../core/quantity'
import { Instant, Line, OneOf, OrNull, strict, Ulid } from './shape'

/** A job, a vehicle with its jobs, or the whole shop, as one file. */
export const SHOP_FILE = 'mellow-anchor file 2'
/** Before two records of one person could be merged: the same without it. */
export const FIRST_SHOP_FILE = 'mellow-anchor file 1'
/** Versions that are read: what a newer one says is not guessed. */
export const NEWEST_SHOP_FILE = 2
/** Bytes that such a file may have when it is read in; a larger shop is moved by backup and restore. */
export const MOST_SHOP_FILE_BYTES = 64 * 1024 * 1024

const Sequence = Type.Integer({ minimum: 1, maximum: 4_294_967_295 })
const Base64 = (maxLength: number) => Type.String({ maxLength, pattern: '^[A-Za-z0-9+/]*={0,2}$' })
const Sha256 = Type.String({ pattern: '^[0-9a-f]{64}$' })

/** A row of one of the shop's own tables: cells as the database writes them. */
const Row = Type.Record(
  Type.String({ pattern: '^[a-zA-Z]{1,40}$' }),
  Type.Union([Type.String({ maxLength: 1_000_000 }), Type.Number(), Type.Null()]),
  { maxProperties: 40 },
)
/** Tables of the whole shop besides its people, vehicles, jobs, entries and photographs; each after those that it names. */
export const SHELF_TABLES = [
  'shop',
  'containers',
  'container_use',
  'parts',
  'part_mappings',
  'orders',
  'order_lines',
  'order_events',
  'packages',
  'people_entries',
] as const
export type ShelfTable = (typeof SHELF_TABLES)[number]
/** Tables that files of the first version do not have. */
const LATER_TABLES: ReadonlySet<ShelfTable> = new Set(['people_entries'])

/** All but the entries, which have a schema each, and are checked one by one. */
export const ShopFileSchema = Type.Object(
  {
    format: OneOf([FIRST_SHOP_FILE, SHOP_FILE]),
    of: OneOf(['job', 'vehicle', 'shop']),
    people: Type.Array(
      Type.Object(
        {
          id: Ulid,
          name: Line(80),
          units: OneOf(UNIT_SYSTEMS),
          createdAt: Instant,
          /** The record of this file that stands for this one. */
          mergedInto: Type.Optional(Ulid),
        },
        strict,
      ),
      { maxItems: 10_000 },
    ),
    /** What the shop calls itself. */
    shop: Type.Optional(Line(40)),
    vehicles: Type.Array(
      Type.Object(
        {
          id: Ulid,
          name: Line(120),
          plate: OrNull(Line(20)),
          model: OrNull(Line(80)),
          createdAt: Instant,
        },
        strict,
      ),
      { maxItems: 100_000 },
    ),
    jobs: Type.Array(
      Type.Object(
        { id: Ulid, vehicleId: Ulid, title: Line(160), kind: OneOf(JOB_KINDS), createdAt: Instant },
        strict,
      ),
      { maxItems: 100_000 },
    ),
    entries: Type.Array(
      Type.Object({ id: Ulid, kind: Type.String({ maxLength: 24 }), sequence: Sequence }),
      {
        maxItems: 2_000_000,
      },
    ),
    /** As it lies now, by vehicle and job: for other programs; read in, it follows from the entries. */
    installations: Type.Array(
      Type.Object(
        {
          of: Type.Object({ type: OneOf(['job', 'vehicle']), id: Ulid }, strict),
          installation: Type.Unknown(),
        },
        strict,
      ),
      { maxItems: 200_000 },
    ),
    files: Type.Array(
      Type.Object(
        {
          id: Ulid,
          /** Of the photograph as it was sent: the id is made from it. */
          sha256: Sha256,
          type: Type.Literal('image/jpeg'),
          width: Type.Integer({ minimum: 1, maximum: 65_535 }),
          height: Type.Integer({ minimum: 1, maximum: 65_535 }),
          createdAt: Instant,
          content: Base64(24_000_000),
          thumbnail: Base64(2_000_000),
          /** SHA-256 of content and thumbnail as they stand here. */
          digest: Sha256,
        },
        strict,
      ),
      { maxItems: 100_000 },
    ),
    tables: Type.Optional(
      Type.Object(
        Object.fromEntries(
          SHELF_TABLES.map((name) => [
            name,
            LATER_TABLES.has(name) ? Type.Optional(Type.Array(Row)) : Type.Array(Row),
          ]),
        ) as Record<ShelfTable, ReturnType<typeof Type.Array<typeof Row>>>,
        strict,
      ),
    ),
  },
  strict,
)
export type ShopFile = Static<typeof ShopFileSchema>
/** What came of reading a file in. */
export interface ShopFileTold {
  of: ShopFile['of']
  /** Rows that are new here, by what they are; the rest was here already, the same. */
  added: Record<string, number>
  /** Names, titles and settings that differ in the file: what stands here stays. */
  kept: { what: 'people' | 'vehicles' | 'jobs' | 'shop' | 'parts'; here: string; there: string }[]
}

/** The schema as it is published. */
export const publishedShopFileSchema = () => ({
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: SHOP_FILE,
  title: 'Mellow Anchor file of a job, a vehicle or the shop, version 2',
  ...(JSON.parse(JSON.stringify(ShopFileSchema)) as object),
})
