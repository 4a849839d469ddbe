import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { USUAL_CONDITIONS, type Conditions } from './conditions'
import { diagnose, nextMove } from './diagnose'
import type { Evidence } from './evidence'
import { FINDING_IDS, FINDINGS, findingKind, type FindingId, type Need } from './findings'
import { knowledgeOf, type Knowledge } from './knowledge'
import { answersTo, nextLooks } from './next-look'
import { marginalsOf } from './posterior'
import { SHOP_COSTS } from './repairs'

const nothing: Evidence = { complaints: [], findings: {}, readings: {} }
const with_ = (more: Partial<Evidence>): Evidence => ({ ...nothing, ...more })
let car: Knowledge
beforeAll(() => {
  car = knowledgeOf(fromArchetype('small-car'))
})
const looksAt = (evidence: Evidence, conditions: Partial<Conditions> = {}, stops: FindingId[] = []) => {
  const { found, items } = diagnose(car, evidence)
  return nextLooks(car, evidence, items, found, { ...USUAL_CONDITIONS, ...conditions }, stops)
}

describe('the next look', () => {
  const soft = with_({ complaints: ['soft'] })

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
      looksAt(with_({ complaints: [need === 'slaveOff' ? 'staysDown' : 'soft'] }), conditions).filter(
        ({ look }) => look.kind === 'finding' && findingKind(look.id).needs.includes(need),
      )
    expect(needing({ ...all, [need]: false })).toEqual([])
    expect(needing(all).length).toBeGreaterThan(0)
  })

  it('is not one that an open stop forbids', () => {
    const findings = { forkCracked: 'present' } as const
    const barred = findingKind('forkCracked').bars!
    const looks = looksAt(with_({ complaints: ['grinds'], findings }), { helper: true }, [
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
          with_({
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
    const before = looksAt(with_({ complaints: ['sinks'] })).map(({ look }) => look.id)
    expect(before).toContain('heldSinks')
    const measured = with_({ complaints: ['sinks'], readings: { sink: { value: 6, duration: 60 } } })
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
      with_({ complaints: ['soft'], findings: { rodEndDamp: 'present' } }),
    )
    expect(foretold.leads).toBe(suspects[0]!.fault.id)
    // Worked out over the likeliest sets only.
    expect(foretold.chanceThen).toBeCloseTo(suspects[0]!.chance, 1)
  })
})

describe('the diagnosis', () => {
  const states = fc.dictionary(
    fc.constantFrom(...FINDING_IDS),
    fc.constantFrom('present' as const, 'absent' as const),
    { maxKeys: 12 },
  )

  it('does not depend on the order of what is known', () => {
    fc.assert(
      fc.property(states, (findings) => {
        const forward = diagnose(car, with_({ findings }))
        const backward = diagnose(
          car,
          with_({ findings: Object.fromEntries(Object.entries(findings).reverse()) }),
        )
        forward.found.marginals.forEach((chance, i) =>
          expect(chance).toBeCloseTo(backward.found.marginals[i]!, 9),
        )
      }),
      { numRuns: 40 },
    )
  })

  it('reasons are the log odds with each thing less those without it', () => {
    fc.assert(
      fc.property(states, (findings) => {
        const evidence = with_({
          complaints: ['low'],
          findings,
          readings: { freeTravel: { value: 40 } },
        })
        const { suspects, items } = diagnose(car, evidence)
        const logit = (p: number) => Math.log(p / (1 - p))
        for (const item of items.slice(0, 3)) {
          const left: Evidence = {
            complaints: item.kind === 'complaint' ? [] : evidence.complaints,
            findings: Object.fromEntries(Object.entries(findings).filter(([id]) => id !== item.id)),
            readings: item.kind === 'reading' ? {} : evidence.readings,
          }
          const without = diagnose(car, left).suspects
          for (const { fault, chance, reasons } of suspects.slice(0, 4)) {
            const was = without.find((one) => one.fault.id === fault.id)!.chance
            const weight = reasons.find((reason) => reason.item.id === item.id)!.weight
            if (chance > 1e-9 && was > 1e-9 && chance < 1 - 1e-9)
              expect(weight).toBeCloseTo(logit(chance) - logit(was), 5)
          }
        }
      }),
      { numRuns: 12 },
    )
  })

  it('what explains the complaint is told apart from what may be there as well', () => {
    const { causes, hydraulic, notHydraulic, unexplained } = diagnose(
      car,
      with_({
        complaints: ['noStart'],
        findings: { switchUnreached: 'present', pedalBlocked: 'absent' },
      }),
    )
    expect(causes.get('switchOut')).toBeGreaterThan(0.9)
    expect(notHydraulic).toBeGreaterThan(0.9)
    expect(hydraulic! + notHydraulic! + unexplained!).toBeCloseTo(1, 9)
    expect([...causes.values()].reduce((sum, one) => sum + one, 0) + unexplained!).toBeCloseTo(1, 9)
  })

  it('with nothing to explain, nothing is explained', () => {
    expect(diagnose(car, nothing)).toMatchObject({ hydraulic: null, notHydraulic: null })
  })

  it('ignores what this vehicle cannot have, and a rod’s stroke where no rod can be reached', () => {
    const van = knowledgeOf(fromArchetype('concentric'))
    const { items } = diagnose(
      van,
      with_({ findings: { bootWet: 'present' }, readings: { rodStroke: { value: 3 } } }),
    )
    expect(items).toEqual([])
  })

  it('a figure outweighs the yes or no that it takes the place of', () => {
    const both = with_({
      findings: { rodTight: 'present' },
      readings: { rodClearance: { value: 0.6 } },
    })
    expect(diagnose(car, both).items.map(({ id }) => id)).toEqual(['rodClearance'])
    expect(diagnose(car, both).contradictions[0]!.between).toEqual(['rodTight', 'rodClearance'])
  })
})

describe('contradictions', () => {
  const between = (evidence: Partial<Evidence>) =>
    diagnose(car, with_(evidence)).contradictions.map((one) => one.between)

  it('names two findings that cannot both be so', () => {
    expect(between({ findings: { rodTight: 'present', rodSlack: 'present' } })).toEqual([
      ['rodTight', 'rodSlack'],
    ])
    expect(between({ findings: { bellHoleWet: 'absent', dripIsOil: 'present' } })).toEqual([
      ['bellHoleWet', 'dripIsOil'],
    ])
    expect(between({ findings: { rodTight: 'present', rodEndDamp: 'present' } })).toEqual([])
  })

  it('names two figures that nothing makes one read both', () => {
    // So much air would leave no take-up at all.
    expect(between({ readings: { freeTravel: { value: 90 }, takeUpHeight: { value: 33 } } })).toEqual([
      ['freeTravel', 'takeUpHeight'],
    ])
    expect(between({ readings: { freeTravel: { value: 18 }, takeUpHeight: { value: 33 } } })).toEqual(
      [],
    )
    expect(
      between({ readings: { freeTravel: { value: 20 }, pumpUpGain: { value: 30 } } }),
    ).toContainEqual(['pumpUpGain', 'freeTravel'])
  })
})

describe('the advice', () => {
  const advised = (evidence: Evidence, costs = SHOP_COSTS) =>
    nextMove(car, evidence, diagnose(car, evidence), {
      costs,
      conditions: { ...USUAL_CONDITIONS, helper: true },
    }).advice

  it('looks on while a cheap look may change what is done, and decides once it is plain', () => {
    expect(advised(with_({ complaints: ['soft'] })).decide).toBe(false)
    const plain = advised(
      with_({
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
      with_({
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
    const evidence = with_({ complaints: ['soft'] })
    const { now, after } = advised(evidence)
    const look = (after!.look.minutes / 60) * SHOP_COSTS.hourlyRate
    expect(after!.expectedCost - look).toBeLessThanOrEqual(now.expectedCost * 1.02)
  })

  it('a dear comeback leads to more looks', () => {
    const evidence = with_({ complaints: ['squeaks'], findings: { pedalSqueaks: 'present' } })
    expect(advised(evidence, { hourlyRate: 60, comeback: 1 }).decide).toBe(true)
    expect(advised(evidence, { hourlyRate: 60, comeback: 5000 }).decide).toBe(false)
  })
})

describe('the tables as a network', () => {
  it('marginals sum over the sets that hold the fault', () => {
    const { found } = diagnose(car, with_({ complaints: ['soft'], findings: { bootWet: 'present' } }))
    const again = marginalsOf(car.sets, found.sets, car.faults.length)
    again.forEach((chance, i) => expect(chance).toBeCloseTo(found.marginals[i]!, 12))
    expect(found.sets.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9)
  })

  it('every stop says what nobody may do meanwhile, but one that only forbids rebuilding', () => {
    for (const { id, stop, stopsOnly, bars } of FINDINGS)
      if (stop && !stopsOnly) expect(bars?.length, id).toBeGreaterThan(0)
  })
})
