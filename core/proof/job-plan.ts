import type { RepairId, Way } from '../diagnosis'
import type { Installation } from '../installation'
import type { JobState, WorkPlan } from '../journal'
import { makePlan, PACKAGES, type PlanAnswer } from '../plan'

/** Packages that do a repair. */
const PACKAGES_OF: Partial<Record<RepairId, (way: Way) => string[]>> = {
  bleed: () => ['bleed'],
  master: (way) => [way === 'rebuild' ? 'rebuildMaster' : 'renewMaster'],
  slave: (way) => [way === 'rebuild' ? 'rebuildSlave' : 'renewSlave'],
  concentric: () => ['renewConcentric'],
  hose: () => ['renewHose'],
  pipe: () => ['makePipe', 'renewLine'],
  everythingRubber: () => ['renewMaster', 'renewSlave', 'renewHose'],
  rod: () => ['adjustRod'],
  switch: () => ['adjustSwitch'],
}

/** Packages that what was decided comes to. */
export function packagesFor(repairs: readonly RepairId[], way: Way, concentric: boolean): string[] {
  const ids = repairs.flatMap((id) => PACKAGES_OF[id]?.(way) ?? [])
  return [...new Set(ids.map((id) => (concentric && /Slave$/.test(id) ? 'renewConcentric' : id)))]
}

/**
 * The plan of a job from what was chosen, what is done and what turned up. A step or a surprise that is not in it any more, since
 * other packages were chosen, is passed over.
 * @throws InputError where its packages cannot be done together, or what is left has no order that keeps the rules
 */
export function jobPlan(
  { stepsTold, surprises }: Pick<JobState, 'stepsTold' | 'surprises'>,
  chosen: WorkPlan,
  { circuit, reservoir, slave }: Installation,
  draws = 1000,
): PlanAnswer {
  const asked = {
    packages: chosen.packages.filter(({ id }) => PACKAGES.has(id)),
    people: chosen.people,
    vehicle: {
      ...chosen.facts,
      sharedReservoir: reservoir.sharedWithBrakes,
      concentric: circuit.slave.type === 'concentric',
      bleedScrew: slave.bleeder.kind === 'screw',
    },
    joints: [],
    parts: chosen.parts ?? [],
    done: [],
    surprises: [],
    draws: 1,
    seed: chosen.seed,
  }
  const there = new Set(makePlan(asked).steps.map(({ id }) => id))
  const met = surprises
    .filter(({ payload }) => there.has(payload.at))
    .map(({ payload: { at, kind } }) => ({ at, kind }))
  const added = new Set([...there, ...met.map(({ at, kind }, i) => `${at}.${kind}.${i + 1}`)])
  const done = stepsTold
    .filter(({ payload }) => added.has(payload.step))
    .map(({ payload: { step, act, minutes, reason } }) => ({
      step,
      act: act === 'skipped' ? ('skipped' as const) : ('done' as const),
      ...(minutes !== undefined && { minutes }),
      ...(reason !== undefined && { reason }),
    }))
  return makePlan({ ...asked, surprises: met, done, draws })
}
