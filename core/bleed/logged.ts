import { choiceOf, InputError, inRange, objectOf } from '../circuit'
import { CAME_OUT, type BleedCycle, type CameOut, type TrickDone } from '../entries'
import {
  entryOfRun,
  isMethodId,
  METHOD_ROWS,
  METHODS,
  runOfEntry,
  TRICK_ROWS,
  TRICKS,
  WITHOUT_STROKES,
  type BleedRun,
  type Method,
  type Trick,
} from './methods'
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
  const run = runOfEntry(method)
  if (run === null) return null
  const { draws, atUnion } = METHOD_ROWS[method]
  const byTime = WITHOUT_STROKES.has(method)
  const times = byTime
    ? Math.round(
        seconds !== undefined
          ? seconds / CYCLE_SECONDS
          : bottle !== undefined
            ? bottle / 1000 / CYCLE_ML
            : 1,
      )
    : draws === 'opening'
      ? 1
      : (strokes ?? 1)
  return {
    method: run,
    strokes: Math.min(MOST_STROKES, Math.max(1, times)),
    ...(atUnion && { atUnion: true as const }),
    ...(cameOut !== 'notSeen' && { cameOut }),
    ...(bottle !== undefined && { bottle: bottle / 1000 }),
  }
}
/** A trick; null where it moves nothing in the vehicle. */
export function trickFollowed({ trick, degrees = DEGREES }: TrickDone): Followed | null {
  const { nose, turns } = TRICK_ROWS[trick]
  if (nose !== 0) return { change: { noseUp: nose * degrees } }
  if (turns) return { change: { turned: true } }
  const run = runOfEntry(trick)
  return run && { method: run }
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
/** Steps of a ranked sequence as they are chosen and logged. */
export function loggedSteps({ steps, atUnion }: Pick<RankedEntry, 'steps' | 'atUnion'>) {
  const list: { method: Method | Trick; cycles: number }[] = []
  for (const { method, cycles } of steps) {
    list.push({ method: entryOfRun(method, atUnion), cycles: Math.round(cycles) })
  }
  return list
}
/** The first of them that is logged in cycles. */
export const firstMethod = (steps: readonly { method: Method | Trick }[]): Method | null =>
  steps.map(({ method }) => method).find(isMethodId) ?? null
