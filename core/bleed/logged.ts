import { choiceOf, InputError, inRange, objectOf } from '../circuit'
import {
  CAME_OUT,
  METHODS,
  TRICKS,
  WITHOUT_STROKES,
  type BleedCycle,
  type CameOut,
  type Method,
  type Trick,
  type TrickDone,
} from '../entries'
import type { BleedRun } from './methods'
import type { RankedEntry } from './rank'

/** What was logged, as a bleed that is followed takes it: a cycle, what the pedal showed, or another lie of the vehicle. */
export type Followed =
  | {
      method: BleedRun
      /** How often it was gone through; pumping and holding counts its pumps within one. */
      strokes?: number
      atUnion?: true
      cameOut?: CameOut
      /** ml. */
      bottle?: number
    }
  /** Air that a reading of the pedal shows, ml, and its standard deviation. */
  | { air: number; sigma: number }
  | { change: { noseUp?: number; turned?: true } }

/** A journal's method as a run; a loop on the bench moves nothing in the vehicle. */
export const RUN_OF: Record<Method, BleedRun | null> = {
  openPush: 'openPush',
  pumpHold: 'pumpHold',
  prop: 'prop',
  submerged: 'submerged',
  checkValve: 'checkValve',
  gravity: 'gravity',
  pressure: 'pressure',
  vacuum: 'vacuum',
  inject: 'inject',
  hang: 'hang',
  reservoirVacuum: 'dryVacuum',
  slaveStrokes: 'slavePush',
  crackedUnion: 'openPush',
  benchLoop: null,
}
/** A run as the journal names it: what is chosen from a ranking and then logged. */
export const METHOD_OF: Partial<Record<BleedRun, Method>> = {
  ...(Object.fromEntries(
    METHODS.flatMap((one) => (RUN_OF[one] === one ? [[one, one]] : [])),
  ) as Partial<Record<BleedRun, Method>>),
  dryVacuum: 'reservoirVacuum',
  slavePush: 'slaveStrokes',
}

/** More strokes than this in one line bring nothing that fewer do not show. */
const MOST_STROKES = 40
/** s of a cycle without strokes, and ml that it draws, about. */
const CYCLE_SECONDS = 60
const CYCLE_ML = 50
const DEGREES = 10

/** A logged cycle; null where it moves nothing in the vehicle. */
export function cycleFollowed({
  method,
  strokes,
  cameOut,
  bottle,
  seconds,
}: BleedCycle): Followed | null {
  const run = RUN_OF[method]
  if (run === null) return null
  const byTime = WITHOUT_STROKES.has(method)
  const times = byTime
    ? Math.round(
        seconds !== undefined
          ? seconds / CYCLE_SECONDS
          : bottle !== undefined
            ? bottle / 1000 / CYCLE_ML
            : 1,
      )
    : run === 'pumpHold'
      ? 1
      : (strokes ?? 1)
  return {
    method: run,
    strokes: Math.min(MOST_STROKES, Math.max(1, times)),
    ...(method === 'crackedUnion' && { atUnion: true as const }),
    ...(cameOut !== 'notSeen' && { cameOut }),
    ...(bottle !== undefined && { bottle: bottle / 1000 }),
  }
}
/** A trick; null where it moves nothing in the vehicle. */
export function trickFollowed({ trick, degrees = DEGREES }: TrickDone): Followed | null {
  switch (trick) {
    case 'noseUp':
      return { change: { noseUp: degrees } }
    case 'noseDown':
      return { change: { noseUp: -degrees } }
    case 'turned':
      return { change: { turned: true } }
    case 'bottomed':
      return { method: 'bottom' }
    case 'wedged':
      return { method: 'overnight' }
    case 'slavePrimed':
    case 'masterPrimed':
      return null
    default:
      return { method: trick }
  }
}

/** Air by free travel at the pad, mm: what the circuit makes of it, ml, and its standard deviation. */
export type AirBy = (freeTravel: number) => { air: number; sigma: number } | null

/**
 * Payloads of a log from outside, in its order: cycles, tricks, free travel (measured or called over) and top-ups.
 * @throws InputError with the path of what is wrong
 */
export function readLogged(input: unknown, at: string, airBy: AirBy): Followed[] {
  if (!Array.isArray(input)) throw new InputError('must be a list', at)
  if (input.length > 1000) throw new InputError('at most 1000 can be given', `${at}/1000`)
  return input.flatMap((one, i): Followed[] => {
    const path = `${at}/${i}`
    const given = objectOf(one, path)
    const number = (name: string, min: number, max: number): number | undefined => {
      const value = given[name]
      if (value === undefined) return undefined
      inRange(value, `${path}/${name}`, { unit: '', min, max }, name)
      return value
    }
    if (given.method !== undefined) {
      const cycle: BleedCycle = {
        method: choiceOf(given.method, `${path}/method`, METHODS),
        cameOut:
          given.cameOut === undefined
            ? 'notSeen'
            : choiceOf(given.cameOut, `${path}/cameOut`, [...CAME_OUT, 'notSeen'] as const),
      }
      const strokes = number('strokes', 1, 200)
      const bottle = number('bottle', 0, 5_000_000)
      const seconds = number('seconds', 0, 86_400)
      const said = cycleFollowed({
        ...cycle,
        ...(strokes !== undefined && { strokes }),
        ...(bottle !== undefined && { bottle }),
        ...(seconds !== undefined && { seconds }),
      })
      return said ? [said] : []
    }
    if (given.trick !== undefined) {
      const trick = choiceOf(given.trick, `${path}/trick`, TRICKS)
      const degrees = number('degrees', 0, 45)
      const said = trickFollowed({ trick, ...(degrees !== undefined && { degrees }) })
      return said ? [said] : []
    }
    const travel = given.says !== undefined ? number('mm', 0, 400) : number('value', 0, 400)
    if (travel === undefined || (given.reading !== undefined && given.reading !== 'freeTravel'))
      return []
    const air = airBy(travel)
    return air ? [air] : []
  })
}
/** Tricks that a sequence may end with, as the journal names them. */
const TRICK_OF: Partial<Record<BleedRun, Trick>> = {
  shortStrokes: 'shortStrokes',
  bottom: 'bottomed',
  overnight: 'wedged',
  tap: 'tap',
}
/** Steps of a ranked sequence as they are chosen and logged. */
export function loggedSteps({ steps, atUnion }: Pick<RankedEntry, 'steps' | 'atUnion'>) {
  const list: { method: Method | Trick; cycles: number }[] = []
  for (const { method, cycles } of steps) {
    const known =
      atUnion && method === 'openPush' ? 'crackedUnion' : (METHOD_OF[method] ?? TRICK_OF[method])
    if (known) list.push({ method: known, cycles: Math.round(cycles) })
  }
  return list
}
const isMethod = (one: Method | Trick): one is Method => METHODS.some((method) => method === one)
/** The first of them that is logged in cycles. */
export const firstMethod = (steps: readonly { method: Method | Trick }[]): Method | null =>
  steps.map(({ method }) => method).find(isMethod) ?? null
