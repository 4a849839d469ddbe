import { HELD_FOR } from '../quantity'
import { masterArea, type Circuit } from './circuit'

/** What a held foot shows, mm³/s. Without the reservoir's figures loss and bypass are not known. */
export interface Sink {
  /** Flow past or out that the sinking pad makes. */
  flow: number
  /** Part of it that left the reservoir. */
  loss: number | null
  /** The rest: past the master's primary cup. */
  bypass: number | null
}

/** The reservoir over the same hold. */
export interface ReservoirHold {
  /** Free surface, mm². */
  area: number
  /** Fall of the level, mm. */
  drop: number
  /** Length of the hold, s. */
  duration: number
}

/**
 * Sink test: the pad held at constant force.
 * @param sinkRate mm/s at the pad.
 */
export function sink(circuit: Circuit, sinkRate: number, reservoir?: ReservoirHold): Sink {
  const flow = (masterArea(circuit) * sinkRate) / circuit.pedal.ratio
  if (!reservoir) return { flow, loss: null, bypass: null }
  const loss = (reservoir.area * reservoir.drop) / reservoir.duration
  return { flow, loss, bypass: flow - loss }
}

/** Bounds of the sink test's readings. */
export const SINK_BOUNDS = {
  sinkRate: { unit: 'mm/s', min: 0, max: 500 },
  reservoirArea: { unit: 'mm²', min: 10, max: 200_000 },
  reservoirDrop: { unit: 'mm', min: 0, max: 500 },
  duration: HELD_FOR,
  /** mm; a level read at the reservoir's side is out by so much. */
  levelError: 0.5,
} as const
