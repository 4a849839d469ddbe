import { describe, expect, it } from 'vitest'
import { secondCheck } from '../../tests/arbitrary/second-checker'
import {
  answerPlan,
  checkSequence,
  type PlanAnswer,
  type PlanRule,
  type Step,
  type VehicleFacts,
} from '.'

/** A sound sequence, and what each way of breaking it is called. */
const sound = () =>
  (
    answerPlan({
      packages: [{ id: 'renewMaster' }, { id: 'renewSlave' }],
      people: 2,
      vehicle: FACTS,
      draws: 1,
    }) as PlanAnswer
  ).steps
const FACTS: VehicleFacts = { battery: true, panel: true }
type Broken = [name: string, rule: PlanRule, make: (steps: Step[]) => Step[], vehicle?: VehicleFacts]
const at = (steps: readonly Step[], id: string) => {
  const i = steps.findIndex((step) => step.id === id)
  if (i < 0) throw new Error(`no ${id}`)
  return i
}
const without = (id: string) => (steps: Step[]) => steps.filter((step) => step.id !== id)
const moved =
  (id: string, to: string, where: 'before' | 'after' = 'before') =>
  (steps: Step[]) => {
    const step = steps[at(steps, id)]!
    const rest = steps.filter((one) => one !== step)
    const i = at(rest, to) + (where === 'after' ? 1 : 0)
    return [...rest.slice(0, i), step, ...rest.slice(i)]
  }
const changed = (id: string, part: Partial<Step>) => (steps: Step[]) =>
  steps.map((step) => (step.id === id ? { ...step, ...part } : step))
const added =
  (to: string, part: Partial<Step>, where: 'before' | 'after' = 'after') =>
  (steps: Step[]) => {
    const extra: Step = {
      ...{
        id: 'extra',
        package: 'x',
        title: '',
        does: '',
        why: '',
        place: 'footwell',
        minutes: [1, 1, 1],
        people: 1,
      },
      ...{
        needs: [],
        forbids: [],
        puts: [],
        takes: [],
        records: [],
        recalls: [],
        cautions: [],
        tools: [],
      },
      ...part,
    }
    const i = at(steps, to) + (where === 'after' ? 1 : 0)
    return [...steps.slice(0, i), extra, ...steps.slice(i)]
  }
