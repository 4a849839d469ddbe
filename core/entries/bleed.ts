import {
  isMethodId,
  KIT,
  METHOD_ROWS,
  METHODS,
  TRICK_ROWS,
  TRICKS,
  type KitItem,
  type Method,
  type Trick,
} from '../bleed/methods'
import { PROOF_STAGES } from '../circuit/names'
import type { ProofStage } from '../circuit'
import type { Held } from './held'
import {
  BLEED_PHASE_WORDS,
  BLEED_SIGN_WORDS,
  CAME_OUT_WORDS,
  PEDAL_SAYS_WORDS,
  PROOF_STAGE_WORDS,
} from '../words'
import { namesOf, type EntryKind } from './kind'

export { KIT, METHODS, TRICKS, type KitItem, type Method, type Trick }
export { WITHOUT_STROKES } from '../bleed/methods'

export const CAME_OUT = ['nothing', 'foam', 'large', 'few', 'clear'] as const
/** What came out of the bleeder: nothing, foam, large bubbles, few, clear. */
export type CameOut = (typeof CAME_OUT)[number]

/** A bleed has up to three parts: a dry circuit is filled, air is flushed out, and the rest is finished off. */
export const BLEED_PHASES = ['fill', 'flush', 'finish'] as const
export type BleedPhase = (typeof BLEED_PHASES)[number]

export const BLEED_SIGNS = ['hoseOff', 'threadWet', 'bubblesHeard'] as const
/** What went with a cycle besides what came out: the hose off the screw, fluid at the screw’s thread, bubbles heard. */
export type BleedSign = (typeof BLEED_SIGNS)[number]
/** What whoever sits at the pedal says of it. */
export const PEDAL_SAYS = ['firmer', 'toFloor', 'stuck', 'easy', 'free'] as const
export type PedalSays = (typeof PEDAL_SAYS)[number]

export interface BleedCycle {
  method: Method
  /** Left out where the method has none. */
  strokes?: number
  /** notSeen where nobody looked. */
  cameOut: CameOut | 'notSeen'
  colour?: 'dark' | 'fresh'
  /** Volume in the bottle from this cycle, mm³. */
  bottle?: number
  /** How long it took, s. */
  seconds?: number
  phase?: BleedPhase
  signs?: BleedSign[]
}
export interface TopUp {
  /** mm³ */
  volume?: number
}
export interface TrickDone {
  trick: Trick
  degrees?: number
  minutes?: number
}
export interface PedalSaid {
  says: PedalSays
  /** Free travel as it was called over, mm. */
  mm?: number
}
/** Free travel with the circuit plugged off behind the master, behind the line, or not at all. */
export interface StageProof {
  stage: ProofStage
  /** At the pad, mm. */
  travel: number
}
/** With whom and with what it is bled here, and by what. */
export interface BleedSetup {
  people: 1 | 2
  kit: KitItem[]
  /** What the gauges really reach, kPa: at the screw, at the cap with pressure, at the cap with vacuum. */
  vacuum?: number
  overPressure?: number
  dryVacuum?: number
  /** Whose word it is that a reservoir which the brakes share is put under pressure or vacuum all the same. */
  override?: { by: string; words: string }
  /** The circuit is empty: it is filled first. */
  dry?: boolean
  /** The sequence that was chosen. */
  steps?: { method: Method | Trick; cycles: number }[]
}

export interface BleedPayloads {
  bleedCycle: BleedCycle
  topUp: TopUp
  trick: TrickDone
  pedalSays: PedalSaid
  bleedSetup: BleedSetup
  stageProof: StageProof
}

export interface BleedLog {
  cycles: Held<BleedCycle>[]
  topUps: Held<TopUp>[]
  /** How many cycles came before each top-up. */
  filledAfter: number[]
  strokes: number
  strokesSinceTopUp: number
  /** Volume in the bottle since the last top-up, where it was read; mm³. */
  bottleSinceTopUp: number
  /** Of that, what came in cycles without strokes. */
  bottleWithoutStrokes: number
  /** Clear cycles in a row at the end. A cycle at which nobody looked neither counts nor breaks the row. */
  clearInRow: number
  tricks: Held<TrickDone>[]
  says: Held<PedalSaid>[]
  setup: Held<BleedSetup> | null
  /** The newest of each stage. */
  stages: Partial<Record<ProofStage, Held<StageProof>>>
}
export interface BleedState {
  bleed: BleedLog
}
export const startBleed = (): BleedState => ({
  bleed: {
    cycles: [],
    topUps: [],
    filledAfter: [],
    strokes: 0,
    strokesSinceTopUp: 0,
    bottleSinceTopUp: 0,
    bottleWithoutStrokes: 0,
    clearInRow: 0,
    tricks: [],
    says: [],
    setup: null,
    stages: {},
  },
})

