/**
 * Closures of two-phase flow in a bleed, in m, Pa, s: film and slug correlations from the literature, drift of small bubbles as an
 * estimate. Sources: Aussillous and Quéré 2000 (film), Viana et al. 2003 (vertical slugs), Weber 1981 (horizontal), Bendiksen 1984
 * (inclined), Bretherton 1961 (the bore below which nothing rises).
 */
export const G = 9.81
export const DENSITY = 1050
export const TENSION = 0.033
/** Free gas is counted at this pressure, Pa. */
export const P0 = 101_325

/** ln viscosity = a + b / (T − c) through three points, °C and Pa s: an estimate for glycol fluid. */
const POINTS = [
  [-40, 1.4],
  [20, 0.012],
  [100, 0.0021],
] as const
const [A, B, C] = fitted()
function fitted(): [number, number, number] {
  const [[t1, m1], [t2, m2], [t3, m3]] = POINTS
  const [y1, y2, y3] = [Math.log(m1), Math.log(m2), Math.log(m3)]
  // (y1 − y2)/(y2 − y3) as a function of c alone: solved by halving.
  const ratio = (c: number) =>
    (1 / (t1 - c) - 1 / (t2 - c)) / (1 / (t2 - c) - 1 / (t3 - c)) - (y1 - y2) / (y2 - y3)
  let [low, high] = [-400, t1 - 1e-6]
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (ratio(middle) < 0) low = middle
    else high = middle
  }
  const c = (low + high) / 2
  const b = (y1 - y2) / (1 / (t1 - c) - 1 / (t2 - c))
  return [y1 - b / (t1 - c), b, c]
}
/** Pa s, at a temperature in °C. */
export const viscosity = (celsius: number): number => Math.exp(A + B / (celsius - C))

/** How much faster gas goes than the mean flow, for a mean speed in m/s. */
export function filmFactor(speed: number, mu: number): number {
  const ca = (mu * Math.abs(speed)) / TENSION
  if (ca <= 0) return 1
  const power = ca ** (2 / 3)
  const film = (1.34 * power) / (1 + 3.35 * power)
  return 1 / (1 - film) ** 2
}

const eotvos = (diameter: number) => (DENSITY * G * diameter ** 2) / TENSION
const L = (x: number, a: number, b: number, c: number, g: number) => a / (1 + (x / b) ** c) ** g
/** Below this no slug rises; by 6 it does as in a wide pipe. */
const STUCK = 3.37
const FREE = 6

/** Rise of a slug in a vertical pipe, m/s; diameter in m. */
export function verticalDrift(diameter: number, mu: number): number {
  const eo = eotvos(diameter)
  if (eo <= STUCK) return 0
  const r = (Math.sqrt(G * diameter ** 3) * DENSITY) / mu
  const a = L(eo, 0.34, 14.793, -3.06, 0.58)
  const b = L(eo, 31.08, 29.868, -1.96, -0.49)
  const c = L(eo, -1.45, 24.867, -9.93, -0.094)
  const fade = Math.min(1, Math.max(0, (eo - STUCK) / (FREE - STUCK)))
  return L(r, a, b, c, -1.0295 / c) * Math.sqrt(G * diameter) * fade
}
/** Drift of a slug in a horizontal pipe, m/s. */
export const horizontalDrift = (diameter: number): number =>
  Math.max(0, 0.54 - 1.76 * eotvos(diameter) ** -0.56) * Math.sqrt(G * diameter)

/** Speed of a slug on a slope, m/s, towards the higher side; nothing where it is level. */
export function inclinedDrift(vertical: number, horizontal: number, slope: number): number {
  if (slope === 0) return 0
  const s = Math.abs(slope)
  return Math.sign(slope) * (vertical * s + horizontal * Math.sqrt(Math.max(0, 1 - s * s)))
}

/** Rise of single small bubbles in a pipe that is tapped, m/s; both diameters in m. */
export function bubbleRise(bubble: number, diameter: number, mu: number): number {
  const stokes = (DENSITY * G * bubble ** 2) / (18 * mu)
  let speed = stokes
  for (let i = 0; i < 60; i++) {
    const re = (DENSITY * speed * bubble) / mu
    speed = stokes / (1 + 0.15 * re ** 0.687)
  }
  return speed * Math.max(0, 1 - bubble / diameter) ** 2
}
