import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { airAtFreeTravel, freeTravel, solveCircuit } from '../circuit'
import { ARCHETYPES, fromArchetype, withMeasured } from '../installation'
import { Cases, type Known } from './cases'
import { predicted, pushBackLikelihood, READING_ERROR, TAPE_READINGS } from './readings'

const van = fromArchetype('long-line')
/** The middle of all that is drawn, with bores as the kind usually has them. */
const centre = (known: Known) => {
  const cases = new Cases(known)
  const usual = cases.branches.find(
    ({ by, atEnd }) => !atEnd && by.every((one) => Math.abs(one) < 0.01),
  )!
  return { cases, usual, z: new Float64Array(cases.dimensions) }
}
const kind = fc.constantFrom(...ARCHETYPES.map(({ id }) => id)).map(fromArchetype)

describe('readings', () => {
  it('each have an error and a reason, and are what the circuit shows', () => {
    const solution = solveCircuit(van.circuit)
    expect(predicted('freeTravel', van.circuit, solution)).toBe(freeTravel(van.circuit))
    expect(predicted('takeUpHeight', van.circuit, solution)).toBeCloseTo(155 - solution.engagement!, 12)
    expect(predicted('rodStroke', van.circuit, solution)).toBe(solution.at.rodStroke)
    for (const name of TAPE_READINGS) expect(READING_ERROR[name].reason.length).toBeGreaterThan(10)
  })

  it('where nothing takes up, the take-up lies below the floor by what is missing', () => {
    const soft = { ...van.circuit, air: 3000 }
    const solution = solveCircuit(soft)
    expect(predicted('takeUpHeight', soft, solution)).toBeCloseTo(solution.reserve, 9)
  })

  it('a slave that goes back speaks for an open port, one that does not for a shut one', () => {
    const open = solveCircuit(van.circuit)
    const shut = solveCircuit(withMeasured(van, 'master.pushrodClearance', -2).circuit)
    expect(pushBackLikelihood(open, undefined)).toBe(1)
    expect(pushBackLikelihood(open, true)).toBeGreaterThan(10 * pushBackLikelihood(shut, true))
    expect(pushBackLikelihood(open, true) + pushBackLikelihood(open, false)).toBe(1)
  })
})

describe('a case behind a free travel', () => {
  it('has the air that gives this reading, whatever else is drawn', () => {
    const draw = fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 40, maxLength: 40 })
    fc.assert(
      fc.property(kind, draw, (installation, list) => {
        const read = 60
        const cases = new Cases({ installation, readings: { freeTravel: read } })
        const z = Float64Array.from({ length: cases.dimensions }, (_, k) => list[k]!)
        const one = cases.at(z, cases.branches[0]!)
        if (one.circuit.air === 0) return
        const n = cases.quantities.length
        const touch = 20 * Math.max(0.2, 1 + 0.12 * z[n]!)
        expect(freeTravel(one.circuit, touch)).toBeCloseTo(read + z[n + 1]!, 6)
      }),
    )
  })

  it('is weighted by the change of variables that the reading really is', () => {
    const circuit = van.circuit
    const step = 0.01
    const slope =
      (airAtFreeTravel(circuit, 50 + step, 20) - airAtFreeTravel(circuit, 50 - step, 20)) / (2 * step)
    // Two readings of the same prior density differ in weight by nothing but the air's own density.
    const weightAt = (read: number) => {
      const { cases, usual, z } = centre({ installation: van, readings: { freeTravel: read } })
      const { circuit: found, logWeight } = cases.at(z, usual)
      return { air: found.air, logWeight }
    }
    const [a, b] = [weightAt(50), weightAt(60)]
    expect((b.air - a.air) / 10).toBeCloseTo(slope, 6)
    expect(a.logWeight - b.logWeight).toBeCloseTo(Math.log((b.air + 100) / (a.air + 100)), 9)
  })

  it('cannot be where it would take less than no air', () => {
    const { cases, usual, z } = centre({ installation: van, readings: { freeTravel: 5 } })
    expect(cases.at(z, usual).logWeight).toBe(-Infinity)
  })
})

