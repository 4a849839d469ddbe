import { freeTravel, InputError } from '../circuit'
import type { Installation } from '../installation'
import type { BleedSetup, JobState } from '../journal'
import type { Package } from '../plan'
import { emptiedBy } from '../plan/names'
import type { Format } from '../quantity'
import { bleedAdvice, type BleedAdvice } from './advice'
import { airByOf } from './answer-rank'
import type { BleedStart } from './asked'
import { startFromTravel, startOfAir, targetOf } from './asked-rank'
import { changed, type BleedChange } from './changes'
import type { Learned } from './draw-constants'
import type { DrawsAsked } from './draws'
import type { Now } from './follow'
import { laidOut, type LaidCircuit } from './laid'
import { cycleFollowed, trickFollowed, type AirBy, type Followed } from './logged'
import { TRICK_ROWS } from './methods'
import type { RankAsked, RankedEntry, Target } from './rank'

/** ml of air that a circuit is taken to hold while nobody has measured it. */
const UNMEASURED = 3
/** Gauge where nobody has read one, kPa: 50 to 70 is common. */
const GAUGE = 60
/** Degrees that a nose is taken to be up where nobody said how far. */
const TILT = 10

/** Two people with a hose: what is taken where nobody has said with whom and with what it is bled. */
export const USUAL_SETUP: BleedSetup = { people: 2, kit: ['hose', 'wedge'] }

/** A circuit as its bleed is asked of: as it is kept, which is what was bled, and as it is drawn, a line on trial included. */
export interface BleedCircuit {
  kept: Installation | null
  laidKept: LaidCircuit | null
  laid: LaidCircuit | null
  target: Target
  /** Free travel with no more air than may stay, mm; null where no bleed reaches that. */
  wantedTravel: number | null
}
/** Null where a line cannot lie so. */
function laidIn(installation: Installation | null): LaidCircuit | null {
  if (!installation) return null
  try {
    return laidOut(installation)
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return null
  }
}
/** Null is a circuit of which nothing is known. */
export function bleedCircuit(kept: Installation | null, drawn: Installation | null): BleedCircuit {
  const target = targetOf(kept)
  const laidKept = laidIn(kept)
  return {
    kept,
    laidKept,
    laid: drawn === kept ? laidKept : laidIn(drawn),
    target,
    wantedTravel:
      kept && target.reachable ? freeTravel({ ...kept.circuit, air: 1000 * target.value }) : null,
  }
}

type BledJob = Pick<JobState, 'bleed' | 'readings' | 'course' | 'stepsTold' | 'history'>

/** What a job's entries say of its bleed: from what it began, what was logged since, and what is asked of the model. */
export interface BleedOfJob {
  setup: BleedSetup
  /** Emptied by the work before the first cycle, or said to be empty. */
  dry: boolean
  /** Degrees nose up, as the vehicle stands now. */
  noseUp: number
  /** Free travel as it was measured, mm, oldest first. */
  travels: number[]
  /** One of them was taken after the last cycle. */
  measuredSince: boolean
  /** Somebody measured before the first cycle what air there was. */
  measured: boolean
  start: BleedStart | null
  logged: Followed[]
  isBegun: boolean
  /** What is ranked, but for where the air is by now and how many circuits are drawn. */
  base: Omit<RankAsked, 'start' | 'draws'> | null
  /** What the log is followed by; null before the first cycle. */
  follow: RankAsked | null
  /** The circuit as what is drawn is asked of. */
  draws: Omit<DrawsAsked, 'steps' | 'draws'> | null
}

/**
 * @param learned what the shop's own bleeds say of the constants
 * @param own packages of the shop, which may empty a circuit too
 */
