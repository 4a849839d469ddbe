import type { Circuit } from './circuit'
import { volumeHolding } from './balance'
import { pressureAt, slaveTravelFor } from './plant'
import { ready } from './solve'

/** The slave held at one place: what has been sent to it, mm³, and the pressure that holds it there, MPa. */
export interface SlavePoint {
  slaveTravel: number
  volume: number
  pressure: number
}
export interface SlaveStrokes {
  /** From rest to where the disc is just free, going down. */
  out: SlavePoint[]
  /** From full pedal back to where full clamp is there again, coming up. */
  back: SlavePoint[]
}

/** The slave's two ways, in so many steps each; a way that the circuit cannot go is empty. */
export function slaveStrokes(circuit: Circuit, steps = 60): SlaveStrokes {
  const r = ready(circuit)
  const { plant: p, releaseAt, full } = r
  const clamped = slaveTravelFor(p, circuit.cover.fullClampTravel)
  const way = (from: number, to: number, direction: 1 | -1): SlavePoint[] =>
    Array.from({ length: steps + 1 }, (_, i) => {
      const slaveTravel = from + ((to - from) * i) / steps
      return {
        slaveTravel,
        volume: volumeHolding(p, slaveTravel, direction),
        pressure: pressureAt(p, slaveTravel, direction),
      }
    })
  return {
    out: full >= releaseAt && releaseAt > p.slaveRest ? way(p.slaveRest, releaseAt, 1) : [],
    back: full > clamped ? way(full, Math.max(clamped, p.slaveRest), -1) : [],
  }
}
