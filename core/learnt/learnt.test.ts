import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { settingOf, shareOf } from '.'

describe('a share that came back', () => {
  // Wilson’s interval worked out by hand for z = 1.6449.
  it.each([
    [10, 0, 0, 0.213],
    [10, 5, 0.269, 0.731],
    [40, 2, 0.017, 0.14],
    [1, 1, 0.27, 1],
  ])('of %i jobs %i is between %f and %f', (jobs, back, low, high) => {
    const found = shareOf({ jobs, back })
    expect(found.share).toBe(back / jobs)
    expect(found.low).toBeCloseTo(low, 2)
    expect(found.high).toBeCloseTo(high, 2)
  })
  it('lies within its interval, which narrows with more jobs of the same share', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.nat(500), (jobs, some) => {
        const back = Math.min(jobs, some)
        const one = shareOf({ jobs, back })
        const more = shareOf({ jobs: 4 * jobs, back: 4 * back })
        expect(one.low).toBeLessThanOrEqual(one.share + 1e-12)
        expect(one.high).toBeGreaterThanOrEqual(one.share - 1e-12)
        expect(more.high - more.low).toBeLessThan(one.high - one.low)
      }),
    )
  })
  it('of no job is anything', () => {
    expect(shareOf({ jobs: 0, back: 0 })).toEqual({ share: 0, low: 0, high: 1 })
  })
})

it('a figure that nobody set is on, from the first job', () => {
  expect(settingOf(undefined, 'times')).toEqual({ off: false, since: null })
  expect(settingOf({ times: { off: true, since: null } }, 'times').off).toBe(true)
})
