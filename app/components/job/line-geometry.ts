import { crestsOf, lengthOfLines, type Crest, type Installation } from '~~/core/installation'

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
  master: Point
  slave: Point
  reservoirLevel: number
  crests: (Crest & Point)[]
  /** Heights that the scale names, mm, and where they are. */
  ticks: { height: number; y: number }[]
  xAt: (along: number) => number
  yAt: (height: number) => number
}

const LEFT = 250
const RIGHT = 190
const TOP = 46
const BOTTOM = 40
/** A concentric slave is drawn round its shaft and hangs lower. */
const BOTTOM_CONCENTRIC = 76

/** Side elevation: heights to one scale, distance along the line spread over the width. */
export function drawLine(installation: Installation, width: number, height: number): LineDrawing {
  const { circuit, route, reservoir } = installation
  const length = lengthOfLines(circuit) || 1
  const heights = [0, reservoir.height, ...route.map((point) => point.height)]
  const highest = Math.max(...heights) + 10
  const lowest = Math.min(...heights) - 10
  const bottom = circuit.slave.type === 'concentric' ? BOTTOM_CONCENTRIC : BOTTOM
  const scale = (height - TOP - bottom) / Math.max(120, highest - lowest)
  const xAt = (along: number) => LEFT + (along / length) * (width - LEFT - RIGHT)
  const yAt = (mm: number) => TOP + (highest - mm) * scale
  const heightAt = (along: number) => interpolate(route, along)
  const at = (along: number): Point => ({ x: xAt(along), y: yAt(heightAt(along)) })

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
  return {
    lines,
    unions: lines.slice(1).map((line) => line.points[0]!),
    master: at(0),
    slave: at(length),
    reservoirLevel: yAt(reservoir.height),
    crests: crestsOf(installation).map((crest) => ({ ...crest, ...at(crest.along) })),
    ticks: ticksOf(lowest, highest).map((mm) => ({ height: mm, y: yAt(mm) })),
    xAt,
    yAt,
  }
}

function interpolate(route: Installation['route'], along: number): number {
  const i = route.findIndex((point) => point.along >= along)
  if (i <= 0) return route[i === 0 ? 0 : route.length - 1]!.height
  const a = route[i - 1]!
  const b = route[i]!
  return a.height + ((along - a.along) / (b.along - a.along)) * (b.height - a.height)
}

/** Round heights, few enough to be read. */
function ticksOf(lowest: number, highest: number): number[] {
  const step = [50, 100, 200, 250, 500, 1000].find((size) => (highest - lowest) / size <= 5) ?? 2000
  const ticks: number[] = []
  for (let mm = Math.ceil(lowest / step) * step; mm <= highest; mm += step) ticks.push(mm)
  return ticks
}
