import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { diagnose } from './diagnose'
import type { Evidence } from './evidence'
import { FAULT_IDS, FAULTS, faultKind } from './faults'
import { FINDING_IDS } from './findings'
import { GUIDES, walk } from './guides'
import { knowledgeOf } from './knowledge'
import { READING_NAMES } from './readings'
import { priorsFrom, STRENGTH } from './record'
import { costOf, REPAIRS, repairOf, SHOP_COSTS } from './repairs'
import { schools, USUAL_SCHOOL, type Option } from './schools'

const evidence = (more: Partial<Evidence>): Evidence => ({
  complaints: [],
  findings: {},
  readings: {},
  ...more,
})

describe('the shop’s record', () => {
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
    const seen = evidence({ complaints: ['losesFluid'] })
    const chance = (priors?: Parameters<typeof knowledgeOf>[1]) =>
      diagnose(knowledgeOf(installation, priors), seen).suspects.find(
        ({ fault }) => fault.id === 'hoseLeak',
      )!.chance
    const { priors } = priorsFrom({ Tern: { jobs: 12, confirmed: { hoseLeak: 9 } } }, 'Tern')
    expect(chance(priors)).toBeGreaterThan(3 * chance())
  })
})

describe('repairs', () => {
  it('cure every fault once, and bleeding is counted once', () => {
    for (const id of FAULT_IDS)
      expect(
        REPAIRS.filter(({ cures }) => cures.includes(id)),
        id,
      ).toHaveLength(1)
    const [master, hose] = [repairOf('masterBypass'), repairOf('hoseLeak')]
    const { minutes, money } = costOf([master, hose])
    expect(minutes).toBe(master.minutes + hose.minutes + 40)
    expect(money).toBe(master.money + hose.money + 8)
    expect(costOf([])).toEqual({ minutes: 0, money: 0 })
    expect(costOf([repairOf('switchOut')]).minutes).toBe(10)
  })
})

describe('the schools', () => {
  const knowledge = knowledgeOf(fromArchetype('small-car'))
  const weighed = (more: Partial<Evidence>, extra: Partial<Parameters<typeof schools>[0]> = {}) =>
    schools({
      knowledge,
      found: diagnose(knowledge, evidence(more)).found,
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

  it('a pitted bore is not rebuilt, a visible leak is not bled over, no air is not bled', () => {
    expect(weighed(bypassing, { borePitted: true }).way.options.rebuild.refused).toMatch(/pitted/)
    expect(weighed(bypassing).way.options.rebuild.refused).toBeNull()
    expect(weighed(bypassing, { visibleLeak: true }).first.options.bleed.refused).toMatch(/leak/)
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
    const { first } = weighed(air, { school: { ...USUAL_SCHOOL, scope: 'all' } })
    expect(first.favoured).toBe('bleed')
    expect(first.options.bleed.minutes).toBe(40)
  })
})

describe('the guides', () => {
  it('are eight, ask only what there is, and every step leads somewhere', () => {
    expect(GUIDES.length).toBeGreaterThanOrEqual(8)
    const known = new Set<string>([...FINDING_IDS, ...READING_NAMES])
    for (const { id, steps } of GUIDES) {
      const names = new Set(steps.map((step) => step.id))
      expect(names.size, id).toBe(steps.length)
      const reached = new Set([steps[0]!.id])
      for (const step of steps) {
        expect(
          known.has(step.ask === 'finding' ? step.finding : step.reading),
          `${id} ${step.id}`,
        ).toBe(true)
        for (const then of step.ask === 'finding'
          ? [step.present, step.absent]
          : [step.much, step.little])
          if (typeof then === 'string') {
            expect(names.has(then), `${id} ${step.id} → ${then}`).toBe(true)
            reached.add(then)
          } else for (const fault of then.points) expect(FAULT_IDS).toContain(fault)
      }
      expect([...reached].sort(), id).toEqual([...names].sort())
    }
  })

  it('walks by what is known and stops at what is not', () => {
    const guide = GUIDES.find(({ id }) => id === 'pushBack')!
    expect(walk(guide, evidence({})).step!.id).toBe('shut')
    const open = walk(guide, evidence({ findings: { pushBackStiff: 'present' } }))
    expect(open.done.map(({ id }) => id)).toEqual(['shut'])
    expect(open.step!.id).toBe('open')
    const end = walk(
      guide,
      evidence({
        findings: {
          pushBackStiff: 'present',
          seizedOpen: 'absent',
          wayHomeShut: 'present',
          rodTight: 'present',
        },
      }),
    )
    expect(end.step).toBeNull()
    expect(end.conclusion!.points).toEqual(['rodTooLong'])
    expect(walk(guide, evidence({ findings: { pushBackStiff: 'absent' } })).conclusion!.points).toEqual(
      [],
    )
  })

  it('branches on figures', () => {
    const guide = GUIDES.find(({ id }) => id === 'sinkWatch')!
    expect(
      walk(guide, evidence({ readings: { sink: { value: 0.5, duration: 60 } } })).conclusion,
    ).not.toBeNull()
    const readings = { sink: { value: 9, duration: 60 }, reservoirDrop: { value: 0, duration: 43_200 } }
    expect(walk(guide, evidence({ readings })).step!.id).toBe('dry')
    const dry = walk(guide, evidence({ readings, findings: { rodEndDamp: 'absent' } }))
    expect(dry.conclusion!.points).toEqual(['masterBypass'])
  })
})
