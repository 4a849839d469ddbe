/** Area of a circle's segment above height h from its middle, mm²; the whole circle below, nothing above. */
function segment(radius: number, h: number): number {
  if (radius <= 0 || h >= radius) return 0
  if (h <= -radius) return Math.PI * radius * radius
  return radius * radius * Math.acos(h / radius) - h * Math.sqrt(radius * radius - h * h)
}
const MIDPOINTS = 40

export interface Pocket {
  /** mm. */
  radius: number
  /** Inner radius of an annulus, mm; 0 for a plain bore. */
  inner?: number
  /** mm. */
  length: number
  /** Exit at the wall, degrees off the top. */
  off: number
  /** How far that end is raised, degrees. */
  raise?: number
}
/** Gas that is held above an exit at the wall at one end, ml. */
export function pocketVolume({ radius, inner = 0, length, off, raise = 0 }: Pocket): number {
  const height = radius * Math.cos((off * Math.PI) / 180)
  const rise = Math.tan((raise * Math.PI) / 180)
  let sum = 0
  for (let i = 0; i < MIDPOINTS; i++) {
    const h = height + ((i + 0.5) / MIDPOINTS) * length * rise
    sum += segment(radius, h) - segment(inner, h)
  }
  // Rounding alone could make it less than nothing.
  return Math.max(0, (sum * length) / MIDPOINTS / 1000)
}
