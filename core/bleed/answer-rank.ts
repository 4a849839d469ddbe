import {
  airFromFreeTravel,
  choiceOf,
  InputError,
  inRange,
  isImplausible,
  NINETY,
  objectOf,
} from '../circuit'
import { KIT } from '../entries'
import { readInstallation, type Installation } from '../installation'
import { formatOf } from '../quantity'
import { whole } from '../run'
import { startFromTravel, targetOf } from './asked-rank'
import type { BleedStart } from './asked'
import { whatChanges, type BleedChange } from './changes'
import type { ConstantName, Constants } from './constants'
import { Following, type Now } from './follow'
import { laidOut, type LaidCircuit } from './laid'
import { readLogged, type AirBy } from './logged'
import { BLEED_RUNS, type BleedRun } from './methods'
import { rankRun, restsOn, type RankAsked, type RankedEntry, type Ranged, type Target } from './rank'
import { entryWords } from './rank-words'
import { readConstants, readStart } from './read'

export interface RankAnswer {
  target: Target
  methods: (RankedEntry & { words: string })[]
  changes: { change: BleedChange; chance: number; minutes: number }[]
  now: Now | null
}

const MOST_DRAWS = 500
/** Draws of what would change it. */
const CHANGE_DRAWS = 8

/** What the `rank` verb is asked; volumes mm³. @throws InputError with the path of what is wrong */
export function readRank(input: unknown): { asked: RankAsked; logged: unknown; airBy: AirBy } {
  const given = objectOf(input, '', [
    'installation',
    'start',
    'wantedAir',
    'people',
    'kit',
    'methods',
    'place',
    'sharedOverride',
    'logged',
    'draws',
    'seed',
  ])
  if (given.installation === undefined) throw new InputError('is missing', '/installation')
  const installation = readInstallation(given.installation, '/installation')
  const laid = laidOut(installation)
  const number = (name: string, min: number, max: number, usual: number): number => {
    const value = given[name] ?? usual
    inRange(value, `/${name}`, { unit: '', min, max }, name)
    return value
  }
  const counted = (name: string, min: number, max: number, usual: number): number => {
    const value = number(name, min, max, usual)
    if (!Number.isInteger(value)) throw new InputError(`${name} must be a whole number`, `/${name}`)
    return value
  }
  const wanted = given.wantedAir === undefined ? undefined : number('wantedAir', 1, 1_000_000, 0) / 1000
  const { start, shareOut } = readRankStart(given.start, installation, laid)
  const asked: RankAsked = {
    laid,
    start,
    ...(shareOut && { shareOut }),
    target: targetOf(installation, wanted),
    people: counted('people', 1, 10, 2),
    kit: given.kit === undefined ? ['hose'] : listOf(given.kit, '/kit', KIT),
    ...(given.methods !== undefined && { methods: listOf(given.methods, '/methods', BLEED_RUNS) }),
    set: readSet(given.place),
    ...(given.sharedOverride !== undefined && {
      sharedOverride: textOf(given.sharedOverride, '/sharedOverride'),
    }),
    noseUp: 0,
    draws: counted('draws', 1, MOST_DRAWS, 32),
    seed: counted('seed', 0, 2 ** 31, 1),
  }
  return { asked, logged: given.logged, airBy: airByOf(installation) }
}
function listOf<T extends string>(value: unknown, at: string, of: readonly T[]): T[] {
  if (!Array.isArray(value)) throw new InputError('must be a list', at)
  return value.map((one, i) => choiceOf(one, `${at}/${i}`, of))
}
function textOf(value: unknown, at: string): string {
  if (typeof value !== 'string' || value.trim() === '')
    throw new InputError('must say whose word it is, and why', at)
  return value
}
/** Only what was said: the rest is drawn. */
function readSet(value: unknown): Partial<Constants> {
  const constants = readConstants(value, '/place')
  const names = value === undefined ? [] : (Object.keys(value as object) as ConstantName[])
  return Object.fromEntries(names.map((name) => [name, constants[name]]))
}
function readRankStart(
  value: unknown,
  installation: Installation,
  laid: LaidCircuit,
): { start: BleedStart; shareOut: boolean } {
  const isTravel =
    typeof value === 'object' && value !== null && 'freeTravel' in (value as Record<string, unknown>)
  if (!isTravel) return { start: readStart(value, '/start'), shareOut: false }
  const given = objectOf(value, '/start', ['freeTravel', 'touchForce'])
  const { freeTravel, touchForce } = given
  const most = installation.circuit.pedal.travel
  inRange(freeTravel, '/start/freeTravel', { unit: 'mm', min: 0, max: most }, 'Free travel')
  if (touchForce !== undefined)
    inRange(touchForce, '/start/touchForce', { unit: 'N', min: 1, max: 500 }, 'Touch force')
  const start = startFromTravel(installation, laid, freeTravel, touchForce)
  if (start === null)
    throw new InputError(
      'the free travel is shorter than an air-free circuit allows',
      '/start/freeTravel',
    )
  return { start, shareOut: true }
}
/** Air by free travel on this circuit, with its spread. */
export function airByOf({ circuit }: Installation): AirBy {
  return (travel) => {
    const found = airFromFreeTravel(circuit, travel)
    if (isImplausible(found)) return null
    const sigma = (found.high - found.low) / (2 * NINETY) / 1000
    return { air: Math.max(0, found.air) / 1000, sigma: Math.max(0.1, sigma) }
  }
}

const inMm3 = ({ low, middle, high }: Ranged): Ranged => ({
  low: 1000 * low,
  middle: 1000 * middle,
  high: 1000 * high,
})
export const placesInMm3 = (places: Now): Now => ({
  line: inMm3(places.line),
  slave: inMm3(places.slave),
  master: inMm3(places.master),
  total: inMm3(places.total),
})

/** Which method, which sequence: the `rank` verb. @throws InputError with the path of what is wrong */
export function answerRank(input: unknown): RankAnswer {
  const { asked, logged, airBy } = readRank(input)
  const followed = logged === undefined ? [] : readLogged(logged, '/logged', airBy)
  const list = whole(rankRun(asked))
  for (const one of list) if (one.ruledOut === null) one.restsOn = restsOnOf(one, asked)
  const metric = formatOf('metric')
  const best = list.find(({ ruledOut }) => ruledOut === null)
  return {
    target: { ...asked.target, value: 1000 * asked.target.value },
    methods: list.map((one) => ({
      ...one,
      fluid: inMm3(one.fluid),
      spill: inMm3(one.spill),
      residual: placesInMm3(one.residual),
      words: entryWords(one, asked, metric),
    })),
    changes: best
      ? whatChanges(runsOf(best), asked, CHANGE_DRAWS, best.atUnion).map(
          ({ change, chance, minutes }) => ({ change, chance, minutes }),
        )
      : [],
    now: followed.length > 0 ? placesInMm3(nowAfter(asked, followed)) : null,
  }
}
export const runsOf = ({ steps }: Pick<RankedEntry, 'steps'>): BleedRun[] =>
  steps.map(({ method }) => method)
export const restsOnOf = (one: RankedEntry, asked: RankAsked): ConstantName[] =>
  restsOn(runsOf(one), asked, one.atUnion)

function nowAfter(asked: RankAsked, followed: Parameters<Following['take']>[0][]): Now {
  const following = new Following(asked)
  for (const one of followed) following.take(one)
  return following.now()
}