const BROKEN: Broken[] = [
  ['the tag left out', 'needs', without('renewMaster.tag')],
  ['the cap never off', 'needs', without('drain.cap')],
  ['the lift left out', 'needs', without('access.lift')],
  ['the panel never taken off', 'needs', without('access.panelOff')],
  ['something that needs a loop', 'needs', added('bleed.fill', { needs: ['loopOn'] })],
  ['filled while the line is off', 'forbids', moved('bleed.fill', 'renewSlave.openDrains', 'after')],
  ['lowered with the panel off', 'forbids', moved('access.lower', 'access.panelOn')],
  [
    'the tag off with the master out',
    'forbids',
    moved('renewMaster.untag', 'renewMaster.off', 'after'),
  ],
  ['on the road on its stands', 'forbids', moved('bleed.road', 'access.lower')],
  ['the battery off last', 'battery', added('access.batteryOff', { electrical: true }, 'before')],
  [
    'a plug pulled before the battery is off',
    'battery',
    added('access.ignition', { electrical: true }),
  ],
  [
    'the battery on before its tray',
    'battery',
    (steps) =>
      changed('access.batteryOn', { forbids: [] })(moved('access.batteryOn', 'access.trayOn')(steps)),
  ],
  ['the engine run with the battery off', 'battery', added('access.trayOff', { engine: true })],
  ['under it before the stands', 'under', added('access.lift', { place: 'under' }, 'before')],
  ['under it after it is down', 'under', added('access.lower', { place: 'under' })],
  ['under it with the chocks away', 'under', added('access.unchock', { place: 'under' })],
  [
    'the tag off while the slave is free',
    'tag',
    added('renewSlave.unbolt', { takes: ['pedalTagged'] }),
  ],
  ['the slave freed after the tag is off', 'tag', added('renewMaster.untag', { puts: ['slaveFree'] })],
  ['a slave that is freed without a tag', 'tag', added('access.ignition', { puts: ['slaveFree'] })],
  ['pressed while it is tagged', 'press', added('renewMaster.tag', { presses: true })],
  ['pressed while the slave is free', 'press', added('renewSlave.unbolt', { presses: true })],
  ['pressed with the master off', 'press', added('renewMaster.off', { presses: true })],
  ['a called stroke without straps', 'press', added('renewSlave.unbolt', { presses: 'called' })],
  ['pressed with the circuit open', 'press', added('renewSlave.openDrains', { presses: true })],
  [
    'opened with the reservoir full',
    'feed',
    changed('renewSlave.openDrains', { puts: ['circuitOpen:slave', 'lineOff'] }),
  ],
  ['filled up while it is open', 'feed', added('renewSlave.openDrains', { takes: ['drained'] })],
  [
    'the second joint opened once the first is shut and full',
    'feed',
    added('bleed.fill', { puts: ['circuitOpen:hose'] }),
  ],
  ['filled past the clamp', 'spoil', added('renewMaster.clamp', { fills: true })],
  [
    'bled with the clamp on',
    'spoil',
    (steps) =>
      changed('renewMaster.unclamp', { needs: [] })(
        moved('renewMaster.unclamp', 'bleed.dry', 'after')(steps),
      ),
  ],
  [
    'filled under the sheet',
    'spoil',
    (steps) =>
      added('extra', { id: 'extra2', fills: true })(
        added('drain.cap', { puts: ['capSheeted'] })(steps),
      ),
  ],
  ['started with the slave free', 'engine', added('renewSlave.unbolt', { engine: true })],
  ['started with the circuit open', 'engine', added('renewSlave.openDrains', { engine: true })],
  ['started with the clamp on', 'engine', added('renewMaster.clamp', { engine: true })],
  [
    'started with the prop in',
    'engine',
    (steps) =>
      added('extra', { id: 'extra2', engine: true, takes: ['propOn'] })(
        added('bleed.dry', { puts: ['propOn'] })(steps),
      ),
  ],
  ['the clamp left on', 'left', without('renewMaster.unclamp')],
  ['the panel left off', 'left', without('access.panelOn')],
  ['the sheets left on', 'left', without('bleed.uncover')],
  ['the chocks left', 'left', without('access.unchock')],
  ['the tag left on', 'left', without('renewMaster.untag')],
  ['a joint left open', 'left', changed('renewMaster.unions', { takes: ['circuitOpen:master'] })],
  ['a plug left in', 'left', added('renewSlave.openDrains', { puts: ['plugged:slave'] })],
  ['the straps left on', 'left', without('renewSlave.straps')],
  ['never bled', 'bled', without('bleed.strokes')],
  [
    'opened again after the bleed',
    'bled',
    (steps) =>
      added('extra', { id: 'extra2', takes: ['circuitOpen:hose', 'reservoirLow'] })(
        added('bleed.dry', { puts: ['circuitOpen:hose', 'reservoirLow'] })(steps),
      ),
  ],
  ['bled before the last joint was made', 'bled', changed('bleed.strokes', { puts: [] })],
  ['recalled and never written down', 'record', changed('renewMaster.found', { records: [] })],
  [
    'written down after it is needed',
    'record',
    (steps) =>
      changed('renewMaster.found', { records: [] })(
        added('renewMaster.join', { records: ['rodLength', 'threadsOnRod'] })(steps),
      ),
  ],
  ['how the slave sat is asked of nobody', 'record', changed('renewSlave.unbolt', { records: [] })],
  ['the rod not set before the bleed', 'rod', changed('adjustRod.float', { puts: [] })],
  ['the rod not set after the bleed', 'rod', changed('adjustRod.final', { puts: [] })],
  [
    'set twice before and never after',
    'rod',
    (steps) =>
      changed('adjustRod.final', { needs: [] })(moved('adjustRod.final', 'bleed.strokes')(steps)),
  ],
  [
    'the road before the brakes are proved',
    'brakes',
    (steps) => steps,
    { ...FACTS, sharedReservoir: true },
  ],
  [
    'drained where the brakes share it',
    'brakes',
    added('bleed.fill', { puts: ['drained'], takes: ['drained'] }, 'before'),
    { ...FACTS, sharedReservoir: true },
  ],
  ['lifted twice', 'twice', added('access.lift', { puts: ['onStands'], place: 'wheelArch' })],
  ['drained twice', 'twice', added('renewSlave.openDrains', { puts: ['drained'] })],
  ['the battery off twice', 'twice', added('access.batteryOff', { puts: ['batteryOff'] })],
  ['more people than there are', 'people', changed('renewMaster.off', { people: 3 })],
  ['two where there is one', 'people', changed('bleed.strokes', { people: 4 })],
  [
    'a joint that is opened and forgotten',
    'left',
    added('renewSlave.openDrains', { puts: ['circuitOpen:feedback'] }),
  ],
  ['the loop left on', 'left', added('renewSlave.unbolt', { puts: ['loopOn'] })],
]

describe('sixty broken sequences', () => {
  it('are sixty, each rule at least twice, made of a sound one', () => {
    expect(BROKEN).toHaveLength(60)
    expect(checkSequence(sound(), FACTS, 2)).toEqual([])
    const counts = new Map<string, number>()
    for (const [, rule] of BROKEN) counts.set(rule, (counts.get(rule) ?? 0) + 1)
    for (const [rule, count] of counts) expect([rule, count >= 2]).toEqual([rule, true])
    expect(counts.size).toBe(16)
  })
  it.each(BROKEN)('%s: refused by %s', (_, rule, make, vehicle = FACTS) => {
    const steps = make(sound())
    expect(checkSequence(steps, vehicle, 2).map((one) => one.rule)).toContain(rule)
    expect([...secondCheck(steps, vehicle, 2)].map((one) => one.split(' ')[1])).toContain(rule)
  })
})
