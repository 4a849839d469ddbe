import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { InputError, lineOfKind, peakForce, pressCurve, readCircuit, solveCircuit } from '../circuit'
import { ARCHETYPES, fromArchetype, spreadOf, withMeasured, type Installation } from '../installation'
import { whole } from '../run'
import { applyChanges, bandRun, sensitivity, withChange, withoutChange, type Change } from '.'

const van = fromArchetype('long-line')
const withAir = (installation: Installation, air: number): Installation => ({
  ...installation,
  circuit: { ...installation.circuit, air },
})
const kind = fc.constantFrom(...ARCHETYPES.map(({ id }) => id)).map(fromArchetype)

describe('changes', () => {
  it('are done in order, and leave a circuit that can be read', () => {
    const after = applyChanges(van, [
      { change: 'air', value: 300 },
      { change: 'field', field: 'master.bore', value: 17.46 },
      { change: 'line', index: 1, line: lineOfKind('braided', 380) },
    ])
    expect(after.circuit.air).toBe(300)
    expect(after.circuit.lines[1]!.kind).toBe('braided')
    expect(after.assumed).not.toContain('master.bore')
    expect(van.circuit.master.bore).toBe(15.87)
    expect(() => readCircuit(after.circuit)).not.toThrow()
  })

  it('that break a bound or name no part are refused by path', () => {
    const bad = (change: Change) => {
      try {
        applyChanges(van, [change])
      } catch (error) {
        return error instanceof InputError ? error.path : String(error)
      }
      return 'taken'
    }
    expect(bad({ change: 'field', field: 'master.bore', value: 900 })).toBe('/master/bore')
    expect(bad({ change: 'field', field: 'lines.9.length', value: 9 })).toBe('/lines/9/length')
    expect(bad({ change: 'field', field: 'master.portClosure', value: 20 })).toBe('taken')
    expect(bad({ change: 'field', field: 'slave.outer', value: 50 })).toBe('/slave/outer')
  })

  it('of the same thing do not stand side by side', () => {
    const first = withChange([{ change: 'air', value: 1 }], { change: 'wear', value: 1 })
    const second = withChange(first, { change: 'air', value: 2 })
    expect(second).toEqual([
      { change: 'wear', value: 1 },
      { change: 'air', value: 2 },
    ])
    expect(withoutChange(second, { change: 'air', value: 9 })).toEqual([{ change: 'wear', value: 1 }])
  })
})

describe('sensitivity', () => {
  it('says what each remedy buys, as the forward solution has it', () => {
    const soft = withAir(van, 1200)
    const { remedies, reserve } = sensitivity(soft)
    expect(reserve).toBe(solveCircuit(soft.circuit).reserve)
    expect(remedies[0]!.id).toBe('bleed')
    for (const one of remedies) {
      const after = applyChanges(soft, one.changes).circuit
      expect(one.gain).toBeCloseTo(solveCircuit(after).reserve - reserve, 9)
      expect(one.cost).toBeCloseTo(one.money + one.minutes, 9)
    }
    const hose = remedies.find(({ id }) => id === 'braided')!
    expect(hose.gain).toBeGreaterThan(6)
    expect(hose.gain).toBeLessThan(solveCircuit(soft.circuit).budget.lineSwell)
    expect(remedies.find(({ id }) => id === 'largerMaster')!.forceChange).toBeGreaterThan(5)
  })

  it('a worn pin is worth nothing where a spring takes it up, and its whole cost where none does', () => {
    const old = fromArchetype('adjustable-vintage')
    const ids = (one: Installation) => sensitivity(one).remedies.map(({ id }) => id)
    expect(ids(withMeasured(van, 'linkage.slop', 2))).not.toContain('pin')
    const worn = withMeasured(old, 'linkage.slop', 1.6)
    const pin = sensitivity(worn).remedies.find(({ id }) => id === 'pin')!
    const { budget } = solveCircuit(worn.circuit)
    expect(pin.gain).toBeCloseTo((budget.slop * 1.5) / 1.6, 6)
  })

  it('stand by what each gains for its cost, whatever an hour costs', () => {
    for (const rate of [5, 60, 200]) {
      const { remedies } = sensitivity(withAir(van, 1200), rate)
      const worth = remedies.map(({ gain, money, minutes }) => gain / (money + (minutes / 60) * rate))
      expect(worth).toEqual([...worth].sort((a, b) => b - a))
    }
  })

  it('slopes are what a small step really does', () => {
    fc.assert(
      fc.property(kind, fc.integer({ min: 0, max: 2000 }), (installation, air) => {
        for (const slope of sensitivity(withAir(installation, air)).slopes) {
          expect(Number.isFinite(slope.perUnit), slope.field).toBe(true)
          expect(slope.perStep).toBeCloseTo(slope.perUnit * slope.step, 9)
        }
      }),
      { numRuns: 20 },
    )
    const slopes = sensitivity(van).slopes
    const of = (field: string) => slopes.find((slope) => slope.field === field)!
    expect(of('master.pushrodClearance').perUnit).toBeCloseTo(-6, 6)
    expect(of('pedal.travel').perUnit).toBeCloseTo(1, 9)
    expect(of('air').perUnit).toBeLessThan(0)
  })
})

