import { Type, type Static } from '@sinclair/typebox'
import { UNIT_SYSTEMS, type UnitSystem } from '../core/quantity'
import { Instant, Line, OneOf, strict, Ulid } from './shape'

/** People are never taken away, for entries name them: they are given another name, or two records of one person are merged. */
export const NewPerson = Type.Object({ id: Ulid, name: Line(80) }, strict)
/** How a person reads figures, on any device. */
export const PersonSettings = Type.Object({ units: OneOf(UNIT_SYSTEMS) }, strict)
export const PEOPLE_CHANGES = ['renamed', 'merged', 'parted'] as const
export type PeopleChangeKind = (typeof PEOPLE_CHANGES)[number]
/** What is done to a person’s record, with who and when. Parted takes a merging back; a name goes with it where the old one is taken. */
export const NewPeopleChange = Type.Object(
  {
    id: Ulid,
    personId: Ulid,
    kind: OneOf(PEOPLE_CHANGES),
    /** Of renamed, and of parted where the old one is taken. */
    name: Type.Optional(Line(80)),
    /** Of merged: who stands for this person from now on. */
    into: Type.Optional(Ulid),
    by: Ulid,
    at: Instant,
  },
  strict,
)
/** Who of a file of another shop is who here, where a name is the same: `same` are one person, all others get the mark. */
export const ImportQuery = Type.Object(
  {
    same: Type.Optional(
      Type.String({ maxLength: 11_000, pattern: '^([0-9A-Z]{26}(,[0-9A-Z]{26})*)?$' }),
    ),
    mark: Type.Optional(Line(40)),
    by: Type.Optional(Ulid),
  },
  strict,
)

export type NewPersonBody = Static<typeof NewPerson>
export type PersonSettingsBody = Static<typeof PersonSettings>
export type NewPeopleChangeBody = Static<typeof NewPeopleChange>
export type ImportQueryValues = Static<typeof ImportQuery>

export interface Person {
  id: string
  name: string
  units: UnitSystem
  /** Other records of this person, by id: entries may name them. */
  also: string[]
}
export interface PeopleChange {
  id: string
  personId: string
  kind: PeopleChangeKind
  /** The name before, and after; of a merging whose name stands for it. */
  from: string
  to: string
  at: string
  by: string
  /** Whether it may be taken back as things stand. */
  stands: boolean
}
/** People of a file whose names are somebody else’s here. */
export interface Namesakes {
  /** What the other shop calls itself; null where it does not say. */
  shop: string | null
  people: { id: string; name: string; here: string }[]
}
