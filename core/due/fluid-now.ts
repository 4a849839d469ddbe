import { judgeFluid, type FluidAnswer } from '../fluid'
import type { Installation } from '../installation'
import type { FluidInside, JobState } from '../journal'
import { changedByWork } from './due'

const MONTH = (365.25 / 12) * 24 * 3600 * 1000
/** Months from one ISO moment to another, 0 at the least. */
export const monthsBetween = (from: string, to: string): number =>
  Math.max(0, (Date.parse(to) - Date.parse(from)) / MONTH)

/**
 * The fluid as a job leaves it: what it is, how much water it holds and where it boils. Where the job has changed it, it is
 * new, and what was read or measured of the old counts no more.
 * @param earlier when an earlier job changed it, and the moment at which its age is wanted: where this one says nothing of it
 * @returns null where nobody said what is inside
 */
export function fluidNow(
  state: JobState,
  installation: Installation | null,
  ofVehicle: FluidInside | null,
  earlier?: { changed: string; at: string },
): FluidAnswer | null {
  const changed = changedByWork(state, installation)
  const since = (at: string) => changed === null || at > changed
  const own = state.fluidInside
  const inside = own?.payload ?? ofVehicle
  const filled = changed === null ? undefined : state.fluidUsed.at(-1)?.payload.kind
  const kind = own && since(own.at) ? own.payload.kind : (filled ?? inside?.kind)
  if (!kind) return null
  const measured = (own ? since(own.at) : changed === null) ? inside : null
  const read = (['after', 'asFound'] as const)
    .map((phase) => state.readings[phase].fluidAge)
    .find((held) => held !== undefined && since(held.at))
  const age =
    read?.payload.value ??
    (changed !== null ? 0 : earlier && monthsBetween(earlier.changed, earlier.at))
  return judgeFluid({
    inside: kind,
    adding: kind,
    share: 0,
    shared: installation?.reservoir.sharedWithBrakes ?? false,
    ...(inside?.wanted !== undefined && { wanted: inside.wanted }),
    ...(measured?.water !== undefined && { water: measured.water }),
    ...(measured?.boiling !== undefined && { boiling: measured.boiling }),
    ...(inside?.climate !== undefined && { climate: inside.climate }),
    ...(age !== undefined && { ageMonths: age }),
  })
}
