import { P0 } from './circuit'
import { inflectionInPiece, slopeInPiece } from './load-curve'
import { absorbed, pressureAt, slaveTravelFor, type Plant } from './plant'
import { root } from './root'

/**
 * The volume that has to be sent forward to hold the slave at s,
 * G±(s) = A_s·(s − s0) + W(P±(s)), cut into pieces on each of which it only rises or only falls.
 */
export interface Balance {
  readonly plant: Plant
  readonly way: 1 | -1
  /** Ends of the pieces, mm, rising. */
  readonly s: number[]
  /** G at each end, mm³. */
  readonly volume: number[]
}

/** Turning points of G are found to this width, mm; G itself is then right to about its square. */
const TURNING_WIDTH = 1e-4

/** G±(s), mm³. */
export function volumeHolding(p: Plant, s: number, way: 1 | -1): number {
  return p.slaveArea * (s - p.slaveRest) + absorbed(p, pressureAt(p, s, way))
}

/** The balance from slave travel `from` to `to`, mm. */
export function balance(p: Plant, way: 1 | -1, from: number, to: number): Balance {
  const s = [from]
  const { x, y } = p.curve
  const push = (at: number) => {
    if (at > s[s.length - 1]! && at < to) s.push(at)
  }
  push(p.contact)
  for (let i = 0; i + 1 < x.length; i++) {
    const left = slaveTravelFor(p, x[i]!)
    const right = slaveTravelFor(p, x[i + 1]!)
    if (right <= from) continue
    if (left >= to) break
    push(left)
    if (y[i + 1]! < y[i]!) turningsInPiece(p, way, i, Math.max(left, from), Math.min(right, to), push)
    push(right)
  }
  if (to > from) s.push(to)
  return { plant: p, way, s, volume: s.map((at) => volumeHolding(p, at, way)) }
}

/**
 * Where the load falls, G may fall with it. Bounds on G′ decide each stretch for good, or it is halved.
 * G′ = A_s + W′(P)·P′; along a falling load W′ rises, and P′ is monotone on each side of its inflection.
 */
function turningsInPiece(
  p: Plant,
  way: 1 | -1,
  piece: number,
  from: number,
  to: number,
  push: (s: number) => void,
): void {
  const { forkRatio } = p
  const left = slaveTravelFor(p, p.curve.x[piece]!)
  const perSlave = 1 / (forkRatio * forkRatio * p.slaveArea)
  const end = (s: number): StretchEnd => {
    const pressure = pressureAt(p, s, way)
    const absolute = P0 + pressure
    return {
      s,
      pressure,
      softness: (p.air * P0) / (absolute * absolute) + p.give,
      fall: Math.max(0, -slopeInPiece(p.curve, piece, (s - left) / forkRatio) * perSlave),
    }
  }
  const decide = (u: StretchEnd, v: StretchEnd): void => {
    // Once the falling load lets the pressure go to zero, only the slave's own volume is left, and it rises.
    if (u.pressure === 0) return
    const rises = v.softness * Math.max(u.fall, v.fall) <= p.slaveArea
    if (rises) return
    const falls = u.softness * Math.min(u.fall, v.fall) >= p.slaveArea && v.pressure > 0
    if (falls || v.s - u.s < TURNING_WIDTH) {
      push(u.s)
      push(v.s)
      return
    }
    const middle = end((u.s + v.s) / 2)
    decide(u, middle)
    decide(middle, v)
  }
  const inflection = inflectionInPiece(p.curve, piece)
  const bend = inflection < 0 ? from : left + inflection * forkRatio
  if (bend > from && bend < to) {
    const middle = end(bend)
    decide(end(from), middle)
    decide(middle, end(to))
  } else decide(end(from), end(to))
}

/** One end of a stretch on which G′ is bounded: P there, W′(P) and −P′. */
interface StretchEnd {
  s: number
  pressure: number
  softness: number
  fall: number
}

/** Where G is V in the piece that begins at end i; V lies between the volumes of its ends. */
export const crossing = (b: Balance, i: number, volume: number): number =>
  root(
    (s) => volumeHolding(b.plant, s, b.way) - volume,
    b.s[i]!,
    b.s[i + 1]!,
    b.volume[i]! - volume,
    b.volume[i + 1]! - volume,
  )

/** inf{ s : G(s) > V }; the balance's end where G never exceeds V. */
export function firstAbove(b: Balance, volume: number): number {
  const last = b.s.length - 1
  if (b.volume[0]! > volume) return b.s[0]!
  for (let i = 0; i < last; i++) {
    if (b.volume[i + 1]! > volume) return crossing(b, i, volume)
  }
  return b.s[last]!
}

/** sup{ s : G(s) < V }; the balance's start where G is nowhere below V. */
export function lastBelow(b: Balance, volume: number): number {
  const last = b.s.length - 1
  if (b.volume[last]! < volume) return b.s[last]!
  for (let i = last; i > 0; i--) {
    if (b.volume[i - 1]! < volume) return crossing(b, i - 1, volume)
  }
  return b.s[0]!
}

/** Greatest G over from ≤ s ≤ to, mm³; both inside the balance. */
export const greatest = (b: Balance, from: number, to: number): number => extreme(b, from, to, Math.max)

/** Least G over from ≤ s ≤ to, mm³; both inside the balance. */
export const least = (b: Balance, from: number, to: number): number => extreme(b, from, to, Math.min)

function extreme(b: Balance, from: number, to: number, pick: (a: number, b: number) => number): number {
  let found = pick(volumeHolding(b.plant, from, b.way), volumeHolding(b.plant, to, b.way))
  for (let i = 0; i < b.s.length; i++)
    if (b.s[i]! > from && b.s[i]! < to) found = pick(found, b.volume[i]!)
  return found
}
