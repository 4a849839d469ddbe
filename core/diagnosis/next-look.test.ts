import { beforeAll, describe, expect, it } from 'vitest'
import { evidenceWith } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { USUAL_CONDITIONS, type Conditions } from './conditions'
import { diagnose } from './diagnose'
import type { Evidence } from './evidence'
import { FINDINGS, findingKind, type FindingId, type Need } from './findings'
import { knowledgeOf, type Knowledge } from './knowledge'
import { answersTo, nextLooks } from './next-look'

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

  it('is ordered by what it tells a minute, and each tells something', () => {
    const looks = looksAt(soft, { helper: true })
    expect(looks.length).toBeGreaterThan(10)
    looks.forEach((look, i) => {
      expect(look.bits).toBeGreaterThan(0)
      expect(look.bitsPerMinute).toBeCloseTo(look.bits / look.minutes, 12)
      if (i > 0) expect(look.bitsPerMinute).toBeLessThanOrEqual(looks[i - 1]!.bitsPerMinute)
    })
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
