import type { GoodFigures } from '../diagnosis'
import { SLICES, type Kind, type SliceName, type Slices } from '../entries'
import type { EntryKind } from '../entries'
import { InputError, readCircuit } from '../circuit'
import type { PedalReadings } from '../estimate'
import { withChosen, withJoint, withMeasured, withRoute, type Installation } from '../installation'
import { timeline, type Standing, type Timeline } from './effective'
import type { Entry, EntryOf } from './entry'
import type { FluidInside, Held } from '../entries'
import { understood } from './understood'

/** Present state of a job: the slices of its stages, and the history that they were folded from. */
export type JobState = AllOf<Slices[SliceName]> & {
  /** Everything that stands, in order. */
  history: Standing[]
  withdrawn: ReadonlySet<string>
}
/** All of a union at once. */
type AllOf<U> = (U extends unknown ? (one: U) => void : never) extends (all: infer A) => void
  ? A
  : never

const NAMES = Object.keys(SLICES) as SliceName[]

/** Present state of a job: what its entries say, in sequence order. */
export function fold(entries: readonly Entry[]): JobState {
  const line = timeline(entries)
  return stateOf(
    line,
    NAMES.map((name) => foldSlice(name, line.standing)),
  )
}

/** The state that slices make, with the history behind them. */
export const stateOf = (
  { standing, withdrawn }: Timeline,
  slices: readonly Slices[SliceName][],
): JobState => Object.assign({}, ...slices, { history: standing, withdrawn }) as JobState

/** One stage's slice, from its own kinds alone. */
export function foldSlice<S extends SliceName>(name: S, standing: readonly Standing[]): Slices[S] {
  const { start, kinds } = SLICES[name]
  const slice = start()
  for (const stands of standing) {
    const { kind } = stands.holds
    if (!Object.hasOwn(kinds, kind) || !understood(stands.holds)) continue
    const own = (kinds as Record<string, EntryKind<unknown, unknown>>)[kind]!
    own.take(slice, held(stands, stands.holds))
  }
  return slice
}

/** Standing entries of a slice's own kinds: while these stay the same, so does the slice. */
export const ofSlice = (name: SliceName, standing: readonly Standing[]): Standing[] =>
  standing.filter(({ holds }) => Object.hasOwn(SLICES[name].kinds, holds.kind))

function held<K extends Kind>(stands: Standing, holds: EntryOf<K>): Held<EntryOf<K>['payload']> {
  const { origin, corrections } = stands
  return {
    payload: holds.payload,
    id: origin.id,
    at: holds.at,
    by: holds.by,
    sent: origin.sequence !== undefined && holds.sequence !== undefined,
    ...(origin.filedAt !== undefined && { filedAt: origin.filedAt }),
    corrections,
  }
}

/**
 * The installation that a history leaves: its last installation entry, and each field measured since.
 * @param start what holds before the history's first entry; a job starts from its vehicle's.
 */
export function installationFrom(
  entries: readonly Entry[],
  start: Installation | null = null,
): Installation | null {
  let installation = start
  for (const { holds } of timeline(entries).standing) {
    if (holds.kind === 'installation') installation = holds.payload
    else if (holds.kind === 'parameter' && installation)
      installation = measured(installation, holds.payload.field, holds.payload.value)
    else if (holds.kind === 'joint' && installation && holds.payload.verdict === null)
      installation = withJoint(installation, holds.payload.at, holds.payload)
    else if (holds.kind === 'route' && installation)
      installation = withRoute(installation, holds.payload.points)
  }
  return installation
}

/** The field set, or nothing changed where it has no place or the circuit could no longer be read. */
function measured(installation: Installation, field: string, value: number | string): Installation {
  try {
    if (typeof value === 'string') return withChosen(installation, field, value)
    const next = withMeasured(installation, field, value)
    readCircuit(next.circuit)
    return next
  } catch (error) {
    if (error instanceof InputError) return installation
    throw error
  }
}

/** The newest readings of a vehicle whose pedal was known to be good; null where none were taken. */
export function calibrationFrom(entries: readonly Entry[]): Held<PedalReadings> | null {
  let found: Held<PedalReadings> | null = null
  for (const stands of timeline(entries).standing)
    if (stands.holds.kind === 'calibration') found = held(stands, stands.holds)
  return found
}

/** What a vehicle's own history says of the fluid inside; null where it says nothing. */
export function fluidFrom(entries: readonly Entry[]): FluidInside | null {
  let found: FluidInside | null = null
  for (const { holds } of timeline(entries).standing)
    if (holds.kind === 'fluidInside') found = holds.payload
  return found
}

/** Of a calibration, the figures that a pedal showed when it was good. */
export function goodFigures(calibration: Held<PedalReadings> | null): GoodFigures {
  const { freeTravel, takeUpHeight, rodStroke } = calibration?.payload ?? {}
  return {
    ...(freeTravel !== undefined && { freeTravel }),
    ...(takeUpHeight !== undefined && { takeUpHeight }),
    ...(rodStroke !== undefined && { rodStroke }),
  }
}
