import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evidenceWith } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { diagnose } from './diagnose'
import type { FaultId } from './faults'
import { knowledgeOf } from './knowledge'
import { chanceFromLoss, LOST_TRAVEL } from './lost-travel'

const share = fc.double({ min: 0, max: 3, noNaN: true })
const shown = fc.constantFrom(...Object.values(LOST_TRAVEL))

describe('what comes of lost travel', () => {
  it('never grows rarer with what is lost, is nothing where nothing is, and never surer than its most', () => {
    fc.assert(
      fc.property(shown, share, share, (what, a, b) => {
        const [less, more] = a < b ? [a, b] : [b, a]
        expect(chanceFromLoss(what, less)).toBeLessThanOrEqual(chanceFromLoss(what, more) + 1e-12)
        expect(chanceFromLoss(what, more)).toBeLessThanOrEqual(what.most)
        expect(chanceFromLoss(what, 0)).toBe(0)
      }),
    )
    expect(chanceFromLoss(LOST_TRAVEL.low, LOST_TRAVEL.low.from)).toBeCloseTo(
      LOST_TRAVEL.low.most / 2,
      1,
    )
  })

  const car = knowledgeOf(fromArchetype('small-car'))
  const chance = (id: FaultId, evidence: Parameters<typeof evidenceWith>[0]) =>
    diagnose(car, evidenceWith(evidence)).suspects.find(({ fault }) => fault.id === id)!

  it('a grinding gear speaks for whatever takes much travel, row or none', () => {
    for (const id of ['rodTooShort', 'airLowLevel', 'forkCracked', 'concentricLeak'] as const) {
      const on = id === 'concentricLeak' ? knowledgeOf(fromArchetype('concentric')) : car
      const of = (evidence: Parameters<typeof evidenceWith>[0]) =>
        diagnose(on, evidenceWith(evidence)).suspects.find(({ fault }) => fault.id === id)!.chance
      expect(of({ complaints: ['grinds', 'low'] }), id).toBeGreaterThan(2 * of({}))
    }
  })

  it('says how bad it is: what grinds has lost more than what is only low', () => {
    const light = chance('rodTooShort', {
      complaints: ['low'],
      findings: { gearGrinds: 'absent', rodSlack: 'present' },
    })
    const grave = chance('rodTooShort', {
      complaints: ['low', 'grinds'],
      findings: { gearGrinds: 'present', rodSlack: 'present' },
    })
    expect(light.severity!.label).not.toBe('far')
    expect(grave.severity!.label).toBe('far')
  })

  it('a sound free travel and a full stroke beside a grinding gear speak against the hydraulics', () => {
    const { found: _, notHydraulic } = diagnose(
      car,
      evidenceWith({
        complaints: ['grinds'],
        findings: { gearGrinds: 'present' },
        readings: { freeTravel: { value: 18 }, rodStroke: { value: 14.4 } },
      }),
    )
    expect(notHydraulic).toBeGreaterThan(0.75)
  })

  it('a cup that lets the pedal fall in seconds lets the gear grind; one that creeps does not', () => {
    const fast = chance('masterBypass', {
      complaints: ['noGear'],
      readings: { sink: { value: 60, duration: 10 } },
    })
    expect(fast.chance).toBeGreaterThan(0.55)
    expect(fast.severity!.label).toBe('at once')
  })
})
