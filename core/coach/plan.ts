import {
  drawsRun,
  METHOD_ROWS,
  mostDrawn,
  runOfEntry,
  RUNS,
  TRICK_ROWS,
  type Draws,
  type DrawsAsked,
  type DrawStep,
  type StepDraws,
} from '../bleed'
import { strokeVolume } from '../circuit'
import type { Trick } from '../bleed/methods'
import type { BleedPhase } from '../entries'
import type { Installation } from '../installation'
import type { Run } from '../run'
import { isMethod, isTrick, movesOf, type Coached } from './moves'
import { KEPT } from './reservoir'
import type { CoachPlan, Part, Pumps } from './state'
import { WORKS } from './works'

export interface PlannedStep {
  method: Coached
  cycles: number
  pumps?: Pumps
}
export interface PlanAsked {
  steps: readonly PlannedStep[]
  installation: Pick<Installation, 'circuit' | 'reservoir'>
  people: 1 | 2
  /** The circuit is empty: its first method fills it. */
  dry: boolean
}
/** What the ranking knows of this bleed: the coach draws from it what a cycle takes. */
export type Known = Omit<DrawsAsked, 'steps'>

const MM3_IN_ML = 1000
const STAGES: ReadonlySet<Coached> = new Set(
  WORKS.filter((one) => one.startsWith('with') || one === 'masterAlone'),
)
/** ml that are let through before one looks at the level, and that are pushed up in one go. */
const BATCH = 50
const PUSHED = 20
/** Of a full reservoir, at the most, in one cycle that runs by itself. */
const MOST = 0.8
/** s of a cycle that runs by itself, the shortest one that is called, and what a hand takes to shut a screw. */
const SECONDS = 60
const SHORTEST = 5
const SHUTTING = 5

/** Fill, flush, finish: a dry circuit is filled by its first method, and what comes last after others ends it. */
function phaseOf(i: number, methods: readonly number[], dry: boolean): BleedPhase {
  if (dry && i === methods[0]) return 'fill'
  return methods.length > (dry ? 2 : 1) && i === methods.at(-1) ? 'finish' : 'flush'
}

type Bare = Omit<Part, 'draws'>
/**
 * Parts of a coached bleed: each step in its phase, and at the end the last fill. What each has to have on is called by itself.
 * @param steps at least one; a step without cycles is left out
 */
export function partsOf(steps: readonly PlannedStep[], dry: boolean): Bare[] {
  const gone = steps.filter(({ cycles }) => cycles > 0)
  if (gone.length === 0) return []
  const inVehicle = gone.flatMap(({ method }, i) =>
    isMethod(method) && METHOD_ROWS[method].where !== 'bench' ? [i] : [],
  )
  const parts = gone.map(({ method, cycles, pumps }, i): Bare => ({
    method,
    cycles,
    ...(inVehicle.includes(i) && { phase: phaseOf(i, inVehicle, dry) }),
    ...(isMethod(method) &&
      METHOD_ROWS[method].draws === 'opening' &&
      pumps !== undefined && { pumps }),
  }))
  if (gone.every(({ method }) => STAGES.has(method))) return parts
  const onBench = gone.every(
    ({ method }) =>
      (isMethod(method) && METHOD_ROWS[method].where === 'bench') ||
      (isTrick(method) && TRICK_ROWS[method].where === 'bench'),
  )
  return [...parts, { method: onBench ? ('putAway' as const) : ('endFill' as const), cycles: 1 }]
}

