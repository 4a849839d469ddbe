import { judgeFluid, type FluidAnswer } from '../fluid'
import type { Installation } from '../installation'
import { latestReading, type FluidInside, type JobState } from '../journal'

/**
 * The fluid as a job leaves it, with nothing added: what it is, how much water it holds and where it boils.
 * @returns null where nobody said what is inside
 */
export function fluidNow(
  state: JobState,
  installation: Installation | null,
  ofVehicle: FluidInside | null,
): FluidAnswer | null {
  const inside = state.fluidInside?.payload ?? ofVehicle
  if (!inside) return null
  const { kind, wanted, water, boiling, climate } = inside
  const age = latestReading(state, 'fluidAge')
  return judgeFluid({
    inside: kind,
    adding: kind,
    share: 0,
    shared: installation?.reservoir.sharedWithBrakes ?? false,
    ...(wanted !== undefined && { wanted }),
    ...(water !== undefined && { water }),
    ...(boiling !== undefined && { boiling }),
    ...(climate !== undefined && { climate }),
    ...(age !== null && { ageMonths: age }),
  })
}
