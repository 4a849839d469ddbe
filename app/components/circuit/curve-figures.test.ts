import { describe, expect, it } from 'vitest'
import { pressCurve, solveCircuit, type Circuit } from '../../../core/circuit'
import reference from '../../../core/circuit/reference-cases.json'
import { fromArchetype } from '../../../core/installation'
import { clampChanges, curveRows } from './curve-figures'
import { fieldsOf } from './part-fields'
import { sheetOf } from '~/job/sheets'

const { circuit } = fromArchetype('long-line')
const snapping = reference.cases[9]!.input.circuit as unknown as Circuit

describe('curves as rows', () => {
  it('hold every state at the pads of the first, as the core solves them', () => {
    const soft = { ...circuit, air: 900 }
    const curves = [circuit, soft].map((one, i) => ({ name: `${i}`, curve: pressCurve(one, 241) }))
    const rows = curveRows(curves, 'pressure', 8)
    expect(rows).toHaveLength(31)
    for (const { padTravel, values } of rows.filter((_, i) => i % 6 === 0)) {
      expect(values[0]!.down).toBeCloseTo(solveCircuit(circuit, padTravel).at.pressure, 6)
      expect(values[1]!.down).toBeCloseTo(solveCircuit(soft, padTravel).at.pressure, 6)
    }
    expect(rows.at(-1)!.values[0]!.clamp).toBe('free')
  })

  it('beyond a shorter pedal have no figure, and on a jump the side beyond it', () => {
    const long = { ...circuit, pedal: { ...circuit.pedal, travel: 200 } }
    const curves = [long, circuit].map((one, i) => ({ name: `${i}`, curve: pressCurve(one, 41) }))
    expect(curveRows(curves, 'slaveTravel', 1).at(-1)!.values[1]!.down).toBeNull()
    // At a jump the curve has two points at one pad travel; a row there has the figures beyond it.
    const curve = pressCurve(snapping, 41)
    const [down] = curve.jumps.down
    const rows = curveRows([{ name: 'snap', curve }], 'slaveTravel', 1)
    const there = rows.filter(({ padTravel }) => padTravel === down!.padTravel)
    expect(there.map(({ values }) => values[0]!.down)).toEqual([down!.to, down!.to])
    const pressures = curveRows([{ name: 'snap', curve }], 'pressure', 1)
    const before = pressures[rows.indexOf(there[0]!) - 1]!.values[0]!.down!
    expect(pressures[rows.indexOf(there[0]!)]!.values[0]!.down!).toBeLessThan(before)
    // Coming up it has not fallen back yet there, and has at the pad where it does.
    const [up] = curve.jumps.up
    expect(there[0]!.values[0]!.up!).toBeGreaterThan(down!.from)
    expect(up!.to).toBeLessThan(up!.from)
    const at = (pad: number) => rows.filter(({ padTravel }) => padTravel <= pad).at(-1)!.values[0]!.up!
    expect(at(up!.padTravel - 3)).toBeLessThanOrEqual(up!.to)
    expect(at(up!.padTravel + 3)).toBeGreaterThanOrEqual(up!.from)
  })

  it('the clamp changes where the solution frees the disc', () => {
    const { slips, free } = clampChanges(pressCurve(circuit, 2000))
    expect(free!).toBeCloseTo(solveCircuit(circuit).pedalTravelAtRelease, 0)
    expect(slips!).toBeLessThan(free!)
    expect(clampChanges(pressCurve({ ...circuit, air: 4000 }, 200)).free).toBeNull()
  })
})

describe('sheets and parts', () => {
  it('an unknown sheet is the first, and each part has fields of its own', () => {
    expect([sheetOf('curves'), sheetOf('nonsense'), sheetOf(undefined)]).toEqual([
      'curves',
      'parts',
      'parts',
    ])
    const van = fromArchetype('long-line')
    expect(fieldsOf(van, 'line1')).toEqual([
      'lines.1.length',
      'lines.1.innerDiameter',
      'lines.1.expansion',
    ])
    expect(fieldsOf(van, 'line9')).toEqual([])
    expect(fieldsOf(fromArchetype('concentric'), 'slave')).toContain('slave.outer')
    expect(fieldsOf(fromArchetype('concentric'), 'slave')).not.toContain('slave.room')
  })
})
