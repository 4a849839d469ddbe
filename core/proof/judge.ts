import { isImplausible, rodState, WANTED_RESERVE } from '../circuit'
import { findingKind, FINDINGS, type FindingId, readingKind, READINGS } from '../diagnosis'
import { assumedFigures, type Installation } from '../installation'
import type { Held, JobState, TakenOver, Verdict, VerdictReason } from '../journal'
import { formatOf, type Format } from '../quantity'
import { misfit } from './meaning'
import { phaseFigures, type PhaseFigures } from './phase'
import { LIMITS, PROOF_CHECKS, PROOF_READINGS } from './rules'

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
  f: Format = formatOf('metric'),
): Proof {
  const before = phaseFigures(installation, state.readings.asFound, wantedReserve)
  const after = phaseFigures(installation, state.readings.after, wantedReserve)
  return { before, after, verdict: verdictOf(after, installation, state, wantedReserve, f) }
}

/** The verdict alone, where the figures after the work are known already. */
export function verdictOf(
  after: PhaseFigures,
  installation: Installation,
  state: JobState,
  wantedReserve = WANTED_RESERVE,
  f: Format = formatOf('metric'),
): Verdict {
  const reasons = [
    ...stopFindings(state),
    ...rod(after, state, f),
    ...air(after, wantedReserve, f),
    ...takeUp(state, wantedReserve, f),
    ...sinkOf(state, f),
    ...strokeOf(after, state, f),
    ...bleed(state),
    ...owed(state),
    ...checks(installation, state),
  ]
  const has = (outcome: VerdictReason['outcome']) =>
    reasons.some((reason) => reason.outcome === outcome)
  const outcome = has('stop') ? 'stop' : has('notYet') ? 'notYet' : 'pass'
  return { outcome, reasons }
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
  const open: OpenStop[] = []
  const add = (stop: OpenStop['stop'], words: string) =>
    open.push({ stop, words, takenOver: state.takenOver[stop] ?? null })
  const rebuilding = state.decision?.payload.way === 'rebuild'
  for (const { id, stop, stopsOnly } of FINDINGS)
    if (stop && (!stopsOnly || rebuilding) && latest(state, id) === 'present') add(id, stop)
  const { after, working, asFound } = state.readings
  const measured = (after.rodClearance ?? working.rodClearance ?? asFound.rodClearance)?.payload.value
  if (portClosure === undefined || measured === undefined) return open
  const rod = rodState(measured, portClosure)
  if (rod === 'portCovered')
    add('rodClearance', 'The rod covers the port at rest: shorten it before anything else.')
  else if (rod === 'preloaded')
    add('rodClearance', 'The rod holds the piston in and part covers the port: set it before going on.')
  return open
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
  openStops(state).map(({ stop, words, takenOver }) =>
    takenOver
      ? { rule: stop, outcome: 'notYet', words: `${words} Taken over: ${takenOver.payload.reason}` }
      : { rule: stop, outcome: 'stop', words },
  )

function rod({ installation }: PhaseFigures, state: JobState, f: Format): VerdictReason[] {
  const reading = state.readings.after.rodClearance?.payload.value
  if (reading === undefined) {
    return latest(state, 'rodTight') === 'present'
      ? [
          {
            rule: 'rodClearance',
            outcome: 'stop',
            words:
              'No play at the rod with the pedal up: it may hold the port shut. Shorten it and measure.',
          },
        ]
      : []
  }
  const { portClosure } = installation.circuit.master
  const figures = { figure: reading, limit: 0, unit: 'mm' }
  switch (rodState(reading, portClosure)) {
    case 'portCovered':
      return [
        {
          rule: 'rodClearance',
          outcome: 'stop',
          words: `Rod ${f.length(-reading)} too long: the port never opens. The clutch loses its clamp and burns as it wears and warms.`,
          ...figures,
        },
      ]
    case 'preloaded':
      return [
        {
          rule: 'rodClearance',
          outcome: 'stop',
          words: `Rod ${f.length(-reading)} too long: it holds the piston in and part covers the port. Adjust before going on.`,
          ...figures,
        },
      ]
    default:
      return [
        {
          rule: 'rodClearance',
          outcome: 'pass',
          words: `Rod clear of the piston by ${f.length(reading)}`,
          ...figures,
        },
      ]
  }
}

function air({ air, allowed }: PhaseFigures, wanted: number, f: Format): VerdictReason[] {
  if (air === null) return []
  if (isImplausible(air))
    return [
      {
        rule: 'air',
        outcome: 'notYet',
        words: misfit(air, f),
      },
    ]
  const figures = { figure: air.air / 1000, limit: allowed / 1000, unit: 'ml' }
  const good = air.air <= allowed || air.low <= 0
  const range = `${f.volume(Math.max(0, air.low))} to ${f.volume(Math.max(0, air.high))}`
  return [
    {
      rule: 'air',
      outcome: good ? 'pass' : 'notYet',
      words: good
        ? air.low <= 0
          ? `No air to be seen, at most ${f.volume(Math.max(0, air.high))}`
          : `Air ${f.volume(air.air)} (${range}), within the ${f.volume(allowed)} that leave ${f.length(wanted)}`
        : `Air ${f.volume(air.air)} (${range}); ${f.volume(allowed)} would leave ${f.length(wanted)} of reserve. Bleed on, or change the method.`,
      ...figures,
    },
  ]
}

function takeUp(state: JobState, wanted: number, f: Format): VerdictReason[] {
  const height = state.readings.after.takeUpHeight?.payload.value
  if (height === undefined) return []
  const good = height >= wanted
  const figures = { figure: height, limit: wanted, unit: 'mm' }
  const words = good
    ? `Takes up ${f.length(height)} above the floor`
    : `Takes up ${f.length(height)} above the floor; ${f.length(wanted)} are wanted`
  return [{ rule: 'takeUpHeight', outcome: good ? 'pass' : 'notYet', words, ...figures }]
}

function sinkOf(state: JobState, f: Format): VerdictReason[] {
  const reading = state.readings.after.sink?.payload
  if (!reading) return []
  const perMinute = (reading.value / (reading.duration ?? 60)) * 60
  const good = perMinute <= LIMITS.sinkPerMinute
  const figures = { figure: perMinute, limit: LIMITS.sinkPerMinute, unit: 'mm/min' }
  const words = good
    ? `Holds: ${f.length(perMinute)} in a minute`
    : `Sinks ${f.length(perMinute)} in a minute. Dry parts and a level that stays: the master’s primary cup.`
  return [{ rule: 'sink', outcome: good ? 'pass' : 'notYet', words, ...figures }]
}

function strokeOf(
  { solution, installation }: PhaseFigures,
  state: JobState,
  f: Format,
): VerdictReason[] {
  const reading = state.readings.after.rodStroke?.payload.value
  if (reading === undefined || installation.circuit.slave.type === 'concentric') return []
  const expected = solution.at.rodStroke
  const short = expected - reading
  const before = state.readings.asFound.rodStroke?.payload.value
  // With an assumed circuit the expected stroke is a guess; longer than as found is then proof enough.
  const measured = assumedFigures(installation).length === 0
  const good =
    short <= LIMITS.rodStrokeShort || (!measured && (before === undefined || reading > before))
  const words = good
    ? `Rod moves ${f.length(reading)}`
    : `Rod moves ${f.length(reading)}; this circuit should give ${f.length(expected)}. Firm pedal: look at slop, fork and bracket.`
  return [
    {
      rule: 'rodStroke',
      outcome: good ? 'pass' : 'notYet',
      words,
      figure: reading,
      limit: expected,
      unit: 'mm',
    },
  ]
}

function bleed({ bleed: { cycles, clearInRow } }: JobState): VerdictReason[] {
  if (cycles.length === 0) return []
  const good = clearInRow >= LIMITS.clearInRow
  const words = good
    ? `Clear ${clearInRow} times in a row`
    : `Clear ${clearInRow} times in a row; ${LIMITS.clearInRow} are wanted`
  return [
    {
      rule: 'clearInRow',
      outcome: good ? 'pass' : 'notYet',
      words,
      figure: clearInRow,
      limit: LIMITS.clearInRow,
      unit: '',
    },
  ]
}

/** What was measured before is measured again, and what every proof needs is measured at all. */
export function readingsOwed(state: JobState): (typeof READINGS)[number]['name'][] {
  const { asFound, after } = state.readings
  return READINGS.filter(
    ({ name, proves }) => (PROOF_READINGS.includes(name) || (proves && asFound[name])) && !after[name],
  ).map(({ name }) => name)
}

const owed = (state: JobState): VerdictReason[] =>
  readingsOwed(state).map((name) => ({
    rule: name,
    outcome: 'notYet',
    words: `${readingKind(name).label} is not measured again yet`,
  }))

/** Checks of this job that the proof needs, and how they stand in the after phase. */
export function proofChecks(installation: Installation, state: JobState) {
  return PROOF_CHECKS.filter(
    (check) => !check.sharedOnly || installation.reservoir.sharedWithBrakes,
  ).map((check) => ({
    ...check,
    state: state.found.after[check.finding]?.payload.state ?? 'notLooked',
  }))
}

function checks(installation: Installation, state: JobState): VerdictReason[] {
  return proofChecks(installation, state).flatMap(({ finding, owed, state: said }): VerdictReason[] => {
    const { label, present, absent, stop } = findingKind(finding)
    if (said === 'absent') return [{ rule: finding, outcome: 'pass', words: `${label}: ${absent}` }]
    if (said === 'notLooked')
      return [{ rule: finding, outcome: 'notYet', words: `${owed}: not looked at` }]
    // A stop-work finding has already said so above.
    return stop ? [] : [{ rule: finding, outcome: 'notYet', words: `${label}: ${present}` }]
  })
}

/** True where two verdicts say the same, in whatever units they are worded. */
export function sameVerdict(a: Verdict, b: Verdict): boolean {
  const bare = ({ outcome, reasons }: Verdict) =>
    JSON.stringify([
      outcome,
      reasons.map(({ words: _, figure, ...rest }) => ({ ...rest, figure: figure?.toFixed(6) })),
    ])
  return bare(a) === bare(b)
}
