import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cycle, entry, reading, ulidOf } from '../../tests/arbitrary/entry'
import { fromArchetype } from '../installation'
import { timeline } from './effective'
import type { Entry } from './entry'
import { conditionsOf, evidenceOf } from './evidence'
import { calibrationFrom, fluidFrom, fold, installationFrom } from './fold'
import { latestReading } from './latest'
import { phaseAt, startStage } from '../entries'
import { understood } from './understood'

const id = (n: number) => ulidOf(1000 + n)

/** A history in which anything may correct or take back anything before it. */
const anyHistory = fc
  .array(
    fc.record({
      what: fc.constantFrom('cycle', 'topUp', 'reading', 'correct', 'withdraw'),
      target: fc.nat(30),
      value: fc.integer({ min: 1, max: 90 }),
    }),
    { maxLength: 30 },
  )
  .map((steps) =>
    steps.map(({ what, target, value }, i): Entry => {
      const n = i + 1
      const before = id(target % n || 1)
      if (what === 'cycle')
        return entry(n, 'bleedCycle', cycle(value % 2 ? 'clear' : 'few', value % 5 || 1))
      if (what === 'topUp') return entry(n, 'topUp', {})
      if (what === 'correct')
        return entry(n, 'measurement', reading('freeTravel', value), { corrects: before })
      if (what === 'withdraw') return entry(n, 'withdrawal', {}, { withdraws: before })
      return entry(n, 'measurement', reading('freeTravel', value))
    }),
  )

describe('the fold', () => {
  it('does not depend on the order in which entries come in, nor on doubles', () => {
    fc.assert(
      fc.property(anyHistory, fc.integer(), (history, seed) => {
        const straight = fold(history)
        const mixed = [...history, ...history].sort(
          (a, b) => ((seed ^ (a.sequence! * 7919)) % 13) - ((seed ^ (b.sequence! * 7919)) % 13),
        )
        expect(fold(mixed)).toEqual(straight)
      }),
    )
  })

  it('erases nothing: each entry stands, is a correction of one that stands, or is accounted for', () => {
    fc.assert(
      fc.property(anyHistory, (history) => {
        const { standing, withdrawn } = timeline(history)
        for (const { origin, holds, corrections } of standing) {
          expect(withdrawn.has(origin.id)).toBe(false)
          expect(holds).toBe(corrections.at(-1) ?? origin)
          expect(holds.kind).toBe(origin.kind)
        }
        const plain = history.filter((one) => one.kind !== 'withdrawal' && one.corrects === undefined)
        expect(standing.length + plain.filter((one) => withdrawn.has(one.id)).length).toBe(plain.length)
      }),
    )
  })

  it('undo and undo of the undo bring the state back', () => {
    fc.assert(
      fc.property(anyHistory, (history) => {
        const n = history.length + 1
        fc.pre(n > 1)
        const target = history.at(-1)!
        fc.pre(target.kind !== 'withdrawal')
        const undone = [...history, entry(n, 'withdrawal', {}, { withdraws: target.id })]
        const again = [...undone, entry(n + 1, 'withdrawal', {}, { withdraws: id(n) })]
        const { withdrawn: _, ...state } = fold(again)
        const { withdrawn: __, ...before } = fold(history)
        expect(state).toEqual(before)
      }),
    )
  })
})

