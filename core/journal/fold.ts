import { InputError, readCircuit } from '../circuit'
import type { ComplaintId, FindingId, Need, ReadingName } from '../diagnosis'
import type { PedalReadings } from '../estimate'
import { withMeasured, withRoute, type Installation } from '../installation'
import { timeline, type Standing } from './effective'
import { understood } from './understood'
import type {
  BleedCycle,
  Cause,
  Condition,
  DecisionMade,
  Entry,
  EntryOf,
  Finding,
  Goal,
  Graded,
  Kind,
  Measurement,
  Phase,
  Plan,
  TakenOver,
  TopUp,
  Verdict,
} from './entry'

/** A payload that holds, and the entries behind it. */
export interface Held<T> {
  payload: T
  /** Id of the first entry; what a correction or an undo names. */
  id: string
  at: string
  by: string
  /** False while it waits to be sent. */
  sent: boolean
  /** Corrections that were made to it; more than one are rivals, and the last holds. */
  corrections: Entry[]
}

export type Readings = Partial<Record<ReadingName, Held<Measurement>>>
export type Found = Partial<Record<FindingId, Held<Finding>>>

export interface BleedLog {
  cycles: Held<BleedCycle>[]
  topUps: Held<TopUp>[]
  strokes: number
  strokesSinceTopUp: number
  /** Volume in the bottle since the last top-up, where it was read; mm³. */
  bottleSinceTopUp: number
  /** Clear cycles in a row at the end. */
  clearInRow: number
}

export interface JobState {
  goal: Held<Goal> | null
  complaints: { complaint: ComplaintId; held: Held<{ complaint: ComplaintId; words?: string }> }[]
  /** Latest state of each finding in each phase. */
  found: Record<Phase, Found>
  /** Latest of each reading in each phase. */
  readings: Record<Phase, Readings>
  /** Free travel and the rest as they went while bleeding, in order. */
  course: Held<Measurement>[]
  bleed: BleedLog
  /** How each felt or heard thing went after the work. */
  graded: Partial<Record<ComplaintId | FindingId, Held<Graded>>>
  /** What was said to hold in the workshop; what was not is as usual. */
  conditions: Partial<Record<Need, Held<Condition>>>
  /** Stops that a named person has taken over. */
  takenOver: Partial<Record<TakenOver['stop'], Held<TakenOver>>>
  decision: Held<DecisionMade> | null
  cause: Held<Cause> | null
  /** What is planned for the circuit; null where nothing is. */
  plan: Held<Plan> | null
  verdict: Held<Verdict> | null
  notes: Held<{ words: string }>[]
  /** Everything that stands, in order. */
  history: Standing[]
  withdrawn: ReadonlySet<string>
}

/** Present state of a job: what its entries say, in sequence order. */
export function fold(entries: readonly Entry[]): JobState {
  const { standing, withdrawn } = timeline(entries)
  const state: JobState = {
    goal: null,
    complaints: [],
    found: { asFound: {}, working: {}, after: {} },
    readings: { asFound: {}, working: {}, after: {} },
    course: [],
    bleed: {
      cycles: [],
      topUps: [],
      strokes: 0,
      strokesSinceTopUp: 0,
      bottleSinceTopUp: 0,
      clearInRow: 0,
    },
    graded: {},
    conditions: {},
    takenOver: {},
    decision: null,
    cause: null,
    plan: null,
    verdict: null,
    notes: [],
    history: standing,
    withdrawn,
  }
  for (const stands of standing) if (understood(stands.holds)) take(state, stands)
  return state
}

function take(state: JobState, stands: Standing): void {
  const { holds } = stands
  switch (holds.kind) {
    case 'goal':
      state.goal = held(stands, holds)
      break
    case 'complaint':
      state.complaints = state.complaints.filter((c) => c.complaint !== holds.payload.complaint)
      state.complaints.push({ complaint: holds.payload.complaint, held: held(stands, holds) })
      break
    case 'finding':
      state.found[holds.payload.phase][holds.payload.finding] = held(stands, holds)
      break
    case 'measurement':
      state.readings[holds.payload.phase][holds.payload.reading] = held(stands, holds)
      if (holds.payload.phase === 'working') state.course.push(held(stands, holds))
      break
    case 'graded':
      state.graded[holds.payload.of] = held(stands, holds)
      break
    case 'condition':
      state.conditions[holds.payload.condition] = held(stands, holds)
      break
    case 'takenOver':
      state.takenOver[holds.payload.stop] = held(stands, holds)
      break
    case 'decision':
      state.decision = held(stands, holds)
      break
    case 'cause':
      state.cause = held(stands, holds)
      break
    case 'bleedCycle':
      takeCycle(state.bleed, held(stands, holds))
      break
    case 'topUp':
      state.bleed.topUps.push(held(stands, holds))
      state.bleed.strokesSinceTopUp = 0
      state.bleed.bottleSinceTopUp = 0
      break
    case 'plan':
      state.plan = held(stands, holds)
      break
    case 'verdict':
      state.verdict = held(stands, holds)
      break
    case 'note':
      state.notes.push(held(stands, holds))
      break
    default:
      // Installation, parameter and route entries belong to installationFrom, calibrations to calibrationFrom.
      break
  }
}

function takeCycle(bleed: BleedLog, cycle: Held<BleedCycle>): void {
  const { strokes, cameOut, bottle = 0 } = cycle.payload
  bleed.cycles.push(cycle)
  bleed.strokes += strokes
  bleed.strokesSinceTopUp += strokes
  bleed.bottleSinceTopUp += bottle
  bleed.clearInRow = cameOut === 'clear' ? bleed.clearInRow + 1 : 0
}

function held<K extends Kind>(stands: Standing, holds: EntryOf<K>): Held<EntryOf<K>['payload']> {
  const { origin, corrections } = stands
  return {
    payload: holds.payload,
    id: origin.id,
    at: holds.at,
    by: holds.by,
    sent: origin.sequence !== undefined && holds.sequence !== undefined,
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
    else if (holds.kind === 'route' && installation)
      installation = withRoute(installation, holds.payload.points)
  }
  return installation
}

/** The field set, or nothing changed where it has no place or the circuit could no longer be read. */
function measured(installation: Installation, field: string, value: number): Installation {
  try {
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
