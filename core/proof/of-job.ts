import type { FindingId } from '../diagnosis'
import type { JobState } from '../journal'
import { PACKAGES } from '../plan'
import { operationOf, OPERATIONS, type OperationId } from '../work'
import type { ProofCase } from './accept'
import { RENEWS } from './must-be-gone'

/** Steps of the plan that are told as done. */
const stepsDone = (stepsTold: JobState['stepsTold']): string[] =>
  stepsTold.flatMap(({ payload }) => (payload.act === 'done' ? [payload.step] : []))
/** Packages of these steps, each once. */
const packagesOf = (steps: readonly string[]): string[] => [
  ...new Set(steps.map((step) => step.split('.')[0]!)),
]
/** Work as it was said and then by packages of the plan, each once; looking at it is none. */
function worked(workDone: JobState['workDone'], packages: readonly string[]): OperationId[] {
  const said = workDone.map(({ payload }) => payload.operation)
  const named = packages.map((id) => PACKAGES.get(id)?.operation)
  const planned = OPERATIONS.filter(({ id }) => named.includes(id)).map(({ id }) => id)
  return [...new Set([...said, ...planned])].filter((id) => !operationOf(id).looks)
}

/** Work that was begun on the vehicle: said to be done, or a step of its plan is. */
export const workOn = ({
  workDone,
  stepsTold,
}: Pick<JobState, 'workDone' | 'stepsTold'>): OperationId[] =>
  worked(workDone, packagesOf(stepsDone(stepsTold)))

const BLED = ['bleed.strokes', 'bleed.strokesAlone', 'bleed.union', 'bleed.unionAlone']
/** Steps of which one, done, finishes a package: the part is in and its joint tight, the setting is made, the circuit bled. */
export const FINISHED_BY: Readonly<Record<string, readonly string[]>> = {
  renewMaster: ['renewMaster.unions'],
  rebuildMaster: ['rebuildMaster.unions'],
  renewSlave: ['renewSlave.offer'],
  rebuildSlave: ['rebuildSlave.offer'],
  renewConcentric: ['renewConcentric.line'],
  renewHose: ['renewHose.on'],
  renewLine: ['renewLine.on'],
  unitOut: ['unitOut.join'],
  adjustRod: ['adjustRod.final', 'adjustRod.only'],
  adjustSwitch: ['adjustSwitch.set'],
  bleed: BLED,
  fluidChange: BLED,
}
/**
 * Work that is finished: said to be done, planned and its last step told, or a bleed whose cycles were logged. An old part that is
 * only off renews nothing.
 */
function finishedWork({ workDone, stepsTold, bleed }: JobState): OperationId[] {
  const steps = stepsDone(stepsTold)
  const finished = packagesOf(steps).filter((id) =>
    FINISHED_BY[id]?.some((step) => steps.includes(step)),
  )
  return worked(workDone, bleed.cycles.length > 0 ? [...finished, 'bleed'] : finished)
}

/** What was last said of a finding, the later phase over the earlier. */
export function saidOf(
  state: Pick<JobState, 'found'>,
  id: FindingId,
  phases: readonly (keyof JobState['found'])[] = ['after', 'working', 'asFound'],
): 'present' | 'absent' | 'notLooked' {
  for (const phase of phases) {
    const said = state.found[phase][id]?.payload.state
    if (said && said !== 'notLooked') return said
  }
  return 'notLooked'
}

/** What a job says that a proof is judged from, but for its circuit and its bleed. */
export function ofJob(
  state: JobState,
): Pick<ProofCase, 'readings' | 'found' | 'foundBefore' | 'renewed' | 'causes' | 'done' | 'putOff'> {
  const { asFound: before, after } = state.readings
  const done = finishedWork(state)
  return {
    readings: { before, after },
    // A rod that is not measured is felt whenever it was; all else is looked at again after the work.
    found: (id) =>
      id === 'rodTight' && !after.rodClearance ? saidOf(state, id) : saidOf(state, id, ['after']),
    foundBefore: (id) => saidOf(state, id, ['working', 'asFound']),
    renewed: new Set(done.flatMap((id) => RENEWS[id] ?? [])),
    causes: state.cause?.payload.faults ?? [],
    done,
    putOff: Object.keys(state.deferred),
  }
}
