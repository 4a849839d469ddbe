import { beforeAll, describe, expect, it } from 'vitest'
import { evidenceWith } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { advise } from './advice'
import { USUAL_CONDITIONS } from './conditions'
import { diagnose, nextMove } from './diagnose'
import type { Evidence } from './evidence'
import { knowledgeOf, type Knowledge } from './knowledge'
import { nextLooks } from './next-look'
import { SHOP_COSTS } from './repairs'

let car: Knowledge
beforeAll(() => {
  car = knowledgeOf(fromArchetype('small-car'))
})

describe('the advice', () => {
  const advised = (evidence: Evidence, costs = SHOP_COSTS) =>
    nextMove(car, evidence, diagnose(car, evidence), {
      costs,
      conditions: { ...USUAL_CONDITIONS, helper: true },
    }).advice

  it('looks on while a cheap look may change what is done, and decides once it is plain', () => {
    expect(advised(evidenceWith({ complaints: ['soft'] })).decide).toBe(false)
    const plain = advised(
      evidenceWith({
        complaints: ['noStart'],
        findings: {
          switchUnreached: 'present',
          pedalBlocked: 'absent',
          startsPedalUp: 'absent',
          workedOn: 'absent',
        },
      }),
    )
    expect(plain.decide).toBe(true)
    expect(plain.now.repairs.map(({ id }) => id)).toEqual(['switch'])
  })

  it('repairs what it is, and its cost is parts, hands and what comes back', () => {
    const { now } = advised(
      evidenceWith({
        complaints: ['sinks'],
        findings: { rodEndDamp: 'absent', bootWet: 'absent', levelLow: 'absent' },
        readings: { sink: { value: 14, duration: 60 } },
      }),
    )
    expect(now.repairs.map(({ id }) => id)).toContain('master')
    // 80 min of master, 40 of bleeding at 60 an hour; 70 and 8 of parts.
    expect(now.price).toBeCloseTo(120 + 78, 9)
    expect(now.expectedCost).toBeGreaterThan(now.price)
    expect(now.comebackRisk).toBeGreaterThan(0)
    expect(now.comebackRisk).toBeLessThan(0.1)
  })

  it('never costs more to know: the best look then acting, without the look’s own price, is no dearer', () => {
    const evidence = evidenceWith({ complaints: ['soft'] })
    const { now, after } = advised(evidence)
    const look = (after!.look.minutes / 60) * SHOP_COSTS.hourlyRate
    expect(after!.expectedCost - look).toBeLessThanOrEqual(now.expectedCost * 1.02)
  })

  it('names the first look in order that pays: none before it does', () => {
    for (const complaints of [['soft'], ['grinds'], ['sinks', 'low'], ['staysDown']] as const) {
      const evidence = evidenceWith({ complaints: [...complaints] })
      const { found, items } = diagnose(car, evidence)
      const looks = nextLooks(car, evidence, items, found, { ...USUAL_CONDITIONS, helper: true })
      const { decide, now, after } = advise(car, found, looks, SHOP_COSTS)
      expect(decide).toBe(false)
      expect(after!.expectedCost).toBeLessThan(now.expectedCost)
      const place = looks.findIndex(({ look }) => look.id === after!.look.look.id)
      expect(advise(car, found, looks.slice(0, place), SHOP_COSTS).decide).toBe(true)
    }
  })

  it('a dear comeback leads to more looks', () => {
    const evidence = evidenceWith({ complaints: ['grinds'] })
    expect(advised(evidence, { hourlyRate: 60, comeback: 1 }).decide).toBe(true)
    expect(advised(evidence, { hourlyRate: 60, comeback: 5000 }).decide).toBe(false)
  })
})