describe('corrections', () => {
  const first = entry(1, 'measurement', reading('freeTravel', 42))

  it('the later of rivals in sequence holds, whatever their clocks say, and both are shown', () => {
    const late = entry(3, 'measurement', reading('freeTravel', 44), {
      corrects: id(1),
      at: '2026-11-24T06:00:00.000Z',
    })
    const early = entry(2, 'measurement', reading('freeTravel', 43), {
      corrects: id(1),
      at: '2026-11-24T09:00:00.000Z',
    })
    const held = fold([first, late, early]).readings.asFound.freeTravel!
    expect(held.payload.value).toBe(44)
    expect(held.corrections.map((one) => one.sequence)).toEqual([2, 3])
  })

  it('of a correction goes to the first entry; taken back, the one before it holds', () => {
    const two = entry(2, 'measurement', reading('freeTravel', 43), { corrects: id(1) })
    const three = entry(3, 'measurement', reading('freeTravel', 40), { corrects: id(2) })
    expect(fold([first, two, three]).readings.asFound.freeTravel!.payload.value).toBe(40)
    const back = entry(4, 'withdrawal', {}, { withdraws: id(3) })
    expect(fold([first, two, three, back]).readings.asFound.freeTravel!.payload.value).toBe(43)
    const all = entry(5, 'withdrawal', {}, { withdraws: id(1) })
    expect(fold([first, two, three, all]).readings.asFound.freeTravel).toBeUndefined()
  })

  it('of another kind, or of what comes later, change nothing', () => {
    const other = entry(2, 'note', { words: 'x' }, { corrects: id(1) })
    const ahead = entry(3, 'measurement', reading('freeTravel', 9), { corrects: id(8) })
    const state = fold([first, other, ahead])
    expect(state.readings.asFound.freeTravel!.payload.value).toBe(42)
    expect(state.notes).toEqual([])
  })

  it('only an earlier entry can be taken back: a withdrawal of itself, or of what comes later, does nothing', () => {
    const ahead = entry(1, 'withdrawal', {}, { withdraws: id(2) })
    const note = entry(2, 'note', { words: 'stays' })
    const itself = entry(3, 'withdrawal', {}, { withdraws: id(3) })
    const state = fold([ahead, note, itself])
    expect(state.notes.map(({ payload }) => payload.words)).toEqual(['stays'])
    expect(state.withdrawn.size).toBe(0)
    // The same two the other way round: then it is taken back.
    const after = fold([
      entry(1, 'note', { words: 'goes' }),
      entry(2, 'withdrawal', {}, { withdraws: id(1) }),
    ])
    expect(after.notes).toEqual([])
  })

  it('a waiting entry comes after all that were sent, and is told apart', () => {
    const waiting = entry(30, 'measurement', reading('freeTravel', 30), { sequence: undefined })
    const held = fold([waiting, first]).readings.asFound.freeTravel!
    expect(held).toMatchObject({ sent: false, payload: { value: 30 } })
    const both = fold([waiting, { ...waiting, sequence: 2 }, first])
    expect(both.readings.asFound.freeTravel).toMatchObject({ sent: true, payload: { value: 30 } })
  })
})

describe('a reading made on a device that was away', () => {
  const newer = entry(9, 'measurement', reading('freeTravel', 42))
  const late = entry(3, 'measurement', reading('freeTravel', 30), { sequence: 10 })

  it('does not take the place of a newer one, and stands beside it', () => {
    const held = fold([newer, late]).readings.asFound.freeTravel!
    expect(held.payload.value).toBe(42)
    expect(held.late!.map(({ payload }) => payload.value)).toEqual([30])
    const found = (n: number, state: 'present' | 'absent', sequence: number) =>
      entry(n, 'finding', { finding: 'bootWet', state, phase: 'asFound' }, { sequence })
    const boot = fold([found(9, 'present', 1), found(4, 'absent', 2)]).found.asFound.bootWet!
    expect([boot.payload.state, boot.late?.[0]?.payload.state]).toEqual(['present', 'absent'])
  })

  it('is settled by saying it anew, or by taking it back', () => {
    const again = entry(20, 'measurement', reading('freeTravel', 30), { sequence: 11 })
    const settled = fold([newer, late, again]).readings.asFound.freeTravel!
    expect([settled.payload.value, settled.late]).toEqual([30, undefined])
    const back = entry(21, 'withdrawal', {}, { sequence: 11, withdraws: late.id })
    expect(fold([newer, late, back]).readings.asFound.freeTravel!.late).toBeUndefined()
  })
})

describe('what waits to be sent', () => {
  it('keeps the order in which it was made, though the clock was put back before the undo', () => {
    const made = entry(60, 'note', { words: 'x' }, { sequence: undefined })
    const undo = entry(2, 'withdrawal', {}, { sequence: undefined, withdraws: made.id })
    expect(undo.id < made.id).toBe(true)
    expect(fold([made, undo]).notes).toEqual([])
  })
})

