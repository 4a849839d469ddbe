import type { Circuit } from '../circuit'
import { lengthOfLines, type Installation, type RoutePoint } from './installation'

/** Points closer along the line than this cannot be told apart by a tape under a vehicle, mm. */
export const LEAST_GAP = 5
export const MOST_POINTS = 60
/** A point this near to where two lines meet is the union itself, mm. */
const ON_UNION = 0.5

/** What a point may be moved to. */
export interface PointMove {
  along?: number
  height?: number
  forward?: number
  clip?: boolean
}

/** Distances along at which two lines meet, mm. */
export function unionsOf(circuit: Circuit): number[] {
  let along = 0
  return circuit.lines.slice(0, -1).map((line) => (along += line.length))
}

/** The union that a distance lies on: the number of the line that ends there, or −1. */
export const unionAt = (circuit: Circuit, along: number): number =>
  unionsOf(circuit).findIndex((union) => Math.abs(union - along) < ON_UNION)

/** The line's way between two points is straight. */
export function placeAt(route: readonly RoutePoint[], along: number): RoutePoint {
  const i = route.findIndex((point) => point.along >= along)
  if (i <= 0) return { ...route[i === 0 ? 0 : route.length - 1]!, along }
  const a = route[i - 1]!
  const b = route[i]!
  const t = (along - a.along) / (b.along - a.along)
  return {
    along,
    height: a.height + t * (b.height - a.height),
    forward: a.forward + t * (b.forward - a.forward),
  }
}

/** A tape along a line and a plumb line beside it agree to about this, mm. */
const TAPES_AGREE = 1

/** How far a piece of line goes from one point to the next as the crow flies, less its own length, mm. */
export const shortBy = (a: RoutePoint, b: RoutePoint): number =>
  Math.hypot(b.height - a.height, b.forward - a.forward) - (b.along - a.along)

/** The first point that the line before it is too short to reach, and by how much, mm; null where it reaches all. */
export function outOfReach(route: readonly RoutePoint[]): { index: number; by: number } | null {
  for (let index = 1; index < route.length; index++) {
    const by = shortBy(route[index - 1]!, route[index]!)
    if (by > TAPES_AGREE) return { index, by }
  }
  return null
}

/** The way of a line that was cut shorter, pulled straight where it no longer reaches: what comes after moves with it. */
export function taut(route: readonly RoutePoint[]): RoutePoint[] {
  let [height, forward] = [0, 0]
  return route.map((point, i) => {
    const before = route[i - 1]
    if (before) {
      const far = Math.hypot(point.height - before.height, point.forward - before.forward)
      const reach = point.along - before.along
      if (far > reach) {
        height += (point.height - before.height) * (reach / far - 1)
        forward += (point.forward - before.forward) * (reach / far - 1)
      }
    }
    return { ...point, height: point.height + height, forward: point.forward + forward }
  })
}

/**
 * Moves one point of the route. It goes no farther than the line beside it reaches. Along it stays between its neighbours, and the ends stay ends. A point on a union takes
 * the union with it: one line grows by what the other loses.
 */
export function movePoint(installation: Installation, index: number, to: PointMove): Installation {
  const { route, circuit } = installation
  const point = route[index]
  if (!point) return installation
  const along = clampAlong(installation, index, to.along ?? point.along)
  const moved = reached(
    route,
    index,
    {
      along,
      height: to.height ?? point.height,
      forward: to.forward ?? point.forward,
      ...((to.clip ?? point.clip) && { clip: true }),
    },
    to.forward !== undefined,
  )
  const next = route.map((other, i) => (i === index ? moved : other))
  const union = unionAt(circuit, point.along)
  if (union < 0 || along === point.along) return { ...installation, route: next }
  const by = along - point.along
  const lines = circuit.lines.map((line, i) =>
    i === union
      ? { ...line, length: line.length + by }
      : i === union + 1
        ? { ...line, length: line.length - by }
        : line,
  )
  return { ...installation, route: next, circuit: { ...circuit, lines } }
}

/**
 * As far on the way to where a point is wanted as the line on both its sides reaches: nearer to its neighbours, forward, where
 * nobody said how far forward it lies, else no farther.
 */
