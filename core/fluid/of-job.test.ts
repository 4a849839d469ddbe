import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { fluidAsked, judgeFluid, volumesOf } from '.'

const job = { inside: { kind: 'dot4' as const }, shared: true, ageMonths: null }
const filled = { adding: 'dot4' as const, openMonths: null, share: 0.2 }

describe('the fluid of a job as a question', () => {
  it('holds what is known and leaves out what nobody said', () => {
    expect(fluidAsked(job, filled)).toEqual({
      inside: 'dot4',
      adding: 'dot4',
      share: 0.2,
      shared: true,
    })
    const known = { ...job, inside: { kind: 'dot3', wanted: 'dot4', water: 2.5, climate: 'damp' } }
    expect(fluidAsked(known as typeof job, { ...filled, openMonths: 5.9 })).toMatchObject({
      ...{ inside: 'dot3', wanted: 'dot4', water: 2.5, climate: 'damp' },
      container: { opened: true, months: 5 },
    })
  })
  it('an old container stands against it where a sealed one does not', () => {
    const codes = (openMonths: number | null) =>
      judgeFluid(fluidAsked(job, { ...filled, openMonths })).reasons.map(({ code }) => code)
    expect(codes(null)).not.toContain('opened')
    expect(codes(14)).toContain('opened')
  })
  it('each piece of work takes what the circuit and the reservoir make of it', () => {
    const car = fromArchetype('small-car')
    const { circuit, topUp, bleed, flush, fill } = volumesOf(car)
    const { usable } = car.reservoir
    expect([topUp, bleed, flush, fill]).toEqual([
      0.2 * usable,
      circuit + usable,
      3 * circuit + usable,
      2 * circuit + usable,
    ])
    expect(circuit).toBeGreaterThan(10_000)
  })
})
