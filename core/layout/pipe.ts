import { InputError } from '../circuit'
import { placeAt, type RoutePoint } from '../installation'
import type { Format } from '../quantity'
import { bendRadius, FLARE_ALLOWANCES, type BendBy } from './limits'

/** Where a pipe's middle line turns, or ends, mm: forward, to the left, and up. */
export interface Corner {
  forward: number
  side: number
  height: number
}

/** What is made at one end. */
export interface PipeFlare {
  seat: (typeof FLARE_ALLOWANCES)[number]['seat']
  /** What it takes of the pipe, mm; the table's where left out. */
  allowance?: number
}

export interface Bend {
  /** Where it begins, mm from the cut end A. */
  at: number
  /** Degrees between the pipe before it and after it. */
  angle: number
  /** mm along the middle line. */
  arc: number
  /** Degrees by which the pipe is turned in the bender since the bend before, clockwise seen from end A; 0 at the first. */
  turn: number
  /** Which way it goes, as it lies in the vehicle. */
  goes: 'up' | 'down' | 'forward' | 'back' | 'left' | 'right'
}

export interface MadePipe {
  /** Length to cut, mm: straights, arcs and what the flares take. */
  cut: number
  /** Straight pieces between the bends, mm; the first and the last end at a flare. */
  straights: number[]
  bends: Bend[]
  radius: number
  leastRadius: number
  problems: PipeProblem[]
}

/** What cannot be made so. Legs and corners are counted from 1, end A being corner 1. */
export type PipeProblem =
  /** Its bends take more of a leg than there is, mm. */
  | { code: 'short'; leg: number; by: number }
  /** Too little straight pipe before a flare, mm. */
  | { code: 'grip'; leg: number; left: number; least: number }
  /** It turns back on itself, degrees. */
  | { code: 'back'; corner: number; angle: number }
  | { code: 'radius'; radius: number; least: number; by: BendBy }

export function pipeProblemWords(problem: PipeProblem, { length: mm }: Format): string {
  switch (problem.code) {
    case 'short':
      return `Leg ${problem.leg} is ${mm(problem.by)} too short for its bends.`
    case 'grip':
      return `Leg ${problem.leg} leaves ${mm(problem.left)} straight before the flare; ${mm(problem.least)} are needed to hold it.`
    case 'back':
      return `At corner ${problem.corner} it turns back on itself: ${problem.angle.toFixed(0)}°.`
    case 'radius':
      return `A radius of ${mm(problem.radius)} is too tight by ${problem.by}: ${mm(problem.least)} is the least.`
  }
}

/** Turns smaller than this are none: a pipe bows so far by itself, degrees. */
const STRAIGHT = 2
/** A bender needs so much straight pipe before a flare, mm; judgement. */
const GRIP = 15
/** Beyond this a bend is hard to make and hard to lay, degrees. */
const MOST_BEND = 150
/** Beyond this there is no corner between its legs, degrees. */
const FOLDED = 172

/** Corners of one line from the way that was drawn: where it turns by more than a little, and its two ends. */
export function cornersOf(route: readonly RoutePoint[], from: number, to: number): Corner[] {
  const inside = route.filter((point) => point.along > from + 0.5 && point.along < to - 0.5)
  const points = [placeAt(route, from), ...inside, placeAt(route, to)]
  const all = points.map(({ forward, height }): Corner => ({ forward, side: 0, height }))
  return all.filter((corner, i) => {
    const [before, after] = [all[i - 1], all[i + 1]]
    if (!before || !after) return true
    if (length(minus(corner, before)) < 1e-6) return false
    return angleBetween(minus(corner, before), minus(after, corner)) >= STRAIGHT
  })
}

/**
 * A pipe through its corners: what is cut, where it is bent, by how much and which way round.
 * @param corners two ends and the corners between them, at least two
 * @param radius at the middle line, mm
 * @throws InputError where there are too few corners, two lie in one place, or the way comes straight back
 */
export function makePipe(
  corners: readonly Corner[],
  pipe: { outerDiameter: number; radius: number; by: BendBy; a: PipeFlare; b: PipeFlare },
): MadePipe {
  if (corners.length < 2) throw new InputError('a pipe has two ends', '/corners')
  const legs = corners.slice(1).map((corner, i) => minus(corner, corners[i]!))
  const short = legs.findIndex((leg) => length(leg) < 1)
  if (short >= 0)
    throw new InputError('lies in the same place as the one before it', `/corners/${short + 1}`)
  const { radius, by, outerDiameter } = pipe
  const angles = legs.slice(1).map((leg, i) => angleBetween(legs[i]!, leg))
  const folded = angles.findIndex((angle) => angle > FOLDED)
  if (folded >= 0)
    throw new InputError('comes straight back along itself: move it aside', `/corners/${folded + 1}`)
  const tangents = angles.map((angle) => radius * Math.tan((angle * Math.PI) / 360))
  const arcs = angles.map((angle) => ((angle * Math.PI) / 180) * radius)
  const straights = legs.map((leg, i) => length(leg) - (tangents[i - 1] ?? 0) - (tangents[i] ?? 0))
  const leastRadius = bendRadius(by, outerDiameter)
  const problems = problemsOf(straights, angles, radius, leastRadius, by)
  const ofA = allowanceOf(pipe.a)
  let at = ofA
  const bends = angles.map((angle, i): Bend => {
    at += straights[i]!
    const bend: Bend = {
      at,
      angle,
      arc: arcs[i]!,
      turn: i === 0 ? 0 : turnBetween(legs[i - 1]!, legs[i]!, legs[i + 1]!),
      goes: directionOf(legs[i]!, legs[i + 1]!),
    }
    at += arcs[i]!
    return bend
  })
  const sum = (list: readonly number[]) => list.reduce((all, one) => all + one, 0)
  return {
    cut: sum(straights) + sum(arcs) + ofA + allowanceOf(pipe.b),
    straights,
    bends,
    radius,
    leastRadius,
    problems,
  }
}

