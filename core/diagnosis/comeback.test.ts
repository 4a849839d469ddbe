import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyComplaints, anyFindings } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { likelySets } from './answers'
import { addBack, partsOf, UNNOTICED } from './comeback'
import { diagnose } from './diagnose'
import { knowledgeOf } from './knowledge'
import { enumerate, placeOf, type Network } from './network'
import { makeReady, posterior } from './posterior'
import { REPAIRS, SHOP_COSTS } from './repairs'
import { chancesOf, stoppingOf } from './stopping'

/** Two faults that both may cause the one finding, and a third that causes nothing. */
const network: Network = {
  faults: [0.2, 0.1, 0.3].map((prior) => ({ prior, weights: [1] })),
  findings: [
    {
      background: 0.05,
      causes: [
        [0, 0.8],
        [1, 0.5],
      ],
    },
  ],
}
const sets = enumerate(network)
const { sets: chances } = posterior(makeReady(network, sets), { present: [0], absent: [], figures: [] })
const REPAIR_OF = Int32Array.of(1, 2, 4)
/** Chance of what is known under each set, and what comes back of one that is certain. */
const explains = chances.map((chance, s) => chance / sets.prior[s]!)
function backOf(s: number, repairOf: Int32Array) {
  const parts = partsOf(sets, s, repairOf)
  const back = new Float64Array(parts.without.length)
  addBack(parts, 1, explains[s]!, explains, back, 0)
  return { repairs: parts.repairs, back }
}
const back = (...set: [number, number?]) => backOf(placeOf(3, ...set), REPAIR_OF).back

describe('what comes back', () => {
  it('a set is found at its place', () => {
    for (let s = 0; s < 1 + 3 + 3; s++) {
      const [a, b] = sets.members.subarray(3 * s, 3 * s + 3)
      expect(placeOf(3, a!, b!)).toBe(s)
    }
  })

  it('is by how much what is known would be less likely without the fault that is left', () => {
    // Alone, the first makes the finding present with 1 - 0.95 x 0.2 = 0.81; without it the leak does with 0.05.
    expect(back(0)[1]).toBeCloseTo(1 - (0.05 / 0.81) * (1 - UNNOTICED.shows), 9)
    // Beside the second, which would make it present with 1 - 0.95 x 0.5 = 0.525 alone; both with 0.905.
    const both = back(0, 1)
    expect(both[1]).toBeCloseTo(1 - (0.525 / 0.905) * (1 - UNNOTICED.shows), 9)
    expect(both[2]).toBeCloseTo(1 - (0.81 / 0.905) * (1 - UNNOTICED.shows), 9)
    expect(both[3]).toBeCloseTo(1 - (0.05 / 0.905) * (1 - UNNOTICED.shows) ** 2, 9)
    expect(both[0]).toBe(0)
  })

  it('is as what nobody noticed where nothing known speaks for it', () => {
    expect(back(2)[1]).toBeCloseTo(UNNOTICED.shows, 9)
  })

  it('two faults that one repair cures are left or cured together', () => {
    const { repairs, back: one } = backOf(placeOf(3, 0, 1), Int32Array.of(1, 1, 4))
    expect(repairs).toEqual([1])
    expect([...one]).toEqual([0, expect.closeTo(back(0, 1)[3]!, 9)])
  })
})

describe('the risk of a decision', () => {
  const knowledge = knowledgeOf(fromArchetype('small-car'))
  const noted = fc.record({
    complaints: anyComplaints,
    findings: anyFindings(6),
    repairs: fc.shuffledSubarray([...REPAIRS]),
    more: fc.shuffledSubarray([...REPAIRS]),
  })

  it('never rises with what is repaired, is nothing once all is, and at most that a fault is left', () => {
    fc.assert(
      fc.property(noted, ({ complaints, findings, repairs, more }) => {
        const { found } = diagnose(knowledge, { complaints, findings, readings: {} })
        const likely = likelySets(found)
        const till = stoppingOf(knowledge, likely, SHOP_COSTS)
        const now = chancesOf(likely, found.sets)
        const risk = (done: typeof repairs) => till.weigh(now, done).comebackRisk
        expect(risk([...repairs, ...more])).toBeLessThanOrEqual(risk(repairs) + 1e-12)
        expect(risk([...REPAIRS])).toBe(0)
        let mass = 0
        for (const s of likely) mass += found.sets[s]!
        const faulty = 1 - (likely.includes(0) ? found.sets[0]! : 0) / mass
        expect(risk([])).toBeLessThanOrEqual(faulty + 1e-9)
      }),
      { numRuns: 30 },
    )
  })

  it('is small once the one fault that everything speaks for is cured', () => {
    const { found } = diagnose(knowledge, {
      complaints: ['sinks'],
      findings: { rodEndDamp: 'absent', bootWet: 'absent', levelLow: 'absent' },
      readings: { sink: { value: 14, duration: 60 } },
    })
    const likely = likelySets(found)
    const till = stoppingOf(knowledge, likely, SHOP_COSTS)
    const now = chancesOf(likely, found.sets)
    const master = REPAIRS.filter(({ id }) => id === 'master')
    expect(till.weigh(now, []).comebackRisk).toBeGreaterThan(0.9)
    expect(till.weigh(now, master).comebackRisk).toBeLessThan(0.1)
  })

  it('is the same after an answer that says nothing, and as it was before any', () => {
    fc.assert(
      fc.property(noted, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (one, chance) => {
        const { complaints, findings } = one
        const { found } = diagnose(knowledge, { complaints, findings, readings: {} })
        const likely = likelySets(found)
        const now = chancesOf(likely, found.sets)
        const till = stoppingOf(knowledge, likely, SHOP_COSTS)
        const none = till.after(now, new Float64Array(now.length).fill(1), 1)
        const idle = Float64Array.from({ length: 2 * now.length }, (_, i) =>
          i % 2 === 0 ? chance : 1 - chance,
        )
        expect(none).toBeLessThanOrEqual(till.best(now).expectedCost + 1e-6)
        expect(till.after(now, idle, 2)).toBeCloseTo(none, 6)
      }),
      { numRuns: 20 },
    )
  })

  it('falls by an answer that tells the two likeliest repairs apart', () => {
    const { found } = diagnose(knowledge, {
      complaints: ['losesFluid'],
      findings: {},
      readings: {},
    })
    const likely = likelySets(found)
    const now = chancesOf(likely, found.sets)
    const till = stoppingOf(knowledge, likely, SHOP_COSTS)
    const master = knowledge.faults.findIndex(({ id }) => id === 'masterRearLeak')
    const told = Float64Array.from(
      Array.from(likely).flatMap((s) => {
        const has = knowledge.sets.members.subarray(3 * s, 3 * s + 3).includes(master)
        return has ? [1, 0] : [0, 1]
      }),
    )
    const none = till.after(now, new Float64Array(now.length).fill(1), 1)
    expect(till.after(now, told, 2)).toBeLessThan(none - 5)
  })

  it('counts each repair by a bit of its own', () => {
    expect(REPAIRS.length).toBeLessThan(31)
  })
})
