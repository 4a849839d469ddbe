import { circleArea, slaveArea, type Circuit } from '../circuit'

export const FLUID_ACTS = ['topUp', 'bleed', 'flush', 'fill'] as const
export type FluidAct = (typeof FLUID_ACTS)[number]

/**
 * What a circuit holds with its pistons at rest, mm³.
 * @param slaveChamber length of the slave's chamber with the piston home, mm
 */
export function circuitVolume({ lines, master, slave }: Circuit, slaveChamber = 0): number {
  const inLines = lines.reduce(
    (sum, { length, innerDiameter }) => sum + length * circleArea(innerDiameter),
    0,
  )
  return inLines + circleArea(master.bore) * master.stroke + slaveArea(slave) * slaveChamber
}

/** Fluid that a piece of work takes, mm³. Shares are what practice uses up. */
export function neededFor(act: FluidAct, circuit: number, usable: number): number {
  switch (act) {
    case 'topUp':
      return 0.2 * usable
    case 'bleed':
      return circuit + usable
    case 'flush':
      return 3 * circuit + usable
    case 'fill':
      return 2 * circuit + usable
  }
}
