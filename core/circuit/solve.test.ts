import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyCircuit, everydayCircuit } from '../../tests/arbitrary/circuit'
import { volumeHolding } from './balance'
import type { Circuit } from './circuit'
import { freeTravel } from './air'
import { plant, volumeSent } from './plant'
import reference from './reference-cases.json'
import { pressCurve, type CurvePoint } from './curve'
import { ready, reserveOf, solveCircuit } from './solve'

const first = reference.cases[0]!.input.circuit as unknown as Circuit
const snapping = reference.cases[9]!.input.circuit as unknown as Circuit

const notFinite = (value: unknown): boolean =>
  typeof value === 'number'
    ? !Number.isFinite(value)
    : value !== null && typeof value === 'object' && Object.values(value).some(notFinite)

/** The pressed state as its definition reads, by walking s in small steps. */
function bySteps(circuit: Circuit, padTravel: number, steps = 40_000): number {
  const p = plant(circuit)
  const volume = volumeSent(p, padTravel)
  const { stroke } = circuit.slave
  for (let i = 0; i <= steps; i++) {
    const s = p.slaveRest + ((stroke - p.slaveRest) * i) / steps
    if (volumeHolding(p, s, 1) > volume) return s
  }
  return stroke
}

describe('the reserve alone', () => {
  it('is the solution’s own', () => {
    fc.assert(
      fc.property(fc.oneof(everydayCircuit, anyCircuit), (circuit) => {
        const { reserve } = solveCircuit(circuit)
        expect(Math.abs(reserveOf(circuit) - reserve)).toBeLessThanOrEqual(
          1e-9 * Math.abs(reserve) + 1e-9,
        )
      }),
    )
  })
})

describe('the pressed state', () => {
  it('is the first crossing, also where the cover falls away steeply', () => {
    fc.assert(
      fc.property(everydayCircuit, fc.double({ min: 0.05, max: 1, noNaN: true }), (circuit, share) => {
        const x = share * circuit.pedal.travel
        const walked = bySteps(circuit, x)
        const { slaveTravel } = solveCircuit(circuit, x).at
        expect(Math.abs(slaveTravel - walked)).toBeLessThan((2 * circuit.slave.stroke) / 40_000)
      }),
      { numRuns: 60 },
    )
  })

  it('snaps forward over a falling load with much air', () => {
    const curve = pressCurve(snapping, 4001).down
    const steps = curve.slice(1).map((point, i) => point.slaveTravel - curve[i]!.slaveTravel)
    const jump = Math.max(...steps)
    // Without the snap, 0.1 mm at the pad is at most this much at the slave.
    const ordinary = (0.1 / 6) * (15.87 / 20.64) ** 2
    expect(jump).toBeGreaterThan(20 * ordinary)
    const after = curve[steps.indexOf(jump) + 1]!
    const before = curve[steps.indexOf(jump)]!
    expect(after.pressure).toBeLessThan(before.pressure)
    expect(after.volume - before.volume).toBeLessThan(5)
  })

  it('is monotone in pad travel, and coming up never leads going down', () => {
    fc.assert(
      fc.property(fc.oneof(everydayCircuit, anyCircuit), (circuit) => {
        const curve = pressCurve(circuit, 40)
        // The even points alone: jumps stand at pad travels of their own.
        const leaps = [...curve.jumps.down, ...curve.jumps.up].map((jump) => jump.padTravel)
        const [down, up] = [curve.down, curve.up].map((list) =>
          list.filter((point) => !leaps.includes(point.padTravel)),
        ) as [CurvePoint[], CurvePoint[]]
        for (let i = 0; i < down.length; i++) {
          if (i > 0) {
            expect(down[i]!.slaveTravel).toBeGreaterThanOrEqual(down[i - 1]!.slaveTravel - 1e-9)
            expect(up[i]!.slaveTravel).toBeGreaterThanOrEqual(up[i - 1]!.slaveTravel - 1e-9)
          }
          expect(up[i]!.slaveTravel).toBeGreaterThanOrEqual(down[i]!.slaveTravel - 1e-9)
        }
        expect(up.at(-1)!.slaveTravel).toBeCloseTo(down.at(-1)!.slaveTravel, 6)
      }),
    )
  })

  it('bottoms at the slave’s stroke, where pressure runs on', () => {
    const { at, limitedBy } = solveCircuit({ ...first, slave: { ...first.slave, stroke: 9 } })
    expect(limitedBy).toBe('slave')
    expect(at.slaveTravel).toBe(9)
    expect(at.pressure).toBeGreaterThan(15)
  })
})

