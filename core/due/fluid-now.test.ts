import { describe, expect, it } from 'vitest'
import { entry as made } from '../../tests/arbitrary/entry'
import { judgeFluid } from '../fluid'
import { fromArchetype } from '../installation'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import { fluidNow } from '.'

let n = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K], hour: number): Entry =>
  made(++n, kind, payload, { at: `2026-11-20T${String(hour).padStart(2, '0')}:00:00.000Z` })
const car = fromArchetype('small-car')
const now = (...entries: Entry[]) => fluidNow(fold(entries), car, null)
const age = (value: number, hour: number, phase: 'asFound' | 'after' = 'asFound') =>
  entry('measurement', { reading: 'fluidAge', value, phase }, hour)
const asNew = judgeFluid({ inside: 'dot4', adding: 'dot4', share: 0, ageMonths: 0 })
const flush = (hour: number) => entry('workDone', { operation: 'flush' }, hour)

describe('the fluid as a job leaves it', () => {
  it('is of the age that was read, and as it was measured', () => {
    const old = now(entry('fluidInside', { kind: 'dot4' }, 8), age(36, 8))!
    expect(old.from).toBe('age')
    expect(old.boiling!.value).toBeLessThan(asNew.boiling!.value - 20)
    const measured = now(entry('fluidInside', { kind: 'dot4', boiling: 160 }, 8), age(36, 8))!
    expect([measured.from, measured.boiling!.value]).toEqual(['measured', 160])
  })
  it('is new once it was changed, whatever was read and measured of the old', () => {
    const inside = entry('fluidInside', { kind: 'dot4', boiling: 160 }, 8)
    expect(now(inside, age(36, 8), flush(10))!.boiling).toEqual(asNew.boiling)
    const used = (volume: number) =>
      entry('fluidUsed', { container: '00000000000000000000000009', volume, kind: 'dot51' }, 10)
    expect(now(inside, age(36, 8), used(400_000))!.becomes).toBe('dot51')
    // A little on top is no change.
    expect(now(inside, age(36, 8), used(5000))!.boiling!.value).toBe(160)
  })
  it('is as it was measured after that', () => {
    const inside = entry('fluidInside', { kind: 'dot4', boiling: 160 }, 8)
    const after = entry('fluidInside', { kind: 'dot4', boiling: 215 }, 12)
    expect(now(inside, flush(10), after)!.boiling!.value).toBe(215)
  })
  it('is as old as an earlier job makes it, where this one says nothing', () => {
    const inside = fold([entry('fluidInside', { kind: 'dot4' }, 8)])
    const earlier = { changed: '2024-11-20', at: '2026-11-20T08:00:00.000Z' }
    const two = judgeFluid({ inside: 'dot4', adding: 'dot4', share: 0, ageMonths: 24 })
    expect(fluidNow(inside, car, null, earlier)!.boiling!.value).toBeCloseTo(two.boiling!.value, 0)
    const read = fold([entry('fluidInside', { kind: 'dot4' }, 8), age(6, 8)])
    expect(fluidNow(read, car, null, earlier)!.boiling!.value).toBeGreaterThan(two.boiling!.value)
  })
  it('ages by its climate, and faster where the brakes share it', () => {
    const boils = (more: object, shared = false) =>
      fluidNow(
        fold([entry('fluidInside', { kind: 'dot4', ...more }, 8), age(30, 8)]),
        { ...car, reservoir: { ...car.reservoir, sharedWithBrakes: shared } },
        null,
      )!.boiling!.value
    expect(boils({ climate: 'dry' })).toBeGreaterThan(boils({}))
    expect(boils({ climate: 'damp' })).toBeLessThan(boils({}))
    expect(boils({}, true)).toBe(boils({ climate: 'damp' }))
  })
  it('is what the vehicle’s own history says, until a job changes it', () => {
    const ofVehicle = { kind: 'dot4', boiling: 170 } as const
    expect(fluidNow(fold([]), car, ofVehicle)!.boiling!.value).toBe(170)
    expect(fluidNow(fold([flush(10)]), car, ofVehicle)!.boiling).toEqual(asNew.boiling)
    // Of a maker who wants a better one, it is not what he wants.
    const wanted = fluidNow(fold([]), car, { kind: 'dot3', wanted: 'dot4' })!
    expect(wanted.reasons.map(({ code }) => code)).toContain('wanted')
  })
  it('of which nobody said anything is not known', () => {
    expect(now()).toBeNull()
    expect(now(flush(10))).toBeNull()
  })
})
