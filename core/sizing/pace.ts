import { circleArea, slaveStrokes, type Circuit, type SlavePoint } from '../circuit'
import { flowThrough, laminar } from '../fluid'

export interface PaceOptions {
  /** Bore of the restrictor, mm; null where there is none. */
  restrictor?: number | null
  /** Of the fluid, °C. */
  temperature?: number
  /** What a foot in a hurry pushes with, N at the pad. */
  foot?: number
}
/** s; null where the circuit cannot do it, or nothing pushes it that far. */
export interface Pace {
  /** From rest to a free disc under a foot in a hurry. */
  release: number | null
  /** From full pedal, foot off at once, to full clamp. */
  back: number | null
}

/** A foot that shifts in a hurry, N; judgement. */
export const HURRIED_FOOT = 300
/** What the leg itself takes to the floor or back, s; judgement: fluid that is quicker than that is not felt. */
export const LEG_TAKES = 0.15
/** °C in a workshop. */
const WORKSHOP = 20

/**
 * How fast fluid gets through: an estimate by laminar resistance of the lines and sharp-edged holes for their ends and a restrictor.
 * What the leg and the clutch's inertia take comes on top.
 */
export function paceOf(circuit: Circuit, options: PaceOptions = {}): Pace {
  const { restrictor = null, temperature = WORKSHOP, foot = HURRIED_FOOT } = options
  const { pedal, master, lines } = circuit
  const resistance = lines.reduce(
    (sum, { length, innerDiameter }) => sum + laminar(length, innerDiameter, temperature),
    0,
  )
  const { springPreload = 0, sealFriction = 0 } = master
  const pushed =
    ((foot - (pedal.returnForce ?? 0)) * pedal.ratio - springPreload - sealFriction) /
    circleArea(master.bore)
  const { out, back } = slaveStrokes(circuit)
  // Each end of a line is a hole of its bore.
  const holes = lines.flatMap(({ innerDiameter }) => [innerDiameter, innerDiameter])
  if (restrictor !== null) holes.push(restrictor)
  const through = (drop: number) => flowThrough(drop, resistance, holes)
  return {
    release: timeOver(out, ({ pressure }) => through(pushed - pressure)),
    back: timeOver(back, ({ pressure }) => through(pressure)),
  }
}

/** Time along a way, each step at the mean of the flows at its ends; null where nothing flows. */
function timeOver(way: readonly SlavePoint[], flowAt: (point: SlavePoint) => number): number | null {
  if (way.length < 2) return null
  let time = 0
  for (let i = 1; i < way.length; i++) {
    const moved = Math.abs(way[i]!.volume - way[i - 1]!.volume)
    const flow = (flowAt(way[i - 1]!) + flowAt(way[i]!)) / 2
    if (flow <= 0) return null
    time += moved / flow
  }
  return time
}