/** A part as the model goes through it; null where it has no run of its own. */
export function runOf({ method, cycles, pumps }: Bare, usable: number): DrawStep | null {
  const batch = Math.min(BATCH, Math.floor(MOST * Math.max(1, usable - KEPT)))
  if (isMethod(method)) {
    const run = runOfEntry(method)
    if (run === null) return null
    return {
      run,
      cycles,
      ...(METHOD_ROWS[method].atUnion && { atUnion: true as const }),
      ...(typeof pumps === 'number' && { pumps }),
      ...(RUNS[run].batch === 'drawn' && { batch }),
      ...(RUNS[run].batch === 'pushed' && { batch: Math.min(PUSHED, batch) }),
    }
  }
  const run = isTrick(method) ? runOfTrick(method) : STAGES.has(method) ? 'shortStrokes' : null
  return run ? { run, cycles } : null
}
/** What works out of the master overnight is less than ten short strokes bring; a primed master has no run that is known. */
const runOfTrick = (trick: Trick): DrawStep['run'] | null =>
  (TRICK_ROWS[trick].run && (TRICK_ROWS[trick].drawsAs ?? TRICK_ROWS[trick].run)?.id) as
    DrawStep['run'] | null

const NOTHING: Draws = { low: 0, middle: 0, high: 0 }
/** ml of a part where no model knows: as much as it can draw. */
function mostOf({ method }: Bare, stroke: number, usable: number): Draws {
  if (isMethod(method)) return mostDrawn(method, stroke, usable)
  if (isTrick(method) && TRICK_ROWS[method].drawsAs?.id === 'openPush')
    return mostDrawn('openPush', stroke, usable)
  return movesOf(method).cycle.some(({ draws }) => draws)
    ? { low: 0, middle: 0, high: 2 * stroke }
    : NOTHING
}

/** Where a minute draws more than the reservoir gives one looks sooner; and a hand takes its time to shut the screw. */
function timed(draws: readonly Draws[], usable: number): { draws: Draws[]; seconds: number } {
  const most = Math.max(...draws.map(({ high }) => high), 0)
  const room = MOST * Math.max(0, usable - KEPT)
  const whole = (most * (SECONDS + SHUTTING)) / SECONDS
  const fitting = whole <= room ? SECONDS : Math.floor((SECONDS * room) / most - SHUTTING)
  const seconds = Math.max(SHORTEST, fitting)
  const share = seconds / SECONDS
  return {
    seconds,
    draws: draws.map(({ low, middle, high }) => ({
      low: share * low,
      middle: share * middle,
      high: (high * (seconds + SHUTTING)) / SECONDS,
    })),
  }
}

/** The plan of a coached bleed; with what each cycle draws by the model, or why that is not known. */
export function coachPlan(
  { steps, installation, people, dry }: PlanAsked,
  known: readonly (StepDraws | null)[] | null = null,
  unknown: string | null = known ? null : 'This line has not been reckoned.',
): CoachPlan {
  const { circuit, reservoir } = installation
  const stroke = strokeVolume(circuit) / MM3_IN_ML
  const usable = reservoir.usable / MM3_IN_ML
  const parts = partsOf(steps, dry).map((bare, i): Part => {
    const own = known?.[i]
    const draws = own ? own.draws : [mostOf(bare, stroke, usable)]
    const fill = bare.phase === 'fill' && own?.fluidBy ? { fluidBy: own.fluidBy } : {}
    return isMethod(bare.method) && METHOD_ROWS[bare.method].draws === 'minute'
      ? { ...bare, ...timed(draws, usable), ...fill }
      : { ...bare, draws, ...fill }
  })
  return { parts, usable, shared: reservoir.sharedWithBrakes, people, unknown }
}

/** The plan worked out in pieces, one circuit a piece. */
export function coachPlanRun(asked: PlanAsked & { known: Known }): Run<CoachPlan> {
  const usable = asked.installation.reservoir.usable / MM3_IN_ML
  const bare = partsOf(asked.steps, asked.dry)
  const steps = bare.map((one) => runOf(one, usable))
  const run = drawsRun({ ...asked.known, steps: steps.flatMap((one) => one ?? []) })
  return {
    total: run.total,
    step: (count) => run.step(count),
    result: () => {
      const found = run.result()
      let i = 0
      return coachPlan(
        asked,
        steps.map((one) => (one ? found[i++]! : null)),
        null,
      )
    },
  }
}
