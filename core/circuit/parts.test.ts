import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everydayCircuit } from '../../tests/arbitrary/circuit'
import { lineSwell, type Circuit } from './circuit'
import { loadAt, loadCurve } from './load-curve'
import { absorbed, plant, pressureAbsorbing } from './plant'
import reference from './reference-cases.json'
import { judgePushBack, judgeRodStroke, pushrodTurns, rodState } from './rod'
import { root } from './root'
import { solveCircuit } from './solve'
import { propagate, uncertainField } from './uncertain'

const first = reference.cases[0]!.input.circuit as unknown as Circuit

describe('the load curve', () => {
  const points = fc
    .uniqueArray(fc.integer({ min: 0, max: 200 }), { minLength: 2, maxLength: 8 })
    .chain((xs) =>
      fc.tuple(
        ...xs
          .sort((a, b) => a - b)
          .map((x) => fc.integer({ min: 0, max: 3000 }).map((y): [number, number] => [x / 10, y])),
      ),
    )

  it('passes through its points, stays between neighbours and is constant outside', () => {
    fc.assert(
      fc.property(points, (given) => {
        const curve = loadCurve(given)
        for (let i = 0; i < given.length; i++) {
          const [x, y] = given[i]!
          expect(loadAt(curve, x)).toBeCloseTo(y, 8)
          const next = given[i + 1]
          if (!next) continue
          for (const t of [0.1, 0.37, 0.5, 0.82]) {
            const at = loadAt(curve, x + t * (next[0] - x))
            expect(at).toBeGreaterThanOrEqual(Math.min(y, next[1]) - 1e-7)
            expect(at).toBeLessThanOrEqual(Math.max(y, next[1]) + 1e-7)
          }
        }
        expect(loadAt(curve, -5)).toBe(given[0]![1])
        expect(loadAt(curve, 500)).toBe(given.at(-1)![1])
      }),
    )
  })

  it('is a straight line through two points', () => {
    expect(
      loadAt(
        loadCurve([
          [0, 100],
          [4, 500],
        ]),
        1,
      ),
    ).toBeCloseTo(200, 12)
  })

  it('has Steffen’s slope at an inner point', () => {
    // d = 600, 433.33; q = (600·1.5 + 433.33·1.5)/3 = 516.67; ½q = 258.33; sign sum 2.
    expect(
      loadCurve([
        [0, 0],
        [1.5, 900],
        [3, 1550],
      ]).slope[1],
    ).toBeCloseTo(516.6667, 3)
    expect(
      loadCurve([
        [0, 0],
        [1, 900],
        [2, 300],
      ]).slope[1],
    ).toBe(0)
  })
})

describe('small parts', () => {
  it('a root is found to full digits', () => {
    expect(root((x) => x * x * x - 2, 0, 2)).toBeCloseTo(Math.cbrt(2), 13)
    expect(root((x) => Math.exp(x) - 1e-9, -40, 1)).toBeCloseTo(Math.log(1e-9), 9)
    expect(root((x) => x, 0, 1)).toBe(0)
  })

  it('a steel tube swells by the thick-wall formula, a hose by its expansion', () => {
    // V 12 780.8 mm³; a² 2.8056, b² 5.6406 → 8.4462/2.8350 + 0.29 = 3.2693; × 2/206 000.
    const steel = lineSwell({ kind: 'steel', length: 1450, innerDiameter: 3.35, outerDiameter: 4.75 })
    expect(steel).toBeCloseTo(12780.56 * (2 / 206000) * 3.26932, 3)
    expect(lineSwell({ kind: 'rubber', length: 380, innerDiameter: 3.2, expansion: 300 })).toBe(114)
  })

  it('absorbed volume and its inverse agree', () => {
    fc.assert(
      fc.property(
        everydayCircuit,
        fc.double({ min: 1e-6, max: 20, noNaN: true }),
        (circuit, pressure) => {
          const p = plant(circuit)
          expect(pressureAbsorbing(p, absorbed(p, pressure))).toBeCloseTo(pressure, 7)
        },
      ),
    )
    expect(pressureAbsorbing(plant(first), 0)).toBe(0)
  })

  it('a spread counts each quantity by its slope', () => {
    const { sigma, shares } = propagate(
      first,
      [uncertainField('pedal.travel', 2), uncertainField('air', 0)],
      (circuit) => solveCircuit(circuit).reserve,
    )
    expect(sigma).toBeCloseTo(2, 6)
    expect(shares).toHaveLength(1)
    const blind = propagate(first, [uncertainField('air', 10)], () => null)
    expect(blind).toEqual({ sigma: 0, shares: [], leftOut: ['air'] })
  })
})

describe('rod, push-back and wear', () => {
  it('a rod held in part covers the port, held in past it the port never opens', () => {
    expect(rodState(0.4, 1.1)).toBe('clear')
    expect(rodState(0, 1.1)).toBe('clear')
    expect(rodState(-0.4, 1.1)).toBe('preloaded')
    expect(rodState(-1.1, 1.1)).toBe('portCovered')
    const preloaded = solveCircuit({ ...first, master: { ...first.master, pushrodClearance: -0.4 } })
    expect(preloaded).toMatchObject({ rodPreloaded: true, portCovered: false })
    const covered = solveCircuit({ ...first, master: { ...first.master, pushrodClearance: -1.4 } })
    expect(covered).toMatchObject({ rodPreloaded: false, portCovered: true })
  })

  it('turns of the rod follow its thread', () => {
    expect(pushrodTurns(-0.6, 0.4, 1.25)).toBeCloseTo(0.8, 12)
    expect(pushrodTurns(1.4, 0.4, 1)).toBeCloseTo(-1, 12)
  })

  it('a short stroke is mechanical under a firm pedal and hydraulic under a soft one', () => {
    const { rodStroke } = solveCircuit(first).at
    expect(judgeRodStroke(first, rodStroke - 0.5, 'soft').loss).toBe('none')
    expect(judgeRodStroke(first, 9, 'firm')).toMatchObject({ loss: 'mechanical', expected: rodStroke })
    expect(judgeRodStroke(first, 9, 'soft').short).toBeCloseTo(rodStroke - 9, 12)
    expect(judgeRodStroke(first, 9, 'soft').loss).toBe('hydraulic')
  })

  it('push-back tells a shut way home from a seized piston', () => {
    expect(judgePushBack(first, true)).toBe('free')
    expect(judgePushBack(first, false)).toBe('openBleeder')
    expect(judgePushBack(first, false, true)).toBe('wayHomeShut')
    expect(judgePushBack(first, false, false)).toBe('seized')
    const inside: Circuit = {
      ...first,
      slave: { type: 'concentric', outer: 60, inner: 44, stroke: 12 },
    }
    expect(judgePushBack(inside, false)).toBe('notPossible')
  })
})