const methods = namesOf(METHODS)
const cameOuts = namesOf([...CAME_OUT, 'notSeen'])
const tricks = namesOf(TRICKS)
const sayings = namesOf(PEDAL_SAYS)
const kit = namesOf(KIT)
const phases = namesOf(BLEED_PHASES)
const signNames = namesOf(BLEED_SIGNS)
const stages = namesOf(PROOF_STAGES)

type Kinds = { [K in keyof BleedPayloads]: EntryKind<BleedPayloads[K], BleedState> }

export const BLEED_KINDS: Kinds = {
  bleedCycle: {
    stages: ['bleed'],
    subjects: ['job'],
    knows: ({ method, cameOut, phase, signs = [] }) =>
      methods.has(method) &&
      cameOuts.has(cameOut) &&
      (phase === undefined || phases.has(phase)) &&
      signs.every((one) => signNames.has(one)),
    take: ({ bleed }, held) => {
      const { method, strokes, cameOut, bottle = 0 } = held.payload
      bleed.cycles.push(held)
      bleed.strokes += strokes ?? 0
      // What goes round and comes back takes nothing out of the reservoir.
      const { draws } = METHOD_ROWS[method]
      if (draws !== 'sentBack' && draws !== 'nothing') bleed.strokesSinceTopUp += strokes ?? 0
      bleed.bottleSinceTopUp += bottle
      if (strokes === undefined) bleed.bottleWithoutStrokes += bottle
      if (cameOut !== 'notSeen') bleed.clearInRow = cameOut === 'clear' ? bleed.clearInRow + 1 : 0
    },
    tell: ({ method, strokes, cameOut, colour, bottle, seconds, phase, signs = [] }, format) =>
      [
        ...(phase ? [BLEED_PHASE_WORDS[phase]] : []),
        strokes === undefined
          ? METHOD_ROWS[method].name
          : `${strokes} ${strokes === 1 ? 'stroke' : 'strokes'}`,
        cameOut === 'notSeen' ? 'not seen what came' : CAME_OUT_WORDS[cameOut].toLowerCase(),
        ...(colour ? [colour] : []),
        ...(bottle === undefined ? [] : [format.volume(bottle)]),
        ...(seconds === undefined ? [] : [`${seconds} s`]),
        ...signs.map((one) => BLEED_SIGN_WORDS[one].toLowerCase()),
      ].join(', '),
  },
  topUp: {
    stages: ['bleed'],
    subjects: ['job'],
    take: ({ bleed }, held) => {
      bleed.topUps.push(held)
      bleed.filledAfter.push(bleed.cycles.length)
      bleed.strokesSinceTopUp = 0
      bleed.bottleSinceTopUp = 0
      bleed.bottleWithoutStrokes = 0
    },
    tell: ({ volume }, format) =>
      volume === undefined ? 'Topped up' : `Topped up, ${format.volume(volume)}`,
  },
  trick: {
    stages: ['bleed'],
    subjects: ['job'],
    knows: ({ trick }) => tricks.has(trick),
    take: ({ bleed }, held) => {
      bleed.tricks.push(held)
    },
    tell: ({ trick, degrees, minutes }) =>
      [
        TRICK_ROWS[trick].name,
        ...(degrees === undefined ? [] : [`${degrees}°`]),
        ...(minutes === undefined ? [] : [`${minutes} min`]),
      ].join(', '),
  },
  pedalSays: {
    stages: ['bleed'],
    subjects: ['job'],
    knows: ({ says }) => sayings.has(says),
    take: ({ bleed }, held) => {
      bleed.says.push(held)
    },
    tell: ({ says, mm }, format) =>
      `At the pedal: ${PEDAL_SAYS_WORDS[says]}${mm === undefined ? '' : `, ${format.length(mm)} free`}`,
  },
  bleedSetup: {
    stages: ['bleed'],
    subjects: ['job'],
    knows: ({ kit: list, steps = [] }) =>
      list.every((one) => kit.has(one)) &&
      steps.every(({ method }) => methods.has(method) || tricks.has(method)),
    replaces: () => 'bleedSetup',
    take: ({ bleed }, held) => {
      bleed.setup = held
    },
    tell: ({ people, steps, override }) =>
      [
        `Bled by ${people === 1 ? 'one' : 'two'}`,
        ...(steps?.length
          ? [
              steps
                .map(
                  ({ method }) => (isMethodId(method) ? METHOD_ROWS[method] : TRICK_ROWS[method]).name,
                )
                .join(', then '),
            ]
          : []),
        ...(override ? [`reservoir shared, on the word of ${override.by}: ${override.words}`] : []),
      ].join('; '),
  },
  stageProof: {
    stages: ['bleed'],
    subjects: ['job'],
    knows: ({ stage }) => stages.has(stage),
    replaces: ({ stage }) => `stageProof ${stage}`,
    take: ({ bleed }, held) => {
      bleed.stages[held.payload.stage] = held
    },
    tell: ({ stage, travel }, format) =>
      `Proof in stages, ${PROOF_STAGE_WORDS[stage]}: ${format.length(travel)} free`,
  },
}