describe('a case behind a take-up alone', () => {
  it('has the air that gives this height, whatever else is drawn', () => {
    const draw = fc.array(fc.double({ min: -1.5, max: 1.5, noNaN: true }), {
      minLength: 40,
      maxLength: 40,
    })
    let seen = 0
    fc.assert(
      fc.property(kind, draw, (installation, list) => {
        const cases = new Cases({ installation, readings: { takeUpHeight: 12 } })
        const z = Float64Array.from({ length: cases.dimensions }, (_, k) => list[k]!)
        const one = cases.at(z, cases.branches[0]!)
        if (one.logWeight === -Infinity) return
        seen += 1
        const { circuit, solution } = one
        const read = 12 + 2 * z[cases.quantities.length + 1]!
        // A cover that snaps comes up at another place than where the disc was freed, and counts for less.
        if (solution.budget.snap === 0)
          expect(circuit.pedal.travel - solution.engagement!).toBeCloseTo(read, 6)
      }),
    )
    expect(seen).toBeGreaterThan(10)
  })
})

describe('a case behind a rod stroke alone', () => {
  it('shows that stroke, whether the air or the slave’s own end gives it', () => {
    const { cases, z } = centre({ installation: van, readings: { rodStroke: 11 } })
    for (const atEnd of [false, true]) {
      const branch = cases.branches.find((one) => one.atEnd === atEnd)!
      const { circuit, solution } = cases.at(z, branch)
      if (atEnd) expect(circuit.slave.stroke - solution.slaveRest).toBeCloseTo(11, 9)
      else expect(solution.at.rodStroke).toBeCloseTo(11, 6)
    }
  })

  it('where the slave is at its end says nothing of the air', () => {
    const { cases, z } = centre({ installation: van, readings: { rodStroke: 11 } })
    const end = cases.branches.find(({ atEnd }) => atEnd)!
    const more = Float64Array.from(z)
    more[cases.quantities.length + 1] = -2
    expect(cases.at(more, end).circuit.air).toBeLessThan(cases.at(z, end).circuit.air / 4)
    expect(cases.at(more, end).circuit.slave.stroke).toBe(cases.at(z, end).circuit.slave.stroke)
  })
})

describe('what else is known', () => {
  it('a take-up that was read, or is known not to be there, rules cases out', () => {
    const weight = (readings: Known['readings']) => {
      const { cases, usual, z } = centre({ installation: van, readings })
      return cases.at(z, usual).logWeight
    }
    expect(weight({ freeTravel: 20, takesUp: false })).toBe(-Infinity)
    expect(weight({ freeTravel: 20, takesUp: true })).toBe(weight({ freeTravel: 20 }))
    expect(weight({ freeTravel: 60, takesUp: false })).toBe(weight({ freeTravel: 60 }))
    expect(weight({ freeTravel: 60, takeUpHeight: 10 })).toBe(-Infinity)
    expect(weight({ takeUpHeight: 10 })).toBeGreaterThan(-Infinity)
  })

  it('a known good pedal frees the disc', () => {
    const { cases, usual, z } = centre({
      installation: van,
      readings: { freeTravel: 60 },
      knownGood: true,
    })
    expect(cases.at(z, usual).logWeight).toBe(-Infinity)
  })

  it('a calibration is observed beside the job’s own readings, with an air of its own', () => {
    const calibration = { freeTravel: 17, takeUpHeight: 20, rodStroke: 13 }
    const { cases, usual, z } = centre({
      installation: van,
      readings: { freeTravel: 50, rodStroke: 9 },
      calibration,
    })
    expect(cases.observed.map(({ read }) => read)).toEqual([9, 17, 20, 13])
    const { circuit, shows } = cases.at(z, usual)
    expect(circuit.air).toBeGreaterThan(800)
    expect(shows[1]).toBeLessThan(25)
    expect(shows[3]).toBeGreaterThan(shows[0]!)
    const without = new Cases({ installation: van, readings: { freeTravel: 50 } })
    expect(cases.dimensions).toBe(without.dimensions + 2)
  })
})
