import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { whole, type Run } from './run'

/** Counts its pieces; after each ten it finds that it needs as many again, until there are enough. */
function counting(enough: number): Run<number> & { asked: number[] } {
  const asked: number[] = []
  let total = 10
  let done = 0
  return {
    asked,
    get total() {
      return total
    },
    step(count) {
      asked.push(count)
      done = Math.min(total, done + count)
      if (done === total && total < enough) total += 10
      return done
    },
    result: () => done,
  }
}

describe('a run done whole', () => {
  it('goes on until its total is done, however that grows, and not a step longer', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), (enough) => {
        const run = counting(enough)
        const total = Math.max(10, Math.ceil(enough / 10) * 10)
        expect(whole(run)).toBe(total)
        expect(run.asked).toHaveLength(total / 10)
      }),
    )
  })
})
