import { lineVolume, strokeVolume, type Circuit } from '../circuit'
import type { Installation, RoutePoint } from './installation'

/** A high point of the line where air stays. */
export interface Crest {
  /** Middle of the high run, mm along the line. */
  along: number
  height: number
  /** Line volume from here to the bleeder, mm³. */
  toBleeder: number
  /** Whole strokes that this volume is. */
  strokes: number
}

/** Points closer in height than this count as level, mm: less than a tape under a vehicle can tell. */
const LEVEL = 5

/** Inner volume of the lines between two distances along, mm³. */
export function volumeBetween(circuit: Circuit, from: number, to: number): number {
  let start = 0
  let volume = 0
  for (const line of circuit.lines) {
    const overlap = Math.min(to, start + line.length) - Math.max(from, start)
    if (overlap > 0) volume += (lineVolume(line) * overlap) / line.length
    start += line.length
  }
  return volume
}

/**
 * High points strictly inside the line: runs of level points with lower ones on both sides.
 * The slave’s own chamber is not part of `toBleeder`.
 */
export function crestsOf({ circuit, route }: Pick<Installation, 'circuit' | 'route'>): Crest[] {
  const crests: Crest[] = []
  const stroke = strokeVolume(circuit)
  const end = route.at(-1)?.along ?? 0
  for (let i = 1; i < route.length - 1;) {
    let j = i
    while (j + 1 < route.length && Math.abs(heightOf(route, j + 1) - heightOf(route, i)) < LEVEL) j++
    const lowerBefore = heightOf(route, i - 1) < heightOf(route, i) - LEVEL
    const lowerAfter = j + 1 < route.length && heightOf(route, j + 1) < heightOf(route, j) - LEVEL
    if (lowerBefore && lowerAfter) {
      const along = (route[i]!.along + route[j]!.along) / 2
      const toBleeder = volumeBetween(circuit, along, end)
      crests.push({
        along,
        height: heightOf(route, i),
        toBleeder,
        strokes: stroke > 0 ? toBleeder / stroke : 0,
      })
    }
    i = j + 1
  }
  return crests
}

const heightOf = (route: RoutePoint[], i: number): number => route[i]!.height