export function bleedOfJob(
  state: BledJob,
  circuit: BleedCircuit,
  learned: Learned | null = null,
  own?: ReadonlyMap<string, Package>,
): BleedOfJob {
  const { cycles, tricks, says } = state.bleed
  const setup = { ...USUAL_SETUP, ...state.bleed.setup?.payload }
  // Ids say when something was made by the clock of a device; the history, in which order it was filed.
  const places = new Map(state.history.map(({ origin }, i) => [origin.id, i]))
  const placeOf = ({ id }: { id: string }): number => places.get(id) ?? Infinity
  const first = cycles[0] ? placeOf(cycles[0]) : Infinity
  const last = cycles.length > 0 ? placeOf(cycles.at(-1)!) : -1

  const readings = [
    state.readings.asFound.freeTravel,
    ...state.course.filter(({ payload }) => payload.reading === 'freeTravel'),
    state.readings.after.freeTravel,
  ].flatMap((one) => (one ? [{ at: placeOf(one), mm: one.payload.value }] : []))
  const before = readings.filter(({ at }) => at < first).at(-1) ?? null
  const done = state.stepsTold.filter((one) => placeOf(one) < first).map(({ payload }) => payload)
  const dry = setup.dry ?? emptiedBy(done, own)
  const noseUp = noseOf(tricks.map(({ payload }) => payload))
  const start = startOf(circuit, dry, before?.mm ?? null)
  const base = circuit.laid && baseOf(circuit.laid, circuit.target, { setup, dry, noseUp, learned })

  const air: AirBy = circuit.kept ? airByOf(circuit.kept) : () => null
  const logged = [
    ...cycles.map((one) => ({ at: placeOf(one), line: cycleFollowed(one.payload) })),
    ...tricks.map((one) => ({ at: placeOf(one), line: trickFollowed(one.payload) })),
    ...says.map((one) => ({
      at: placeOf(one),
      line: one.payload.mm === undefined ? null : air(one.payload.mm),
    })),
    ...readings.filter(({ at }) => at > first).map(({ at, mm }) => ({ at, line: air(mm) })),
  ]
    .sort((a, b) => a.at - b.at)
    .flatMap(({ line }) => (line ? [line] : []))

  const known = base && circuit.laidKept && start ? { base, laid: circuit.laidKept, start } : null
  return {
    setup,
    dry,
    noseUp,
    travels: readings.map(({ mm }) => mm),
    measuredSince: readings.some(({ at }) => at > last),
    measured: before !== null,
    start,
    logged,
    isBegun: cycles.length > 0,
    base,
    // By what was bled, not by a line on trial; and who and what is at hand tells nothing of what is left.
    follow:
      known && cycles.length > 0
        ? {
            ...known.base,
            ...{ laid: known.laid, people: 2, kit: [], sharedOverride: undefined },
            ...{ noseUp: 0, start: known.start, draws: 1 },
          }
        : null,
    draws: known && {
      ...{ laid: known.laid, start: known.start, shareOut: known.start !== 'dry' },
      set: known.base.set,
      ...(learned && { learned }),
      ...{ noseUp, seed: 1 },
    },
  }
}

function noseOf(tricks: readonly { trick: keyof typeof TRICK_ROWS; degrees?: number }[]): number {
  const last = tricks.findLast(({ trick }) => TRICK_ROWS[trick].nose !== 0)
  return last ? TRICK_ROWS[last.trick].nose * (last.degrees ?? TILT) : 0
}

/** Air before the first cycle: none but air, by what the pedal showed, or as it is taken to be. */
function startOf({ kept, laidKept }: BleedCircuit, dry: boolean, mm: number | null): BleedStart | null {
  if (!kept || !laidKept) return null
  if (dry) return 'dry'
  return (mm === null ? null : startFromTravel(kept, laidKept, mm)) ?? startOfAir(laidKept, UNMEASURED)
}

function baseOf(
  laid: LaidCircuit,
  target: Target,
  of: Pick<BleedOfJob, 'setup' | 'dry' | 'noseUp'> & { learned: Learned | null },
): BleedOfJob['base'] {
  const { people, kit, vacuum, overPressure, dryVacuum, override } = of.setup
  return {
    ...{ laid, shareOut: !of.dry, target, people, kit },
    set: {
      vacuum: vacuum ?? GAUGE,
      dryVacuum: dryVacuum ?? GAUGE,
      ...(overPressure !== undefined && { overPressure }),
    },
    ...(override && { sharedOverride: `${override.by}: ${override.words}` }),
    ...(of.learned && { learned: of.learned }),
    ...{ noseUp: of.noseUp, seed: 1 },
  }
}

/** Where the air is by now: what is thought to be left; until that is reckoned, what the pedal showed last. */
function startNow(
  job: BleedOfJob,
  { kept, laidKept }: BleedCircuit,
  now: Now | null,
): BleedStart | null {
  if (!job.isBegun || !kept || !laidKept) return job.start
  if (now) return { line: now.line.middle, slave: now.slave.middle, master: now.master.middle }
  const mm = job.travels.at(-1)
  return mm === undefined ? job.start : startFromTravel(kept, laidKept, mm)
}

/**
 * What is ranked now; null where the circuit is not known.
 * @param draws circuits that are drawn
 * @param asIf what is only thought of: it changes what one looks at, not what was filed
 */
export function rankAskedOf(
  job: BleedOfJob,
  circuit: BleedCircuit,
  now: Now | null,
  draws: number,
  asIf: BleedChange | null = null,
): RankAsked | null {
  const start = job.base && startNow(job, circuit, now)
  if (!job.base || !start) return null
  const plain: RankAsked = { ...job.base, start, shareOut: start !== 'dry', draws }
  return (asIf && changed(plain, asIf)) || plain
}

/** What to do next in the bleed of a job. @param wantedClear clear cycles in a row that are wanted */
export const adviceOfJob = (
  { bleed: { cycles, clearInRow } }: Pick<JobState, 'bleed'>,
  { travels, measuredSince }: BleedOfJob,
  { target, wantedTravel }: BleedCircuit,
  found: { now: Now | null; ranked: readonly RankedEntry[]; wantedClear: number },
  format: Format,
): BleedAdvice[] =>
  bleedAdvice(
    {
      cycles: cycles.map(({ payload }) => payload),
      ...{ clearInRow, target, travels, wantedTravel, measuredSince },
      ...found,
    },
    format,
  )
