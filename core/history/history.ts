import { isImplausible } from '../circuit'
import type { ComplaintId, FaultId, FindingId } from '../diagnosis'
import { fluidChanged, fluidNow, monthsBetween } from '../due'
import {
  fluidFrom,
  fold,
  installationFrom,
  type Entry,
  type JobKind,
  type JobState,
  type Outcome,
  type Phase,
} from '../journal'
import { phaseFigures, workOn } from '../proof'
import type { OperationId } from '../work'

/** A figure of a vehicle as it was on a day, in one of its jobs. */
export interface TrendPoint {
  at: string
  jobId: string
  phase: Exclude<Phase, 'working'>
  value: number
}
/** Air in the circuit, mm³ at standard atmosphere, with its 90 % range. */
export interface AirPoint extends TrendPoint {
  low: number
  high: number
}
/** The fluid as a job left it. */
export interface FluidPoint {
  at: string
  jobId: string
  /** Day on which it was last changed, as far as was known then. */
  changed: string | null
  /** Months since. */
  months: number | null
  /** °C; null where it cannot be told. */
  boils: { low: number; value: number; high: number; measured: boolean } | null
}
/** A leak as it was seen: where, and in which jobs. */
export interface LeakSeen {
  finding: FindingId
  seen: { at: string; jobId: string }[]
  /** Seen again in a job after one that was proven. */
  again: boolean
}
export interface HistoryJob {
  id: string
  title: string
  kind: JobKind
  openedAt: string
  provenAt: string | null
  outcome: Outcome | null
  complaints: ComplaintId[]
  causes: FaultId[]
  did: OperationId[]
  cycles: number
  /** Id of the job that came back with this one. */
  cameBackOf: string | null
}
export interface VehicleHistory {
  /** The newest first. */
  jobs: HistoryJob[]
  freeTravel: TrendPoint[]
  air: AirPoint[]
  fluid: FluidPoint[]
  leaks: LeakSeen[]
}

/** A job as the history is made from it. */
export interface JobOfVehicle {
  id: string
  title: string
  kind: JobKind
  createdAt: string
  provenAt: string | null
  outcome: Outcome | null
  cameBackOf: string | null
  entries: readonly Entry[]
}

/** Findings that are fluid where none should be. */
export const LEAKS: readonly FindingId[] = [
  'rodEndDamp',
  'carpetWet',
  'bellHoleWet',
  'outletDamp',
  'pipeDamp',
  'hoseDamp',
  'unionsWet',
  'reservoirDamp',
  'bootWet',
  'bootWetAgain',
  'slaveUnionDamp',
  'bleederDamp',
]
const PHASES = ['asFound', 'after'] as const

/**
 * What a vehicle's jobs say of it over the years: free travel and air as found and as left, the fluid's age and where it boils,
 * and leaks that come back. Points are in the order of time.
 */
export function vehicleHistory(
  jobs: readonly JobOfVehicle[],
  ofVehicle: readonly Entry[],
): VehicleHistory {
  const inOrder = [...jobs].sort(
    (a, b) => a.createdAt.localeCompare(b.createdAt) || a.id.localeCompare(b.id),
  )
  const history: VehicleHistory = { jobs: [], freeTravel: [], air: [], fluid: [], leaks: [] }
  const leaks = new Map<FindingId, LeakSeen>()
  let proven: string | null = null
  /** When its fluid was last changed, as the jobs so far know. */
  let changed: string | null = null
  for (const job of inOrder) {
    const state = fold(job.entries)
    history.jobs.unshift(told(job, state))
    readingsOf(job, state, ofVehicle, history)
    const fluid = fluidOf(job, state, ofVehicle, changed)
    history.fluid.push(...fluid)
    changed = fluid[0]?.changed ?? changed
    for (const [finding, at] of wet(state)) {
      const known = leaks.get(finding)
      // Seen before, and something was proven since: it has come back.
      const again = known !== undefined && proven !== null && known.seen.at(-1)!.at < proven
      const seen = { at, jobId: job.id }
      if (!known) leaks.set(finding, { finding, seen: [seen], again: false })
      else {
        known.seen.push(seen)
        known.again ||= again
      }
    }
    if (job.provenAt !== null && (proven === null || job.provenAt > proven)) proven = job.provenAt
  }
  for (const list of [history.freeTravel, history.air, history.fluid])
    list.sort((a, b) => a.at.localeCompare(b.at))
  history.leaks = [...leaks.values()].sort((a, b) => Number(b.again) - Number(a.again))
  return history
}

const told = (
  { id, title, kind, createdAt, provenAt, outcome, cameBackOf }: JobOfVehicle,
  state: JobState,
): HistoryJob => ({
  id,
  title,
  kind,
  openedAt: createdAt,
  provenAt,
  outcome,
  complaints: state.complaints.map(({ complaint }) => complaint),
  causes: state.cause?.payload.faults ?? [],
  did: workOn(state),
  cycles: state.bleed.cycles.length,
  cameBackOf,
})

function readingsOf(
  job: JobOfVehicle,
  state: JobState,
  ofVehicle: readonly Entry[],
  history: VehicleHistory,
): void {
  const installation = installationFrom(job.entries, installationFrom(ofVehicle))
  for (const phase of PHASES) {
    const held = state.readings[phase].freeTravel
    const point = held && { at: held.at, jobId: job.id, phase }
    if (point) history.freeTravel.push({ ...point, value: held.payload.value })
    if (!point || !installation) continue
    const { air } = phaseFigures(installation, state.readings[phase])
    // Where reading and circuit do not fit there is no figure to be drawn.
    if (air && !isImplausible(air))
      history.air.push({
        ...point,
        value: Math.max(0, air.air),
        low: Math.max(0, air.low),
        high: Math.max(0, air.high),
      })
  }
}

function fluidOf(
  { id, entries, createdAt }: JobOfVehicle,
  state: JobState,
  ofVehicle: readonly Entry[],
  before: string | null,
): FluidPoint[] {
  const installation = installationFrom(entries, installationFrom(ofVehicle))
  const at = entries.at(-1)?.at ?? createdAt
  const changed = fluidChanged(state, installation)?.slice(0, 10) ?? before
  const earlier = before === null ? undefined : { changed: before, at }
  const answer = fluidNow(state, installation, fluidFrom(ofVehicle), earlier)
  const boiling = answer?.boiling
  if (changed === null && !boiling) return []
  return [
    {
      at,
      jobId: id,
      changed,
      months: changed === null ? null : monthsBetween(changed, at),
      boils: boiling ? { ...boiling, measured: answer.from === 'measured' } : null,
    },
  ]
}

/** Leaks of a job, each with when it was seen last. */
function wet(state: JobState): [FindingId, string][] {
  return LEAKS.flatMap((finding): [FindingId, string][] => {
    const seen = (['asFound', 'working', 'after'] as const)
      .map((phase) => state.found[phase][finding])
      .filter((held) => held?.payload.state === 'present')
      .map((held) => held!.at)
      .sort()
      .at(-1)
    return seen === undefined ? [] : [[finding, seen]]
  })
}
