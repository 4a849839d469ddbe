import { strokeVolume } from '../circuit'
import { InputError } from '../circuit'
import type { Installation, RoutePoint } from '../installation'
import {
  USUAL_CONCENTRIC,
  USUAL_MASTER,
  USUAL_SLAVE,
  type BleedMaster,
  type BleedPath,
  type BleedSlave,
} from './asked'
import type { Point } from './cells'

/** A vehicle's circuit as the model of a bleed takes it. */
export interface LaidCircuit {
  line: BleedPath
  bleedLine?: BleedPath
  master: BleedMaster
  slave: BleedSlave
  shared: boolean
}

/** mm by which a route may be shorter than it is high and forward before it is refused: rounding of a tape. */
const TAPE = 0.5

/**
 * An installation as the bleed's model takes it: what is sideways follows from what is along, high and forward.
 * @throws InputError where the route climbs more than it is long
 */
export function laidOut({ circuit, route, reservoir, master, slave }: Installation): LaidCircuit {
  const points = spread(route)
  const cuts: number[] = []
  let sum = 0
  for (const { length } of circuit.lines) cuts.push((sum += length))
  const along = route.map((one) => one.along)
  const [path, at] = withCuts(points, along, cuts.slice(0, -1))
  const bores = at.slice(1).map((end, i) => {
    const middle = (at[i]! + end) / 2
    const line = cuts.findIndex((cut) => middle <= cut + 1e-9)
    return circuit.lines[line < 0 ? circuit.lines.length - 1 : line]!.innerDiameter
  })
  const am = (Math.PI / 4) * circuit.master.bore ** 2
  const concentric = circuit.slave.type === 'concentric'
  const usual = concentric ? USUAL_CONCENTRIC : USUAL_SLAVE
  const room = slave.room
  const chamber = slave.chamber ?? null
  const length = chamber ?? (room === undefined ? usual.length : room + usual.bottom)
  return {
    line: { points: path, bores },
    ...(slave.bleedLine?.length && { bleedLine: rising(slave.bleedLine) }),
    master: {
      ...USUAL_MASTER,
      bore: circuit.master.bore,
      stroke: strokeVolume(circuit) / am,
      outletOff: master.outletAngle,
      portOff: master.portAngle,
      portEndRaise: -master.tilt,
      portTravel: circuit.master.portClosure,
      reservoirLevel: reservoir.height,
      usable: reservoir.usable / 1000,
    },
    slave: {
      ...usual,
      ...(circuit.slave.type === 'concentric'
        ? { bore: circuit.slave.outer, inner: circuit.slave.inner }
        : { bore: circuit.slave.bore }),
      length: Math.max(length, usual.bottom),
      bleeder: slave.bleeder.kind === 'none' ? null : { off: slave.bleeder.angle },
      linePort: { off: slave.linePort },
      endRaise: slave.endRaise,
      bleederEndForward: slave.faces !== 'back',
    },
    shared: reservoir.sharedWithBrakes,
  }
}

/** Points of a route in space; sideways is what is left of its length. */
function spread(route: readonly RoutePoint[]): Point[] {
  const points: Point[] = []
  let y = 0
  route.forEach((one, i) => {
    const before = route[i - 1]
    if (before) {
      const length = one.along - before.along
      const rest = length ** 2 - (one.height - before.height) ** 2 - (one.forward - before.forward) ** 2
      if (rest < -2 * TAPE * Math.max(1, length))
        throw new InputError(
          'this stretch climbs and runs forward by more than it is long',
          `/route/${i}`,
        )
      y += Math.sqrt(Math.max(0, rest))
    }
    points.push([one.forward, y, one.height])
  })
  return points
}
/** The path with a point where one line ends and the next begins. */
function withCuts(
  points: readonly Point[],
  along: readonly number[],
  cuts: readonly number[],
): [Point[], number[]] {
  const list = points.map((point, i) => ({ point, at: along[i]! }))
  for (const cut of cuts) {
    if (along.some((at) => Math.abs(at - cut) < 0.5)) continue
    const i = along.findIndex((at) => at > cut)
    if (i < 1) continue
    const share = (cut - along[i - 1]!) / (along[i]! - along[i - 1]!)
    const [a, b] = [points[i - 1]!, points[i]!]
    const point = a.map((c, k) => c + share * (b[k]! - c)) as unknown as Point
    list.push({ point, at: cut })
  }
  list.sort((a, b) => a.at - b.at)
  const kept = list.filter(({ at }, i) => i === 0 || at - list[i - 1]!.at > 0.01)
  return [kept.map(({ point }) => point), kept.map(({ at }) => at)]
}
/** A bleed line by its pieces, each with its rise. */
function rising(pieces: readonly { length: number; innerDiameter: number; rise: number }[]): BleedPath {
  let [y, z] = [0, 0]
  const points: Point[] = [[0, 0, 0]]
  for (const { length, rise } of pieces) {
    const up = Math.min(length, Math.max(-length, rise))
    y += Math.sqrt(Math.max(0, length ** 2 - up ** 2))
    z += up
    points.push([0, y, z])
  }
  return { points, bores: pieces.map(({ innerDiameter }) => innerDiameter) }
}
