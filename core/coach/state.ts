import type { ProofStage } from '../circuit'
import type { BleedCycle, BleedPhase, BleedSign, CameOut, PedalSays, Trick } from '../entries'
import type { Draws } from '../bleed'
import type { PutOnItem, RemovedItem } from '../plan'
import type { Coached } from './moves'
import type { Level } from './reservoir'
import type { Aspect, Stretch, World } from './world'

/** How it is pumped before each opening: so many strokes, until it is firm, or for so many seconds. */
export type Pumps = number | 'firm' | { seconds: number }

/** A part of the bleed: one method for so many cycles, a trick, or work that belongs to it. */
export interface Part {
  method: Coached
  cycles: number
  phase?: BleedPhase
  pumps?: Pumps
  /** s that it runs by itself in one cycle: shorter where a minute would take more than the reservoir holds. */
  seconds?: number
  /** ml that each cycle takes out of the reservoir, by the model that ranks the methods; the last holds for all that follow. */
  draws: Draws[]
  /** Cycle by which the model has fluid at the hose, 95 of 100; absent where the circuit is not empty. */
  fluidBy?: number
}
export interface CoachPlan {
  parts: Part[]
  /** ml that stand over the mark when it is full. */
  usable: number
  /** The brakes share it: the mark is the brakes’ own, and nobody may override it. */
  shared: boolean
  people: 1 | 2
  /** Why the model does not know what a cycle draws: it is held back earlier then. Null where it knows. */
  unknown: string | null
}
/** What was said of the cycle that was filed last. */
export interface LastSaid {
  cameOut: CameOut | 'notSeen'
  /** mm³ in the bottle. */
  bottle?: number
  colour?: 'dark' | 'fresh'
  signs?: BleedSign[]
}
/** What came three times running, and means something. */
export type Unusual = 'foam' | 'nothing'

/** Where a coached bleed is. */
export interface Place {
  part: number
  /** Cycles of this part that are done, and in which of its stretches it is. */
  cycle: number
  stretch: Stretch
  move: number
  /** Cycles of each part that are meant. */
  cycles: number[]
  /** The next move would reach the mark, or rise over it: it is not called until that is put right, or somebody answers for it. */
  held: 'low' | 'high' | null
  overridden: boolean
  paused: boolean
  /** It stopped to say what foam or nothing three times running means. */
  unusual: Unusual | null
  /** After a part free travel is asked for, after a stage of the proof that stage’s own. */
  asks: 'freeTravel' | ProofStage | null
  walks: number
  done: boolean
  /** The last cycle that was filed, and what was said of it. */
  filed: string | null
  last: LastSaid
  /** What came of the last cycles of this part, newest last; and how many were done when it was said what it means. */
  seen: (CameOut | 'notSeen')[]
  explained: number
  /** What went wrong in the cycle under way; it is filed with it. */
  signs: BleedSign[]
}
/** The place, and what stands in the world and in the reservoir: these no undo changes. */
export interface CoachPlace extends Place {
  plan: CoachPlan
  world: World
  level: Level
}
/** A place that can be gone back to, what the touch after it filed, and what it put in doubt. */
export interface Past extends Place {
  level: Level
  made: string[]
  doubts: Aspect[]
}
/** The whole of a coached bleed; numbered, so that what comes late or twice is told. Plain data: it goes from one device to the other. */
export interface CoachState extends CoachPlace {
  /** Rises with every touch that was taken. */
  n: number
  /** Its number when the present call was made: what is said of an earlier cycle meanwhile makes no answer late. */
  calledAt: number
  /** Touches that were taken, newest last. */
  taken: string[]
  /** Entries from elsewhere that moved the level, newest last. */
  counted: string[]
  past: Past[]
}

/** A cycle or a top-up that was filed beside the coach. */
export interface Elsewhere {
  /** Id of the entry. */
  id: string
  /** ml that it drew. */
  drew?: Draws
  /** ml that were poured in; null for to the mark. */
  poured?: number | null
}
export type Touch =
  | { touch: 'answer' }
  /** It was done although it was not called. */
  | { touch: 'didAnyway' }
  | ({ touch: 'cameOut' } & Partial<LastSaid>)
  | { touch: 'toppedUp'; ml?: number }
  | { touch: 'drawnOff'; ml?: number }
  | { touch: 'override' }
  /** Said, or taken back: of the cycle under way, else of the last. */
  | { touch: 'sign'; sign: BleedSign }
  /** One more cycle than was meant. */
  | { touch: 'oneMore' }
  | { touch: 'says'; says: PedalSays; mm?: number }
  | { touch: 'travel'; mm: number | null }
  | { touch: 'pause' }
  | { touch: 'resume' }
  /** What three times foam or nothing means was read. */
  | { touch: 'goOn' }
  | { touch: 'nextPart' }
  | { touch: 'undo' }
  /** Another device leads now: what was done meanwhile nobody knows. */
  | { touch: 'takenOver' }
  | { touch: 'elsewhere'; entries: Elsewhere[] }
export type TouchName = Touch['touch']

/** What the device that leads has to file; `ref` names it within this run, so that none is filed twice. */
export type Effect =
  | { do: 'cycle'; ref: string; payload: BleedCycle }
  | { do: 'correct'; ref: string; payload: BleedCycle }
  | { do: 'withdraw'; ref: string }
  | { do: 'trick'; ref: string; trick: Trick }
  | { do: 'topUp'; ref: string; ml?: number }
  | { do: 'says'; ref: string; says: PedalSays; mm?: number }
  | { do: 'travel'; ref: string; mm: number }
  | { do: 'stageProof'; ref: string; stage: ProofStage; mm: number }
  | { do: 'putOn'; ref: string; item: PutOnItem; place: string }
  | { do: 'removed'; ref: string; item: RemovedItem; place: string }
  /** What was put on, or taken off, as `of`, is off again, or back. */
  | { do: 'takenOff' | 'refitted'; ref: string; of: string }

export const NOT_SAID: LastSaid = { cameOut: 'notSeen' }
/** Touches, entries from elsewhere, and places that are remembered. */
export const TAKEN = 60
export const COUNTED = 200
export const PAST = 16
export const SEEN = 6
