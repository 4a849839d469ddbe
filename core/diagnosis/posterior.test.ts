import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { enumerate, MOST_TOGETHER, type Network } from './network'
import { makeReady, MISREAD, posterior, type Figure, type Observed } from './posterior'

/** Random networks: some faults quantified, some findings, figures whose expectation is any table over the severities. */
interface Drawn {
  network: Network
  /** What each fault at each severity adds to each figure. */
  adds: number[][][]
  values: number[]
  present: number[]
  absent: number[]
}
const chance = fc.double({ min: 0.01, max: 0.9, noNaN: true })
const drawn = (least: number, most: number): fc.Arbitrary<Drawn> =>
  fc
    .integer({ min: least, max: most })
    .chain((n) =>
      fc.record({
        priors: fc.array(chance, { minLength: n, maxLength: n }),
        severities: fc.array(fc.integer({ min: 1, max: 4 }), { minLength: n, maxLength: n }),
        causes: fc.array(fc.array(chance, { minLength: n, maxLength: n }), {
          minLength: 4,
          maxLength: 4,
        }),
        leaks: fc.array(chance, { minLength: 4, maxLength: 4 }),
        states: fc.array(fc.constantFrom('present', 'absent', 'untouched'), {
          minLength: 4,
          maxLength: 4,
        }),
        adds: fc.array(
          fc.array(
            fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 4, maxLength: 4 }),
            {
              minLength: n,
              maxLength: n,
            },
          ),
          { minLength: 0, maxLength: 2 },
        ),
        values: fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 2, maxLength: 2 }),
      }),
    )
    .map(({ priors, severities, causes, leaks, states, adds, values }) => ({
      network: {
        faults: priors.map((prior, i) => ({
          prior,
          weights: Array.from(
            { length: severities[i]! },
            (_, k) => (k + 1) / ((severities[i]! * (severities[i]! + 1)) / 2),
          ),
        })),
        findings: causes.map((row, j) => ({
          background: leaks[j]!,
          // Every third link is missing.
          causes: row.map((q, i) => [i, q] as const).filter(([i]) => (i + j) % 3 !== 0),
        })),
      },
      adds,
      values,
      present: states.flatMap((state, j) => (state === 'present' ? [j] : [])),
      absent: states.flatMap((state, j) => (state === 'absent' ? [j] : [])),
    }))

const SIGMA = 0.8
const SPAN = 12

/** The answer by definition, with none of the code under test: every set, every severity, product by product. */
function byDefinition({ network, adds, values, present, absent }: Drawn, most: number) {
  const n = network.faults.length
  const marginals = Array.from({ length: n }, () => 0)
  let total = 0
  let mass = 0
  for (let bits = 0; bits < 2 ** n; bits++) {
    const set = Array.from({ length: n }, (_, i) => i).filter((i) => bits & (1 << i))
    if (set.length > most) continue
    const prior = network.faults.reduce(
      (product, fault, i) => product * (set.includes(i) ? fault.prior : 1 - fault.prior),
      1,
    )
    mass += prior
    const quiet = (j: number) => {
      const { background, causes } = network.findings[j]!
      return causes.reduce(
        (product, [i, q]) => (set.includes(i) ? product * (1 - q) : product),
        1 - background,
      )
    }
    let likelihood = 1
    for (const j of absent) likelihood *= quiet(j)
    for (const j of present) likelihood *= 1 - quiet(j)
    const over = (left: number[], severities: number[]): number => {
      if (left.length === 0)
        return adds.reduce((product, table, f) => {
          const mean = set.reduce(
            (sum, i, k) =>
              sum + (network.faults[i]!.weights.length > 1 ? table[i]![severities[k]!]! : 0),
            0,
          )
          const z = (values[f]! - mean) / SIGMA
          const normal = Math.exp((-z * z) / 2) / (SIGMA * Math.sqrt(2 * Math.PI))
          return product * ((1 - MISREAD) * normal + MISREAD / SPAN)
        }, 1)
      const [first, ...rest] = left
      return network.faults[first!]!.weights.reduce(
        (sum, weight, k) => sum + weight * over(rest, [...severities, k]),
        0,
      )
    }
    const weight = prior * likelihood * over(set, [])
    total += weight
    for (const i of set) marginals[i]! += weight
  }
  return {
    marginals: marginals.map((sum) => sum / total),
    logEvidence: Math.log(total),
    leftOut: 1 - mass,
  }
}

