/**
 * Methods of bleeding and tricks: a file each, with all that is known of it. Here they are listed by their frozen ids; every other
 * list is derived from these rows. The order is that of the ranking where two come to the same.
 */
import { benchLoop } from './bench-loop'
import { bottomed } from './bottomed'
import { checkValve } from './check-valve'
import { crackedUnion } from './cracked-union'
import { gravity } from './gravity'
import { hang } from './hang'
import { inject } from './inject'
import { noseDown, noseUp } from './nose'
import { openPush } from './open-push'
import { pressure } from './pressure'
import { masterPrimed, slavePrimed } from './primed'
import { prop } from './prop'
import { pumpHold } from './pump-hold'
import { reservoirVacuum } from './reservoir-vacuum'
import type { MethodRow, Needs, Run, Setting, Told, TrickRow } from './row'
import { shortStrokes } from './short-strokes'
import { slaveStrokes } from './slave-strokes'
import { submerged } from './submerged'
import { tap } from './tap'
import { turned } from './turned'
import { vacuum } from './vacuum'
import { wedged } from './wedged'

const METHOD_LIST = [
  openPush,
  pumpHold,
  prop,
  checkValve,
  submerged,
  gravity,
  pressure,
  vacuum,
  inject,
  reservoirVacuum,
  slaveStrokes,
  hang,
  crackedUnion,
  benchLoop,
] as const
const TRICK_LIST = [
  shortStrokes,
  bottomed,
  wedged,
  tap,
  noseUp,
  noseDown,
  turned,
  slavePrimed,
  masterPrimed,
] as const

export type Method = (typeof METHOD_LIST)[number]['id']
export type Trick = (typeof TRICK_LIST)[number]['id']
type IdOf<T> = T extends { run: infer R } ? (R extends Run<infer Id> ? Id : never) : never
/** A method or trick as the verbs `bleed` and `rank` call it. */
export type BleedRun = IdOf<(typeof METHOD_LIST)[number] | (typeof TRICK_LIST)[number]>

const byId = <Id extends string, R>(rows: readonly ({ id: Id } & R)[]) =>
  Object.fromEntries(rows.map((row) => [row.id, row])) as Record<Id, R>
const idsOf = <Id extends string>(rows: readonly { id: Id }[]): readonly Id[] =>
  rows.map(({ id }) => id)

/** Methods and tricks as entries, coach and say-line call them. */
export const METHOD_ROWS: Record<Method, MethodRow> = byId<Method, MethodRow>(METHOD_LIST)
export const TRICK_ROWS: Record<Trick, TrickRow> = byId<Trick, TrickRow>(TRICK_LIST)
export const METHODS = idsOf<Method>(METHOD_LIST)
export const TRICKS = idsOf<Trick>(TRICK_LIST)

const RUN_LIST = [
  ...new Set([...METHOD_LIST, ...TRICK_LIST].flatMap(({ run }): Run<BleedRun>[] => (run ? [run] : []))),
]
export const RUNS: Record<BleedRun, Run> = byId<BleedRun, Run>(RUN_LIST)
export const BLEED_RUNS = idsOf<BleedRun>(RUN_LIST)
export const needsOf = (run: BleedRun): Needs => RUNS[run].needs

/** What the model goes through for a method or a trick; null where nothing moves in the vehicle. */
export const runOfEntry = (id: Method | Trick): BleedRun | null =>
  ((isMethodId(id) ? METHOD_ROWS[id] : TRICK_ROWS[id]).run?.id ?? null) as BleedRun | null
export const isMethodId = (id: string): id is Method => Object.hasOwn(METHOD_ROWS, id)
export const isTrickId = (id: string): id is Trick => Object.hasOwn(TRICK_ROWS, id)

/** As a run is chosen and logged: by its own method, or by the one that does it at a union. */
export const entryOfRun = (run: BleedRun, atUnion = false): Method | Trick =>
  ((atUnion && METHOD_LIST.find((row) => row.atUnion && row.run?.id === run)) ||
    [...METHOD_LIST, ...TRICK_LIST].find((row) => row.run?.id === run))!.id

const STILL: Told = { stalled: false, flow: 0 }
/** Goes through one cycle. */
export const cycleOf = (run: BleedRun, of: Setting): Told => RUNS[run].cycle(of) ?? STILL

/** Methods in which nobody strokes the pedal: their cycles are counted by time and bottle. */
export const WITHOUT_STROKES: ReadonlySet<Method> = new Set(
  METHOD_LIST.flatMap(({ id, draws }) =>
    draws === 'minute' || draws === 'batch' || draws === 'comesUp' ? [id] : [],
  ),
)

export {
  bleeder,
  CALLS,
  LOOSEN,
  moves,
  NIP,
  OPEN,
  pedal,
  SHUT,
  THINGS,
  UP,
  type Call,
  type Calls,
  type HeldBy,
  type MethodMoves,
  type Move,
  type Role,
  type Row,
  type Sentences,
  type Thing,
} from './calls'
export { KIT, type KitItem } from './row'
export type { MethodRow, Needs, Rate, Run, Setting, Told, TrickRow } from './row'
