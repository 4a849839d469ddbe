import { beforeAll, describe, expect, it } from 'vitest'
import { evidenceWith } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { answersTo } from './answers'
import { USUAL_CONDITIONS, type Conditions } from './conditions'
import { diagnose } from './diagnose'
import type { Evidence } from './evidence'
import { FINDINGS, findingKind, type FindingId, type Need } from './findings'
import { knowledgeOf, type Knowledge } from './knowledge'
import { LOOK_FIGURES, nextLooks } from './next-look'

let car: Knowledge
beforeAll(() => {
  car = knowledgeOf(fromArchetype('small-car'))
})
const looksAt = (evidence: Evidence, conditions: Partial<Conditions> = {}, stops: FindingId[] = []) => {
  const { found, items } = diagnose(car, evidence)
  return nextLooks(car, evidence, items, found, { ...USUAL_CONDITIONS, ...conditions }, stops)
}

describe('the next look', () => {
  const soft = evidenceWith({ complaints: ['soft'] })

  it('is ordered by what it is worth a minute, and each is worth something', () => {
    const looks = looksAt(soft, { helper: true })
    expect(looks.length).toBeGreaterThan(10)
    looks.forEach((look, i) => {
      expect(look.saves).toBeGreaterThanOrEqual(0)
      expect(look.worth).toBeGreaterThan(0)
      expect(look.worth).toBeGreaterThanOrEqual(
        look.saves + look.stops + look.bits * LOOK_FIGURES.bit.money - 1e-9,
      )
      expect(look.worthPerMinute).toBeLessThan(look.worth / look.minutes)
      if (i > 0) expect(look.worthPerMinute).toBeLessThanOrEqual(looks[i - 1]!.worthPerMinute)
    })
  })

  it('is taken again where the figure of it is most likely misread, and not where it fits', () => {
    const at = (freeTravel: number) =>
      looksAt(
        evidenceWith({ complaints: ['squeaks'], readings: { freeTravel: { value: freeTravel } } }),
      ).find(({ look }) => look.id === 'freeTravel')
    expect(at(18)).toBeUndefined()
    expect(at(1)?.before?.value).toBe(1)
  })

  it('is worth a stop that it may reveal, where what is known speaks for one', () => {
    const damp = evidenceWith({
      complaints: ['losesFluid'],
      findings: { outletDamp: 'present', workedOn: 'present', slaveUnionDamp: 'present' },
    })
    const thread = looksAt(damp).find(({ look }) => look.id === 'threadCrossed')!
    expect(thread.stops).toBeGreaterThan(5)
    expect(looksAt(soft).find(({ look }) => look.id === 'threadCrossed')?.stops ?? 0).toBeLessThan(5)
  })

  it('asks nothing of a pedal whose circuit is known to be dry, and nothing of a float that lies in too little fluid', () => {
    const dry = evidenceWith({ complaints: ['staysDown'], findings: { circuitDry: 'present' } })
    const readings = looksAt(dry, { helper: true }).filter(({ look }) => look.kind === 'reading')
    expect(readings.map(({ look }) => look.id)).not.toContain('freeTravel')
    const low = evidenceWith({ complaints: ['soft'], findings: { levelLow: 'present' } })
    expect(looksAt(low).map(({ look }) => look.id)).not.toContain('floatDown')
  })

  it.each<Need>([
    'helper',
    'underneath',
    'pedal',
    'engine',
    'road',
    'slaveOff',
    'circuitOpen',
    'hours',
  ])('that needs %s is not proposed without it, and may be with it', (need) => {
    const all = Object.fromEntries(
      Object.keys(USUAL_CONDITIONS).map((one) => [one, true]),
    ) as Conditions
    const needing = (conditions: Conditions) =>
      looksAt(
        evidenceWith({ complaints: [need === 'slaveOff' ? 'staysDown' : 'soft'] }),
        conditions,
      ).filter(({ look }) => look.kind === 'finding' && findingKind(look.id).needs.includes(need))
    expect(needing({ ...all, [need]: false })).toEqual([])
    expect(needing(all).length).toBeGreaterThan(0)
  })

  it('is not one that an open stop forbids', () => {
    const findings = { forkCracked: 'present' } as const
    const barred = findingKind('forkCracked').bars!
    const looks = looksAt(evidenceWith({ complaints: ['grinds'], findings }), { helper: true }, [
      'forkCracked',
    ])
    expect(looks.length).toBeGreaterThan(0)
    for (const { look } of looks)
      if (look.kind === 'finding')
        for (const need of findingKind(look.id).needs) expect(barred).not.toContain(need)
  })

  it('is not one that has nothing to look at yet', () => {
    const later = FINDINGS.filter(({ after }) => after !== undefined)
    expect(later.length).toBeGreaterThan(0)
    for (const { id, after } of later) {
      const asked = (state?: 'present' | 'absent') =>
        looksAt(
          evidenceWith({
            complaints: ['sinks', 'staysDown'],
            findings: state ? { [after!]: state } : {},
          }),
          { helper: true },
        ).map(({ look }) => look.id)
      expect(asked(), id).not.toContain(id)
      expect(asked('absent'), id).not.toContain(id)
      expect(asked('present'), id).toContain(id)
    }
  })

  it('is not one whose figure was measured instead', () => {
    const before = looksAt(evidenceWith({ complaints: ['sinks'] })).map(({ look }) => look.id)
    expect(before).toContain('heldSinks')
    const measured = evidenceWith({
      complaints: ['sinks'],
      readings: { sink: { value: 6, duration: 60 } },
    })
    expect(looksAt(measured).map(({ look }) => look.id)).not.toContain('heldSinks')
  })

  it('its answers are chances, and on their average nothing is changed', () => {
    const { found, items } = diagnose(car, soft)
    const looks = nextLooks(car, soft, items, found, { ...USUAL_CONDITIONS, helper: true })
    for (const look of looks.slice(0, 5)) {
      const answers = answersTo(car, look, found)
      expect(answers.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 9)
      for (const { chanceThen } of answers) {
        expect(chanceThen).toBeGreaterThan(0)
        expect(chanceThen).toBeLessThanOrEqual(1 + 1e-9)
      }
    }
  })

  it('an answer that comes in moves the suspects as it was foretold', () => {
    const { found } = diagnose(car, soft)
    const look = { kind: 'finding', id: 'rodEndDamp' } as const
    const foretold = answersTo(car, { look }, found).find(({ says }) => says === 'present')!
    const { suspects } = diagnose(
      car,
      evidenceWith({ complaints: ['soft'], findings: { rodEndDamp: 'present' } }),
    )
    expect(foretold.leads).toBe(suspects[0]!.fault.id)
    // Worked out over the likeliest sets only.
    expect(foretold.chanceThen).toBeCloseTo(suspects[0]!.chance, 1)
  })
})
