import type { Format } from '../quantity'
import type { BleedRun } from './methods'
import type { RankedEntry } from './rank'

/** Filling a dry circuit: a phase of its own, with an end of its own. */
export interface Filling {
  method: BleedRun
  atUnion: boolean
  /** Cycle at which the first fluid is expected; null where it mostly does not come. */
  firstFluidAt: number | null
  /** Fluid that it takes, mm³. */
  fluid: { low: number; high: number }
  stop: string
  /** What will look wrong and is not. */
  looksWrong: string[]
}

const PEDAL: readonly BleedRun[] = ['openPush', 'pumpHold', 'prop', 'checkValve', 'submerged']
const NOTHING = 'Nothing comes at first: what leaves is air, and it makes no bubbles in a dry hose.'
const FLOOR = 'The pedal stays on the floor after each opening: nothing pushes it back yet.'
const BY_HAND = 'Lift the pedal by hand, slowly, until it comes up by itself.'
const LATE = 'Air comes only after several strokes, once there is fluid in the hose to see it in.'

/** What it looks like while a dry circuit fills, by how it is filled. */
function looksWrong(method: BleedRun): string[] {
  if (PEDAL.includes(method)) return [NOTHING, FLOOR, BY_HAND, LATE]
  switch (method) {
    case 'gravity':
      return [
        NOTHING,
        'It stands still for minutes where the line climbs: fluid has to get over the crest first.',
      ]
    case 'pressure':
      return ['It spits before it flows.', 'The level falls fast at first, then hardly at all.']
    case 'vacuum':
      return [
        'Foam fills the bottle first: most of it is air that was in the line.',
        'Bubbles go on after the fluid: some come past the screw’s thread.',
      ]
    case 'inject':
      return [
        'The reservoir stays empty until the line is full; then it comes up at once.',
        'It bubbles in the reservoir: that is the air leaving.',
      ]
    case 'dryVacuum':
      return [
        'Nothing seems to happen until the pressure is let back: the fluid goes in then.',
        'It boils in the reservoir: that is air, not steam.',
      ]
    default:
      return [NOTHING]
  }
}

const STROKES: readonly BleedRun[] = [...PEDAL, 'hang', 'slavePush']
/** @param entry a sequence that was ranked from a dry circuit */
export function fillingOf(entry: RankedEntry, format: Format): Filling {
  const method = entry.steps[0]!.method
  const { low, high } = entry.fluid
  const at = entry.firstFluidAt
  const unit = STROKES.includes(method) ? 'stroke' : 'cycle'
  return {
    method,
    atUnion: entry.atUnion ?? false,
    firstFluidAt: at,
    fluid: { low: 1000 * low, high: 1000 * high },
    stop:
      at === null
        ? `Stop at the first fluid, and go over to flushing. If ${format.volume(1000 * high)} have gone in and none comes out, look for where they went.`
        : `Fluid is expected at ${unit} ${at}. Stop there, and go over to flushing; if none has come by ${unit} ${2 * at}, look for where it went.`,
    looksWrong: looksWrong(method),
  }
}