describe('the travel budget', () => {
  it('sums to the pad travel that the forward solution itself needs', () => {
    fc.assert(
      fc.property(everydayCircuit, (circuit) => {
        // Stops far away, so that nothing but the budget decides when the disc is free.
        const free = {
          ...circuit,
          pedal: { ...circuit.pedal, travel: 500 },
          master: { ...circuit.master, stroke: 150 },
          slave: { ...circuit.slave, stroke: 100 },
        }
        const solved = solveCircuit(free)
        const sum = Object.values(solved.budget).reduce((a, b) => a + b, 0)
        expect(solved.pedalTravelAtRelease).toBeCloseTo(sum, 9)
        const { releaseAt } = ready(free)
        const reached = (x: number) => solveCircuit(free, x).at.slaveTravel
        if (sum > 499) return
        expect(reached(sum + 1e-6)).toBeGreaterThanOrEqual(releaseAt - 1e-6)
        expect(reached(sum - 1e-3)).toBeLessThan(releaseAt)
      }),
    )
  })

  it('names the stop that the pad meets first', () => {
    expect(solveCircuit(first).limitedBy).toBeNull()
    const shortPedal = { ...first, pedal: { ...first.pedal, travel: 120 } }
    expect(solveCircuit(shortPedal).limitedBy).toBe('pedal')
    const shortMaster = { ...first, master: { ...first.master, stroke: 20 } }
    expect(solveCircuit(shortMaster)).toMatchObject({ limitedBy: 'master', releases: false })
    expect(solveCircuit(shortMaster).engagement).toBeNull()
  })

  it('is paid in slop and clearance only where no spring takes them up', () => {
    const loose = { ...first, linkage: { forkRatio: 1.6, slop: 1, bearingClearance: 0.5 } }
    expect(solveCircuit(loose).budget).toMatchObject({ slop: 0, bearingClearance: 0 })
    const springless = { ...loose, slave: { ...loose.slave, springPreload: 0 } }
    const paid = solveCircuit(springless)
    expect(paid.slaveRest).toBe(0)
    const perMillimetre = (6 * 20.64 ** 2) / 15.87 ** 2
    expect(paid.budget.slop).toBeCloseTo(perMillimetre * 1, 9)
    expect(paid.budget.bearingClearance).toBeCloseTo(perMillimetre * 1.6 * 0.5, 9)
  })
})

describe('over many circuits', () => {
  it('more air never raises the reserve nor makes a dead pedal release', () => {
    fc.assert(
      fc.property(everydayCircuit, fc.double({ min: 0, max: 5000, noNaN: true }), (circuit, more) => {
        const less = solveCircuit(circuit)
        const airier = solveCircuit({ ...circuit, air: circuit.air + more })
        expect(airier.reserve).toBeLessThanOrEqual(less.reserve + 1e-9)
        if (airier.releases) expect(less.releases).toBe(true)
      }),
    )
  })

  it('no figure is NaN or infinite for anything the bounds let in', () => {
    fc.assert(
      fc.property(anyCircuit, fc.double({ min: 0, max: 1, noNaN: true }), (circuit, share) => {
        const solved = solveCircuit(circuit, share * circuit.pedal.travel)
        expect(notFinite(solved)).toBe(false)
        expect(notFinite(freeTravel(circuit))).toBe(false)
      }),
      { numRuns: 2000 },
    )
  })

  it('scaling every length by k and every force by k² keeps pressures and scales the rest', () => {
    fc.assert(
      fc.property(everydayCircuit, fc.double({ min: 0.6, max: 1.6, noNaN: true }), (circuit, k) => {
        const one = solveCircuit(circuit)
        const scaled = solveCircuit(scale(circuit, k))
        const close = (a: number, b: number) =>
          expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(b)))
        close(scaled.pressureAtRelease, one.pressureAtRelease)
        close(scaled.reserve, k * one.reserve)
        close(scaled.at.slaveTravel, k * one.at.slaveTravel)
        close(scaled.at.pedalForce, k * k * one.at.pedalForce)
        close(scaled.at.volume, k ** 3 * one.at.volume)
        expect(scaled.limitedBy).toBe(one.limitedBy)
      }),
    )
  })
})

function scale(c: Circuit, k: number): Circuit {
  const f = k * k
  const { master, slave } = c
  return {
    pedal: {
      ratio: c.pedal.ratio,
      travel: k * c.pedal.travel,
      returnForce: f * (c.pedal.returnForce ?? 0),
    },
    master: {
      bore: k * master.bore,
      stroke: k * master.stroke,
      pushrodClearance: k * master.pushrodClearance,
      portClosure: k * master.portClosure,
      springPreload: f * (master.springPreload ?? 0),
      springRate: k * (master.springRate ?? 0),
      sealFriction: f * (master.sealFriction ?? 0),
    },
    lines: c.lines.map((line) =>
      line.kind === 'steel'
        ? {
            ...line,
            length: k * line.length,
            innerDiameter: k * line.innerDiameter,
            outerDiameter: k * line.outerDiameter,
          }
        : {
            ...line,
            length: k * line.length,
            innerDiameter: k * line.innerDiameter,
            expansion: f * line.expansion,
          },
    ),
    slave:
      slave.type === 'external'
        ? {
            ...slave,
            bore: k * slave.bore,
            stroke: k * slave.stroke,
            springPreload: f * (slave.springPreload ?? 0),
            sealFriction: f * (slave.sealFriction ?? 0),
          }
        : slave,
    linkage: {
      forkRatio: c.linkage.forkRatio,
      slop: k * c.linkage.slop,
      bearingClearance: k * c.linkage.bearingClearance,
    },
    cover: {
      releaseLoad: c.cover.releaseLoad.map(([x, y]): [number, number] => [k * x, f * y]),
      releaseTravel: k * c.cover.releaseTravel,
      fullClampTravel: k * c.cover.fullClampTravel,
    },
    fluid: c.fluid,
    air: k ** 3 * c.air,
  }
}
