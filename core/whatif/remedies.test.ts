import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everydayCircuit } from '../../tests/arbitrary/circuit'
import { lineOfKind, readCircuit, takesUpPlay } from '../circuit'
import { aroundCircuit, fromArchetype } from '../installation'
import { applyChanges, REMEDIES, sensitivity } from '.'

const of = (id: string) => REMEDIES.find((remedy) => remedy.id === id)!
const van = fromArchetype('long-line').circuit

describe('remedies', () => {
  it('each have their minutes, their price and a reason for both', () => {
    expect(new Set(REMEDIES.map(({ id }) => id)).size).toBe(REMEDIES.length)
    for (const { minutes, money, reason } of REMEDIES) {
      expect(minutes).toBeGreaterThan(0)
      expect(money).toBeGreaterThanOrEqual(0)
      expect(reason.length).toBeGreaterThan(20)
    }
  })

  it('leave a circuit that can be, on any vehicle that they are offered for', () => {
    fc.assert(
      fc.property(everydayCircuit, (circuit) => {
        for (const remedy of REMEDIES) {
          const changes = remedy.change(circuit)
          if (changes)
            expect(() =>
              readCircuit(applyChanges(aroundCircuit(circuit), changes).circuit),
            ).not.toThrow()
        }
      }),
    )
  })

  it('never cost reserve, but for what makes the pedal lighter', () => {
    fc.assert(
      fc.property(everydayCircuit, (circuit) => {
        for (const { id, gain } of sensitivity(aroundCircuit(circuit)).remedies)
          expect(gain, id).toBeGreaterThan(-1e-9)
      }),
      { numRuns: 40 },
    )
  })

  it('are not offered where there is nothing to mend', () => {
    expect(of('bleed').change({ ...van, air: 50 })).toBeNull()
    expect(
      of('clearance').change({ ...van, master: { ...van.master, pushrodClearance: 0.1 } }),
    ).toBeNull()
    expect(takesUpPlay(van)).toBe(true)
    expect(of('pin').change({ ...van, linkage: { ...van.linkage, slop: 3 } })).toBeNull()
    expect(of('play').change(van)).toBeNull()
    const steel = { ...van, lines: [lineOfKind('steel-475', 1500)] }
    expect(of('braided').change(steel)).toBeNull()
    expect(of('lowExpansion').change(steel)).toBeNull()
    const braided = { ...van, lines: [lineOfKind('braided', 400)] }
    expect(of('braided').change(braided)).toBeNull()
    expect(of('smallerSlave').change(fromArchetype('concentric').circuit)).toBeNull()
    expect(of('largerMaster').change({ ...van, master: { ...van.master, bore: 50 } })).toBeNull()
  })

  it('take the softest hose, not the longest', () => {
    const lines = [
      lineOfKind('braided', 900),
      lineOfKind('rubber-5-regular', 300),
      lineOfKind('steel-475', 2000),
    ]
    expect(of('braided').change({ ...van, lines })).toEqual([
      { change: 'line', index: 1, line: lineOfKind('braided', 300) },
    ])
    expect(of('lowExpansion').change({ ...van, lines })).toEqual([
      { change: 'line', index: 1, line: lineOfKind('rubber-5-low', 300) },
    ])
  })

  it('go one bore up and one down from where they are', () => {
    expect(of('largerMaster').change(van)).toEqual([
      { change: 'field', field: 'master.bore', value: 17.46 },
    ])
    expect(of('smallerSlave').change(van)).toEqual([
      { change: 'field', field: 'slave.bore', value: 19.05 },
    ])
  })
})
