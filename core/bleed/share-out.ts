import { normalQuantile, type Draw } from '../chance'
import type { BleedAsked, BleedStart } from './asked'
import { chambersOf } from './chambers'
import { cut, nosed } from './cells'
import { viscosity } from './physics'

/** How firmly the air's share of places is known at the start. */
const STRENGTH = 4
/** mm under the crest that still count as the crest. */
const CREST = 5

export const normal = (draw: Draw): number =>
  normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, draw())))
/** Gamma with a shape, scale 1 (Marsaglia and Tsang 2000). */
function gamma(shape: number, draw: Draw): number {
  if (shape < 1) return gamma(shape + 1, draw) * Math.max(1e-300, draw()) ** (1 / shape)
  const d = shape - 1 / 3
  const c = 1 / Math.sqrt(9 * d)
  for (;;) {
    const x = normal(draw)
    const v = (1 + c * x) ** 3
    if (v <= 0) continue
    if (Math.log(Math.max(1e-300, draw())) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v
  }
}

/** The air of a start, shared over its places anew: as firmly as their shares are known. */
export function sharedOut(start: BleedStart, draw: Draw): BleedStart {
  if (typeof start === 'string') return start
  const places = ['line', 'slave', 'master'] as const
  const total = places.reduce((sum, place) => sum + start[place], 0)
  if (total <= 0) return start
  const shares = places.map((place) =>
    start[place] > 0 ? gamma((STRENGTH * start[place]) / total, draw) : 0,
  )
  const sum = shares.reduce((a, b) => a + b, 0)
  const [line, slave, master] = shares.map((one) => (total * one) / sum) as [number, number, number]
  return { line, slave, master }
}

/**
 * Air that a reading showed, over the places that hold it at rest: the line at its crest, the slave over its line's port, the master over
 * its outlet, each in proportion to its room.
 * @param air ml
 */
export function sharedByRoom(asked: BleedAsked, air: number): BleedStart {
  const { line, noseUp, temperature, constants, cells } = asked
  const laid = cut(
    nosed(line.points, noseUp),
    line.bores,
    cells,
    viscosity(temperature),
    constants.bubble,
  )
  const chambers = chambersOf(asked, false)
  const highest = Math.max(...laid.mid)
  const high = highest - Math.max(...laid.ends) > CREST / 1000
  let room = 0
  if (high) for (const z of laid.mid) if (highest - z <= CREST / 1000) room += laid.volume
  const rooms = { line: room, slave: chambers.linePort, master: chambers.outlet(0) }
  const sum = rooms.line + rooms.slave + rooms.master
  const share = (one: number) => (sum > 0 ? (air * one) / sum : air / 3)
  return { line: share(rooms.line), slave: share(rooms.slave), master: share(rooms.master) }
}
