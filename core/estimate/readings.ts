import { freeTravel, TOUCH_FORCE, type Circuit, type CircuitSolution } from '../circuit'

/** Tape readings of one pedal at one time; what was not taken is left out. */
export interface PedalReadings {
  /** Fingertip free travel at the pad, mm. */
  freeTravel?: number
  /** Pad above floor or stop where the clutch takes up, mm. */
  takeUpHeight?: number
  /** Rod stroke at full pedal, mm. */
  rodStroke?: number
  /** False where full pedal never frees the disc: then there is no take-up to read, and that tells something too. */
  takesUp?: boolean
  /** Whether the slave went back by hand with the pedal up. */
  pushesBack?: boolean
}
export type TapeReading = 'freeTravel' | 'takeUpHeight' | 'rodStroke'
export const TAPE_READINGS: readonly TapeReading[] = ['freeTravel', 'takeUpHeight', 'rodStroke']

/** One standard deviation of each reading, mm, and why. */
export const READING_ERROR: Record<TapeReading, { sigma: number; reason: string }> = {
  freeTravel: { sigma: 1, reason: 'A tape held to a moving pad.' },
  takeUpHeight: { sigma: 2, reason: 'The same tape, and where the bite begins is a matter of feel.' },
  rodStroke: { sigma: 0.5, reason: 'A rule at the rod, lying under it.' },
}

/** What a circuit would show of a reading, mm. */
export function predicted(
  reading: TapeReading,
  circuit: Circuit,
  solution: CircuitSolution,
  touchForce = TOUCH_FORCE,
): number {
  switch (reading) {
    case 'freeTravel':
      return freeTravel(circuit, touchForce)
    case 'takeUpHeight':
      // Where full travel never frees the disc, the height that it lacks below the floor.
      return circuit.pedal.travel - (solution.engagement ?? solution.pedalTravelAtRelease)
    case 'rodStroke':
      return solution.at.rodStroke
  }
}

/** How often a hand pushes a sound slave back, with the port open and with it shut. */
const PUSHES_BACK = { open: 0.95, shut: 0.05 } as const

export function pushBackLikelihood(solution: CircuitSolution, pushesBack: boolean | undefined): number {
  if (pushesBack === undefined) return 1
  const yes = solution.portCovered ? PUSHES_BACK.shut : PUSHES_BACK.open
  return pushesBack ? yes : 1 - yes
}
