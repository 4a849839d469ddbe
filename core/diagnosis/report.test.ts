import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyComplaints, anyFindings } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { USUAL_CONDITIONS } from './conditions'
import { findingKind } from './findings'
import { knowledgeOf } from './knowledge'
import { readQuestion } from './read-question'
import { REPAIRS, SHOP_COSTS } from './repairs'
import { report, type Question } from './report'
import { USUAL_POLICY } from './policies'

const knowledge = knowledgeOf(fromArchetype('light-truck'))
const question = (more: Partial<Question['evidence']>): Question => ({
  evidence: { complaints: [], findings: {}, readings: {}, ...more },
  conditions: USUAL_CONDITIONS,
  stops: [],
  costs: SHOP_COSTS,
  school: USUAL_POLICY,
})
const anything = fc.record({
  complaints: anyComplaints,
  findings: anyFindings(8),
  freeTravel: fc.option(fc.integer({ min: 0, max: 170 }), { nil: undefined }),
})

describe('the report', () => {
  it('is plain data, with chances that are chances, whatever was noted', () => {
    fc.assert(
      fc.property(anything, ({ complaints, findings, freeTravel }) => {
        const readings = freeTravel === undefined ? {} : { freeTravel: { value: freeTravel } }
        const told = report(knowledge, question({ complaints, findings, readings }))
        expect(JSON.parse(JSON.stringify(told))).toEqual(told)
        expect(told.suspects).toHaveLength(knowledge.faults.length)
        told.suspects.forEach(({ chance, explains }, i) => {
          expect(chance).toBeGreaterThanOrEqual(0)
          expect(chance).toBeLessThanOrEqual(1 + 1e-9)
          expect(explains).toBeGreaterThanOrEqual(0)
          if (i > 0) expect(chance).toBeLessThanOrEqual(told.suspects[i - 1]!.chance)
        })
        for (const { id, answers } of told.looks) {
          expect(Object.keys(findings)).not.toContain(id)
          for (const { chance } of answers ?? []) expect(chance).toBeLessThanOrEqual(1 + 1e-9)
        }
        expect(told.advice.now.expectedCost).toBeGreaterThanOrEqual(told.advice.now.price)
        for (const id of told.advice.now.repairs) expect(REPAIRS.map((one) => one.id)).toContain(id)
        for (const choice of Object.values(told.schools)) {
          const options: Record<string, { comebackRisk: number }> = choice.options
          for (const { comebackRisk } of Object.values(options)) {
            expect(comebackRisk).toBeGreaterThanOrEqual(0)
            expect(comebackRisk).toBeLessThanOrEqual(1)
          }
        }
      }),
      { numRuns: 20 },
    )
  })

  it('is the same for a question that was read as for one that was put together', () => {
    const findings = { rodEndDamp: 'present', levelLow: 'present' } as const
    const read = readQuestion({ complaints: ['losesFluid'], findings, readings: {} })
    expect(read).toEqual(question({ complaints: ['losesFluid'], findings }))
    expect(report(knowledge, read).suspects[0]!.fault).toBe('masterRearLeak')
  })

  it('a stop that is found is open in a question that is read', () => {
    const { stops } = readQuestion({
      findings: { forkCracked: 'present', brakePedalChanged: 'absent' },
    })
    expect(stops).toEqual(['forkCracked'])
    const told = report(knowledge, {
      ...question({ complaints: ['grinds'], findings: { forkCracked: 'present' } }),
      stops,
    })
    for (const { kind, id } of told.looks)
      if (kind === 'finding') expect(findingKind(id).needs).not.toContain('road')
  })
})