describe('the state of a job', () => {
  it('counts strokes and the bottle since the last top-up, and clear cycles in a row', () => {
    const { bleed } = fold([
      entry(1, 'bleedCycle', cycle('foam', 4, 20_000)),
      entry(2, 'bleedCycle', cycle('clear', 3, 15_000)),
      entry(3, 'topUp', { volume: 35_000 }),
      entry(4, 'bleedCycle', cycle('clear', 2, 9000)),
      entry(5, 'bleedCycle', cycle('clear', 5)),
    ])
    expect(bleed).toMatchObject({
      strokes: 14,
      strokesSinceTopUp: 7,
      bottleSinceTopUp: 9000,
      clearInRow: 3,
    })
    const undone = fold([
      entry(1, 'bleedCycle', cycle('clear', 4)),
      entry(2, 'topUp', {}),
      entry(3, 'withdrawal', {}, { withdraws: id(2) }),
    ])
    expect(undone.bleed).toMatchObject({ strokesSinceTopUp: 4, clearInRow: 1, topUps: [] })
  })

  it('keeps findings and readings apart by phase, the newest of each', () => {
    const state = fold([
      entry(1, 'goal', { jobKind: 'fault', wanted: '' }),
      entry(2, 'finding', { finding: 'levelLow', state: 'present', phase: 'asFound' }),
      entry(3, 'finding', { finding: 'levelLow', state: 'absent', phase: 'after' }),
      entry(4, 'measurement', reading('freeTravel', 50, 'working')),
      entry(5, 'measurement', reading('freeTravel', 30, 'working')),
      entry(6, 'complaint', { complaint: 'soft' }),
      entry(7, 'complaint', { complaint: 'soft' }),
    ])
    expect(state.found.asFound.levelLow!.payload.state).toBe('present')
    expect(state.found.after.levelLow!.payload.state).toBe('absent')
    expect(state.course.map((held) => held.payload.value)).toEqual([50, 30])
    expect(state.readings.working.freeTravel!.payload.value).toBe(30)
    expect(state.complaints).toHaveLength(1)
  })

  it('the installation follows its entries field by field, and leaves out what does not go together', () => {
    const start = fromArchetype('long-line')
    const entries = [
      entry(1, 'installation', start),
      entry(2, 'parameter', { field: 'master.bore', value: 17.46 }),
      entry(3, 'parameter', { field: 'lines.0.length', value: 1600 }),
      entry(4, 'parameter', { field: 'master.stroke', value: 1 }),
      entry(5, 'parameter', { field: 'lines.7.length', value: 100 }),
    ]
    const { circuit, assumed, route } = installationFrom(entries)!
    expect(circuit.master).toMatchObject({ bore: 17.46, stroke: 30 })
    expect(assumed).not.toContain('master.bore')
    expect(assumed).toContain('slave.bore')
    expect(route.at(-1)!.along).toBeCloseTo(1980, 9)
    const back = [...entries, entry(6, 'withdrawal', {}, { withdraws: id(2) })]
    expect(installationFrom(back)!.circuit.master.bore).toBe(15.87)
    expect(installationFrom([])).toBeNull()
  })

  it('the installation takes ends that were read off and choices, and no check of parts on the bench', () => {
    const nut = { thread: 'M10x1', gender: 'male', seat: 'doubleFlare' } as const
    const port = { thread: 'M12x1', gender: 'female', seat: 'doubleFlare' } as const
    const joint = { at: 'slavePort', reasons: [] } as const
    const read = installationFrom([
      entry(1, 'installation', fromArchetype('long-line')),
      entry(2, 'joint', { ...joint, reasons: [], a: nut, b: null, verdict: null }),
      entry(3, 'joint', { ...joint, reasons: [], a: null, b: port, verdict: null }),
      entry(4, 'joint', { ...joint, reasons: [], a: port, b: port, verdict: 'refused' }),
      entry(5, 'parameter', { field: 'slave.faces', value: 'back' }),
      entry(6, 'parameter', { field: 'slave.faces', value: 'sideways' }),
      entry(7, 'parameter', { field: 'mounts.master', value: 'studs' }),
    ])!
    expect(read.joints).toEqual([{ at: 'slavePort', a: nut, b: port }])
    expect(read.slave.faces).toBe('back')
    expect(read.mounts).toEqual({ master: 'studs', slave: null })
  })

  it('the fluid inside is what was said last, and was not taken back', () => {
    const said = [
      entry(1, 'fluidInside', { kind: 'unknown' }),
      entry(2, 'fluidInside', { kind: 'dot4', wanted: 'dot4' }),
    ]
    expect(fluidFrom(said)).toEqual({ kind: 'dot4', wanted: 'dot4' })
    expect(fluidFrom([...said, entry(3, 'withdrawal', {}, { withdraws: id(2) })])).toEqual({
      kind: 'unknown',
    })
    expect(fluidFrom([])).toBeNull()
  })

  it('the last of a reading is the one furthest along the road', () => {
    const reading = (n: number, phase: 'asFound' | 'after', value: number) =>
      entry(n, 'measurement', { reading: 'mileage', value, phase })
    expect(latestReading(fold([reading(1, 'asFound', 61_000)]), 'mileage')).toBe(61_000)
    const both = [reading(1, 'after', 61_020), reading(2, 'asFound', 61_000)]
    expect(latestReading(fold(both), 'mileage')).toBe(61_020)
    expect(latestReading(fold([]), 'mileage')).toBeNull()
  })

  it('starts at the stage that its kind needs', () => {
    expect(startStage('fault')).toBe('find')
    expect(startStage('fluidService')).toBe('bleed')
    expect([phaseAt('find'), phaseAt('bleed'), phaseAt('prove')]).toEqual([
      'asFound',
      'working',
      'after',
    ])
  })
})

