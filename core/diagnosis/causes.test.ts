import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { causeChances, causesOf, explainedBy } from './causes'
import type { Item } from './evidence'
import type { Knowledge } from './knowledge'
import { enumerate, type Network } from './network'
import { makeReady, posterior } from './posterior'

/** Two faults that may cause the complaint, a third that may not; a finding that tells the first two apart. */
const BACKGROUND = 0.02
const PRIOR = [0.1, 0.2, 0.3] as const
const Q = [0.9, 0.4] as const
const network: Network = {
  faults: PRIOR.map((prior) => ({ prior, weights: [1] })),
  findings: [
    {
      background: BACKGROUND,
      causes: [
        [0, Q[0]],
        [1, Q[1]],
      ],
    },
    { background: 0.3, causes: [[2, 0.5]] },
  ],
}
const sets = enumerate(network)
const ready = makeReady(network, sets)
const knowledge = {
  ready,
  sets,
  faults: [{ id: 'a' }, { id: 'b' }, { id: 'c' }],
  place: new Map([
    ['soft', 0],
    ['fluidDark', 1],
  ]),
} as unknown as Knowledge
const soft: Item = { kind: 'complaint', id: 'soft' }
const found = posterior(ready, { present: [0], absent: [], figures: [] })
const likely = Int32Array.from({ length: sets.count }, (_, s) => s)

/** Every combination of the three faults with its chance given the complaint, by brute force. */
const all = Array.from({ length: 8 }, (_, bits) => {
  const has = [0, 1, 2].map((i) => (bits >> i) & 1)
  const prior = has.reduce((chance, is, i) => chance * (is ? PRIOR[i]! : 1 - PRIOR[i]!), 1)
  const quiet = (1 - BACKGROUND) * (has[0] ? 1 - Q[0] : 1) * (has[1] ? 1 - Q[1] : 1)
  return { has, weight: prior * (1 - quiet) }
})
const total = all.reduce((sum, { weight }) => sum + weight, 0)
const PULL = [-Math.log(1 - Q[0]), -Math.log(1 - Q[1]), 0, -Math.log(1 - BACKGROUND)]
const share = (which: number) =>
  all.reduce((sum, { has, weight }) => {
    const pulls = PULL.map((pull, i) => (i === 3 || has[i] ? pull : 0))
    return sum + (weight / total) * (pulls[which]! / pulls.reduce((a, b) => a + b))
  }, 0)
const bits = (chances: readonly number[]) =>
  chances.reduce((sum, chance) => (chance > 0 ? sum - chance * Math.log(chance) : sum), 0)

describe('what causes a complaint', () => {
  it('is each fault by its pull, and the leak, averaged over all that may be', () => {
    const chances = causeChances(knowledge, [soft], found)!
    expect(chances).toHaveLength(5)
    const [a, b, c, elsewhere, unknown] = chances
    // A soft pedal that no fault of the table explains may have any cause.
    expect(elsewhere).toBe(0)
    const all = [a!, b!, c!, unknown!]
    all.forEach((chance, i) => expect(chance).toBeCloseTo(share(i), 12))
    expect(chances[2]).toBe(0)
    expect(chances.reduce((a, b) => a + b)).toBeCloseTo(1, 12)
  })

  it('is nobody’s where there is nothing to explain, and a commonplace finding needs no cause', () => {
    expect(causeChances(knowledge, [], found)).toBeNull()
    const dark: Item = { kind: 'finding', id: 'fluidDark', state: 'present' }
    expect(explainedBy(knowledge, [dark])).toEqual([])
    expect(explainedBy(knowledge, [soft, dark])).toEqual(['soft'])
  })
})

describe('the worth of a look', () => {
  const { worth } = causesOf(knowledge, [soft], found, likely)
  /** Chances of two answers under each set. */
  const answers = (present: (faults: number[]) => number) =>
    Float64Array.from(
      Array.from(likely).flatMap((s) => {
        const chance = present(Array.from(sets.members.subarray(3 * s, 3 * s + 3)))
        return [chance, 1 - chance]
      }),
    )

  it('is nothing where every set answers alike, or only a fault beside the point is told', () => {
    expect(
      worth(
        answers(() => 0.4),
        2,
      ),
    ).toBeCloseTo(0, 12)
    expect(
      worth(
        answers((faults) => (faults.includes(2) ? 1 : 0)),
        2,
      ),
    ).toBeCloseTo(0, 12)
  })

  it('is by how much the entropy of the causes falls', () => {
    const told = (is: boolean) => {
      const left = all.filter(({ has }) => (has[0] === 1) === is)
      const mass = left.reduce((sum, { weight }) => sum + weight, 0)
      const chances = [0, 1, 2, 3].map((which) =>
        left.reduce((sum, { has, weight }) => {
          const pulls = PULL.map((pull, i) => (i === 3 || has[i] ? pull : 0))
          return sum + (weight / mass) * (pulls[which]! / pulls.reduce((a, b) => a + b))
        }, 0),
      )
      return (mass / total) * bits(chances)
    }
    const before = bits([0, 1, 2, 3].map(share))
    const first = worth(
      answers((faults) => (faults.includes(0) ? 1 : 0)),
      2,
    )
    expect(first).toBeCloseTo(before - told(true) - told(false), 10)
    expect(first).toBeGreaterThan(0.1)
  })

  it('is never less than nothing, and never more than there is to know', () => {
    const row = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 })
    fc.assert(
      fc.property(row, (chances) => {
        const value = worth(Float64Array.from(chances.flatMap((chance) => [chance, 1 - chance])), 2)
        expect(value).toBeGreaterThan(-1e-12)
        expect(value).toBeLessThanOrEqual(bits([0, 1, 2, 3].map(share)) + 1e-12)
      }),
      { numRuns: 200 },
    )
  })
})
