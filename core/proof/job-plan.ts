import type { RepairId, Way } from '../diagnosis'
import { nutHex } from '../fitting'
import { jointAt, type Installation, type JointPlace } from '../installation'
import type { JobState, WorkPlan } from '../journal'
import { NIPPLES } from '../orders'
import { makePlan, stepIds, PACKAGES, type Package, type PlanAnswer, type StepTimes } from '../plan'
import { awaitedParts } from './awaited-parts'

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

/** What a shop adds to a plan: packages of its own, and what its jobs have taught of minutes. */
export interface ShopPlans {
  packages?: readonly Package[]
  times?: Readonly<Record<string, StepTimes>>
  /** Now, where parts that are ordered are to be waited for. */
  now?: string
}

/** Joints that a wrench goes onto, by the names that steps know them by. */
const WRENCHED: readonly (readonly [JointPlace, string])[] = [
  ['slavePort', 'slave'],
  ['masterOutlet', 'master'],
  ['bleeder', 'bleeder'],
]
/** The hex at each joint whose thread is known: from the last check of it, else as it is in the vehicle. */
function wrenches(
  joints: JobState['joints'],
  installation: Installation,
): { name: string; hex: number; kind: string }[] {
  return WRENCHED.flatMap(([at, name]) => {
    const known = jointAt(installation, at)
    const [a, b] = [joints[at]?.payload.a ?? known.a, joints[at]?.payload.b ?? known.b]
    const thread = a?.thread ?? b?.thread
    const nipple = NIPPLES.find((one) => one.thread === (b?.thread ?? a?.thread))
    const hex = at === 'bleeder' ? (nipple?.hex ?? null) : nutHex(thread)
    return hex === null ? [] : [{ name, hex, kind: (a ?? b)!.seat }]
  })
}

/**
 * The plan of a job from what was chosen, what is done and what turned up. A step or a surprise that is not in it any more, since
 * other packages were chosen, is passed over.
 * @throws InputError where its packages cannot be done together, or what is left has no order that keeps the rules
 */
export function jobPlan(
  {
    stepsTold,
    surprises,
    joints,
    ordered,
  }: Pick<JobState, 'stepsTold' | 'surprises' | 'joints' | 'ordered'>,
  chosen: WorkPlan,
  installation: Installation,
  shop: ShopPlans = {},
  draws = 1000,
): PlanAnswer {
  const { circuit, reservoir, slave } = installation
  const own = new Map(shop.packages?.map((one) => [one.id, one]))
  const asked = {
    packages: chosen.packages.filter(({ id }) => PACKAGES.has(id) || own.has(id)),
    people: chosen.people,
    vehicle: {
      ...chosen.facts,
      sharedReservoir: reservoir.sharedWithBrakes,
      concentric: circuit.slave.type === 'concentric',
      bleedScrew: slave.bleeder.kind === 'screw',
    },
    joints: wrenches(joints, installation),
    parts: chosen.parts ?? (shop.now === undefined ? [] : awaitedParts(ordered, shop.now)),
    done: [],
    surprises: [],
    draws,
    seed: chosen.seed,
    own,
    times: shop.times ?? {},
  }
  const there = new Set(stepIds(asked))
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
  return makePlan({ ...asked, surprises: met, done })
}
