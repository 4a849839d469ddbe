import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { enumerate, MOST_TOGETHER, placeOf, wayCount, type Network } from './network'

const priors = fc.array(fc.double({ min: 0.001, max: 0.9, noNaN: true }), {
  minLength: 1,
  maxLength: 7,
})
const plain = (list: readonly number[]): Network => ({
  faults: list.map((prior) => ({ prior, weights: [1] })),
  findings: [],
})

describe('sets of faults', () => {
  it('are all of up to three, each once, with the chance that just they are present', () => {
    fc.assert(
      fc.property(priors, (list) => {
        const { count, members, prior, leftOut } = enumerate(plain(list))
        const seen = new Map<number, number>()
        for (let s = 0; s < count; s++) {
          const set = Array.from(members.subarray(3 * s, 3 * s + 3)).filter((fault) => fault >= 0)
          seen.set(
            set.reduce((bits, fault) => bits | (1 << fault), 0),
            prior[s]!,
          )
        }
        expect(seen.size).toBe(count)
        let more = 0
        for (let bits = 0; bits < 1 << list.length; bits++) {
          const chance = list.reduce((product, p, i) => product * (bits & (1 << i) ? p : 1 - p), 1)
          const size = list.filter((_, i) => bits & (1 << i)).length
          if (size <= MOST_TOGETHER) expect(seen.get(bits)).toBeCloseTo(chance, 10)
          else more += chance
        }
        expect(leftOut).toBeCloseTo(more, 10)
      }),
      { numRuns: 60 },
    )
  })

  it('stand where they are looked for', () => {
    const n = 9
    const { count, members } = enumerate(plain(Array.from({ length: n }, () => 0.1)))
    for (let s = 0; s < count; s++) {
      const [a, b, c] = members.subarray(3 * s, 3 * s + 3)
      if (c === -1) expect(placeOf(n, a!, b!)).toBe(s)
    }
  })

  it('are graded in every way that their faults can be, and the ways of a group weigh one in all', () => {
    const network: Network = {
      faults: [[1], [0.5, 0.3, 0.2], [0.6, 0.4], [0.25, 0.25, 0.25, 0.25]].map((weights) => ({
        prior: 0.1,
        weights,
      })),
      findings: [],
    }
    const sets = enumerate(network)
    // None; 3, 2 and 4 alone; 3 x 2, 3 x 4 and 2 x 4 in pairs; all three. The first fault has one way only.
    expect(sets.groupCount).toBe(8)
    expect(wayCount(sets)).toBe(1 + 3 + 2 + 4 + 6 + 12 + 8 + 24)
    for (let g = 0; g < sets.groupCount; g++) {
      let sum = 0
      for (let k = sets.ways[g]!; k < sets.ways[g + 1]!; k++) sum += sets.weight[k]!
      expect(sum).toBeCloseTo(1, 12)
    }
  })

  it.each([0, 1, -0.2, Number.NaN])('a prior of %d is refused', (prior) => {
    expect(() => enumerate(plain([0.1, prior]))).toThrow(RangeError)
  })
})
