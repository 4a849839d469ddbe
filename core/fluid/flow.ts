import { circleArea } from '../circuit'

/**
 * Viscosity of a glycol fluid at a temperature, Pa s: ln μ = a + b/(T − c) through the most that its class allows at −40 °C
 * and what is usual at 20 and 100 °C. An estimate, good to about a third.
 * @param temperature °C, −40 … 150
 */
export function viscosity(temperature: number): number {
  return Math.exp(A + B / (temperature - C))
}
const POINTS = [
  [-40, Math.log(1.4)],
  [20, Math.log(0.012)],
  [100, Math.log(0.0021)],
] as const
const [[T1, Y1], [T2, Y2], [T3, Y3]] = POINTS
const FIRST = (Y1 - Y2) / (T2 - T1)
const SECOND = (Y2 - Y3) / (T3 - T2)
const C = (FIRST * T1 - SECOND * T3) / (FIRST - SECOND)
const B = (Y1 - Y2) / (1 / (T1 - C) - 1 / (T2 - C))
const A = Y1 - B / (T1 - C)

/** t/mm³: 1050 kg/m³. */
const DENSITY = 1.05e-9
/** Of a drilled hole with sharp edges. */
const DISCHARGE = 0.6

/** Resistance of a round bore to laminar flow (Hagen and Poiseuille), MPa s/mm³. */
export const laminar = (length: number, innerDiameter: number, temperature: number): number =>
  (128 * viscosity(temperature) * 1e-6 * length) / (Math.PI * innerDiameter ** 4)

/**
 * Flow that a pressure drives through lines and holes in a row, mm³/s: Δp = R·Q + Σ ρ/2·(Q/(C·A))².
 * @param drop MPa; 0 or less gives no flow
 * @param holes bores, mm: a restrictor, and the ports that the line ends in
 */
export function flowThrough(drop: number, resistance: number, holes: readonly number[]): number {
  if (drop <= 0) return 0
  const square = holes.reduce((sum, bore) => sum + DENSITY / 2 / (DISCHARGE * circleArea(bore)) ** 2, 0)
  return (2 * drop) / (resistance + Math.sqrt(resistance ** 2 + 4 * square * drop))
}
