import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everydayCircuit } from '../../tests/arbitrary/circuit'
import { freeTravel, solveCircuit } from '../circuit'
import { fromArchetype } from '../installation'
import { affected, changesCircuit, sound, together } from './effects'
import { FAULTS, type Effect } from './faults'

const EFFECTS = FAULTS.flatMap(({ severities }) => severities?.map(({ effect }) => effect) ?? [])
const effects = fc.array(fc.constantFrom(...EFFECTS), { maxLength: 3 })
const closeTo = (a: Effect, b: Effect) => {
  expect(Object.keys(a).sort()).toEqual(Object.keys(b).sort())
  for (const [name, value] of Object.entries(a))
    expect(value, name).toBeCloseTo(b[name as keyof Effect]!, 9)
}
const { circuit } = fromArchetype('light-truck')
const base = sound(circuit)
const reserve = (effect: Effect) => solveCircuit(affected(base, effect)).reserve

describe('what faults do together', () => {
  it('does not depend on their order', () => {
    fc.assert(fc.property(effects, (list) => closeTo(together(list), together([...list].reverse()))))
  })

  it('adds amounts, multiplies factors and compounds what the fork gives away', () => {
    const both = together([
      { air: 500, swell: 2, fork: 0.1, clearance: 1 },
      { air: 1500, swell: 3, fork: 0.2, clearance: -0.4 },
    ])
    closeTo(both, { air: 2000, swell: 6, fork: 0.32, clearance: 0.6 })
    expect(together([])).toEqual({})
  })
})

describe('a circuit with faults', () => {
  it('is one that can be solved, whatever they are', () => {
    fc.assert(
      fc.property(everydayCircuit, effects, (one, list) => {
        const made = affected(sound(one), together(list))
        const { reserve: left, pedalTravelAtRelease } = solveCircuit(made)
        expect(Number.isFinite(left) && Number.isFinite(pedalTravelAtRelease)).toBe(true)
      }),
      { numRuns: 60 },
    )
  })

  it('without any is itself, without air and with its rod set', () => {
    expect(affected(base, {})).toEqual(base)
    expect(base.air).toBe(0)
    for (const rod of [-3, 0.4, 9]) {
      const { master } = sound({ ...circuit, master: { ...circuit.master, pushrodClearance: rod } })
      expect(master.pushrodClearance).toBe(Math.min(1, Math.max(0.2, rod)))
    }
  })

  it.each<[string, Effect]>([
    ['air', { air: 1500 }],
    ['a short rod', { clearance: 2 }],
    ['a hose that swells', { swell: 4 }],
    ['a bracket that gives', { flex: 18 }],
    ['a fork that opens', { fork: 0.18 }],
    ['a small master', { masterBore: 0.92 }],
    ['a disc that drags', { release: 1.3 }],
    ['a mat', { travel: 22 }],
  ])('%s costs reserve', (_, effect) => {
    expect(reserve(effect)).toBeLessThan(reserve({}) - 1)
  })

  it('a bracket that gives costs what it gives, at the force of release', () => {
    expect(reserve({}) - reserve({ flex: 18 })).toBeCloseTo(18, 0)
    expect(reserve({}) - reserve({ travel: 22 })).toBeCloseTo(22, 9)
  })

  it('a long rod takes free travel away, and what shows only in time leaves the circuit as it is', () => {
    const felt = (effect: Effect) => freeTravel(affected(base, effect))
    expect(felt({ clearance: -0.3 })).toBeLessThan(felt({}))
    for (const effect of [{ bypass: 8 }, { loss: 3, standing: 150 }, { pinPlay: 0.3 }]) {
      expect(changesCircuit(effect)).toBe(false)
      expect(affected(base, effect)).toEqual(base)
    }
    expect(changesCircuit({ bypass: 8, air: 1 })).toBe(true)
  })
})
