import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everydayCircuit } from '../../tests/arbitrary/circuit'
import {
  airAllowed,
  airBehind,
  airFromEngagement,
  airFromFreeTravel,
  freeTravel,
  isImplausible,
  pumpUpGain,
  type TrappedAir,
} from './air'
import type { Circuit } from './circuit'
import { P0 } from './circuit'
import reference from './reference-cases.json'
import { sink } from './sink'
import { solveCircuit } from './solve'

const first = reference.cases[0]!.input.circuit as unknown as Circuit
const found = (result: ReturnType<typeof airFromFreeTravel>): TrappedAir => {
  if (isImplausible(result)) throw new Error(result.implausible)
  return result
}

describe('trapped air from free travel', () => {
  it('gives back the air that the forward solution was given', () => {
    fc.assert(
      fc.property(
        everydayCircuit,
        fc.double({ min: 10, max: 40, noNaN: true }),
        (circuit, touchForce) => {
          const reading = freeTravel(circuit, touchForce)
          const { air, low, high } = found(airFromFreeTravel(circuit, reading, { touchForce }))
          expect(Math.abs(air - circuit.air)).toBeLessThan(1e-6 * (1 + circuit.air))
          expect(low).toBeLessThan(air)
          expect(high).toBeGreaterThan(air)
        },
      ),
    )
  })

  it('does not look at the air written in the circuit', () => {
    const one = found(airFromFreeTravel(first, 45.61))
    expect(found(airFromFreeTravel({ ...first, air: 5000 }, 45.61)).air).toBe(one.air)
  })

  it('within its error of no air says so and is not refused', () => {
    const clean = freeTravel(first)
    const { air, low, high } = found(airFromFreeTravel(first, clean - 0.5))
    expect(air).toBeLessThan(0)
    expect(low).toBeLessThan(0)
    expect(high).toBeGreaterThan(0)
  })

  it('is refused only where the whole interval lies below none', () => {
    const result = airFromFreeTravel(first, 1)
    expect(isImplausible(result) && result.implausible).toMatch(/shorter than an air-free circuit/)
  })

  it('has the width that the tape alone gives where all else is known', () => {
    const reading = 45.61
    const { air, low, high } = found(airFromFreeTravel(first, reading, { uncertain: [], tape: 1 }))
    // ∂air/∂reading = A_m/ratio / (1 − p0/(p0+P_t)); ∂air/∂force follows from the same balance.
    const area = (Math.PI * 15.87 ** 2) / 4
    const pressure = (20 * 6) / area
    const tape = area / 6 / (pressure / (P0 + pressure))
    const touch = found(airFromFreeTravel(first, reading, { uncertain: [], tape: 0 })).high - air
    const half = Math.hypot(1.645 * tape, touch)
    expect(high - air).toBeCloseTo(half, 3)
    expect(air - low).toBeCloseTo(half, 3)
  })

  it('names what widens it most', () => {
    const { shares } = found(airFromFreeTravel(first, 45.61))
    expect(shares.map((share) => share.name)).toContain('master.portClosure')
    for (let i = 1; i < shares.length; i++)
      expect(shares[i]!.sigma).toBeLessThanOrEqual(shares[i - 1]!.sigma)
  })
})

describe('trapped air from the take-up', () => {
  it('gives back the air where the disc takes up at the release point', () => {
    fc.assert(
      fc.property(everydayCircuit, (circuit) => {
        const { engagement, releases } = solveCircuit(circuit)
        fc.pre(releases && engagement !== null)
        const gentle = circuit.cover.releaseLoad.every(
          ([, load], i, all) => i < 4 || load > 0.7 * all[3]![1],
        )
        fc.pre(gentle)
        const result = airFromEngagement(circuit, engagement!)
        if (isImplausible(result)) throw new Error(result.implausible)
        expect(Math.abs(result.air - circuit.air)).toBeLessThan(1 + 1e-3 * circuit.air)
      }),
    )
  })

  it('says why where the spring alone holds the clutch off', () => {
    const held: Circuit = { ...first, slave: { ...first.slave, springPreload: 2000 } }
    const result = airFromEngagement(held, 100)
    expect(isImplausible(result) && result.implausible).toMatch(/spring alone/)
  })
})

describe('the other measurements', () => {
  it('a sink test splits what leaked out from what passed the cup', () => {
    const area = (Math.PI * 15.87 ** 2) / 4
    expect(sink(first, 0.1)).toEqual({ flow: (area * 0.1) / 6, loss: null, bypass: null })
    const split = sink(first, 0.1, { area: 1800, drop: 2, duration: 3600 })
    expect(split.loss).toBeCloseTo(1, 12)
    expect(split.bypass).toBeCloseTo((area * 0.1) / 6 - 1, 12)
  })

  it('each plugged stage bounds the air behind it', () => {
    // 1 ml at 0.6067 MPa gives 857 mm³; the plugged master moves 26 mm of pad for it, plus fluid and take-up.
    const area = (Math.PI * 15.87 ** 2) / 4
    const pressure = (20 * 6) / area
    const give = (area * 30) / 1900
    const volume = (1000 * pressure) / (P0 + pressure) + give * pressure
    const reading = 6 * (0.4 + 1.1 + volume / area)
    expect(airBehind(first, 'master', reading)).toBeCloseTo(1000, 6)
    expect(airBehind(first, 'masterAndLine', reading)).toBeLessThan(1000)
    expect(airBehind({ ...first, air: 700 }, 'whole', freeTravel({ ...first, air: 700 }))).toBeCloseTo(
      700,
      6,
    )
  })

  it('pad travel won by pumping is volume before the cup', () => {
    expect(pumpUpGain(first, 30)).toBeCloseTo(((Math.PI * 15.87 ** 2) / 4) * 5, 9)
  })

  it('the air allowed is the air that still leaves the wanted reserve', () => {
    const allowed = airAllowed(first, 15)
    expect(solveCircuit({ ...first, air: allowed }).reserve).toBeCloseTo(15, 6)
    expect(airAllowed(first, 40)).toBe(0)
    expect(airAllowed(first, 0)).toBeGreaterThan(allowed)
  })
})
