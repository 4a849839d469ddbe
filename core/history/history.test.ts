import { describe, expect, it } from 'vitest'
import { entry as made } from '../../tests/arbitrary/entry'
import { airFromFreeTravel, isImplausible } from '../circuit'
import { fromArchetype, uncertaintyOf } from '../installation'
import type { Entry, Kind, Payloads } from '../journal'
import { vehicleHistory, type JobOfVehicle } from '.'

let n = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K], at: string): Entry =>
  made(++n, kind, payload, { at })
const car = fromArchetype('small-car')
const ofVehicle = [entry('installation', car, '2024-01-01T08:00:00.000Z')]
const job = (id: string, day: string, provenAt: string | null, entries: Entry[]): JobOfVehicle => ({
  id,
  title: id,
  kind: 'fault',
  createdAt: `${day}T07:00:00.000Z`,
  provenAt,
  outcome: provenAt === null ? null : 'pass',
  cameBackOf: null,
  entries,
})
const first = job('first', '2025-03-01', '2025-03-01T12:00:00.000Z', [
  entry(
    'measurement',
    { reading: 'freeTravel', value: 70, phase: 'asFound' },
    '2025-03-01T08:00:00.000Z',
  ),
  entry(
    'finding',
    { finding: 'bootWet', state: 'present', phase: 'asFound' },
    '2025-03-01T08:10:00.000Z',
  ),
  entry(
    'finding',
    { finding: 'hoseDamp', state: 'absent', phase: 'asFound' },
    '2025-03-01T08:10:00.000Z',
  ),
  entry('workDone', { operation: 'flush' }, '2025-03-01T10:00:00.000Z'),
  entry(
    'measurement',
    { reading: 'freeTravel', value: 40, phase: 'after' },
    '2025-03-01T11:00:00.000Z',
  ),
])
const second = job('second', '2026-03-01', null, [
  entry('fluidInside', { kind: 'dot4' }, '2026-03-01T08:00:00.000Z'),
  entry(
    'measurement',
    { reading: 'fluidAge', value: 12, phase: 'asFound' },
    '2026-03-01T08:00:00.000Z',
  ),
  entry(
    'measurement',
    { reading: 'freeTravel', value: 62, phase: 'asFound' },
    '2026-03-01T08:05:00.000Z',
  ),
  entry(
    'finding',
    { finding: 'bootWet', state: 'present', phase: 'asFound' },
    '2026-03-01T08:10:00.000Z',
  ),
  entry(
    'finding',
    { finding: 'unionsWet', state: 'present', phase: 'asFound' },
    '2026-03-01T08:12:00.000Z',
  ),
])

describe('a vehicle over the years', () => {
  const history = vehicleHistory([second, first], ofVehicle)

  it('has its jobs, the newest first, and free travel in the order of time', () => {
    expect(history.jobs.map(({ id }) => id)).toEqual(['second', 'first'])
    expect(history.jobs[1]!.did).toEqual(['flush'])
    expect(history.freeTravel.map(({ jobId, phase, value }) => [jobId, phase, value])).toEqual([
      ['first', 'asFound', 70],
      ['first', 'after', 40],
      ['second', 'asFound', 62],
    ])
  })

  it('has the air that the same reading gives on this circuit', () => {
    const air = airFromFreeTravel(car.circuit, 62, { uncertain: uncertaintyOf(car) })
    if (isImplausible(air)) throw new Error('the case itself is wrong')
    const last = history.air.at(-1)!
    expect(last.jobId).toBe('second')
    expect(last.value).toBeCloseTo(Math.max(0, air.air), 6)
    expect(last.low).toBeLessThanOrEqual(last.value)
    expect(last.high).toBeGreaterThan(last.value)
  })

  it('has no air where the reading does not fit the circuit, or nobody knows the circuit', () => {
    const odd = job('odd', '2026-05-01', null, [
      entry(
        'measurement',
        { reading: 'freeTravel', value: 3, phase: 'asFound' },
        '2026-05-01T08:00:00.000Z',
      ),
    ])
    const unfit = vehicleHistory([odd], ofVehicle)
    expect([unfit.freeTravel.length, unfit.air]).toEqual([1, []])
    const unknown = vehicleHistory([first, second], [])
    expect([unknown.freeTravel.length, unknown.air]).toEqual([3, []])
    expect(unknown.fluid.map(({ changed }) => changed)).toEqual(['2025-03-01', '2025-03-01'])
  })

  it('has the fluid’s age since it was changed, and where it boils', () => {
    expect(history.fluid.map(({ changed }) => changed)).toEqual(['2025-03-01', '2025-03-01'])
    expect(history.fluid[1]!.months).toBeCloseTo(12, 1)
    // A year of usual air takes it well below its dry point.
    expect(history.fluid[1]!.boils!.value).toBeGreaterThan(155)
    expect(history.fluid[1]!.boils!.value).toBeLessThan(230)
    expect(history.fluid[1]!.boils!.measured).toBe(false)
  })

  it('carries what an earlier job changed to one that says nothing of it, and is new where it is changed', () => {
    const third = job('third', '2027-03-01', null, [
      entry('fluidInside', { kind: 'dot4' }, '2027-03-01T08:00:00.000Z'),
    ])
    const fourth = job('fourth', '2028-03-01', null, [
      entry('fluidInside', { kind: 'dot4', boiling: 150 }, '2028-03-01T08:00:00.000Z'),
      entry('step', { step: 'renewSlave.on', act: 'done' }, '2028-03-01T09:00:00.000Z'),
      entry('workDone', { operation: 'flush' }, '2028-03-01T10:00:00.000Z'),
    ])
    const longer = vehicleHistory([first, second, third, fourth], ofVehicle)
    expect(longer.fluid.map(({ changed }) => changed)).toEqual([
      ...['2025-03-01', '2025-03-01', '2025-03-01'],
      '2028-03-01',
    ])
    expect(longer.fluid[2]!.months).toBeCloseTo(24, 0)
    const boils = longer.fluid.map((one) => one.boils?.value ?? 0)
    expect(boils[2]).toBeLessThan(boils[1]!)
    expect(boils[3]).toBeGreaterThan(225)
    expect(longer.jobs[0]!.did).toEqual(['flush', 'slave'])
  })

  it('tells a leak that came back after a proven job from one that is new', () => {
    expect(history.leaks.map(({ finding, again, seen }) => [finding, again, seen.length])).toEqual([
      ['bootWet', true, 2],
      ['unionsWet', false, 1],
    ])
  })

  it('of nothing is nothing', () => {
    expect(vehicleHistory([], [])).toEqual({ jobs: [], freeTravel: [], air: [], fluid: [], leaks: [] })
  })
})
