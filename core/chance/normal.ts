const A = [
  -3.969683028665376e1, 2.209460984245205e2, -2.759285104469687e2, 1.38357751867269e2,
  -3.066479806614716e1, 2.506628277459239,
] as const
const B = [
  -5.447609879822406e1, 1.615858368580409e2, -1.556989798598866e2, 6.680131188771972e1,
  -1.328068155288572e1, 1,
] as const
const C = [
  -7.784894002430293e-3, -3.223964580411365e-1, -2.400758277161838, -2.549732539343734,
  4.374664141464968, 2.938163982698783,
] as const
const D = [7.784695709041462e-3, 3.224671290700398e-1, 2.445134137142996, 3.754408661907416, 1] as const
const LOW = 0.02425

const polynomial = (coefficients: readonly number[], x: number): number =>
  coefficients.reduce((sum, c) => sum * x + c, 0)

/**
 * Quantile of the standard normal distribution at probability p in (0, 1), right to about 1 part in 10⁹.
 * Source: P. J. Acklam's rational approximation (2003).
 */
export function normalQuantile(p: number): number {
  if (p < LOW) return tail(Math.sqrt(-2 * Math.log(p)))
  if (p > 1 - LOW) return -tail(Math.sqrt(-2 * Math.log(1 - p)))
  const q = p - 0.5
  const r = q * q
  return (q * polynomial(A, r)) / polynomial(B, r)
}

const tail = (q: number): number => polynomial(C, q) / polynomial(D, q)

/**
 * Share of the standard normal distribution below z, right to about 1 part in 10⁷.
 * Source: Abramowitz and Stegun, Handbook of Mathematical Functions (1964), 26.2.17.
 */
export function normalShare(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const series = polynomial([1.330274429, -1.821255978, 1.781477937, -0.356563782, 0.31938153, 0], t)
  const beyond = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * series
  return z >= 0 ? 1 - beyond : beyond
}
