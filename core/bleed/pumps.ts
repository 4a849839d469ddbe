import { drawnConstants } from './draw-constants'
import type { DrawsAsked } from './draws'
import { cycleOf } from './methods'
import { askedOf, startsOf } from './rank'
import { Bleed } from './run'
import type { Run } from '../run'

/** Strokes before each opening that are looked at beside each other. */
export const PUMP_CHOICES = [2, 4, 6, 10] as const
/** Openings after which they are compared, circuits that each is tried in, cells of a line. */
export const OPENINGS = 10
const CIRCUITS = 12
const CELLS = 40

/** What is left, ml, and how long it takes, min, with so many strokes before each opening: the middle of the circuits. */
export interface PumpsTried {
  pumps: number
  left: number
  minutes: number
}
const middle = (list: number[]) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)]!

/** Pump and hold with fewer and with more strokes before each opening, by the model that ranks the methods. One piece is one circuit of one choice. */
export function pumpsRun(asked: Omit<DrawsAsked, 'steps' | 'draws'>): Run<PumpsTried[]> {
  const constants = drawnConstants(asked.set, CIRCUITS, asked.seed, asked.learned)
  const starts = startsOf(asked, CIRCUITS)
  const left: number[][] = PUMP_CHOICES.map(() => [])
  const times: number[][] = PUMP_CHOICES.map(() => [])
  let done = 0
  return {
    total: CIRCUITS * PUMP_CHOICES.length,
    step(count) {
      for (const end = Math.min(this.total, done + count); done < end; done++) {
        const choice = done % PUMP_CHOICES.length
        const k = Math.floor(done / PUMP_CHOICES.length)
        const own = { ...constants[k]!, pumps: PUMP_CHOICES[choice]! }
        const bleed = new Bleed({
          ...askedOf({ ...asked, start: starts[k]! }, own, CELLS),
          method: 'pumpHold',
        })
        for (let i = 0; i < OPENINGS; i++) cycleOf('pumpHold', bleed.setting)
        left[choice]!.push(bleed.machine.total)
        times[choice]!.push(bleed.told().time / 60)
      }
      return done
    },
    result: () =>
      PUMP_CHOICES.map((pumps, i) => ({ pumps, left: middle(left[i]!), minutes: middle(times[i]!) })),
  }
}