function reached(
  route: readonly RoutePoint[],
  index: number,
  wanted: RoutePoint,
  forwardSaid: boolean,
): RoutePoint {
  const from = route[index]!
  const beside = [route[index - 1], route[index + 1]].filter((point) => point !== undefined)
  const short = (point: RoutePoint) =>
    Math.max(
      ...beside.map((other) =>
        other.along < point.along ? shortBy(other, point) : shortBy(point, other),
      ),
    )
  /** Pulled nearer to its neighbours, forward, as little as may be; as it is where that does not help. */
  const pulled = (point: RoutePoint): RoutePoint => {
    if (forwardSaid || short(point) <= 0) return point
    let [low, high] = [-Infinity, Infinity]
    for (const other of beside) {
      const reach = Math.abs(point.along - other.along)
      const rise = Math.abs(point.height - other.height)
      if (rise > reach) return point
      const aside = Math.sqrt(reach ** 2 - rise ** 2)
      low = Math.max(low, other.forward - aside)
      high = Math.min(high, other.forward + aside)
    }
    return low <= high ? { ...point, forward: Math.min(high, Math.max(low, point.forward)) } : point
  }
  // What was out of reach already may only come nearer.
  const start = { ...wanted, height: from.height, forward: from.forward }
  const most = Math.max(1e-9, short(pulled(start)))
  const at = (share: number): RoutePoint =>
    pulled({
      ...wanted,
      height: from.height + share * (wanted.height - from.height),
      forward: from.forward + share * (wanted.forward - from.forward),
    })
  if (short(at(1)) <= most) return at(1)
  let [low, high] = [0, 1]
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (short(at(middle)) <= most) low = middle
    else high = middle
  }
  return at(low)
}

/** Between its neighbours; a union also between the unions beside it, so that no line is used up. */
function clampAlong({ route, circuit }: Installation, index: number, along: number): number {
  const point = route[index]!
  if (index === 0 || index === route.length - 1) return point.along
  let low = route[index - 1]!.along + LEAST_GAP
  let high = route[index + 1]!.along - LEAST_GAP
  if (unionAt(circuit, point.along) < 0) {
    // Nor across a union: the point would change the line that it belongs to without saying so.
    for (const union of unionsOf(circuit)) {
      if (union < point.along) low = Math.max(low, union + LEAST_GAP)
      else high = Math.min(high, union - LEAST_GAP)
    }
  } else {
    const ends = [0, ...unionsOf(circuit), lengthOfLines(circuit)]
    const at = ends.findIndex((end) => Math.abs(end - point.along) < ON_UNION)
    low = Math.max(low, ends[at - 1]! + LEAST_GAP)
    high = Math.min(high, ends[at + 1]! - LEAST_GAP)
  }
  return low > high ? point.along : Math.min(high, Math.max(low, along))
}

/** A new point on the line's way, and its index; null where it has no room or the route is full. */
export function addPoint(
  installation: Installation,
  along: number,
): { installation: Installation; index: number } | null {
  const { route } = installation
  if (route.length >= MOST_POINTS) return null
  if (route.some((point) => Math.abs(point.along - along) < LEAST_GAP)) return null
  const index = route.findIndex((point) => point.along > along)
  if (index <= 0) return null
  const next = [...route.slice(0, index), placeAt(route, along), ...route.slice(index)]
  return { installation: { ...installation, route: next }, index }
}

/** The route without one point; the ends stay. */
export function removePoint(installation: Installation, index: number): Installation {
  const { route } = installation
  if (index <= 0 || index >= route.length - 1) return installation
  return { ...installation, route: route.filter((_, i) => i !== index) }
}

/**
 * A height pulled to what it nearly is: level with a neighbour, or a round figure.
 * @param near mm within which a neighbour pulls.
 * @param step mm of the round figures.
 */
export function snapHeight(
  route: readonly RoutePoint[],
  index: number,
  height: number,
  near: number,
  step: number,
): number {
  const beside = [route[index - 1], route[index + 1]].filter((point) => point !== undefined)
  const level = beside
    .map((point) => point.height)
    .sort((a, b) => Math.abs(a - height) - Math.abs(b - height))[0]
  if (level !== undefined && Math.abs(level - height) <= near) return level
  return Math.round(height / step) * step
}

/** A route drawn over another length, heights kept: a history's route may be older than its lines. */
export function fitted(route: readonly RoutePoint[], length: number): RoutePoint[] {
  const last = route.at(-1)!.along
  if (Math.abs(last - length) < 1e-6) return [...route]
  return route.map((point) => ({ ...point, along: (point.along / last) * length }))
}

/**
 * The way seen with the vehicle's nose up: heights over the master's outlet once the vehicle is turned.
 * @param noseUp degrees, −45 … 45.
 */
export function pitched(route: readonly RoutePoint[], noseUp: number): RoutePoint[] {
  if (noseUp === 0) return [...route]
  const angle = (noseUp * Math.PI) / 180
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  return route.map((point) => ({
    ...point,
    height: point.height * cos + point.forward * sin,
    forward: point.forward * cos - point.height * sin,
  }))
}
