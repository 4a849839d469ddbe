import type { Draw } from './even-draws'

/**
 * A Latin hypercube: `count` points in `dimensions` dimensions, each dimension cut into `count` equal cells of which
 * every point has its own. One array per dimension, values in (0, 1).
 * Source: M. D. McKay, R. J. Beckman, W. J. Conover, Technometrics 21 (1979), 239–245.
 */
export function latinHypercube(count: number, dimensions: number, draw: Draw): Float64Array[] {
  return Array.from({ length: dimensions }, () => {
    const column = Float64Array.from({ length: count }, (_, i) => (i + inner(draw())) / count)
    for (let i = count - 1; i > 0; i--) {
      const j = Math.floor(draw() * (i + 1))
      const kept = column[i]!
      column[i] = column[j]!
      column[j] = kept
    }
    return column
  })
}

/** Never the cell's very edge: the normal quantile of 0 is no number. */
const inner = (u: number) => Math.min(1 - 1e-9, Math.max(1e-9, u))
