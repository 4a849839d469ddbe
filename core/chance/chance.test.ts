import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  effectiveSize,
  evenDraws,
  latinHypercube,
  normalQuantile,
  weightedMean,
  weightedQuantiles,
  weightedVariance,
} from '.'

const take = (count: number, seed: number) => {
  const draw = evenDraws(seed)
  return Array.from({ length: count }, draw)
}

describe('even draws', () => {
  it('are the same for a seed, others for its neighbour, and lie in [0, 1)', () => {
    expect(take(5, 7)).toEqual(take(5, 7))
    expect(take(5, 7)).not.toEqual(take(5, 8))
    const many = take(40_000, 1)
    expect(Math.min(...many.slice(0, 9999))).toBeGreaterThanOrEqual(0)
    expect(Math.max(...many.slice(0, 9999))).toBeLessThan(1)
    const cells = new Array<number>(20).fill(0)
    for (const u of many) cells[Math.floor(u * 20)]!++
    // Chi-squared with 19 degrees of freedom: 43.8 is passed by chance once in a thousand.
    const chi2 = cells.reduce((sum, n) => sum + (n - 2000) ** 2 / 2000, 0)
    expect(chi2).toBeLessThan(43.8)
    const lagged = weightedMean(
      many.slice(1).map((u, i) => (u - 0.5) * (many[i]! - 0.5) * 12),
      new Array(many.length - 1).fill(1),
    )
    expect(Math.abs(lagged)).toBeLessThan(0.02)
  })
})

describe('a Latin hypercube', () => {
  it('has one point in every cell of every dimension', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 80 }),
        fc.integer({ min: 1, max: 6 }),
        fc.nat(),
        (n, d, s) => {
          for (const column of latinHypercube(n, d, evenDraws(s)))
            expect([...column].map((u) => Math.floor(u * n)).sort((a, b) => a - b)).toEqual(
              Array.from({ length: n }, (_, i) => i),
            )
        },
      ),
    )
  })
})

describe('the normal quantile', () => {
  it('agrees with tabled values', () => {
    expect(normalQuantile(0.5)).toBe(0)
    expect(normalQuantile(0.95)).toBeCloseTo(1.644853627, 7)
    expect(normalQuantile(0.975)).toBeCloseTo(1.959963985, 7)
    expect(normalQuantile(0.001)).toBeCloseTo(-3.090232306, 7)
    expect(normalQuantile(1e-9)).toBeCloseTo(-5.997807015, 6)
  })
})

describe('weighted draws', () => {
  it('equal weights are what was never weighted', () => {
    expect(effectiveSize([2, 2, 2, 2])).toBe(4)
    expect(effectiveSize([1, 0, 0, 0])).toBe(1)
    expect(effectiveSize([0, 0])).toBe(0)
    expect(weightedQuantiles([3, 1, 2], [1, 1, 1], [0.5, 0, 1])).toEqual([2, 1, 3])
    expect(weightedVariance([1, 3], [1, 1])).toBe(1)
  })

  it('a weight of two is the draw taken twice', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 2, maxLength: 20 }),
        (values) => {
          const weights = values.map((_, i) => 1 + (i % 2))
          const twice = values.flatMap((value, i) => (i % 2 ? [value, value] : [value]))
          const ones = twice.map(() => 1)
          expect(weightedMean(values, weights)).toBeCloseTo(weightedMean(twice, ones), 9)
          expect(weightedVariance(values, weights)).toBeCloseTo(weightedVariance(twice, ones), 9)
        },
      ),
    )
  })

  it('quantiles of normal draws are the normal’s', () => {
    const draws = latinHypercube(4000, 1, evenDraws(3))[0]!.map(normalQuantile)
    const [low, middle, high] = weightedQuantiles(
      draws,
      draws.map(() => 1),
      [0.05, 0.5, 0.95],
    )
    expect(low).toBeCloseTo(-1.645, 2)
    expect(middle).toBeCloseTo(0, 2)
    expect(high).toBeCloseTo(1.645, 2)
  })
})
