import { describe, expect, it } from 'vitest'
import { evidenceWith } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { diagnose } from './diagnose'
import type { Evidence } from './evidence'
import { knowledgeOf } from './knowledge'
import { SHOP_COSTS } from './repairs'
import { weighPolicies, USUAL_POLICY, type Option } from './policies'

describe('the schools', () => {
  const knowledge = knowledgeOf(fromArchetype('small-car'))
  const weighed = (more: Partial<Evidence>, extra: Partial<Parameters<typeof weighPolicies>[0]> = {}) =>
    weighPolicies({
      knowledge,
      found: diagnose(knowledge, evidenceWith(more)).found,
      costs: SHOP_COSTS,
      ...extra,
    })
  const bypassing: Partial<Evidence> = {
    complaints: ['sinks'],
    findings: { rodEndDamp: 'absent', bootWet: 'absent', levelLow: 'absent', sediment: 'present' },
    readings: { sink: { value: 14, duration: 60 } },
  }

  it('more renewed at once costs more now and comes back less', () => {
    const { proven, pair, all } = weighed(bypassing).scope.options
    expect(proven.money).toBeLessThan(pair.money)
    expect(pair.money).toBeLessThan(all.money)
    expect(proven.comebackRisk).toBeGreaterThan(pair.comebackRisk)
    expect(pair.comebackRisk).toBeGreaterThan(all.comebackRisk)
    expect(pair.repairs.map(({ id }) => id)).toEqual(expect.arrayContaining(['master', 'slave']))
  })

  it('what is favoured costs least of what may be done, or hardly more and is the shop’s way', () => {
    const { scope, way, first } = weighed(bypassing)
    for (const { options, favoured: name } of [scope, way, first]) {
      const all: Record<string, Option> = options
      const allowed = Object.values(all).filter(({ refused }) => refused === null)
      const favoured = all[name]!
      expect(favoured.refused).toBeNull()
      for (const option of allowed)
        expect(favoured.expectedCost).toBeLessThanOrEqual(option.expectedCost * 1.03 + 1e-9)
    }
  })

  it('a dear comeback favours renewing more', () => {
    const scope = (comeback: number) =>
      weighed(bypassing, { costs: { hourlyRate: 60, comeback } }).scope.favoured
    expect(scope(0)).toBe('proven')
    expect(scope(3000)).toBe('all')
  })

  it('takes the prices of the shelf in place of the usual ones, of cylinders and of kits', () => {
    const usual = weighed(bypassing)
    const shelf = weighed(bypassing, {
      costs: { ...SHOP_COSTS, prices: { master: 170, slave: 45 }, kits: { master: 9 } },
    })
    const more = 170 - 70
    expect(shelf.scope.options.proven.money).toBe(usual.scope.options.proven.money + more)
    expect(shelf.scope.options.pair.money).toBe(usual.scope.options.pair.money + more)
    // A kit of its own price, whatever the cylinder costs.
    expect(shelf.way.options.rebuild.money).toBe(shelf.way.options.replace.money - 170 + 9)
  })

  it('a pitted bore is not rebuilt, bleeding over a visible leak is warned of, no air is not bled', () => {
    expect(weighed(bypassing, { borePitted: true }).way.options.rebuild.refused).toMatch(/pitted/)
    expect(weighed(bypassing).way.options.rebuild.refused).toBeNull()
    const { first } = weighed(bypassing, { visibleLeak: true })
    expect(first.options.bleed).toMatchObject({ refused: null, warned: expect.stringMatching(/leak/) })
    expect(first.favoured).toBe('part')
    const switchOut: Partial<Evidence> = {
      complaints: ['noStart'],
      findings: { switchUnreached: 'present', workedOn: 'absent' },
    }
    expect(weighed(switchOut).first.options.bleed.refused).toMatch(/air/)
    expect(weighed(switchOut).way.options.rebuild.refused).toMatch(/No cylinder/)
  })

  it('air alone is bled first', () => {
    const air: Partial<Evidence> = {
      complaints: ['soft'],
      findings: {
        workedOn: 'present',
        pumpsUp: 'present',
        springy: 'present',
        fadesOvernight: 'absent',
        levelLow: 'absent',
      },
    }
    const { first } = weighed(air, { school: { ...USUAL_POLICY, scope: 'all' } })
    expect(first.favoured).toBe('bleed')
    expect(first.options.bleed.minutes).toBe(40)
  })
})
