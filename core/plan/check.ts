import { FEED_HELD, isOpening, isPassing, stateWords } from './states'
import type { Step, VehicleFacts } from './step'

export const PLAN_RULES = [
  'needs',
  'forbids',
  'battery',
  'under',
  'tag',
  'press',
  'feed',
  'spoil',
  'engine',
  'left',
  'bled',
  'record',
  'rod',
  'brakes',
  'twice',
  'people',
] as const
export type PlanRule = (typeof PLAN_RULES)[number]

export interface Breach {
  step: string
  rule: PlanRule
  words: string
}

/** What is done once for the whole work. */
const ONCE = ['drained', 'onStands', 'batteryOff'] as const

/** The states after a step: what it takes is gone, even where it puts it itself. */
export function after(
  before: ReadonlySet<string>,
  { puts, takes }: Pick<Step, 'puts' | 'takes'>,
): Set<string> {
  const next = new Set(before)
  for (const state of puts) next.add(state)
  for (const state of takes) next.delete(state)
  return next
}

const opened = (states: ReadonlySet<string>): string | null => {
  for (const state of states) if (isOpening(state)) return state
  return null
}

/** Why a step may not be done now, by what holds before it and after it. */
export function breachesNow(
  step: Step,
  before: ReadonlySet<string>,
  next: ReadonlySet<string>,
): Omit<Breach, 'step'>[] {
  const found: Omit<Breach, 'step'>[] = []
  const add = (rule: PlanRule, words: string) => found.push({ rule, words })
  for (const state of step.needs) if (!before.has(state)) add('needs', `needs ${stateWords(state)}`)
  for (const state of step.forbids)
    if (before.has(state)) add('forbids', `not while ${stateWords(state)}`)
  if (step.place === 'under')
    for (const state of ['onStands', 'chocked'])
      if (!before.has(state)) add('under', `nobody goes under it before it is ${stateWords(state)}`)
  const open = opened(before)
  if (step.presses) {
    // The one stroke that is called frees the straps, with the slave free and the tag known to both.
    const called = step.presses === 'called' && before.has('slaveFree') && before.has('strapsOn')
    for (const state of ['pedalTagged', 'slaveFree'])
      if (before.has(state) && !called)
        add('press', `the pedal is not pressed while ${stateWords(state)}`)
    if (before.has('masterOff')) add('press', 'the pedal is not pressed while the master is off')
    if (open) add('press', `the pedal is not pressed while the circuit is ${stateWords(open)}`)
  }
  if (step.fills || step.presses)
    for (const state of ['feedClamped', 'capSheeted'])
      if (before.has(state)) add('spoil', `${stateWords(state)} must be off again before this`)
  if (step.engine) {
    for (const state of ['slaveFree', 'feedClamped', 'propOn'])
      if (before.has(state)) add('engine', `the engine does not run while ${stateWords(state)}`)
    if (open) add('engine', `the engine does not run while the circuit is ${stateWords(open)}`)
  }
  const wasBare = before.has('slaveFree') && !before.has('pedalTagged')
  if (next.has('slaveFree') && !next.has('pedalTagged') && !wasBare)
    add('tag', 'a slave is not free while the pedal has no tag')
  const held = (states: ReadonlySet<string>) => FEED_HELD.some((one) => states.has(one))
  const ran = open !== null && !held(before)
  if (opened(next) !== null && !held(next) && !ran)
    add('feed', 'the circuit is open and nothing keeps the reservoir from running out')
  return found
}

/**
 * Every breach of a sequence, in its order. States hold from the step that puts them to the one that takes them.
 * @param people how many there are; steps that need more are named
 */
export function checkSequence(
  steps: readonly Step[],
  vehicle: VehicleFacts = {},
  people?: number,
): Breach[] {
  const breaches: Breach[] = []
  const add = (step: string, rule: PlanRule, words: string) => breaches.push({ step, rule, words })
  let states: Set<string> = new Set()
  const putBy = new Map<string, string>()
  const recorded = new Set<string>()
  const times = new Map<string, number>()
  const usesBattery = steps.some(({ puts }) => puts.includes('batteryOff'))
  let batteryPut = false
  for (const step of steps) {
    const next = after(states, step)
    for (const { rule, words } of breachesNow(step, states, next)) add(step.id, rule, words)
    if (step.puts.includes('batteryOff')) batteryPut = true
    if (usesBattery) {
      if (step.electrical && !batteryPut)
        add(step.id, 'battery', 'the battery comes off before anything electrical')
      if (step.takes.includes('batteryOff') && next.has('batteryTrayOff'))
        add(step.id, 'battery', 'the battery goes on after its tray is back')
      if (step.engine && next.has('batteryOff'))
        add(step.id, 'battery', 'the battery is on again before the engine runs')
    }
    for (const name of step.recalls)
      if (!recorded.has(name)) add(step.id, 'record', `${name} was not written down before`)
    for (const name of step.records) recorded.add(name)
    if (vehicle.sharedReservoir) {
      if (step.place === 'road' && !states.has('brakesProved'))
        add(step.id, 'brakes', 'brakes are proved before the road: they share the reservoir')
      if (step.puts.includes('drained'))
        add(step.id, 'brakes', 'nothing is drained where the brakes share the reservoir')
    }
    for (const state of ONCE)
      if (step.puts.includes(state)) {
        const count = (times.get(state) ?? 0) + 1
        times.set(state, count)
        if (count > 1) add(step.id, 'twice', `${stateWords(state)}: done already`)
      }
    if (people !== undefined && step.people > people)
      add(
        step.id,
        'people',
        `needs ${step.people} people; there ${people === 1 ? 'is one' : `are ${people}`}`,
      )
    for (const state of step.puts) putBy.set(state, step.id)
    states = next
  }
  const last = steps.at(-1)?.id ?? ''
  for (const state of states)
    if (isPassing(state)) add(putBy.get(state) ?? last, 'left', `${stateWords(state)} at the end`)
  breaches.push(...atTheEnd(steps))
  return breaches
}

/** What is asked of the sequence as a whole: bled after the last opening, the rod set before and after the bleed. */
function atTheEnd(steps: readonly Step[]): Breach[] {
  const found: Breach[] = []
  const indexes = (is: (step: Step) => boolean) => steps.flatMap((step, i) => (is(step) ? [i] : []))
  const openings = indexes(({ puts }) => puts.some(isOpening))
  const bleeds = indexes(({ puts }) => puts.includes('bled'))
  const lastOpening = openings.at(-1)
  if (lastOpening !== undefined && !bleeds.some((at) => at > lastOpening))
    found.push({
      step: steps[lastOpening]!.id,
      rule: 'bled',
      words: 'it is bled after the last opening',
    })
  const touched = indexes(({ puts }) =>
    puts.some((state) => ['masterOff', 'slaveFree', 'unitOut'].includes(state)),
  )
  if (touched.length === 0) return found
  const bled = bleeds.at(-1)
  const sets = indexes(({ puts }) => puts.includes('rodSet'))
  const named = steps[bled ?? touched[0]!]!.id
  if (bled === undefined || !sets.some((at) => at < bled))
    found.push({ step: named, rule: 'rod', words: 'the rod is set floating before the bleed' })
  if (bled === undefined || !sets.some((at) => at > bled))
    found.push({ step: named, rule: 'rod', words: 'the rod is set finally after the bleed' })
  return found
}
