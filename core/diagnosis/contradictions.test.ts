import { beforeAll, describe, expect, it } from 'vitest'
import { evidenceWith } from '../../tests/arbitrary/evidence'
import { fromArchetype } from '../installation'
import { diagnose } from './diagnose'
import type { Evidence } from './evidence'
import { knowledgeOf, type Knowledge } from './knowledge'

let car: Knowledge
beforeAll(() => {
  car = knowledgeOf(fromArchetype('small-car'))
})

describe('contradictions', () => {
  const between = (evidence: Partial<Evidence>) =>
    diagnose(car, evidenceWith(evidence)).contradictions.map((one) => one.between)

  it('names two findings that cannot both be so', () => {
    expect(between({ findings: { rodTight: 'present', rodSlack: 'present' } })).toEqual([
      ['rodTight', 'rodSlack'],
    ])
    expect(between({ findings: { bellHoleWet: 'absent', dripIsOil: 'present' } })).toEqual([
      ['bellHoleWet', 'dripIsOil'],
    ])
    expect(between({ findings: { rodTight: 'present', rodEndDamp: 'present' } })).toEqual([])
  })

  it('names a finding that a figure rules out, a sink by the minute', () => {
    const held = (value: number, duration?: number) =>
      between({ findings: { heldSinks: 'present' }, readings: { sink: { value, duration } } })
    expect(held(0.4, 60)).toEqual([['heldSinks', 'sink']])
    expect(held(0.4)).toEqual([['heldSinks', 'sink']])
    expect(held(0.4, 10)).toEqual([])
    expect(held(0.9, 180)).toEqual([['heldSinks', 'sink']])
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
