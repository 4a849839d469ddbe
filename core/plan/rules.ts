import { FEED_HELD, isOpening, stateWords } from './states'
import type { Step } from './step'

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

/** Stands in a row for every joint that is open. */
export const ANY_OPENING = 'circuitOpen:*'

/** What a rule reads of a step. */
export type RuledStep = Pick<
  Step,
  'needs' | 'forbids' | 'puts' | 'takes' | 'presses' | 'fills' | 'electrical' | 'engine'
> & { place: string }
interface Row {
  rule: PlanRule
  /** Asked only where some step of the whole work puts this state. */
  where?: string
  words: (state: string) => string
}
/** States that must hold, or must not, before a step or after it. */
interface StepRule extends Row {
  at: 'before' | 'after'
  needs?: (step: RuledStep) => readonly string[]
  forbids?: (step: RuledStep) => readonly string[]
  /** It is not asked where all of these hold before the step; always where there are none. */
  unless?: (step: RuledStep) => readonly string[]
}
/** While a state holds, one of others has to hold too; what was bare before a step already is not its breach. */
interface PairRule extends Row {
  at: 'while'
  holds: string
  with: readonly string[]
}
/** A state must have been put before, by this step at the latest. */
interface SinceRule extends Row {
  at: 'since'
  put: string
  asks: (step: RuledStep) => boolean
}
export type StateRule = StepRule | PairRule | SinceRule

const none: readonly string[] = []
const when =
  (is: (step: RuledStep) => unknown, ...states: string[]) =>
  (step: RuledStep): readonly string[] =>
    is(step) ? states : none
const always =
  (words: string) =>
  (_: string): string =>
    words
const presses = (step: RuledStep) => step.presses
const engine = (step: RuledStep) => step.engine

/**
 * Rules of what may hold when a step is done, a row each: the check reads them of a sequence, and the search compiles the same rows.
 * Their order is that in which breaches are named.
 */
export const STATE_RULES: readonly StateRule[] = [
  {
    rule: 'needs',
    at: 'before',
    needs: ({ needs }) => needs,
    words: (state) => `needs ${stateWords(state)}`,
  },
  {
    rule: 'forbids',
    at: 'before',
    forbids: ({ forbids }) => forbids,
    words: (state) => `not while ${stateWords(state)}`,
  },
  {
    rule: 'under',
    at: 'before',
    needs: when(({ place }) => place === 'under', 'onStands', 'chocked'),
    words: (state) => `nobody goes under it before it is ${stateWords(state)}`,
  },
  {
    rule: 'press',
    at: 'before',
    forbids: when(presses, 'pedalTagged', 'slaveFree'),
    // The one stroke that is called frees the straps, with the slave free and the tag known to both.
    unless: when((step) => step.presses === 'called', 'slaveFree', 'strapsOn'),
    words: (state) => `the pedal is not pressed while ${stateWords(state)}`,
  },
  {
    rule: 'press',
    at: 'before',
    forbids: when(presses, 'masterOff'),
    words: always('the pedal is not pressed while the master is off'),
  },
  {
    rule: 'press',
    at: 'before',
    forbids: when(presses, ANY_OPENING),
    words: (state) => `the pedal is not pressed while the circuit is ${stateWords(state)}`,
  },
  {
    rule: 'spoil',
    at: 'before',
    forbids: when((step) => step.fills || step.presses, 'feedClamped', 'capSheeted'),
    words: (state) => `${stateWords(state)} must be off again before this`,
  },
  {
    rule: 'engine',
    at: 'before',
    forbids: when(engine, 'slaveFree', 'feedClamped', 'propOn'),
    words: (state) => `the engine does not run while ${stateWords(state)}`,
  },
  {
    rule: 'engine',
    at: 'before',
    forbids: when(engine, ANY_OPENING),
    words: (state) => `the engine does not run while the circuit is ${stateWords(state)}`,
  },
  {
    rule: 'tag',
    at: 'while',
    holds: 'slaveFree',
    with: ['pedalTagged'],
    words: always('a slave is not free while the pedal has no tag'),
  },
  {
    rule: 'feed',
    at: 'while',
    holds: ANY_OPENING,
    with: FEED_HELD,
    words: always('the circuit is open and nothing keeps the reservoir from running out'),
  },
  {
    rule: 'battery',
    at: 'since',
    where: 'batteryOff',
    put: 'batteryOff',
    asks: ({ electrical }) => electrical === true,
    words: always('the battery comes off before anything electrical'),
  },
  {
    rule: 'battery',
    at: 'after',
    where: 'batteryOff',
    forbids: when(({ takes }) => takes.includes('batteryOff'), 'batteryTrayOff'),
    words: always('the battery goes on after its tray is back'),
  },
  {
    rule: 'battery',
    at: 'after',
    where: 'batteryOff',
    forbids: when(engine, 'batteryOff'),
    words: always('the battery is on again before the engine runs'),
  },
]

/** How the work stands at a step. */
export interface Moment {
  before: ReadonlySet<string>
  after: ReadonlySet<string>
  /** Every state that was put so far, by this step too. */
  put: ReadonlySet<string>
  /** Every state that some step of the whole work puts. */
  everPut: ReadonlySet<string>
}

function firstOf(name: string, states: ReadonlySet<string>): string | null {
  if (name !== ANY_OPENING) return states.has(name) ? name : null
  for (const state of states) if (isOpening(state)) return state
  return null
}

/** States by which a step breaks a rule; none where it keeps it. */
export function brokenBy(rule: StateRule, step: RuledStep, now: Moment): readonly string[] {
  if (rule.where !== undefined && !now.everPut.has(rule.where)) return none
  if (rule.at === 'since') return rule.asks(step) && !now.put.has(rule.put) ? [rule.put] : none
  if (rule.at === 'while') {
    const isBare = (states: ReadonlySet<string>) =>
      firstOf(rule.holds, states) !== null && !rule.with.some((one) => states.has(one))
    return isBare(now.after) && !isBare(now.before) ? [rule.holds] : none
  }
  const unless = rule.unless?.(step) ?? none
  if (unless.length > 0 && unless.every((state) => now.before.has(state))) return none
  const states = now[rule.at]
  return [
    ...(rule.needs?.(step).filter((state) => !states.has(state)) ?? none),
    ...(rule.forbids?.(step).flatMap((state) => firstOf(state, states) ?? none) ?? none),
  ]
}