/** The same, asked of the code under test. */
function asked(draw: Drawn, order: (list: number[]) => number[] = (list) => list) {
  const { network, adds, values, present, absent } = draw
  const sets = enumerate(network)
  const figures = adds.map((table, f): Figure => {
    const mean = new Float64Array(sets.weight.length)
    for (let k = 0; k < mean.length; k++)
      for (let m = 3 * k; m < 3 * k + 3 && sets.graded[m]! >= 0; m++) {
        const { fault, severity } = sets.grades[sets.graded[m]!]!
        mean[k]! += table[fault]![severity]!
      }
    const sigma = new Float64Array(mean.length).fill(SIGMA)
    return {
      value: values[f]!,
      expected: { mean, sigma, kind: Uint16Array.from(mean.keys()) },
      span: SPAN,
    }
  })
  const known: Observed = { present: order(present), absent: order(absent), figures }
  return { ...posterior(makeReady(network, sets), known), leftOut: sets.leftOut }
}

const near = (a: ArrayLike<number>, b: ArrayLike<number>) => {
  expect(a.length).toBe(b.length)
  for (let i = 0; i < a.length; i++) expect(a[i]).toBeCloseTo(b[i]!, 9)
}

describe('the posterior', () => {
  it('equals the definition over all sets of up to three, severities summed', () => {
    fc.assert(
      fc.property(drawn(1, 7), (draw) => {
        const found = asked(draw)
        const exact = byDefinition(draw, MOST_TOGETHER)
        near(found.marginals, exact.marginals)
        expect(found.logEvidence).toBeCloseTo(exact.logEvidence, 8)
        expect(found.leftOut).toBeCloseTo(exact.leftOut, 9)
      }),
      { numRuns: 150 },
    )
  })

  it('equals the definition over all subsets where there are three faults', () => {
    fc.assert(
      fc.property(drawn(3, 3), (draw) => {
        const found = asked(draw)
        near(found.marginals, byDefinition(draw, Infinity).marginals)
        expect(found.leftOut).toBeCloseTo(0, 12)
      }),
    )
  })

  it('does not depend on the order in which things are learnt', () => {
    fc.assert(
      fc.property(drawn(2, 6), (draw) => {
        near(asked(draw).sets, asked(draw, (list) => [...list].reverse()).sets)
      }),
    )
  })

  it('a finding that was not looked at does not matter', () => {
    fc.assert(
      fc.property(drawn(2, 6), chance, (draw, q) => {
        const more: Drawn = {
          ...draw,
          network: {
            ...draw.network,
            findings: [...draw.network.findings, { background: 0.3, causes: [[0, q]] as const }],
          },
        }
        near(asked(draw).marginals, asked(more).marginals)
      }),
    )
  })

  it('the chances of sets sum to one; a present cause raises the fault, an absent one lowers it', () => {
    const network: Network = {
      faults: [
        { prior: 0.1, weights: [1] },
        { prior: 0.1, weights: [1] },
      ],
      findings: [{ background: 0.05, causes: [[0, 0.8]] }],
    }
    const ready = makeReady(network, enumerate(network))
    const now = (known: Partial<Observed>) =>
      posterior(ready, { present: [], absent: [], figures: [], ...known })
    expect(now({}).sets.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 12)
    // Bayes by hand: 0.1·0.81 / (0.1·0.81 + 0.9·0.05).
    expect(now({ present: [0] }).marginals[0]).toBeCloseTo(0.081 / (0.081 + 0.045), 12)
    expect(now({ absent: [0] }).marginals[0]).toBeLessThan(0.1)
    expect(now({ present: [0] }).marginals[1]).toBeCloseTo(0.1, 12)
  })

  it('refuses a prior that is no chance', () => {
    expect(() => enumerate({ faults: [{ prior: 0, weights: [1] }], findings: [] })).toThrow(RangeError)
    expect(() => enumerate({ faults: [{ prior: 1, weights: [1] }], findings: [] })).toThrow(RangeError)
  })
})
