import type { FluidInside } from '../entries'
import type { Installation } from '../installation'
import type { FluidQuestion } from './fluid'
import type { FluidKind } from './kinds'
import { circuitVolume, neededFor, type FluidAct } from './volume'

/** What the fluid of a job is asked beside what is filled in. */
export interface FluidOfJob {
  inside: FluidInside
  /** The brakes share the reservoir. */
  shared: boolean
  /** Months since it was last changed; null where nobody said. */
  ageMonths: number | null
}
export interface Filled {
  adding: FluidKind
  /** Months since its container was opened; null where it never was, or it comes from none. */
  openMonths: number | null
  /** New fluid in the circuit afterwards, 0 to 1. */
  share: number
}

/** What stands against filling this in, as a question. */
export const fluidAsked = (
  { inside, shared, ageMonths }: FluidOfJob,
  { adding, openMonths, share }: Filled,
): FluidQuestion => ({
  ...{ inside: inside.kind, adding, share, shared },
  ...(inside.wanted !== undefined && { wanted: inside.wanted }),
  ...(inside.water !== undefined && { water: inside.water }),
  ...(inside.boiling !== undefined && { boiling: inside.boiling }),
  ...(inside.climate !== undefined && { climate: inside.climate }),
  ...(ageMonths !== null && { ageMonths }),
  ...(openMonths !== null && { container: { opened: true, months: Math.floor(openMonths) } }),
})

/** What a circuit holds and what each piece of work takes, mm³. */
export function volumesOf({
  circuit,
  slave,
  reservoir,
}: Installation): Record<'circuit' | FluidAct, number> {
  const held = circuitVolume(circuit, slave.chamber ?? 0)
  const need = (act: FluidAct) => neededFor(act, held, reservoir.usable)
  return {
    circuit: held,
    topUp: need('topUp'),
    bleed: need('bleed'),
    flush: need('flush'),
    fill: need('fill'),
  }
}
