import {
  isImplausible,
  isRodInDoubt,
  judgeRodStroke,
  NINETY,
  rodState,
  WANTED_RESERVE,
} from '../circuit'
import { FINDING_IDS, findingKind, stopsOf, type FindingId } from '../diagnosis'
import { isCrossed } from '../fluid'
import { assumedFigures, type Installation } from '../installation'
import type { Held, JobState, Kind, TakenOver, Verdict, VerdictReason } from '../journal'
import { REBUILT, type Rebuilt } from '../rebuild'
import { proofChecks, readingsOwed } from './asked'
import { leftOver } from './on-vehicle'
import { phaseFigures, type PhaseFigures } from './phase'
import { LIMITS } from './rules'

/** Figures of a job before and after, and the verdict that they add up to. */
export interface Proof {
  before: PhaseFigures
  after: PhaseFigures
  verdict: Verdict
}

/**
 * Judges a job: stop where anything must stop it, not yet where anything is owed or short, else pass.
 * Every reason carries its figure and limit where it has one.
 */
export function judge(
  installation: Installation,
  state: JobState,
  wantedReserve = WANTED_RESERVE,
): Proof {
  const before = phaseFigures(installation, state.readings.asFound, wantedReserve)
  const after = phaseFigures(installation, state.readings.after, wantedReserve)
  return { before, after, verdict: verdictOf(after, installation, state, wantedReserve) }
}

/** The verdict alone, where the figures after the work are known already. */
export function verdictOf(
  after: PhaseFigures,
  installation: Installation,
  state: JobState,
  wantedReserve = WANTED_RESERVE,
): Verdict {
  const reasons = [
    ...stopFindings(state),
    ...felt(state),
    ...rod(after, state),
    ...air(after, wantedReserve),
    ...takeUp(state, wantedReserve),
    ...sinkOf(state),
    ...strokeOf(after, state),
    ...bleed(state),
    ...owed(state),
    ...checks(installation, state),
    ...ledger(state),
  ]
  const has = (outcome: VerdictReason['outcome']) =>
    reasons.some((reason) => reason.outcome === outcome)
  const outcome = has('stop') ? 'stop' : has('notYet') ? 'notYet' : 'pass'
  return { outcome, reasons }
}

/** Whether the job was proven, and nothing has been filed since that bears on it: whatever shows a job asks this. */
export function isProven({ verdict, history }: JobState): boolean {
  if (verdict?.payload.outcome !== 'pass') return false
  const at = history.findIndex(({ origin }) => origin.id === verdict.id)
  const filed = sequenceOf(history[at]!)
  return !history.some((one) => BEARS.has(one.holds.kind) && sequenceOf(one) > filed)
}
/** What a verdict rests on. */
const BEARS: ReadonlySet<Kind> = new Set<Kind>([
  'complaint',
  'finding',
  'measurement',
  'bleedCycle',
  'workDone',
  'graded',
  'installation',
  'parameter',
  'putOn',
  'removed',
  'boreCheck',
])
/** When an entry, or the last correction of it, came; what waits to be sent is newer than all. */
const sequenceOf = ({ origin, corrections }: JobState['history'][number]): number =>
  Math.max(...[origin, ...corrections].map(({ sequence }) => sequence ?? Infinity))

/** What the driver complained of comes first: a job is not proven while that is as it was, or nobody has asked. */
const felt = (state: JobState): VerdictReason[] =>
  state.complaints.map(({ complaint }): VerdictReason => {
    const said = state.graded[complaint]?.payload
    if (!said) return { rule: complaint, outcome: 'notYet', code: 'owed' }
    if (said.grade === 'gone') return { rule: complaint, outcome: 'pass', code: 'gone' }
    // A partial cure is one where what is left is named, or what is done about it.
    const named = said.remaining !== undefined || said.words !== undefined
    return said.grade === 'less' && named
      ? { rule: complaint, outcome: 'pass', code: 'less' }
      : { rule: complaint, outcome: 'notYet', code: said.grade }
  })

/** A stop that is open: nobody goes on along that path until it is mended or somebody takes it over. */
export interface OpenStop {
  stop: TakenOver['stop']
  words: string
  /** Who took it over and why; null while nobody has. */
  takenOver: Held<TakenOver> | null
}

/**
 * Stop-work findings that are present and were not later found absent, and a rod that is measured too long before the
 * work is proven.
 */
