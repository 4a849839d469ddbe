import { Type, type Static } from '@sinclair/typebox'
import type { DueItem } from '../core/due'
import type { WrittenLine } from '../core/search'
import { UNIT_SYSTEMS } from '../core/quantity'
import { OneOf, strict, Ulid } from './shape'

/** What is looked for in everything that was written. */
export const SearchQuery = Type.Object(
  {
    search: Type.String({ minLength: 1, maxLength: 120 }),
    limit: Type.Optional(Type.Integer({ minimum: 1, maximum: 50 })),
  },
  strict,
)
export type SearchQueryValues = Static<typeof SearchQuery>

/** A job or a vehicle in which all of it stands, with the lines that hold it. */
export interface FoundSubject {
  subject: 'job' | 'vehicle'
  id: string
  vehicleId: string
  vehicleName: string
  plate: string | null
  /** Of a job. */
  title: string | null
  at: string
  lines: (WrittenLine & { name: string })[]
}
export interface FoundPart {
  id: string
  words: string
  number: string
}
export interface Found {
  subjects: FoundSubject[]
  /** True where there are more than were asked for. */
  more: boolean
  parts: FoundPart[]
}

export const DueQuery = Type.Object(
  {
    limit: Type.Optional(Type.Integer({ minimum: 1, maximum: 200 })),
    after: Type.Optional(Type.String({ minLength: 1, maxLength: 600 })),
    vehicle: Type.Optional(Ulid),
    /** Of its words. */
    units: Type.Optional(OneOf(UNIT_SYSTEMS)),
  },
  strict,
)
export type DueQueryValues = Static<typeof DueQuery>
/** Something that a vehicle is owed, with whose it is. */
export type DueTold = DueItem & {
  /** In a line: a page that lists it needs no table to word it. */
  words: string
  jobId: string
  title: string
  vehicleId: string
  vehicleName: string
  plate: string | null
}
/** A job on the bench that came back, and which one it was before. */
export interface CameBackTold {
  jobId: string
  title: string
  vehicleName: string
  createdAt: string
  before: { jobId: string; title: string; provenAt: string }
}
