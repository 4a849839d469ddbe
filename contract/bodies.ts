import { Type, type Static } from '@sinclair/typebox'
import type { CircuitPlan, Entry, JobKind, Outcome } from '../core/journal'
import type { NextStep } from '../core/proof'
import { FLUID_KINDS, type FluidKind } from '../core/fluid'
import { FIRSTS, SCOPES, WAYS, type ShopRecord } from '../core/diagnosis'
import { LEARNT, type CameBackCount, type Learning } from '../core/learnt'
import type { PartGrade } from '../core/shelf'
import type { OperationId } from '../core/work'
import { NewEntrySchema } from './entry'
import { JOB_FILTERS } from './filters'
import { DeliveryDaySchema } from './orders'
import { bounded, Instant, Line, OneOf, OrNull, strict, Ulid } from './shape'

/** Bodies and queries of the API. Ids are made where the thing is made, so that sending twice is harmless. */
const LearntSettingSchema = Type.Object({ off: Type.Boolean(), since: OrNull(Instant) }, strict)
/** What the shop charges, and which schools it prefers. */
export const ShopSettings = Type.Object(
  {
    /** What the shop calls itself: it goes along with its files. Left out, it stays as it was. */
    name: Type.Optional(Type.String({ maxLength: 40, pattern: '^[^\\p{Cc}]*$' })),
    hourlyRate: bounded({ min: 0, max: 100_000 }),
    comeback: bounded({ min: 0, max: 1_000_000 }),
    school: Type.Object({ scope: OneOf(SCOPES), way: OneOf(WAYS), first: OneOf(FIRSTS) }, strict),
    /** Closed jobs from then on move the chances; null for all. */
    recordSince: Type.Union([Instant, Type.Null()]),
    /** When parts come; what is left out stays as it was. */
    delivery: Type.Optional(Type.Array(DeliveryDaySchema, { maxItems: 14 })),
    /** What is learnt from this shop’s jobs, figure by figure; what is left out stays as it was. */
    learning: Type.Optional(
      Type.Object(
        Object.fromEntries(LEARNT.map((figure) => [figure, Type.Optional(LearntSettingSchema)])),
        strict,
      ),
    ),
  },
  strict,
)
/** A container of fluid on the shelf; one that is sealed was never opened. */
export const NewContainer = Type.Object(
  {
    id: Ulid,
    kind: OneOf(FLUID_KINDS),
    openedAt: OrNull(Instant),
    /** mm³, as it is sold. */
    volume: bounded({ min: 1000, max: 100_000_000 }),
  },
  strict,
)
export const ContainerChange = Type.Object(
  { openedAt: OrNull(Instant), gone: Type.Optional(Type.Boolean()) },
  strict,
)
export const NewVehicle = Type.Object(
  {
    id: Ulid,
    name: Line(120),
    plate: Type.Optional(Line(20)),
    /** Make and model, as the shop calls it: its record is pooled by it. */
    model: Type.Optional(Line(80)),
    /** Its first history: the installation. */
    entries: Type.Array(NewEntrySchema, { minItems: 1, maxItems: 60 }),
  },
  strict,
)
/** What a job is called, put right. */
export const JobTitle = Type.Object({ title: Line(160) }, strict)
/** What a vehicle is called, put right: all three as they are from now on. */
export const VehicleNames = Type.Object(
  { name: Line(120), plate: OrNull(Line(20)), model: OrNull(Line(80)) },
  strict,
)
export const NewJob = Type.Object(
  {
    id: Ulid,
    vehicleId: Ulid,
    title: Line(160),
    /** Its first history: the goal, and the complaint where there is one. */
    entries: Type.Array(NewEntrySchema, { minItems: 1, maxItems: 60 }),
  },
  strict,
)
/** Each list comes in pages: where a page ends, `next` is what to ask on from, as `after`. */
const paging = {
  limit: Type.Optional(Type.Integer({ minimum: 1, maximum: 200 })),
  after: Type.Optional(Type.String({ minLength: 1, maxLength: 600 })),
}
/** Words that must all be in it, each anywhere. */
const search = Type.Optional(Type.String({ maxLength: 80 }))

