import { brokenBy, STATE_RULES, type Moment, type PlanRule, type RuledStep } from './rules'
import { isOpening, isPassing, stateWords } from './states'
import type { Step, VehicleFacts } from './step'

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

/** Why a step may not be done now, by how the work stands before and after it. */
export const breachesNow = (step: RuledStep, now: Moment): Omit<Breach, 'step'>[] =>
  STATE_RULES.flatMap((rule) =>
    brokenBy(rule, step, now).map((state) => ({ rule: rule.rule, words: rule.words(state) })),
  )

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
  const everPut = new Set(steps.flatMap(({ puts }) => puts))
  const put = new Set<string>()
  for (const step of steps) {
    const next = after(states, step)
    for (const state of step.puts) put.add(state)
    for (const { rule, words } of breachesNow(step, { before: states, after: next, put, everPut }))
      add(step.id, rule, words)
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
