import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evidenceWith } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { diagnose } from './diagnose'
import { FAULT_IDS, FAULTS, faultKind } from './faults'
import { knowledgeOf } from './knowledge'
import { priorsFrom, STRENGTH, type ShopRecord } from './record'

/** Names that every object has already, among ordinary ones. */
const anyName = fc.oneof(
  fc.constantFrom('__proto__', 'constructor', 'toString', 'valueOf', 'hasOwnProperty', ''),
  fc.string(),
)

describe('the shop’s record', () => {
  it('reads a model called anything as that model, and every other one as unknown', () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyName, { minLength: 1, maxLength: 6 }), anyName, (models, asked) => {
        const record = JSON.parse(
          `{${models.map((name) => `${JSON.stringify(name)}:{"jobs":8,"confirmed":{"slaveLeak":2}}`).join()}}`,
        ) as ShopRecord
        const { moved, jobs } = priorsFrom(record, asked)
        expect(jobs).toBe(8 * models.length)
        const { confirmed } = moved.find(({ fault }) => fault === 'slaveLeak')!
        expect(confirmed).toEqual({ model: models.includes(asked) ? 2 : 0, all: 2 * models.length })
        expect(({} as Record<string, unknown>).jobs).toBeUndefined()
      }),
    )
  })

  it('with no jobs leaves every chance as the table has it', () => {
    const { priors, moved, jobs } = priorsFrom({}, 'Tern')
    expect(jobs).toBe(0)
    expect(moved).toEqual([])
    for (const { id, prior } of FAULTS) expect(priors[id]).toBeCloseTo(prior[0], 12)
  })

  it('moves a chance as beta counts do, its own model more than the others', () => {
    const record = {
      Tern: { jobs: 10, confirmed: { slaveLeak: 4 } },
      Gannet: { jobs: 30, confirmed: { slaveLeak: 3 } },
    }
    const table = faultKind('slaveLeak').prior[0]
    const shop = (STRENGTH.table * table + 3) / (STRENGTH.table + 30)
    const tern = (STRENGTH.shop * shop + 4) / (STRENGTH.shop + 10)
    const { priors, moved, jobs } = priorsFrom(record, 'Tern')
    expect(jobs).toBe(40)
    expect(priors.slaveLeak).toBeCloseTo(tern, 12)
    expect(moved[0]).toMatchObject({ fault: 'slaveLeak', from: table, confirmed: { model: 4, all: 7 } })
    // A model never seen learns from all jobs of the shop, and less.
    const unseen = priorsFrom(record, 'Puffin').priors.slaveLeak!
    expect(unseen).toBeCloseTo((STRENGTH.table * table + 7) / (STRENGTH.table + 40), 12)
    expect(unseen).toBeLessThan(tern)
    expect(priors.masterBypass).toBeLessThan(faultKind('masterBypass').prior[0])
  })

  it('never makes a fault certain or impossible', () => {
    const { priors } = priorsFrom({ Tern: { jobs: 5000, confirmed: { rodTooLong: 5000 } } }, 'Tern')
    for (const id of FAULT_IDS) {
      expect(priors[id]).toBeGreaterThan(0)
      expect(priors[id]).toBeLessThan(0.7)
    }
    expect(() => knowledgeOf(fromArchetype('small-car'), priors)).not.toThrow()
  })

  it('moves the suspects of the next job', () => {
    const installation = fromArchetype('small-car')
    const seen = evidenceWith({ complaints: ['losesFluid'] })
    const chance = (priors?: Parameters<typeof knowledgeOf>[1]) =>
      diagnose(knowledgeOf(installation, priors), seen).suspects.find(
        ({ fault }) => fault.id === 'hoseLeak',
      )!.chance
    const { priors } = priorsFrom({ Tern: { jobs: 12, confirmed: { hoseLeak: 9 } } }, 'Tern')
    expect(chance(priors)).toBeGreaterThan(3 * chance())
  })
})