export const JobsQuery = Type.Object(
  {
    ...paging,
    search,
    /** On the bench: all but the closed; not proven yet; stopped; proven; closed. */
    filter: Type.Optional(OneOf(JOB_FILTERS)),
    /** In which this person has filed something. */
    person: Type.Optional(Ulid),
    vehicle: Type.Optional(Ulid),
    sort: Type.Optional(OneOf(['changed', 'opened'])),
  },
  strict,
)
export const VehiclesQuery = Type.Object(
  { ...paging, search, sort: Type.Optional(OneOf(['name', 'newest'])) },
  strict,
)
export const PeopleQuery = Type.Object({ ...paging, search }, strict)
export const PeopleChangesQuery = Type.Object(paging, strict)
/** Entries after a sequence number, or the newest before one. */
export const EntriesQuery = Type.Object(
  {
    after: Type.Optional(Type.Integer({ minimum: 0, maximum: 4_294_967_295 })),
    before: Type.Optional(Type.Integer({ minimum: 1, maximum: 4_294_967_295 })),
    limit: Type.Optional(Type.Integer({ minimum: 1, maximum: 2000 })),
  },
  strict,
)
/** A subject is opened by the entries that bear its state, or whole. */
export const OpenQuery = Type.Object({ entries: Type.Optional(OneOf(['all', 'state'])) }, strict)
/** Where a stream of a subject goes on: the sequences known, of the job and of its vehicle. */
export const LiveQuery = Type.Object(
  { after: Type.Optional(Type.String({ pattern: '^\\d{1,10}(\\.\\d{1,10})?$' })) },
  strict,
)
/** A photograph whole, or small enough for a list. */
export const FileQuery = Type.Object({ size: Type.Optional(OneOf(['full', 'small'])) }, strict)
export const ModelQuery = Type.Object({ model: Line(80) }, strict)
export const IdPath = Type.Object({ id: Ulid }, strict)

export type ShopSettingsBody = Omit<Static<typeof ShopSettings>, 'learning'> & { learning?: Learning }
export type NewContainerBody = Static<typeof NewContainer>
export type ContainerChangeBody = Static<typeof ContainerChange>
export type NewVehicleBody = Static<typeof NewVehicle>
export type JobTitleBody = Static<typeof JobTitle>
export type VehicleNamesBody = Static<typeof VehicleNames>
export type NewJobBody = Static<typeof NewJob>
export type JobsQueryValues = Static<typeof JobsQuery>
export type VehiclesQueryValues = Static<typeof VehiclesQuery>
export type PeopleQueryValues = Static<typeof PeopleQuery>
export type PeopleChangesQueryValues = Static<typeof PeopleChangesQuery>
export type EntriesQueryValues = Static<typeof EntriesQuery>

/** What the API answers. */
export interface Page<T> {
  items: T[]
  /** Null where nothing comes after. */
  next: string | null
}
/** A container of fluid: what is in it, since when it is open, null where sealed, and what is left, mm³. */
export interface Container {
  id: string
  kind: FluidKind
  openedAt: string | null
  volume: number
  left: number
}
/** A change that was put off until the vehicle has gone so far, by the job that planned it. */
export interface PutOffTold {
  jobId: string
  title: string
  plan: CircuitPlan
  /** km on the clock when it was put off; null where nobody read it. */
  mileage: number | null
  at: string
}
/** Of proven jobs those that came back. */
export interface LearntTold {
  all: CameBackCount
  models: ({ model: string | null } & CameBackCount)[]
  repairs: ({ operation: OperationId } & CameBackCount)[]
  makers: ({ supplier: string; grade: PartGrade } & CameBackCount)[]
}
export interface Shop {
  settings: ShopSettingsBody
  record: ShopRecord
}
export interface Vehicle {
  id: string
  name: string
  plate: string | null
  model: string | null
  createdAt: string
  /** Sequence of its newest entry. */
  lastSequence: number
}
export interface Job {
  id: string
  vehicleId: string
  title: string
  kind: JobKind
  createdAt: string
  lastSequence: number
}
/** A job on the bench, with what its entries say. */
export interface BenchJob extends Job {
  vehicleName: string
  lastAt: string
  lastBy: string
  /** Of the verdict that stands. */
  outcome: Outcome | null
  step: NextStep
}
/** What the search on a job would do next, in words. */
export interface JobLook {
  /** To act now rather than to look on: the repairs; empty where it is to be left as it is. Null while looking pays. */
  act: string | null
  look: { label: string; minutes: number } | null
  lead: { label: string; chance: number } | null
}
export interface WithEntries<T> {
  subject: T
  entries: Entry[]
  /** True where some are left out that do not bear the state; those before the newest given are fetched behind. */
  partial: boolean
}
export interface Health {
  status: 'ok' | 'degraded'
  /** Down: no answer. Behind: tables of an older version. Failing: it answers, but cannot read or write its tables. */
  database: 'up' | 'down' | 'behind' | 'failing'
  schema: string | null
}