export function openStops(state: JobState, portClosure?: number): OpenStop[] {
  const findings: Partial<Record<FindingId, 'present' | 'absent'>> = {}
  for (const id of FINDING_IDS) {
    const said = latest(state, id)
    if (said !== 'notLooked') findings[id] = said
  }
  if (hasWrongFluid(state)) findings.fluidWrong = 'present'
  const value = measuredRod(state)
  const readings = value === null ? {} : { rodClearance: { value } }
  const rejected = rejectedBores(state)
  // A bore is rejected where it is going to be rebuilt: once its cylinder is renewed, it stops nothing.
  const rebuilt = rejected.some((cylinder) => isRebuilt(state, cylinder))
  if (rejected.length > 0) delete findings.borePitted
  if (rebuilt) findings.borePitted = 'present'
  const rebuilding = rebuilt || state.decision?.payload.way === 'rebuild'
  return stopsOf({ findings, readings }, portClosure ?? null, rebuilding).map(({ stop, words }) => ({
    stop,
    words,
    takenOver: state.takenOver[stop] ?? null,
  }))
}

/** Cylinders whose bore was judged and rejected. */
const rejectedBores = ({ bores }: Pick<JobState, 'bores'>): Rebuilt[] =>
  REBUILT.filter((cylinder) => bores[cylinder]?.payload.verdict === 'reject')
/** Whether a cylinder is to be rebuilt by the plan, or, where there is none for it, by the decision. */
function isRebuilt({ workPlan, decision }: JobState, cylinder: Rebuilt): boolean {
  const name = cylinder === 'master' ? 'Master' : 'Slave'
  const packages = workPlan?.payload.packages.map(({ id }) => id) ?? []
  if (packages.includes(`renew${name}`)) return false
  if (packages.includes(`rebuild${name}`)) return true
  return decision?.payload.way === 'rebuild' && decision.payload.repairs.includes(cylinder)
}

/** Fluid inside that its maker's rubber does not bear, or that something else was filled onto since. */
function hasWrongFluid({ fluidInside, fluidUsed }: JobState): boolean {
  if (!fluidInside) return false
  const { kind, wanted = 'unknown' } = fluidInside.payload
  const since = fluidUsed.filter(({ at }) => at >= fluidInside.at)
  return [wanted, ...since.map(({ payload }) => payload.kind ?? 'unknown')].some((other) =>
    isCrossed(kind, other),
  )
}

/** The rod by its last reading; one that may be nothing ends no earlier one that was too long. */
function measuredRod({ readings }: JobState): number | null {
  let doubtful: number | null = null
  for (const phase of ['after', 'working', 'asFound'] as const) {
    const value = readings[phase].rodClearance?.payload.value
    if (value === undefined) continue
    if (!isRodInDoubt(value)) return value
    doubtful ??= value
  }
  return doubtful
}

/** The same without those that a named person has taken over. */
export const blockingStops = (stops: readonly OpenStop[]): OpenStop[] =>
  stops.filter(({ takenOver }) => takenOver === null)

/** What was last said of a finding, the later phase over the earlier. */
function latest(state: JobState, id: FindingId): 'present' | 'absent' | 'notLooked' {
  for (const phase of ['after', 'working', 'asFound'] as const) {
    const said = state.found[phase][id]?.payload.state
    if (said && said !== 'notLooked') return said
  }
  return 'notLooked'
}

/** Taken over, it no longer stops; it is not mended either, and so nothing is proven yet. */
const stopFindings = (state: JobState): VerdictReason[] =>
  openStops(state).map(({ stop, takenOver }) =>
    takenOver
      ? { rule: stop, outcome: 'notYet', code: 'takenOver', note: takenOver.payload.reason }
      : { rule: stop, outcome: 'stop' },
  )

function rod({ installation }: PhaseFigures, state: JobState): VerdictReason[] {
  const rule = 'rodClearance'
  const reading = state.readings.after.rodClearance?.payload.value
  if (reading === undefined)
    return latest(state, 'rodTight') === 'present' ? [{ rule, outcome: 'stop', code: 'felt' }] : []
  const figures = { figure: reading, limit: 0, unit: 'mm' }
  // Read as nothing, it may be less than nothing: which side it is on is to be felt.
  if (isRodInDoubt(reading)) {
    const before = state.readings.asFound.rodClearance?.payload.value
    const outcome = before !== undefined && before < 0 ? 'stop' : 'notYet'
    return [{ rule, outcome, code: 'doubt', ...figures }]
  }
  const stands = rodState(reading, installation.circuit.master.portClosure)
  return stands === 'portCovered' || stands === 'preloaded'
    ? [{ rule, outcome: 'stop', code: stands, ...figures }]
    : [{ rule, outcome: 'pass', ...figures }]
}

