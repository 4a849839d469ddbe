import { describe, expect, it } from 'vitest'
import { freeTravel, masterArea, solveCircuit } from '../circuit'
import { fromArchetype } from '../installation'
import { affected, sound, together } from './effects'
import type { Effect } from './faults'
import { knowledgeOf, type Knowledge } from './knowledge'

const installation = fromArchetype('long-line')
const knowledge = knowledgeOf(installation)
const base = sound(installation.circuit)

/** Mean expected of a reading where exactly these faults are present at these severities. */
function meanOf(
  { sets, faults, expected }: Knowledge,
  reading: Parameters<Knowledge['expected']['of']>[0],
  graded: Record<string, number>,
  duration?: number,
): number {
  const wanted = Object.entries(graded)
    .map(([id, severity]) =>
      sets.grades.findIndex((g) => faults[g.fault]!.id === id && g.severity === severity),
    )
    .sort((a, b) => a - b)
  const { mean, kind } = expected.of(reading, duration)
  for (let k = 0; k < kind.length; k++) {
    const own = Array.from(sets.graded.subarray(3 * k, 3 * k + 3)).filter((g) => g >= 0)
    if (own.length === wanted.length && own.every((g, i) => g === wanted[i])) return mean[kind[k]!]!
  }
  throw new Error('no such way')
}
const effectOf = (id: string, severity: number): Effect =>
  knowledge.faults.find((fault) => fault.id === id)!.severities![severity]!.effect

describe('what a reading should show', () => {
  it('with nothing wrong is what the circuit shows', () => {
    expect(meanOf(knowledge, 'freeTravel', {})).toBeCloseTo(freeTravel(base), 9)
    expect(meanOf(knowledge, 'rodStroke', {})).toBeCloseTo(solveCircuit(base).at.rodStroke, 9)
    expect(meanOf(knowledge, 'sink', {})).toBe(0)
    expect(meanOf(knowledge, 'rodClearance', {})).toBeCloseTo(base.master.pushrodClearance, 9)
  })

  it('of one fault and of two is solved on the circuit itself', () => {
    const air = effectOf('airFromWork', 1)
    expect(meanOf(knowledge, 'freeTravel', { airFromWork: 1 })).toBeCloseTo(
      freeTravel(affected(base, air)),
      9,
    )
    const both = together([air, effectOf('rodTooShort', 1)])
    expect(meanOf(knowledge, 'freeTravel', { airFromWork: 1, rodTooShort: 1 })).toBeCloseTo(
      freeTravel(affected(base, both)),
      9,
    )
    const stroke = solveCircuit(affected(base, both)).at.rodStroke
    expect(meanOf(knowledge, 'rodStroke', { airFromWork: 1, rodTooShort: 1 })).toBeCloseTo(stroke, 9)
  })

  it('of three is put together from pairs, within two millimetres of the circuit’s own', () => {
    const triples = [
      ['airFromWork', 'rodTooShort', 'hoseSwells'],
      ['unionDraws', 'pinWorn', 'bracketFlexes'],
      ['airLowLevel', 'hoseSwells', 'discDrags'],
      ['slaveSticks', 'rodTooShort', 'coverWorn'],
    ]
    for (const ids of triples)
      for (const severity of [0, 1]) {
        const graded = Object.fromEntries(ids.map((id) => [id, severity]))
        const circuit = affected(base, together(ids.map((id) => effectOf(id, severity))))
        expect(
          Math.abs(meanOf(knowledge, 'freeTravel', graded) - freeTravel(circuit)),
          ids.join(),
        ).toBeLessThan(2)
        const { rodStroke } = solveCircuit(circuit).at
        expect(Math.abs(meanOf(knowledge, 'rodStroke', graded) - rodStroke), ids.join()).toBeLessThan(2)
      }
  })

  it('of flows adds them up over the hold: bypass and loss sink the pad, only loss lowers the level', () => {
    const flow = effectOf('masterBypass', 1).bypass! + effectOf('slaveLeak', 1).loss!
    const sunk = (flow * 60 * base.pedal.ratio) / masterArea(base)
    expect(meanOf(knowledge, 'sink', { masterBypass: 1, slaveLeak: 1 }, 60)).toBeCloseTo(sunk, 9)
    expect(meanOf(knowledge, 'sink', { masterBypass: 1, slaveLeak: 1 }, 120)).toBeCloseTo(2 * sunk, 9)
    const fallen = (effectOf('slaveLeak', 1).standing! * 12) / installation.reservoir.area
    expect(meanOf(knowledge, 'reservoirDrop', { masterBypass: 1, slaveLeak: 1 }, 43_200)).toBeCloseTo(
      fallen,
      9,
    )
  })

  it('a rod wrong or a pin worn shows at the rod, and a pad never sinks through the floor', () => {
    const long = meanOf(knowledge, 'rodClearance', { rodTooLong: 1 })
    expect(long).toBeCloseTo(base.master.pushrodClearance + effectOf('rodTooLong', 1).clearance!, 9)
    expect(long).toBeLessThan(-base.master.portClosure)
    expect(meanOf(knowledge, 'sink', { masterBypass: 2 }, 3600)).toBeLessThan(base.pedal.travel)
  })
})

describe('effects', () => {
  it('amounts add, factors multiply, and a fork gives away its share of what is left', () => {
    expect(together([{ air: 500, load: 1.2 }, { air: 1500, load: 1.5 }, { slop: 1 }])).toEqual({
      air: 2000,
      load: 1.2 * 1.5,
      slop: 1,
    })
    expect(together([{ fork: 0.1 }, { fork: 0.2 }]).fork).toBeCloseTo(0.32, 12)
    expect(together([])).toEqual({})
  })

  it('what bends costs the travel that it says at the force of release', () => {
    const lost = solveCircuit(affected(base, { flex: 10 })).pedalTravelAtRelease
    expect(lost - solveCircuit(base).pedalTravelAtRelease).toBeCloseTo(10, 1)
  })

  it('a sound circuit has no air and its rod well set', () => {
    const { air, master } = sound({
      ...base,
      air: 900,
      master: { ...base.master, pushrodClearance: -3 },
    })
    expect(air).toBe(0)
    expect(master.pushrodClearance).toBeCloseTo(0.2, 12)
  })
})
