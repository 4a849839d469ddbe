import { describe, expect, it } from 'vitest'
import { entry as plain } from '../../tests/arbitrary/entry'
import { fromArchetype } from '../installation'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import { readPackage } from '../plan'
import { formatOf } from '../quantity'
import { adviceOfJob, bleedCircuit, bleedOfJob, rankAskedOf } from '.'

let made = 50_000
/** @param clock places by which the maker’s clock is ahead, or behind: ids go by it, the order in which they are filed does not */
function entry<K extends Kind>(kind: K, payload: Payloads[K], clock = 0): Entry {
  made += 1
  const one = plain(made, kind, payload)
  return { ...one, id: plain(made + clock, kind, payload).id, sequence: made } as Entry
}
const cycle = (clock = 0, strokes = 6) =>
  entry('bleedCycle', { method: 'openPush', strokes, cameOut: 'few' }, clock)
const step = (id: string) => entry('step', { step: id, act: 'done' })
const free = (value: number, phase: 'asFound' | 'working' | 'after', clock = 0) =>
  entry('measurement', { reading: 'freeTravel', phase, value }, clock)

const kept = fromArchetype('small-car')
const circuit = bleedCircuit(kept, kept)
const of = (...entries: Entry[]) => bleedOfJob(fold(entries), circuit)

describe('a circuit that the work has emptied', () => {
  it('is not empty because a pedal was tagged or a slave cleaned', () => {
    expect(of(step('renewMaster.tag'), step('renewSlave.clean')).dry).toBe(false)
    expect(of(step('renewMaster.tag')).start).not.toBe('dry')
  })
  it('is empty once it was opened or drained, also by a package of the shop’s own', () => {
    expect(of(step('renewSlave.open')).start).toBe('dry')
    expect(of(step('drain.bleeder')).dry).toBe(true)
    const own = readPackage({
      $schema: 'urn:mellow-anchor:package:1',
      id: 'own-empty',
      title: 'Empty it',
      operation: 'flush',
      brings: [],
      steps: [
        {
          ...{ id: 'suck', title: 'Suck it empty', does: 'Syringe at the cap.', why: 'Old fluid.' },
          ...{ place: 'engineBay', minutes: [3, 4, 6], people: 1 },
          ...{ needs: [], forbids: [], puts: ['drained'], takes: [] },
        },
        {
          ...{ id: 'fill', title: 'Fill it', does: 'Fresh fluid to the mark.', why: 'It is empty.' },
          ...{ place: 'engineBay', minutes: [3, 4, 6], people: 1, fills: true },
          ...{ needs: ['drained'], forbids: [], puts: ['reservoirFull'], takes: ['drained'] },
        },
      ],
    })
    const state = fold([step('own-empty.suck')])
    expect(bleedOfJob(state, circuit).dry).toBe(false)
    expect(bleedOfJob(state, circuit, null, new Map([[own.id, own]])).dry).toBe(true)
  })
  it('was not empty where it was opened after the first cycle, or the step was left out; and what somebody said holds', () => {
    expect(of(cycle(), step('renewSlave.open')).dry).toBe(false)
    expect(of(entry('step', { step: 'renewSlave.open', act: 'skipped', reason: 'sound' })).dry).toBe(
      false,
    )
    const said = entry('bleedSetup', { people: 1, kit: [], dry: false })
    expect(of(step('drain.bleeder'), said).dry).toBe(false)
  })
})

describe('what was measured before, between and after cycles', () => {
  it('goes by the order in which it was filed, whatever the clocks said', () => {
    // The tablet at the pedal is a minute behind the one at the screw: its ids are less.
    const behind = -40_000
    const job = of(free(60, 'asFound'), cycle(), free(40, 'working', behind), cycle())
    expect(job.logged.map((one) => ('method' in one ? one.method : 'air'))).toEqual([
      'openPush',
      'air',
      'openPush',
    ])
    expect(job.measured).toBe(true)
    expect(job.measuredSince).toBe(false)
    const since = of(free(60, 'asFound'), cycle(), free(30, 'working', behind))
    expect([since.measuredSince, since.travels]).toEqual([true, [60, 30]])
  })
  it('the start is by the reading before the first cycle, never by one after it', () => {
    const less = of(free(45, 'asFound'), cycle(), free(20, 'working'))
    expect(less.start).toEqual(of(free(45, 'asFound')).start)
    expect(of(cycle(), free(20, 'working')).measured).toBe(false)
  })
  it('what is ranked starts from what the pedal showed last, until what is left is reckoned', () => {
    const job = of(free(60, 'asFound'), cycle(), free(25, 'working'))
    const asked = rankAskedOf(job, circuit, null, 8)!
    expect(asked.start).toEqual(of(free(25, 'asFound')).start)
    const place = (middle: number) => ({ low: 0, middle, high: 2 })
    const now = { line: place(0.3), slave: place(0.2), master: place(0.1), total: place(0.6) }
    expect(rankAskedOf(job, circuit, now, 8)!.start).toEqual({ line: 0.3, slave: 0.2, master: 0.1 })
    expect(rankAskedOf(of(), circuit, now, 8)!.start).toEqual(of().start)
  })
})

describe('what the model is asked', () => {
  it('nothing is followed before the first cycle; then by two people with nothing, level, from one circuit', () => {
    expect(of(free(60, 'asFound')).follow).toBeNull()
    const nose = entry('trick', { trick: 'noseUp', degrees: 12 })
    const { follow, base, noseUp, logged } = of(free(60, 'asFound'), nose, cycle())
    expect([noseUp, base!.noseUp]).toEqual([12, 12])
    expect(follow).toMatchObject({ people: 2, kit: [], noseUp: 0, draws: 1 })
    expect(logged[0]).toEqual({ change: { noseUp: 12 } })
  })
  it('the nose is where it was tilted last, ten degrees where nobody said how far', () => {
    const tilt = (trick: 'noseUp' | 'noseDown', degrees?: number) =>
      entry('trick', { trick, ...(degrees !== undefined && { degrees }) })
    expect(of(tilt('noseUp', 12), tilt('noseDown')).noseUp).toBe(-10)
    expect(of(tilt('noseDown', 5), entry('trick', { trick: 'tap' })).noseUp).toBe(-5)
  })
  it('a line that cannot lie so is not asked of, and nothing breaks', () => {
    const high = kept.route.map((point, i) => ({ ...point, height: i === 1 ? 90_000 : point.height }))
    const bad = bleedCircuit(kept, { ...kept, route: high })
    expect(bad.laid).toBeNull()
    const job = bleedOfJob(fold([cycle()]), bad)
    expect([job.base, job.follow, rankAskedOf(job, bad, null, 8)]).toEqual([null, null, null])
  })
  it('clear three times and measured since, the advice knows it', () => {
    const clear = () => entry('bleedCycle', { method: 'openPush', strokes: 6, cameOut: 'clear' })
    const state = fold([free(60, 'asFound'), clear(), clear(), clear()])
    const codes = (entries: Entry[]) => {
      const now = fold(entries)
      const found = { now: null, ranked: [], wantedClear: 3 }
      return adviceOfJob(now, bleedOfJob(now, circuit), circuit, found, formatOf('metric')).map(
        ({ code }) => code,
      )
    }
    const entries = state.history.map(({ origin }) => origin)
    expect(codes(entries)).toEqual(['measure'])
    expect(codes([...entries, free(circuit.wantedTravel! + 1, 'working')])).toEqual(['finished'])
  })
})