describe('an installation over its history', () => {
  const start = fromArchetype('long-line')
  const points = start.route.map((point) => ({ ...point, height: Math.round(point.height / 2) }))

  it('takes routes, figures of its place, and whole installations in their order', () => {
    const history = [
      entry(1, 'installation', start),
      entry(2, 'route', { points }),
      entry(3, 'parameter', { field: 'slave.bleeder.angle', value: 35 }),
      entry(4, 'parameter', { field: 'lines.1.length', value: 480 }),
    ]
    const now = installationFrom(history)!
    expect(now.route.map((point) => point.height)).toEqual(points.map((point) => point.height))
    expect(now.route.at(-1)!.along).toBe(1930)
    expect(now.slave.bleeder).toEqual({ kind: 'screw', angle: 35 })
    expect(now.assumed).not.toContain('route')
    const undone = [...history, entry(5, 'withdrawal', {}, { withdraws: history[1]!.id })]
    expect(installationFrom(undone)!.route[2]!.height).toBe(start.route[2]!.height)
  })

  it('keeps the newest calibration, and a job its newest plan', () => {
    const entries = [
      entry(1, 'calibration', { freeTravel: 20 }),
      entry(2, 'calibration', { freeTravel: 18, takeUpHeight: 40 }),
    ]
    expect(calibrationFrom(entries)!.payload).toEqual({ freeTravel: 18, takeUpHeight: 40 })
    expect(calibrationFrom([])).toBeNull()
    const plan = entry(1, 'circuitPlan', { changes: [{ change: 'air', value: 100 }] })
    expect(fold([plan]).circuitPlan!.payload.changes).toHaveLength(1)
    expect(fold([plan, entry(2, 'withdrawal', {}, { withdraws: plan.id })]).circuitPlan).toBeNull()
  })
})

