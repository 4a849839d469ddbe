import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { anyFindings, evidenceWith } from '../../tests/arbitrary/evidence'
import { fromArchetype, withMeasured } from '../installation'
import { diagnose, nextMove, SAID_PLAINLY } from './diagnose'
import { itemsOf, type Evidence } from './evidence'
import { FINDINGS } from './findings'
import { knowledgeOf, type Knowledge } from './knowledge'
import { marginalsOf } from './posterior'

let car: Knowledge
beforeAll(() => {
  car = knowledgeOf(fromArchetype('small-car'))
})

describe('the diagnosis', () => {
  const states = anyFindings(12)

  it('does not depend on the order of what is known', () => {
    fc.assert(
      fc.property(states, (findings) => {
        const forward = diagnose(car, evidenceWith({ findings }))
        const backward = diagnose(
          car,
          evidenceWith({ findings: Object.fromEntries(Object.entries(findings).reverse()) }),
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
        const evidence = evidenceWith({
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
      evidenceWith({
        complaints: ['noStart'],
        findings: { switchUnreached: 'present', pedalBlocked: 'absent' },
      }),
    )
    expect(causes.get('switchOut')).toBeGreaterThan(0.9)
    expect(notHydraulic).toBeGreaterThan(0.9)
    expect(hydraulic! + notHydraulic! + unexplained!).toBeCloseTo(1, 9)
    // What no fault of the table does is battery and starter here: no hydraulics either.
    const ofTables = [...causes.values()].reduce((sum, one) => sum + one, 0)
    expect(unexplained).toBeLessThan(0.05)
    expect(hydraulic! + notHydraulic!).toBeGreaterThan(ofTables)
  })

  it('with nothing to explain, nothing is explained', () => {
    expect(diagnose(car, evidenceWith({}))).toMatchObject({ hydraulic: null, notHydraulic: null })
  })

  it('ignores what this vehicle cannot have, and a rod’s stroke where no rod can be reached', () => {
    const van = knowledgeOf(fromArchetype('concentric'))
    const { items } = diagnose(
      van,
      evidenceWith({ findings: { bootWet: 'present' }, readings: { rodStroke: { value: 3 } } }),
    )
    expect(items).toEqual([])
  })

  it('a figure outweighs the yes or no that it takes the place of', () => {
    const both = evidenceWith({
      findings: { rodTight: 'present' },
      readings: { rodClearance: { value: 0.6 } },
    })
    expect(diagnose(car, both).items.map(({ id }) => id)).toEqual(['rodClearance'])
    expect(diagnose(car, both).contradictions[0]!.between).toEqual(['rodTight', 'rodClearance'])
  })
})

describe('the tables as a network', () => {
  it('marginals sum over the sets that hold the fault', () => {
    const { found } = diagnose(
      car,
      evidenceWith({ complaints: ['soft'], findings: { bootWet: 'present' } }),
    )
    const again = marginalsOf(car.sets, found.sets, car.faults.length)
    again.forEach((chance, i) => expect(chance).toBeCloseTo(found.marginals[i]!, 12))
    expect(found.sets.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9)
  })

  it('every stop says what nobody may do meanwhile, but one that only forbids rebuilding', () => {
    for (const { id, stop, stopsOnly, bars } of FINDINGS)
      if (stop && !stopsOnly) expect(bars?.length, id).toBeGreaterThan(0)
  })

  it('names the look that tells whether it is the hydraulics while that is plain on neither side', () => {
    const evidence = evidenceWith({ complaints: ['grinds'] })
    const open = diagnose(car, evidence)
    expect(Math.max(open.hydraulic!, open.notHydraulic!)).toBeLessThan(SAID_PLAINLY)
    const { decides, looks } = nextMove(car, evidence, open)
    expect(looks).toContain(decides)
    expect(decides!.sides).toBeGreaterThan(0.03)
    const sure = evidenceWith({
      complaints: ['sinks'],
      readings: { sink: { value: 12, duration: 60 } },
    })
    expect(nextMove(car, sure, diagnose(car, sure)).decides).toBeNull()
  })

  it('goes by what this very vehicle showed when its pedal was good', () => {
    const evidence = evidenceWith({ complaints: ['squeaks'], readings: { freeTravel: { value: 40 } } })
    const installation = fromArchetype('small-car')
    const air = (of: Knowledge) =>
      diagnose(of, evidence).suspects.find(({ fault }) => fault.id === 'airFromWork')!.chance
    expect(air(knowledgeOf(installation))).toBeGreaterThan(0.05)
    expect(air(knowledgeOf(installation, {}, { freeTravel: 40 }))).toBeLessThan(0.03)
  })

  it('reads a second as a finding where the figure says so, and a bleed screw by its measured angle', () => {
    const seen = (readings: Evidence['readings'], of = car) =>
      itemsOf(of, evidenceWith({ readings })).flatMap((item) =>
        item.kind === 'finding' ? [`${item.id} ${item.state}`] : [],
      )
    expect(seen({ overnightGrowth: { value: 8 } })).toEqual(['fadesOvernight present'])
    expect(seen({ returnTime: { value: 0.4 } })).toEqual(['padHangs absent'])
    expect(seen({ switchAt: { value: car.installation.circuit.pedal.travel + 1 } })).toEqual([
      'switchUnreached present',
    ])
    expect(seen({ temperature: { value: 4 } })).toEqual([])
    const turned = knowledgeOf(withMeasured(fromArchetype('small-car'), 'slave.bleeder.angle', 70))
    expect(seen({}, turned)).toEqual(['bleederLow present'])
    expect(seen({})).toEqual([])
  })

  it('lets a float that lies down for want of fluid say nothing of the fluid', () => {
    const wrong = (level: 'present' | 'absent') =>
      diagnose(
        car,
        evidenceWith({ complaints: ['soft'], findings: { floatDown: 'present', levelLow: level } }),
      ).suspects.find(({ fault }) => fault.id === 'fluidWrong')!.chance
    expect(wrong('absent')).toBeGreaterThan(3 * wrong('present'))
  })
})
