import type { PressedState } from '~~/core/circuit'
import {
  alongOf,
  crestsOf,
  lengthOfLines,
  pitched,
  placeAt,
  unionsOf,
  type Crest,
  type Installation,
} from '~~/core/installation'

export interface Point {
  x: number
  y: number
}
/** One line of the circuit as it is drawn. */
export interface DrawnLine {
  kind: string
  length: number
  points: Point[]
  middle: Point
}
export interface LineDrawing {
  lines: DrawnLine[]
  unions: Point[]
  clips: Point[]
  /** Joints of which something is known, and whether both ends are. */
  joints: (Point & { known: boolean })[]
  /** Where something hot lies beside it. */
  heat: (Point & { distance: number; sleeved: boolean })[]
  /** Every point of the route, where it can be taken hold of. */
  points: Point[]
  master: Point
  slave: Point
  reservoirLevel: number
  crests: (Crest & Point)[]
  /** Heights that the scale names, mm, and where they are. */
  ticks: { height: number; y: number }[]
  /** Distances along the line that the scale names, mm, and where they are. */
  marks: { along: number; x: number }[]
  /** Where the scale along the line stands. */
  base: number
  xAt: (along: number) => number
  yAt: (height: number) => number
  /** Back from the drawing: mm. */
  alongAt: (x: number) => number
  heightAt: (y: number) => number
}

const LEFT = 250
const RIGHT = 214
const TOP = 42
/** Room for the slave below its line port, and for the scale along the line. */
const BOTTOM = 48
/** A concentric slave is drawn round its shaft and hangs lower. */
const BOTTOM_CONCENTRIC = 80

/** Vertical span of what is drawn, kept while a point is dragged so that the drawing does not slip under the hand. */
export interface Span {
  highest: number
  lowest: number
}

/** Heights that a route needs, mm over the master's outlet. */
export function spanOf(installation: Installation, noseUp = 0): Span {
  const route = pitched(installation.route, noseUp)
  const heights = [0, installation.reservoir.height, ...route.map((point) => point.height)]
  return { highest: Math.max(...heights) + 10, lowest: Math.min(...heights) - 10 }
}

/** Side elevation: heights to one scale, distance along the line spread over the width. */
export function drawLine(
  installation: Installation,
  width: number,
  height: number,
  { noseUp = 0, span = spanOf(installation, noseUp), inch = false } = {},
): LineDrawing {
  const { circuit, reservoir } = installation
  const route = pitched(installation.route, noseUp)
  const turned = { circuit, route }
  const length = lengthOfLines(circuit) || 1
  const bottom = circuit.slave.type === 'concentric' ? BOTTOM_CONCENTRIC : BOTTOM
  const scale = (height - TOP - bottom) / Math.max(120, span.highest - span.lowest)
  const xAt = (along: number) => LEFT + (along / length) * (width - LEFT - RIGHT)
  const yAt = (mm: number) => TOP + (span.highest - mm) * scale
  const at = (along: number): Point => ({ x: xAt(along), y: yAt(placeAt(route, along).height) })

  const lines: DrawnLine[] = []
  let start = 0
  for (const line of circuit.lines) {
    const end = start + line.length
    const inside = route.filter((point) => point.along > start && point.along < end)
    lines.push({
      kind: line.kind,
      length: line.length,
      points: [at(start), ...inside.map((point) => at(point.along)), at(end)],
      middle: at((start + end) / 2),
    })
    start = end
  }
  const unit = inch ? 25.4 : 1
  return {
    lines,
    unions: unionsOf(circuit).map(at),
    joints: jointMarks(installation).map(({ along, known }) => ({ ...at(along), known })),
    heat: (installation.heat ?? [])
      .filter(({ along }) => along <= length)
      .map((one) => ({ ...at(one.along), distance: one.distance, sleeved: one.sleeved })),
    clips: route.filter((point) => point.clip).map((point) => at(point.along)),
    points: route.map((point) => ({ x: xAt(point.along), y: yAt(point.height) })),
    master: at(0),
    slave: at(length),
    reservoirLevel: yAt(reservoir.height),
    crests: crestsOf(turned).map((crest) => ({ ...crest, ...at(crest.along) })),
    ticks: rounds(span.lowest / unit, span.highest / unit, 5).map((n) => ({
      height: n,
      y: yAt(n * unit),
    })),
    marks: rounds(0, length / unit, 6).map((n) => ({ along: n, x: xAt(n * unit) })),
    base: height - 8,
    xAt,
    yAt,
    alongAt: (x) => ((x - LEFT) / (width - LEFT - RIGHT)) * length,
    heightAt: (y) => span.highest - (y - TOP) / scale,
  }
}

/** Joints on the line, and whether both their ends are known. */
function jointMarks(installation: Installation): { along: number; known: boolean }[] {
  return (installation.joints ?? []).flatMap(({ at, a, b }) => {
    const along = alongOf(installation, at)
    return along === null ? [] : [{ along, known: a !== null && b !== null }]
  })
}

const STEPS = [1, 2, 5, 10, 20, 50, 100, 200, 250, 500, 1000, 2000, 5000]

/** Round numbers from low to high, few enough to be read. */
function rounds(low: number, high: number, most: number): number[] {
  const step = STEPS.find((size) => (high - low) / size <= most) ?? 10_000
  const list: number[] = []
  for (let n = Math.ceil(low / step) * step; n <= high; n += step) list.push(n)
  return list
}

/** Where the pistons stand as they are drawn: shares of the room that the drawing gives their strokes. */
export interface Pistons {
  /** 0 at rest with the rod just clear, 1 at the end of the master's stroke; below 0 never. */
  master: number
  /** 0 at rest, 1 at the end of the slave's stroke. */
  slave: number
  /** The cup has passed the port. */
  portShut: boolean
  masterAtEnd: boolean
  slaveAtEnd: boolean
}

export function pistonsOf({ circuit }: Installation, at: PressedState | null, pad: number): Pistons {
  const { master, slave, pedal } = circuit
  const travel = Math.min(
    master.stroke,
    Math.max(0, pad / pedal.ratio - Math.max(master.pushrodClearance, -master.portClosure)),
  )
  const moved = at?.slaveTravel ?? 0
  return {
    master: travel / master.stroke,
    slave: Math.min(1, moved / slave.stroke),
    portShut: travel >= master.portClosure || master.pushrodClearance <= -master.portClosure,
    masterAtEnd: pad > 0 && travel >= master.stroke - 1e-9,
    slaveAtEnd: pad > 0 && moved >= slave.stroke - 1e-9,
  }
}

/**
 * Air that cannot leave a chamber: what of a circle lies above its exit, as a path round centre 0, 0.
 * @param angle exit, degrees off top.
 */
export function pocketPath(radius: number, angle: number): string {
  const level = -radius * Math.cos((angle * Math.PI) / 180)
  if (level <= -radius + 0.5) return ''
  const half = Math.sqrt(Math.max(0, radius * radius - level * level))
  const large = level > 0 ? 1 : 0
  return `M${-half} ${level}A${radius} ${radius} 0 ${large} 1 ${half} ${level}Z`
}
