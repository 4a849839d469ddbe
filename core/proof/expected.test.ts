import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freeTravel, solveCircuit } from '../circuit'
import { READING_NAMES, readingKind } from '../diagnosis'
import { ARCHETYPES, fromArchetype } from '../installation'
import { expectedReading } from '.'

const kinds = ARCHETYPES.map(({ id }) => id)

describe('what a reading should show', () => {
  it('holds what the circuit without air gives, however much air is in it', () => {
    for (const id of kinds) {
      const van = fromArchetype(id)
      const sound = { ...van.circuit, air: 0 }
      const airy = { ...van, circuit: { ...van.circuit, air: 3000 } }
      const free = expectedReading('freeTravel', airy)!
      expect(free).toEqual(expectedReading('freeTravel', van))
      expect(free.low).toBeLessThan(freeTravel(sound))
      expect(free.high).toBeGreaterThan(freeTravel(sound))
      expect(free.from).toBe('circuit')
      const stroke = expectedReading('rodStroke', van)
      if (van.circuit.slave.type === 'concentric') expect(stroke).toBeNull()
      else {
        expect(stroke!.low).toBeLessThan(solveCircuit(sound).at.rodStroke)
        expect(stroke!.high).toBeGreaterThan(solveCircuit(sound).at.rodStroke)
      }
    }
  })

  it('is narrower where this vehicle’s good pedal is known', () => {
    const van = fromArchetype('long-line')
    const width = ({ low, high }: { low: number; high: number }) => high - low
    const guessed = expectedReading('freeTravel', van)!
    const known = expectedReading('freeTravel', van, { freeTravel: 18 })!
    expect(known.from).toBe('thisVehicle')
    expect(width(known)).toBeLessThan(width(guessed))
    expect((known.low + known.high) / 2).toBeCloseTo(18, 9)
  })

  it('is a limit where no circuit moves it, and nothing where nothing is expected', () => {
    const van = fromArchetype('small-car')
    expect(expectedReading('sink', van)).toEqual({ low: 0, high: 2, over: 60, from: 'limit' })
    expect(expectedReading('rodClearance', van)).toMatchObject({ low: 0.2, high: 1 })
    expect(expectedReading('switchAt', van)!.high).toBe(van.circuit.pedal.travel - 10)
    expect(expectedReading('fluidAge', van)).toMatchObject({ high: 24 })
    for (const name of ['temperature', 'mileage'] as const)
      expect(expectedReading(name, van)).toBeNull()
  })

  it('is always a span within the reading’s own bounds', () => {
    fc.assert(
      fc.property(fc.constantFrom(...kinds), fc.constantFrom(...READING_NAMES), (id, name) => {
        const found = expectedReading(name, fromArchetype(id))
        if (!found) return
        const { min, max } = readingKind(name)
        expect(found.low).toBeGreaterThanOrEqual(min)
        expect(found.high).toBeLessThanOrEqual(max)
        expect(found.low).toBeLessThanOrEqual(found.high)
      }),
    )
  })
})