function problemsOf(
  straights: readonly number[],
  angles: readonly number[],
  radius: number,
  least: number,
  by: BendBy,
): PipeProblem[] {
  const problems: PipeProblem[] = []
  const last = straights.length - 1
  straights.forEach((straight, i) => {
    if (straight < 0) problems.push({ code: 'short', leg: i + 1, by: -straight })
    else if ((i === 0 || i === last) && last > 0 && straight < GRIP)
      problems.push({ code: 'grip', leg: i + 1, left: straight, least: GRIP })
  })
  angles.forEach((angle, i) => {
    if (angle > MOST_BEND) problems.push({ code: 'back', corner: i + 2, angle })
  })
  if (angles.length > 0 && radius < least - 1e-9) problems.push({ code: 'radius', radius, least, by })
  return problems
}

const allowanceOf = ({ seat, allowance }: PipeFlare): number =>
  allowance ?? FLARE_ALLOWANCES.find((one) => one.seat === seat)?.value ?? 0

export interface Reformed {
  /** mm left over, below 0 it is short. */
  spare: number
  /** Degrees by which the first bend is opened or closed for the new outlet. */
  bendBy: number
  does: boolean
}
/** More than this in one place cracks a pipe that is hard with age, degrees; judgement. */
export const MOST_REBENT = 45

/**
 * Whether an old pipe can be formed anew to another outlet instead of making one.
 * @param old its length along the middle line, mm, and the directions of old and new outlet, degrees
 */
export function reformPipe(
  old: { length: number; outletWas: number; outletIs: number },
  wanted: MadePipe,
): Reformed {
  const spare = old.length - wanted.cut
  const bendBy = ((((old.outletIs - old.outletWas) % 360) + 540) % 360) - 180
  return { spare, bendBy, does: spare >= 0 && Math.abs(bendBy) <= MOST_REBENT }
}
export function reformWords({ spare, bendBy }: Reformed, { length: mm }: Format): string {
  const turned = Math.abs(bendBy).toFixed(0)
  if (spare < 0) return `The old pipe is ${mm(-spare)} too short: make a new one.`
  if (Math.abs(bendBy) > MOST_REBENT)
    return `The outlet points ${turned}° another way: more than ${MOST_REBENT}° in one place cracks an old pipe. Make a new one.`
  return `The old pipe reaches, with ${mm(spare)} to spare. Bend its first bend by ${turned}° over a round, once, and look at it for cracks; its flare goes on only if it is unmarked.`
}

const minus = (a: Corner, b: Corner): Corner => ({
  forward: a.forward - b.forward,
  side: a.side - b.side,
  height: a.height - b.height,
})
const dot = (a: Corner, b: Corner): number =>
  a.forward * b.forward + a.side * b.side + a.height * b.height
const cross = (a: Corner, b: Corner): Corner => ({
  forward: a.side * b.height - a.height * b.side,
  side: a.height * b.forward - a.forward * b.height,
  height: a.forward * b.side - a.side * b.forward,
})
const length = (a: Corner): number => Math.sqrt(dot(a, a))

/** Degrees between two directions. */
function angleBetween(a: Corner, b: Corner): number {
  return (Math.atan2(length(cross(a, b)), dot(a, b)) * 180) / Math.PI
}

/** Turn of the bending plane from one bend to the next, about the leg between them, degrees; −180 … 180. */
function turnBetween(before: Corner, between: Corner, after: Corner): number {
  const [one, next] = [cross(before, between), cross(between, after)]
  const along = length(between)
  if (length(one) < 1e-9 || length(next) < 1e-9) return 0
  const sine = dot(cross(one, next), between) / along
  return (Math.atan2(sine, dot(one, next)) * 180) / Math.PI
}

/** Where a bend leads to: the strongest part of what is new in its direction, square to how the pipe came. */
function directionOf(before: Corner, after: Corner): Bend['goes'] {
  const share = dot(after, before) / dot(before, before)
  const aside: readonly (readonly [Bend['goes'], Bend['goes'], number])[] = [
    ['forward', 'back', after.forward - share * before.forward],
    ['left', 'right', after.side - share * before.side],
    ['up', 'down', after.height - share * before.height],
  ]
  const [plus, less, by] = aside.reduce((most, one) =>
    Math.abs(one[2]) > Math.abs(most[2]) ? one : most,
  )
  return by >= 0 ? plus : less
}
