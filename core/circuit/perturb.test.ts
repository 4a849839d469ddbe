import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyCircuit, everydayCircuit } from '../../tests/arbitrary/circuit'
import { FIELDS } from './fields'
import { LINE_KINDS, lineOfKind } from './line-kinds'
import { WORKSHOP_BORES } from './bores'
import { lineSwell } from './circuit'
import { perturber } from './perturb'
import { readCircuit } from './read'
import { solveCircuit } from './solve'
import { shiftExpansion, shiftField, shiftLoad } from './uncertain'

const NAMES = [
  'load',
  'expansion',
  'master.bore',
  'master.portClosure',
  'master.pushrodClearance',
  'master.stroke',
  'cover.releaseTravel',
  'cover.fullClampTravel',
  'linkage.slop',
  'slave.springPreload',
]
const shift = fc.double({ min: -40, max: 40, noNaN: true })

describe('circuits near a circuit', () => {
  it('are always ones that can be, however far they are pushed', () => {
    const by = fc.tuple(...NAMES.map(() => shift))
    fc.assert(
      fc.property(fc.oneof(everydayCircuit, anyCircuit), by, (circuit, list) => {
        // A factor on loads may run past the bound of a load; the rest stays within its own.
        const near = perturber(
          circuit,
          NAMES.slice(1).map((name) => ({ name })),
        )(list.slice(1))
        expect(() =>
          readCircuit({
            ...near,
            lines: near.lines.map((line) =>
              line.kind === 'steel' ? line : { ...line, expansion: Math.min(20_000, line.expansion) },
            ),
          }),
        ).not.toThrow()
      }),
    )
  })

  it('are the same as shifting each quantity for itself, and leave the first as it was', () => {
    const small = fc.double({ min: -0.05, max: 0.05, noNaN: true })
    fc.assert(
      fc.property(everydayCircuit, small, small, small, (circuit, load, hose, slop) => {
        const before = JSON.stringify(circuit)
        const near = perturber(circuit, [
          { name: 'load' },
          { name: 'expansion' },
          { name: 'linkage.slop' },
        ])
        const all = near([load, hose, Math.abs(slop)])
        const one = shiftField(
          shiftExpansion(shiftLoad(circuit, load), hose),
          'linkage.slop',
          Math.abs(slop),
        )
        expect(solveCircuit(all).reserve).toBeCloseTo(solveCircuit(one).reserve, 9)
        expect(JSON.stringify(circuit)).toBe(before)
      }),
    )
  })

  it('no shift is no change', () => {
    fc.assert(
      fc.property(everydayCircuit, (circuit) => {
        const near = perturber(
          circuit,
          NAMES.map((name) => ({ name })),
        )(NAMES.map(() => 0))
        expect(solveCircuit(near)).toEqual(solveCircuit(circuit))
      }),
      { numRuns: 30 },
    )
  })
})

describe('kinds of line', () => {
  it('have the figures of the standard, a source and a reason each', () => {
    const of = (id: string) => LINE_KINDS.find((row) => row.id === id)!.expansion!
    // The standard's own metric figures, ml per metre at 6.895 MPa.
    expect(of('rubber-3-regular') * 6.895).toBeCloseTo(2170, -1)
    expect(of('rubber-3-low') * 6.895).toBeCloseTo(1080, -1)
    expect(of('rubber-5-regular') * 6.895).toBeCloseTo(2820, -1)
    expect(of('rubber-5-low') * 6.895).toBeCloseTo(1800, -1)
    for (const { source, reason } of LINE_KINDS) {
      expect(source.length).toBeGreaterThan(10)
      expect(reason.length).toBeGreaterThan(10)
    }
  })

  it('make lines that a circuit takes, stiffer from rubber over nylon and braided to steel', () => {
    const swell = ['rubber-3-regular', 'nylon', 'braided', 'steel-475'].map((id) =>
      lineSwell(lineOfKind(id, 400)),
    )
    for (let i = 1; i < swell.length; i++) expect(swell[i]).toBeLessThan(swell[i - 1]!)
    expect(() => lineOfKind('string', 400)).toThrow(/no kind of line string/)
  })
})

describe('tables', () => {
  it('bores rise, a sixteenth of an inch or so apart', () => {
    for (let i = 1; i < WORKSHOP_BORES.length; i++) {
      const step = WORKSHOP_BORES[i]! - WORKSHOP_BORES[i - 1]!
      expect(step).toBeGreaterThan(1)
      expect(step).toBeLessThan(3.5)
    }
  })

  it('every field says where it is measured and has a range', () => {
    for (const { path, how, min, max, label } of FIELDS) {
      expect(how.length, path).toBeGreaterThan(8)
      expect(label.length, path).toBeGreaterThan(2)
      expect(min, path).toBeLessThan(max)
    }
  })
})
