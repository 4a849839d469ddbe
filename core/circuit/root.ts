/**
 * Root of a continuous f in [a, b], where f(a) and f(b) differ in sign or are 0.
 * Source: T. R. Chandrupatla, "A new hybrid quadratic/bisection algorithm for finding the zero of a nonlinear
 * function without using derivatives", Advances in Engineering Software 28 (1997), 145–149.
 */
export function root(f: (x: number) => number, a: number, b: number, fa = f(a), fb = f(b)): number {
  if (fa === 0) return a
  if (fb === 0) return b
  let x1 = b
  let f1 = fb
  let x2 = a
  let f2 = fa
  let x3 = x2
  let f3 = f2
  let t = 0.5
  for (let n = 0; n < 100; n++) {
    const x = x1 + t * (x2 - x1)
    const fx = f(x)
    if (fx === 0) return x
    if (fx > 0 === f1 > 0) {
      x3 = x1
      f3 = f1
    } else {
      x3 = x2
      f3 = f2
      x2 = x1
      f2 = f1
    }
    x1 = x
    f1 = fx
    const best = Math.abs(f2) < Math.abs(f1) ? x2 : x1
    const tolerance = 2e-15 * Math.abs(best) + 1e-13
    const share = tolerance / Math.abs(x2 - x1)
    if (share > 0.5) return best
    const xi = (x1 - x2) / (x3 - x2)
    const phi = (f1 - f2) / (f3 - f2)
    const quadratic = phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi
    t = quadratic
      ? (f1 / (f2 - f1)) * (f3 / (f2 - f3)) +
        ((x3 - x1) / (x2 - x1)) * (f1 / (f3 - f1)) * (f2 / (f3 - f2))
      : 0.5
    t = Math.min(1 - share, Math.max(share, t))
  }
  return x1
}
