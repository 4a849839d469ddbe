import { bubbleRise, horizontalDrift, inclinedDrift, verticalDrift } from './physics'

export type Point = readonly [x: number, y: number, z: number]

/** A line cut into cells of equal volume; lengths in m, volumes in ml, flows of drift in ml/s. */
export interface Cells {
  n: number
  /** ml. */
  volume: number
  diameter: Float64Array
  /** m². */
  area: Float64Array
  length: Float64Array
  /** Rise across each, m. */
  rise: Float64Array
  /** Height of each at its middle, and of both ends, m. */
  mid: Float64Array
  ends: readonly [number, number]
  /** Along the line to the middle of each, mm. */
  along: Float64Array
  /** Of each face, n + 1: sine of its slope towards the far end. */
  slope: Float64Array
  /** m², of the smaller neighbour. */
  faceArea: Float64Array
  /** Drift of gas over each face, ml/s, positive towards the far end: as slugs, and tapped into small bubbles. */
  slug: Float64Array
  tapped: Float64Array
  mostSlug: number
  mostTapped: number
}

const LEVEL = 1e-3

/** Points with the vehicle's nose up by so many degrees. */
export function nosed(points: readonly Point[], degrees: number): Point[] {
  const p = (degrees * Math.PI) / 180
  const [sin, cos] = [Math.sin(p), Math.cos(p)]
  return points.map(([x, y, z]) => [x * cos - z * sin, y, z * cos + x * sin])
}

/**
 * @param bores mm, one for each piece between two points
 * @param bubble mm across, of tapped gas
 */
export function cut(
  points: readonly Point[],
  bores: readonly number[],
  n: number,
  mu: number,
  bubble: number,
): Cells {
  const pieces = bores.map((bore, i) => {
    const [a, b] = [points[i]!, points[i + 1]!]
    const length = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) / 1000
    const diameter = bore / 1000
    const area = (Math.PI / 4) * diameter ** 2
    return { length, diameter, area, low: a[2] / 1000, high: b[2] / 1000, volume: length * area * 1e6 }
  })
  const total = pieces.reduce((sum, { volume }) => sum + volume, 0)
  const all = pieces.reduce((sum, { length }) => sum + length, 0)
  /** Where a share of the volume is reached. */
  const at = (volume: number) => {
    let [v, s] = [volume, 0]
    for (const [i, piece] of pieces.entries()) {
      if (v <= piece.volume || i === pieces.length - 1) {
        const share = Math.min(1, Math.max(0, piece.volume > 0 ? v / piece.volume : 0))
        return {
          piece,
          s: s + share * piece.length,
          z: piece.low + share * (piece.high - piece.low),
        }
      }
      v -= piece.volume
      s += piece.length
    }
    throw new Error('a line has at least one piece')
  }
  const volume = total / n
  const make = () => new Float64Array(n)
  const cells = {
    n,
    volume,
    diameter: make(),
    area: make(),
    length: make(),
    rise: make(),
    mid: make(),
    along: make(),
    slope: new Float64Array(n + 1),
    faceArea: new Float64Array(n + 1),
    slug: new Float64Array(n + 1),
    tapped: new Float64Array(n + 1),
  }
  for (let i = 0; i < n; i++) {
    const [from, middle, to] = [at(i * volume), at((i + 0.5) * volume), at((i + 1) * volume)]
    cells.diameter[i] = middle.piece.diameter
    cells.area[i] = middle.piece.area
    cells.length[i] = to.s - from.s
    cells.rise[i] = to.z - from.z
    cells.mid[i] = middle.z
    cells.along[i] = 1000 * middle.s
  }
  const ends = [points[0]![2] / 1000, points.at(-1)![2] / 1000] as const
  for (let f = 0; f <= n; f++) {
    const [a, b] = [Math.max(0, f - 1), Math.min(n - 1, f)]
    const z0 = f === 0 ? ends[0] : cells.mid[f - 1]!
    const z1 = f === n ? ends[1] : cells.mid[f]!
    const s0 = f === 0 ? 0 : cells.along[f - 1]! / 1000
    const s1 = f === n ? all : cells.along[f]! / 1000
    let slope = s1 > s0 ? (z1 - z0) / (s1 - s0) : 0
    slope = Math.min(1, Math.max(-1, slope))
    if (Math.abs(slope) < LEVEL) slope = 0
    const diameter = Math.min(cells.diameter[a]!, cells.diameter[b]!)
    const area = (Math.PI / 4) * diameter ** 2
    cells.slope[f] = slope
    cells.faceArea[f] = area
    const speed = inclinedDrift(verticalDrift(diameter, mu), horizontalDrift(diameter), slope)
    cells.slug[f] = speed * area * 1e6
    const small = bubbleRise(bubble / 1000, diameter, mu) * Math.abs(slope)
    cells.tapped[f] = Math.sign(slope) * Math.max(Math.abs(speed), small) * area * 1e6
  }
  const most = (flow: Float64Array) => flow.reduce((a, b) => Math.max(a, Math.abs(b)), 0)
  return { ...cells, ends, mostSlug: most(cells.slug), mostTapped: most(cells.tapped) }
}
