import type { RepairId } from '../diagnosis'
import { circuitVolume, neededFor } from '../fluid'
import type { Installation } from '../installation'
import {
  latestReading,
  type CircuitPlan,
  type FluidInside,
  type FollowUp,
  type JobState,
  type Recheck,
} from '../journal'
import { workOn } from '../proof'
import { laterWatch, ownWatch, type DeferredDue, type Watched } from './watch'

/** Fluid that comes of age: when it was last changed, and after how many months it is due. */
export interface FluidDue {
  /** Day, 2026-03-31. */
  changed: string
  months: number
  /** The maker’s schedule, or the usual two years. */
  by: 'maker' | 'usual'
}
/** Something that a vehicle is owed at a day, at a distance, or both. */
export type DueItem = {
  /** Id of the entry that says so; `fluid` for what follows from several. */
  id: string
  /** Null where only the distance says, or nobody set a day. */
  due: string | null
  atKm: number | null
} & (
  | { kind: 'recheck'; payload: Recheck }
  | { kind: 'deferred'; payload: DeferredDue }
  | { kind: 'followUp'; payload: FollowUp }
  | { kind: 'circuitPlan'; payload: CircuitPlan }
  | { kind: 'fluid'; payload: FluidDue }
)

/** Months after which fluid is changed where its maker says nothing: practice, of every kind of workshop. */
export const USUAL_MONTHS = 24

/**
 * What a job leaves its vehicle owed: looks again, repairs and changes that were put off, what else was promised, and the
 * fluid's next change. Whether it is late is for whoever knows the day.
 * @param ofVehicle what the vehicle's own history says of its fluid
 * @param before repairs that earlier jobs of the vehicle put off: one that this job’s readings call for is owed here too
 */
export function dueOf(
  state: JobState,
  installation: Installation | null,
  ofVehicle: FluidInside | null,
  before: readonly Watched[] = [],
): DueItem[] {
  const { rechecks, followUps, rechecked, circuitPlan } = state
  const items: DueItem[] = []
  for (const { id, payload } of rechecks)
    if (!rechecked.includes(id))
      items.push({
        kind: 'recheck',
        id,
        due: payload.due ?? null,
        atKm: payload.atKm ?? null,
        payload,
      })
  items.push(...ownPutOff(state))
  const work = new Set<string>(workOn(state))
  for (const one of before) {
    const payload = laterWatch(state, one.payload)
    if (payload.reached && !work.has(payload.repair) && !state.deferred[payload.repair])
      items.push(putOff(one.id, { ...payload, ofJob: one.jobId }))
  }
  for (const { id, payload } of Object.values(followUps))
    if (!payload.done)
      items.push({
        kind: 'followUp',
        id,
        due: payload.due ?? null,
        atKm: payload.atKm ?? null,
        payload,
      })
  if (circuitPlan?.payload.waitKm !== undefined) {
    const { id, payload } = circuitPlan
    const mileage = latestReading(state, 'mileage')
    const atKm = mileage === null ? null : mileage + payload.waitKm!
    items.push({ kind: 'circuitPlan', id, due: null, atKm, payload })
  }
  const fluid = fluidDue(state, installation, ofVehicle)
  if (fluid) items.push(fluid)
  return items.sort(bySoonest)
}

/** Repairs that a job has put off and not done since, each with its watch. */
export const ownPutOff = (state: JobState): DueItem[] =>
  Object.values(state.deferred)
    .filter((held) => !isDoneSince(state, held.payload.repair, held.at))
    .map((held) => putOff(held.id, ownWatch(state, held)))

/** Whether a repair was done after a moment, as it was said or by a step of its plan. */
const isDoneSince = ({ workDone, stepsTold }: JobState, repair: RepairId, at: string): boolean =>
  workOn({
    workDone: workDone.filter((one) => one.at > at),
    stepsTold: stepsTold.filter((one) => one.at > at),
  }).some((one) => one === repair)

/** Due when its reading has come to the limit, and else by the day that was set. */
function putOff(id: string, payload: DeferredDue): DueItem {
  const days = [payload.until, payload.reached?.at.slice(0, 10)].filter((day) => day !== undefined)
  return { kind: 'deferred', id, due: days.sort()[0] ?? null, atKm: payload.atKm ?? null, payload }
}

const bySoonest = (a: DueItem, b: DueItem): number =>
  (a.due ?? '9').localeCompare(b.due ?? '9') || (a.atKm ?? Infinity) - (b.atKm ?? Infinity) || 0

/**
 * When the fluid was changed as far as a job tells: by its work, else by the age that somebody read.
 * @returns ISO moment; null where the job says nothing of it
 */
export function fluidChanged(state: JobState, installation: Installation | null): string | null {
  const last = changedByWork(state, installation)
  if (last) return last
  for (const phase of ['after', 'asFound'] as const) {
    const held = state.readings[phase].fluidAge
    if (held) return monthsAfter(held.at, -Math.round(held.payload.value))
  }
  return null
}
/** When a job changed the fluid itself, ISO moment; null where it did not. */
export function changedByWork(state: JobState, installation: Installation | null): string | null {
  const work = [
    ...state.workDone.filter(({ payload }) => CHANGES.has(payload.operation)).map(({ at }) => at),
    ...state.bleed.cycles.filter(({ payload }) => payload.phase === 'flush').map(({ at }) => at),
    ...fullyFilled(state, installation),
  ]
  return work.sort().at(-1) ?? null
}
const CHANGES: ReadonlySet<string> = new Set(['flush', 'everythingRubber'])

/** As much went in as a bleed of the whole circuit takes: what was in it is out. */
function fullyFilled(state: JobState, installation: Installation | null): string[] {
  if (!installation) return []
  const { circuit, slave, reservoir } = installation
  const whole = neededFor('bleed', circuitVolume(circuit, slave.chamber ?? 0), reservoir.usable)
  const total = state.fluidUsed.reduce((sum, { payload }) => sum + payload.volume, 0)
  const last = state.fluidUsed.at(-1)
  return last && total >= whole ? [last.at] : []
}

function fluidDue(
  state: JobState,
  installation: Installation | null,
  ofVehicle: FluidInside | null,
): DueItem | null {
  const changed = fluidChanged(state, installation)
  if (changed === null) return null
  const maker = state.fluidInside?.payload.everyMonths ?? ofVehicle?.everyMonths
  const months = maker ?? USUAL_MONTHS
  return {
    kind: 'fluid',
    id: 'fluid',
    due: monthsAfter(changed, months).slice(0, 10),
    atKm: null,
    payload: { changed: changed.slice(0, 10), months, by: maker === undefined ? 'usual' : 'maker' },
  }
}

/**
 * So many calendar months on, or back; a day that the month has not becomes its last.
 * @param iso moment in UTC
 */
export function monthsAfter(iso: string, months: number): string {
  const from = new Date(iso)
  const to = new Date(from)
  to.setUTCDate(1)
  to.setUTCMonth(to.getUTCMonth() + months)
  const last = new Date(Date.UTC(to.getUTCFullYear(), to.getUTCMonth() + 1, 0)).getUTCDate()
  to.setUTCDate(Math.min(from.getUTCDate(), last))
  return to.toISOString()
}
