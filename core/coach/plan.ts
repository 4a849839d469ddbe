import { strokeVolume } from '../circuit'
import type { BleedPhase } from '../entries'
import type { Installation } from '../installation'
import { isMethod, type Coached } from './moves'
import type { CoachPlan, Part } from './state'

export interface PlanAsked {
  steps: readonly { method: Coached; cycles: number }[]
  installation: Pick<Installation, 'circuit' | 'reservoir'>
  people: 1 | 2
  /** The circuit is empty: its first method fills it. */
  dry: boolean
}

const MM3_IN_ML = 1000
/** On the bench nothing hangs on the vehicle’s screw. */
const ON_BENCH: ReadonlySet<Coached> = new Set(['benchLoop', 'slavePrimed'])
const STAGES: ReadonlySet<Coached> = new Set(['masterAlone', 'withLine', 'withSlave'])

/** Fill, flush, finish: a dry circuit is filled by its first method, and what comes last after others ends it. */
function phaseOf(i: number, methods: readonly number[], dry: boolean): BleedPhase {
  if (dry && i === methods[0]) return 'fill'
  return methods.length > (dry ? 2 : 1) && i === methods.at(-1) ? 'finish' : 'flush'
}

/**
 * Parts of a coached bleed: made ready first, each step in its phase, and at the end filled to the mark.
 * @param steps at least one; a step without cycles is left out
 */
export function partsOf(steps: PlanAsked['steps'], dry: boolean): Part[] {
  const gone = steps.filter(({ cycles }) => cycles > 0)
  if (gone.length === 0) return []
  const inVehicle = gone.flatMap(({ method }, i) =>
    isMethod(method) && !ON_BENCH.has(method) ? [i] : [],
  )
  const parts = gone.map(({ method, cycles }, i): Part => ({
    method,
    cycles,
    ...(inVehicle.includes(i) && { phase: phaseOf(i, inVehicle, dry) }),
  }))
  const bench = gone.some(({ method }) => ON_BENCH.has(method))
  const staged = gone.every(({ method }) => STAGES.has(method))
  return [
    ...(bench ? [{ method: 'benchSetUp' as const, cycles: 1 }] : []),
    ...(inVehicle.length > 0 ? [{ method: 'setUp' as const, cycles: 1 }] : []),
    ...parts,
    ...(staged ? [] : [{ method: 'endFill' as const, cycles: 1 }]),
  ]
}

/** The plan of a coached bleed on this circuit: ml that a full stroke sends, and ml over the mark by the reservoir. */
export function coachPlan({ steps, installation, people, dry }: PlanAsked): CoachPlan {
  const { circuit, reservoir } = installation
  return {
    parts: partsOf(steps, dry),
    stroke: strokeVolume(circuit) / MM3_IN_ML,
    usable: reservoir.usable / MM3_IN_ML,
    shared: reservoir.sharedWithBrakes,
    people,
  }
}
