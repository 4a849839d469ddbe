import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineOfKind } from '../circuit'
import { ARCHETYPES, fromArchetype } from '../installation'
import { applyChanges } from '../whatif'
import { planOf, presentChoice, withParts, type SizingChoice } from '.'

describe('a choice as a plan', () => {
  it('makes of the installation the circuit that was sized', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ARCHETYPES.map(({ id }) => id)),
        fc.double({ min: 14, max: 25, noNaN: true }),
        fc.double({ min: 4.5, max: 7, noNaN: true }),
        fc.integer({ min: 0, max: 4 }),
        fc.boolean(),
        (id, bore, ratio, rodExtension, braided) => {
          const installation = fromArchetype(id)
          const { circuit } = installation
          const own = presentChoice(circuit)
          const choice: SizingChoice = {
            ...own,
            master: { bore },
            slave: { ...own.slave, rodExtension },
            ratio,
          }
          const length = circuit.lines.reduce((sum, line) => sum + line.length, 0)
          const lines = braided ? [lineOfKind('braided', length)] : null
          const planned = applyChanges(installation, planOf(installation, choice, lines))
          expect(planned.circuit).toEqual({
            ...withParts(circuit, choice, lines ?? circuit.lines),
            slave: { ...circuit.slave, stroke: circuit.slave.stroke + rodExtension },
          })
        },
      ),
      { numRuns: 60 },
    )
  })
  it('is nothing for what is there already, and takes room for a longer rod', () => {
    const car = fromArchetype('small-car')
    expect(planOf(car, presentChoice(car.circuit), null)).toEqual([])
    const measured = { ...car, slave: { ...car.slave, room: 9 } }
    const own = presentChoice(car.circuit)
    const longer = planOf(measured, { ...own, slave: { ...own.slave, rodExtension: 3 } }, null)
    expect(longer).toEqual([
      { change: 'field', field: 'slave.stroke', value: 29 },
      { change: 'field', field: 'slave.room', value: 6 },
    ])
  })
})