/** Standard deviations below a limit at which it is overstepped in one case of five. */
const MOSTLY = 0.8416

/** Air in ml, as it is spoken of; its upper end counts as well as its best figure. */
function air({ air, allowed }: PhaseFigures, wanted: number): VerdictReason[] {
  if (air === null) return []
  const unit = 'ml'
  if (isImplausible(air))
    return [{ rule: 'air', outcome: 'notYet', code: 'misfit', figure: -air.lacking / 1000, unit }]
  const sigma = (air.high - air.low) / (2 * NINETY)
  return [
    {
      rule: 'air',
      outcome: air.air + MOSTLY * sigma <= allowed ? 'pass' : 'notYet',
      figure: air.air / 1000,
      low: air.low / 1000,
      high: air.high / 1000,
      limit: allowed / 1000,
      unit,
      wanted,
    },
  ]
}

function takeUp(state: JobState, wanted: number): VerdictReason[] {
  const height = state.readings.after.takeUpHeight?.payload.value
  if (height === undefined) return []
  const outcome = height >= wanted ? 'pass' : 'notYet'
  return [{ rule: 'takeUpHeight', outcome, figure: height, limit: wanted, unit: 'mm' }]
}

function sinkOf(state: JobState): VerdictReason[] {
  const reading = state.readings.after.sink?.payload
  if (!reading) return []
  const perMinute = (reading.value / (reading.duration ?? 60)) * 60
  const outcome = perMinute <= LIMITS.sinkPerMinute ? 'pass' : 'notYet'
  const limit = LIMITS.sinkPerMinute
  return [{ rule: 'sink', outcome, figure: perMinute, limit, unit: 'mm/min' }]
}

function strokeOf({ circuit, installation, air }: PhaseFigures, state: JobState): VerdictReason[] {
  const reading = state.readings.after.rodStroke?.payload.value
  if (reading === undefined || installation.circuit.slave.type === 'concentric') return []
  const soft = air !== null && !isImplausible(air) && air.low > 0
  const { expected, loss } = judgeRodStroke(circuit, reading, soft ? 'soft' : 'firm')
  const before = state.readings.asFound.rodStroke?.payload.value
  // With an assumed circuit the expected stroke is a guess; longer than as found is then proof enough.
  const measured = assumedFigures(installation).length === 0
  const good = loss === 'none' || (!measured && (before === undefined || reading > before))
  const outcome = good ? 'pass' : 'notYet'
  return [{ rule: 'rodStroke', outcome, figure: reading, limit: expected, unit: 'mm' }]
}

function bleed({ bleed: { cycles, clearInRow } }: JobState): VerdictReason[] {
  if (cycles.length === 0) return []
  const outcome = clearInRow >= LIMITS.clearInRow ? 'pass' : 'notYet'
  return [{ rule: 'clearInRow', outcome, figure: clearInRow, limit: LIMITS.clearInRow, unit: '' }]
}

const owed = (state: JobState): VerdictReason[] =>
  readingsOwed(state).map((rule) => ({ rule, outcome: 'notYet', code: 'owed' }))

/** What was put on and is not off, what was taken off and is not back. */
function ledger(state: JobState): VerdictReason[] {
  const left = leftOver(state)
  if (left.length === 0) return []
  const note = left.map(({ words }) => words).join('; ')
  return [{ rule: 'ledger', outcome: 'notYet', note, figure: left.length, unit: '' }]
}

function checks(installation: Installation, state: JobState): VerdictReason[] {
  return proofChecks(installation, state).flatMap(({ finding, state: found }): VerdictReason[] => {
    if (found === 'absent') return [{ rule: finding, outcome: 'pass' }]
    if (found === 'notLooked') return [{ rule: finding, outcome: 'notYet', code: 'owed' }]
    // A stop-work finding has already said so above.
    return findingKind(finding).stop ? [] : [{ rule: finding, outcome: 'notYet' }]
  })
}

/** True where two verdicts say the same. Sentences are left out: older verdicts kept them, in the units of their day. */
export function sameVerdict(a: Verdict, b: Verdict): boolean {
  const bare = ({ outcome, reasons }: Verdict) =>
    JSON.stringify([
      outcome,
      reasons.map(({ rule, outcome, figure, limit, unit }) => [
        rule,
        outcome,
        figure?.toFixed(6),
        limit?.toFixed(6),
        unit,
      ]),
    ])
  return bare(a) === bare(b)
}
