import { isRodInDoubt, WANTED_RESERVE } from '../circuit'
import { FINDING_IDS, stopsOf, type FaultId, type FindingId } from '../diagnosis'
import { isCrossed } from '../fluid'
import type { Installation } from '../installation'
import type { Graded, Held, JobState, Kind, TakenOver, Verdict, VerdictReason } from '../journal'
import { REBUILT, type Rebuilt } from '../rebuild'
import { accept } from './accept'
import { proofChecks, readingsOwed } from './asked'
import { untied } from './cause-done'
import { ofJob, saidOf } from './of-job'
import { leftOver } from './on-vehicle'
import { phaseFigures, type PhaseFigures } from './phase'

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
    ...judged(after, installation, state, wantedReserve),
    ...owed(state),
    ...unseen(installation, state),
    ...ledger(state),
  ]
  const has = (outcome: VerdictReason['outcome']) =>
    reasons.some((reason) => reason.outcome === outcome)
  const outcome = has('stop') ? 'stop' : has('notYet') ? 'notYet' : 'pass'
  return { outcome, reasons }
}

/**
 * Whether the job was proven, and nothing has been filed since that bears on it: whatever shows a job asks this. A cause that was
 * confirmed after the verdict has to have been mended, or put off on purpose, too.
 */
export function isProven(state: JobState): boolean {
  const { verdict, history } = state
  if (verdict?.payload.outcome !== 'pass' || looseCauses(state).length > 0) return false
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
  state.complaints.map(({ complaint }) =>
    gradedReason(complaint, state.graded[complaint]?.payload ?? null),
  )
/** How something that was felt went. A partial cure is one where what is left is named, or what is done about it. */
export function gradedReason(of: string, said: Graded | null): VerdictReason {
  if (!said) return { rule: of, outcome: 'notYet', code: 'owed' }
  if (said.grade === 'gone') return { rule: of, outcome: 'pass', code: 'gone' }
  const named = said.remaining !== undefined || said.words !== undefined
  return said.grade === 'less' && named
    ? { rule: of, outcome: 'pass', code: 'less' }
    : { rule: of, outcome: 'notYet', code: said.grade }
}

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
    const said = saidOf(state, id)
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

/** Confirmed causes of a job whose repair was neither done nor put off on purpose. */
export function looseCauses(state: JobState): FaultId[] {
  const { causes, done, putOff, renewed } = ofJob(state)
  return untied(causes, done, putOff, renewed)
}

/** Taken over, it no longer stops; it is not mended either, and so nothing is proven yet. */
const stopFindings = (state: JobState): VerdictReason[] =>
  openStops(state).map(({ stop, takenOver }) =>
    takenOver
      ? { rule: stop, outcome: 'notYet', code: 'takenOver', note: takenOver.payload.reason }
      : { rule: stop, outcome: 'stop' },
  )

/** Every rule that there is something to judge by. */
function judged(
  after: PhaseFigures,
  installation: Installation,
  state: JobState,
  wantedReserve: number,
): VerdictReason[] {
  const { cycles, clearInRow } = state.bleed
  const reasons = accept({
    after,
    ...ofJob(state),
    clearInRow: cycles.length > 0 ? clearInRow : null,
    shared: installation.reservoir.sharedWithBrakes,
    wantedReserve,
  })
  // A stop-work finding has already said so, by its own name.
  const stops = new Set(openStops(state).map(({ stop }) => stop as string))
  return reasons.filter(({ note }) => !stops.has(note ?? ''))
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

/** Checks that nobody has looked at yet. */
const unseen = (installation: Installation, state: JobState): VerdictReason[] =>
  proofChecks(installation, state)
    .filter((check) => check.state === 'notLooked' && !check.again && !isTimed(check.finding, state))
    .map(({ finding }) => ({ rule: finding, outcome: 'notYet', code: 'owed' }))
/** A gear that was timed after the work needs no second look. */
const isTimed = (finding: FindingId, { readings }: JobState): boolean =>
  finding === 'gearGrinds' && readings.after.gearWait !== undefined

/** True where two verdicts say the same. Sentences are left out: older verdicts kept them, in the units of their day. */
export function sameVerdict(a: Verdict, b: Verdict): boolean {
  const bare = ({ outcome, reasons }: Verdict) =>
    JSON.stringify([
      outcome,
      reasons.map(({ rule, outcome, figure, limit, unit, note }) => [
        rule,
        outcome,
        note,
        figure?.toFixed(6),
        limit?.toFixed(6),
        unit,
      ]),
    ])
  return bare(a) === bare(b)
}
