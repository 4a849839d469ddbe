import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { flowThrough, laminar, viscosity } from '../fluid'
import { formatOf } from '../quantity'
import { whole } from '../run'
import { answerSize, choicesOf, LEG_TAKES, paceOf, SIZING_LIMITS, sizeRun, tradeWords } from '.'

const circuit = { ...fromArchetype('small-car').circuit, air: 0 }
const format = formatOf('metric')

describe('how fast fluid gets through', () => {
  it('rests on a viscosity through its three points', () => {
    expect(viscosity(-40)).toBeCloseTo(1.4, 9)
    expect(viscosity(20)).toBeCloseTo(0.012, 12)
    expect(viscosity(100)).toBeCloseTo(0.0021, 12)
  })
  it('is what the law gives back: drop = R·Q + ρ/2·(Q/CA)²', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 10, noNaN: true }),
        fc.double({ min: 100, max: 5000, noNaN: true }),
        fc.double({ min: 0.4, max: 3, noNaN: true }),
        (drop, length, hole) => {
          const r = laminar(length, 3.3, 20)
          const q = flowThrough(drop, r, [hole])
          const area = (Math.PI * hole ** 2) / 4
          const back = r * q + (1.05e-9 / 2) * (q / (0.6 * area)) ** 2
          expect(Math.abs(back / drop - 1)).toBeLessThan(1e-9)
          expect(q).toBeLessThanOrEqual(flowThrough(drop, r, []))
        },
      ),
    )
  })
  it('a restrictor makes slower, cold fluid slower still, and a foot that is too light does nothing', () => {
    const free = paceOf(circuit)
    const held = paceOf(circuit, { restrictor: 0.6 })
    // Without a restrictor the leg is slower than the fluid; a hole of 0.6 mm is felt.
    expect(free.release!).toBeLessThan(LEG_TAKES / 3)
    expect(held.release!).toBeGreaterThan(LEG_TAKES)
    expect(held.release!).toBeGreaterThan(free.release!)
    expect(held.back!).toBeGreaterThan(free.back!)
    expect(paceOf(circuit, { temperature: -20 }).back!).toBeGreaterThan(free.back!)
    expect(paceOf(circuit, { foot: 40 }).release).toBeNull()
  })
})

describe('a trade in a sentence', () => {
  const options = (slave: number, master = 15.87, more = {}) =>
    answerSize({ circuit, masters: [{ bore: master }], slaves: [{ bore: slave }], ...more })
  const said = (slave: number, master?: number, more?: object) => {
    const { present, options: list } = options(slave, master, more)
    return tradeWords(list[0]!, present, format)
  }
  it('tells lighter, lower, and what to wait for', () => {
    const { present, options: list } = options(22.2)
    const lower = list[0]!.engagement! - present.engagement!
    expect(said(22.2)).toBe(
      `Lighter by 12 N, takes up ${lower.toFixed(0)} mm lower; on the new disc 11 mm is left: wait until it has bedded in, then fit.`,
    )
    expect(lower).toBeGreaterThan(10)
  })
  it('and the rest', () => {
    expect(said(20.64)).toBe(
      'As heavy as now, takes up where it does now; on the new disc 27 mm is left.',
    )
    expect(said(23.81)).toMatch(
      /^Lighter by .* only 1\.9 mm is left even on the bedded disc: too low\.$/,
    )
    expect(said(20.64, 17.46)).toMatch(/^Heavier by/)
    expect(said(28.57)).toMatch(/does not free the disc\.$/)
    expect(said(20.64, 15.87, { room: 2 })).toMatch(/too little room to wear\.$/)
    expect(said(20.64, 17.46, { mostForce: 110 })).toMatch(/heavier than was allowed\.$/)
  })
})

describe('options one by one', () => {
  it('come to the same as all at once, whatever the pieces', () => {
    const masters = [15.87, 17.46].map((bore) => ({ bore }))
    const slaves = [19.05, 20.64, 22.2].map((bore) => ({ bore }))
    const choices = choicesOf(masters, slaves, [5.4], 0)
    const all = whole(sizeRun(circuit, choices, [], SIZING_LIMITS))
    const run = sizeRun(circuit, choices, [], SIZING_LIMITS)
    for (let done = 0; done < run.total;) done = run.step(1)
    expect(run.result()).toEqual(all)
    expect(all).toEqual(answerSize({ circuit, masters, slaves, ratios: [5.4] }))
  })
})