describe('the largest pad force', () => {
  it('is the curve’s own peak on the way to release', () => {
    for (const { id } of ARCHETYPES) {
      const { circuit } = fromArchetype(id)
      const free = solveCircuit(circuit).pedalTravelAtRelease
      const peak = Math.max(
        ...pressCurve(circuit, 2000)
          .down.filter((point) => point.padTravel <= free)
          .map((point) => point.pedalForce),
      )
      expect(peakForce(circuit)).toBeGreaterThan(0.99 * peak)
      expect(peakForce(circuit)).toBeLessThan(1.01 * peak)
    }
  })
})

describe('the tolerance band', () => {
  it('is the same for a seed, whatever the pieces it was drawn in', () => {
    const pieces = bandRun(van, { draws: 400, seed: 5 })
    expect(pieces.step(150)).toBe(150)
    expect(pieces.step(9999)).toBe(400)
    expect(pieces.result()).toEqual(whole(bandRun(van, { draws: 400, seed: 5 })))
    expect(whole(bandRun(van, { draws: 400, seed: 6 }))).not.toEqual(pieces.result())
  })

  it('agrees with first-order propagation where the circuit is nearly linear', () => {
    const { reserve } = whole(bandRun(van, { draws: 4000 })).figures
    const linear = spreadOf(van, (c) => solveCircuit(c).reserve)!
    expect(reserve.middle).toBeCloseTo(linear.value, -0.5)
    const ratio = (reserve.high - reserve.low) / (linear.high - linear.low)
    expect(ratio).toBeGreaterThan(0.9)
    expect(ratio).toBeLessThan(1.1)
  })

  it('narrows with every field that is measured', () => {
    const width = (one: Installation) => {
      const { low, high } = whole(bandRun(one, { draws: 1500 })).figures.reserve
      return high - low
    }
    const ratio = withMeasured(van, 'pedal.ratio', 6)
    expect(width(ratio)).toBeLessThan(width(van))
    expect(width(withMeasured(ratio, 'cover.releaseTravel', 7.2))).toBeLessThan(width(ratio))
  })

  it('works the air out anew in each draw where free travel was read', () => {
    const band = whole(bandRun(van, { draws: 1500, freeTravel: 51 }))
    expect(band.figures.trappedAir.low).toBeGreaterThan(500)
    expect(band.figures.trappedAir.high).toBeLessThan(2200)
    expect(band.releases).toBeLessThan(0.6)
    expect(band.keepsReserve).toBeLessThanOrEqual(band.releases)
    const still = whole(bandRun(withAir(van, 700), { draws: 300 }))
    expect(still.figures.trappedAir).toEqual({ low: 700, middle: 700, high: 700 })
  })
})