describe('the search in a job’s state', () => {
  const sought = (...list: Entry[]) => fold(list)

  it('what holds here is what was last said, else what is usual', () => {
    expect(conditionsOf(sought()).helper).toBe(false)
    const state = sought(
      entry(1, 'condition', { condition: 'helper', holds: true }),
      entry(2, 'condition', { condition: 'underneath', holds: false }),
      entry(3, 'condition', { condition: 'underneath', holds: true }),
    )
    expect(conditionsOf(state)).toMatchObject({ helper: true, underneath: true, hours: false })
  })

  it('evidence is what stands before the work: the later over the earlier, not looked at is none', () => {
    const state = sought(
      entry(1, 'complaint', { complaint: 'soft' }),
      entry(2, 'finding', { finding: 'bootWet', state: 'present', phase: 'asFound' }),
      entry(3, 'finding', { finding: 'bootWet', state: 'absent', phase: 'working' }),
      entry(4, 'finding', { finding: 'levelLow', state: 'present', phase: 'asFound' }),
      entry(5, 'finding', { finding: 'levelLow', state: 'notLooked', phase: 'asFound' }),
      entry(6, 'measurement', reading('freeTravel', 44)),
      entry(7, 'measurement', reading('freeTravel', 20, 'working')),
      entry(8, 'measurement', reading('sink', 3, 'asFound', 60)),
      entry(9, 'finding', { finding: 'unionsWet', state: 'absent', phase: 'after' }),
    )
    expect(evidenceOf(state)).toEqual({
      complaints: ['soft'],
      findings: { bootWet: 'absent' },
      readings: { freeTravel: { value: 44 }, sink: { value: 3, duration: 60 } },
    })
  })

  it('after the work, what is gone is absent, what is less or the same is still there', () => {
    const state = sought(
      entry(1, 'complaint', { complaint: 'squeaks' }),
      entry(2, 'complaint', { complaint: 'low' }),
      entry(3, 'finding', { finding: 'springy', state: 'present', phase: 'asFound' }),
      entry(4, 'graded', { of: 'squeaks', grade: 'same' }),
      entry(5, 'graded', { of: 'squeaks', grade: 'less', remaining: 'pedalBushes' }),
      entry(6, 'graded', { of: 'low', grade: 'gone' }),
      entry(7, 'graded', { of: 'springy', grade: 'gone' }),
      entry(8, 'measurement', reading('freeTravel', 19, 'after')),
    )
    expect(state.graded.squeaks!.payload).toEqual({
      of: 'squeaks',
      grade: 'less',
      remaining: 'pedalBushes',
    })
    expect(evidenceOf(state, 'after')).toEqual({
      complaints: ['squeaks'],
      findings: { springy: 'absent' },
      readings: { freeTravel: { value: 19 } },
    })
  })

  it('decision, cause and a stop taken over stand until they are taken back', () => {
    const list = [
      entry(1, 'cause', { faults: ['slaveLeak'] }),
      entry(2, 'takenOver', { stop: 'forkCracked', reason: 'Towed, not driven' }),
    ]
    expect(sought(...list).cause!.payload.faults).toEqual(['slaveLeak'])
    expect(sought(...list).takenOver.forkCracked!.payload.reason).toBe('Towed, not driven')
    const back = entry(3, 'withdrawal', {}, { withdraws: list[0]!.id })
    expect(sought(...list, back).cause).toBeNull()
  })
})

describe('an entry of a newer version', () => {
  const strange = [
    entry(2, 'finding', { finding: 'tubeTurns' as never, state: 'present', phase: 'asFound' }),
    entry(3, 'measurement', { reading: 'moonPhase' as never, value: 3, phase: 'asFound' }),
    entry(4, 'laterKind' as never, { packages: [] } as never),
    entry(5, 'complaint', { complaint: 'toString' as never }),
    entry(6, 'cause', { faults: ['gremlin' as never] }),
    entry(7, 'constructor' as never, {} as never),
  ]

  it('is kept in the history and changes no figure of this one', () => {
    const plain = [entry(1, 'complaint', { complaint: 'soft' })]
    const { history, ...state } = fold([...plain, ...strange])
    const { history: before, ...without } = fold(plain)
    expect(state).toEqual(without)
    expect(history.map(({ origin }) => origin.sequence)).toEqual([1, 2, 3, 4, 5, 6, 7])
    expect(before).toHaveLength(1)
    expect(strange.some((one) => understood(one))).toBe(false)
    expect(understood(plain[0]!)).toBe(true)
  })
})
