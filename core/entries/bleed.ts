import type { Held } from './held'
import { CAME_OUT_WORDS, METHOD_WORDS } from '../words'
import { namesOf, type EntryKind } from './kind'

export const CAME_OUT = ['nothing', 'foam', 'large', 'few', 'clear'] as const
/** What came out of the bleeder: nothing, foam, large bubbles, few, clear. */
export type CameOut = (typeof CAME_OUT)[number]

export const METHODS = [
  'openPush',
  'pumpHold',
  'prop',
  'submerged',
  'checkValve',
  'gravity',
  'pressure',
  'vacuum',
  'inject',
  'hang',
] as const
export type Method = (typeof METHODS)[number]
/** Methods in which nobody strokes the pedal: their cycles are counted by time and bottle. */
export const WITHOUT_STROKES: ReadonlySet<Method> = new Set(['gravity', 'pressure', 'vacuum', 'inject'])

export interface BleedCycle {
  method: Method
  /** Left out where the method has none. */
  strokes?: number
  cameOut: CameOut
  colour?: 'dark' | 'fresh'
  /** Volume in the bottle from this cycle, mm³. */
  bottle?: number
}
export interface TopUp {
  /** mm³ */
  volume?: number
}

export interface BleedPayloads {
  bleedCycle: BleedCycle
  topUp: TopUp
}

export interface BleedLog {
  cycles: Held<BleedCycle>[]
  topUps: Held<TopUp>[]
  strokes: number
  strokesSinceTopUp: number
  /** Volume in the bottle since the last top-up, where it was read; mm³. */
  bottleSinceTopUp: number
  /** Of that, what came in cycles without strokes. */
  bottleWithoutStrokes: number
  /** Clear cycles in a row at the end. */
  clearInRow: number
}
export interface BleedState {
  bleed: BleedLog
}
export const startBleed = (): BleedState => ({
  bleed: {
    cycles: [],
    topUps: [],
    strokes: 0,
    strokesSinceTopUp: 0,
    bottleSinceTopUp: 0,
    bottleWithoutStrokes: 0,
    clearInRow: 0,
  },
})

const methods = namesOf(METHODS)
const cameOuts = namesOf(CAME_OUT)

type Kinds = { [K in keyof BleedPayloads]: EntryKind<BleedPayloads[K], BleedState> }

export const BLEED_KINDS: Kinds = {
  bleedCycle: {
    subjects: ['job'],
    knows: ({ method, cameOut }) => methods.has(method) && cameOuts.has(cameOut),
    take: ({ bleed }, held) => {
      const { strokes, cameOut, bottle = 0 } = held.payload
      bleed.cycles.push(held)
      bleed.strokes += strokes ?? 0
      bleed.strokesSinceTopUp += strokes ?? 0
      bleed.bottleSinceTopUp += bottle
      if (strokes === undefined) bleed.bottleWithoutStrokes += bottle
      bleed.clearInRow = cameOut === 'clear' ? bleed.clearInRow + 1 : 0
    },
    tell: ({ method, strokes, cameOut, colour, bottle }, format) =>
      [
        strokes === undefined
          ? METHOD_WORDS[method].name
          : `${strokes} ${strokes === 1 ? 'stroke' : 'strokes'}`,
        CAME_OUT_WORDS[cameOut].toLowerCase(),
        ...(colour ? [colour] : []),
        ...(bottle === undefined ? [] : [format.volume(bottle)]),
      ].join(', '),
  },
  topUp: {
    subjects: ['job'],
    take: ({ bleed }, held) => {
      bleed.topUps.push(held)
      bleed.strokesSinceTopUp = 0
      bleed.bottleSinceTopUp = 0
      bleed.bottleWithoutStrokes = 0
    },
    tell: ({ volume }, format) =>
      volume === undefined ? 'Topped up' : `Topped up, ${format.volume(volume)}`,
  },
}
