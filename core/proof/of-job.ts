import type { FindingId } from '../diagnosis'
import type { JobState } from '../journal'
import { PACKAGES } from '../plan'
import { operationOf, OPERATIONS, type OperationId } from '../work'
import type { ProofCase } from './accept'
import { RENEWS } from './must-be-gone'

/** Work that was done on the vehicle, each once, as it was said or by the steps of the plan; looking at it is none. */
export function workOn({
  workDone,
  stepsTold,
}: Pick<JobState, 'workDone' | 'stepsTold'>): OperationId[] {
  const said = workDone.map(({ payload }) => payload.operation)
  return [...new Set([...said, ...workOf(stepsTold)])].filter((id) => !operationOf(id).looks)
}
/** Work of which a step of the plan is done. */
function workOf(stepsTold: JobState['stepsTold']): OperationId[] {
  const begun = new Set(
    stepsTold.flatMap(({ payload }) => (payload.act === 'done' ? [payload.step.split('.')[0]!] : [])),
  )
  const named = [...begun].map((id) => PACKAGES.get(id)?.operation)
  return OPERATIONS.filter(({ id }) => named.includes(id)).map(({ id }) => id)
}

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
/** Work that is finished: said to be done, or planned and its last step told. An old part that is only off renews nothing. */
function finishedWork({ workDone, stepsTold }: JobState): OperationId[] {
  const told = new Set(
    stepsTold.flatMap(({ payload }) => (payload.act === 'done' ? [payload.step] : [])),
  )
  const begun = new Set([...told].map((step) => step.split('.')[0]!))
  const finished = [...begun].filter((id) => FINISHED_BY[id]?.some((step) => told.has(step)))
  const named = new Set<string | undefined>([
    ...workDone.map(({ payload }) => payload.operation),
    ...finished.map((id) => PACKAGES.get(id)?.operation),
  ])
  return OPERATIONS.filter(({ id, looks }) => named.has(id) && !looks).map(({ id }) => id)
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
