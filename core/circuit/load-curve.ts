/**
 * Release load of the cover over bearing travel: a monotone piecewise cubic Hermite.
 * Source: M. Steffen, "A simple method for monotonic interpolation in one dimension",
 * Astron. Astrophys. 239 (1990), 443–450. Constant outside its ends; two points are a straight line.
 */
export interface LoadCurve {
  readonly x: Float64Array
  readonly y: Float64Array
  readonly slope: Float64Array
}

/** The curve through points [bearing travel mm, load N], travel strictly rising, at least two points. */
export function loadCurve(points: readonly (readonly [number, number])[]): LoadCurve {
  const n = points.length
  const x = new Float64Array(n)
  const y = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    x[i] = points[i]![0]
    y[i] = points[i]![1]
  }
  const slope = new Float64Array(n)
  const secant = (i: number) => (y[i + 1]! - y[i]!) / (x[i + 1]! - x[i]!)
  if (n === 2) {
    slope.fill(secant(0))
    return { x, y, slope }
  }
  for (let i = 1; i < n - 1; i++) {
    const left = secant(i - 1)
    const right = secant(i)
    const hl = x[i]! - x[i - 1]!
    const hr = x[i + 1]! - x[i]!
    const q = (left * hr + right * hl) / (hl + hr)
    slope[i] =
      (Math.sign(left) + Math.sign(right)) * Math.min(Math.abs(left), Math.abs(right), Math.abs(q) / 2)
  }
  slope[0] = endSlope(secant(0), slope[1]!)
  slope[n - 1] = endSlope(secant(n - 2), slope[n - 2]!)
  return { x, y, slope }
}

/** (3d − m)/2, the end slope that leaves no curvature at the end; it stays within 0 … 1.5 d. */
const endSlope = (secant: number, neighbour: number) => (3 * secant - neighbour) / 2

/** Load at bearing travel b, N. */
export function loadAt(curve: LoadCurve, b: number): number {
  const { x, y, slope } = curve
  const last = x.length - 1
  if (b <= x[0]!) return y[0]!
  if (b >= x[last]!) return y[last]!
  let i = 0
  while (b > x[i + 1]!) i++
  const h = x[i + 1]! - x[i]!
  const t = b - x[i]!
  const d = (y[i + 1]! - y[i]!) / h
  const m0 = slope[i]!
  const m1 = slope[i + 1]!
  return y[i]! + t * (m0 + t * ((3 * d - 2 * m0 - m1) / h + (t * (m0 + m1 - 2 * d)) / (h * h)))
}

/** d load / d bearing travel on piece i at offset t from its left end, N/mm. */
export function slopeInPiece(curve: LoadCurve, i: number, t: number): number {
  const { x, y, slope } = curve
  const h = x[i + 1]! - x[i]!
  const d = (y[i + 1]! - y[i]!) / h
  const m0 = slope[i]!
  const m1 = slope[i + 1]!
  return m0 + t * ((2 * (3 * d - 2 * m0 - m1)) / h + (3 * t * (m0 + m1 - 2 * d)) / (h * h))
}

/** Offset at which piece i has no curvature, or NaN-free −1 where it has none inside. */
export function inflectionInPiece(curve: LoadCurve, i: number): number {
  const { x, y, slope } = curve
  const h = x[i + 1]! - x[i]!
  const d = (y[i + 1]! - y[i]!) / h
  const quadratic = (3 * d - 2 * slope[i]! - slope[i + 1]!) / h
  const cubic = (slope[i]! + slope[i + 1]! - 2 * d) / (h * h)
  if (cubic === 0) return -1
  const t = -quadratic / (3 * cubic)
  return t > 0 && t < h ? t : -1
}
