import { minorOf, threadOf, type End } from '../../../core/fitting'

/** mm from the axis and along it; the port's face is at 0, its bore goes to the left. */
export type Outline = readonly (readonly [along: number, radius: number])[]
export interface EndShape {
  /** Half of the body's section, above the axis. */
  body: Outline
  /** Half of the threaded flank; empty where there is none. */
  thread: Outline
  /** Where it seals. */
  seat: Outline
  /** Of the pipe or hose, above the axis; empty where there is none. */
  pipe: Outline
  from: number
  to: number
  widest: number
}

/** What is drawn where nobody measured: so it can be seen, not read off. */
const USUAL = { tube: 4.75, bore: 6, depth: 13, nut: 10, lead: 4, diameter: 10, pitch: 1 }
const HEX = 7

const sizeOf = (end: End) => {
  const thread = end.thread === null ? null : threadOf(end.thread)
  const diameter = thread?.diameter ?? (end.tube ?? end.bore ?? USUAL.bore) + 4
  return {
    outer: diameter / 2,
    inner: thread ? minorOf(thread) / 2 : diameter / 2 - 0.6,
    pitch: thread?.pitch ?? 0,
    tube: (end.tube ?? end.bore ?? USUAL.tube) / 2,
  }
}
/** Flanks from one place to another, as they are cut. */
function flanks(from: number, to: number, outer: number, inner: number, pitch: number): Outline {
  if (pitch <= 0 || to <= from) return []
  const list: [number, number][] = []
  for (let at = from; at < to - 1e-9; at += pitch)
    list.push([at, inner], [Math.min(to, at + pitch / 2), outer])
  list.push([to, inner])
  return list
}

/** How far a seat's cone or bead stands along the axis, by its kind: half angle 45° or 37°. */
const SLOPE: Partial<Record<End['seat'], number>> = {
  doubleFlare: 1,
  flare37: 1 / Math.tan((37 * Math.PI) / 180),
}

/** A port in section: its face at 0, its seat at −depth. */
export function portShape(end: End): EndShape {
  const { outer, inner, pitch, tube } = sizeOf(end)
  const depth = end.depth ?? USUAL.depth
  const counterbore = end.counterbore ?? 0
  const wall = outer + 4
  const slope = SLOPE[end.seat] ?? 0
  const seat: [number, number][] =
    slope > 0
      ? [
          [-depth + (tube - 1.2) * slope, 1.2],
          [-depth, tube],
        ]
      : end.seat === 'bubbleFlare'
        ? [
            [-depth - 1.4, 1.2],
            [-depth - 0.9, tube * 0.7],
            [-depth, tube + 0.4],
          ]
        : [
            [-depth, 1.2],
            [-depth, tube + 0.6],
          ]
  return {
    body: [
      [-depth - 6, wall],
      [0, wall],
      [0, counterbore > 0 ? outer + 0.4 : outer],
      [-counterbore, counterbore > 0 ? outer + 0.4 : outer],
      [-counterbore, outer],
      [-depth, outer],
      ...[...seat].reverse(),
      [-depth - 6, 1.2],
    ],
    thread: flanks(-depth + tube, -counterbore, outer, inner, pitch),
    seat,
    pipe: [],
    from: -depth - 6,
    to: 0,
    widest: wall,
  }
}

/** A nut on its pipe, or whatever goes into a port: its sealing end at 0, the pipe goes to the right. */
export function nutShape(end: End): EndShape {
  const { outer, inner, pitch, tube } = sizeOf(end)
  const lead = end.nut?.lead ?? USUAL.lead
  const length = end.nut?.length ?? USUAL.nut
  const hex = outer + 2
  const flare = tube + 1
  const slope = SLOPE[end.seat] ?? 0
  const seat: [number, number][] =
    slope > 0
      ? [
          [(tube - 1.2) * slope, 1.2],
          [0, flare],
        ]
      : end.seat === 'bubbleFlare'
        ? [
            [-1.4, 1.2],
            [-0.9, tube * 0.7],
            [0, flare],
          ]
        : [
            [0, 1.2],
            [0, flare],
          ]
  const back = lead + length + HEX
  const threaded = end.thread !== null
  return {
    body: threaded
      ? [
          [1.2, inner],
          [lead, inner],
          [lead, outer],
          [lead + length, outer],
          [lead + length, hex],
          [back, hex],
          [back, tube + 0.15],
          [1.2, tube + 0.15],
        ]
      : [
          [0, tube],
          [lead + length, tube],
          [lead + length, tube + 3],
          [lead + length + 3, tube + 3],
          [lead + length + 3, tube],
          [back, tube],
        ],
    thread: threaded ? flanks(lead, lead + length, outer, inner, pitch) : [],
    seat,
    pipe: [
      [0, tube],
      [back + 10, tube],
    ],
    from: -1.5,
    to: back + 10,
    widest: hex,
  }
}

/** Two ends on one axis at one scale, the nut drawn out of the port by so much, mm. */
export interface Facing {
  port: EndShape
  nut: EndShape
  /** What the nut is moved to the right by. */
  apart: number
  from: number
  to: number
  widest: number
}
const APART = 6
export function facing(port: End, nut: End): Facing {
  const [one, other] = [portShape(port), nutShape(nut)]
  const apart = APART
  return {
    port: one,
    nut: other,
    apart,
    from: one.from,
    to: apart + other.to,
    widest: Math.max(one.widest, other.widest),
  }
}
/** Which of two ends is drawn as the port. */
export const portFirst = (a: End, b: End): boolean =>
  a.gender === 'female' || (b.gender !== 'female' && a.depth !== undefined)
