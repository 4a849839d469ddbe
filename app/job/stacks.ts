import { TAPE_READINGS, type PedalReadings } from '~~/core/estimate'
import type { Readings } from '~~/core/journal'
import type { PhaseFigures } from '~~/core/proof'
import type { LadderStack } from './drawn'

/** States of the circuit that stand side by side on the ladder and in the curves, and what they are called there. */
const STACK_WORDS = {
  asFound: 'as found',
  planned: 'planned',
  now: 'now',
  after: 'after',
  asItIs: 'as it is',
  whatIf: 'what if',
} as const
export type StackId = keyof typeof STACK_WORDS
export type Stack = LadderStack & { id: StackId }
/** What was measured: nothing yet, the circuit as found, and beside it what it is later. */
export type Measured = readonly [] | readonly [Stack] | readonly [Stack, Stack]
export type Stacks = Measured | readonly [Stack, Stack, Stack]

/** A state with what was read of it. */
export function stackOf(id: StackId, figures: PhaseFigures, readings: Readings = {}): Stack {
  const { freeTravel, takeUpHeight } = readings
  return {
    id,
    label: STACK_WORDS[id],
    figures,
    ...(freeTravel && { felt: freeTravel.payload.value }),
    ...(takeUpHeight && { bites: takeUpHeight.payload.value }),
  }
}

/** The readings of a phase that an estimate can weigh. */
export function pedalReadings(readings: Readings): PedalReadings {
  const list: PedalReadings = {}
  for (const name of TAPE_READINGS) {
    const held = readings[name]
    // A take-up of 0 says that there is none: the disc does not come free.
    if (held && name === 'takeUpHeight' && held.payload.value === 0) list.takesUp = false
    else if (held) list[name] = held.payload.value
  }
  return list
}
