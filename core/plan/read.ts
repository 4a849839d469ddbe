import { choiceOf, InputError, inRange, objectOf, pointerTo, yesOrNo } from '../circuit'
import { planChoice } from './choices'
import type { StepTimes } from './learn'
import { PACKAGE_IDS, type Package } from './packages'
import { PLACES, type Step, type Tool, type VehicleFacts } from './step'
import { SURPRISE_KINDS, type SurpriseKind } from './surprises'

const MOST_STEPS = 400
const MOST_PACKAGES = 20

/** What the plan is asked, read. */
export interface PlanAsked {
  packages: { id: string; choices?: Record<string, string> }[]
  people: 1 | 2
  vehicle: VehicleFacts
  joints: { name: string; hex: number; kind: string }[]
  parts: { id: string; arrivesInMinutes: number }[]
  done: { step: string; minutes?: number; act: 'done' | 'skipped'; reason?: string }[]
  surprises: { at: string; kind: SurpriseKind }[]
  draws: number
  seed: number
  /** The shop's own packages, and what its jobs have taught of minutes: the verb knows neither. */
  own?: ReadonlyMap<string, Package>
  times?: Readonly<Record<string, StepTimes>>
}

export function listOf(value: unknown, path: string, most: number): unknown[] {
  if (value === undefined) return []
  if (!Array.isArray(value)) throw new InputError('must be a list', path)
  if (value.length > most)
    throw new InputError(`at most ${most} can be given`, pointerTo(path, String(most)))
  return value
}
export function textOf(value: unknown, path: string, most = 120): string {
  if (typeof value !== 'string' || value === '' || value.length > most)
    throw new InputError(`must be a text of 1 to ${most} characters`, path)
  return value
}

/** @throws InputError with the path of what is wrong */
export function readPlan(given: Record<string, unknown>): PlanAsked {
  const packages = listOf(given.packages, '/packages', MOST_PACKAGES).map((one, i) => {
    const path = `/packages/${i}`
    const own = objectOf(one, path, ['id', 'choices'])
    const id = choiceOf(own.id, `${path}/id`, PACKAGE_IDS)
    if (own.choices === undefined) return { id }
    const choices: Record<string, string> = {}
    for (const [name, value] of Object.entries(objectOf(own.choices, `${path}/choices`))) {
      const known = planChoice(name)
      const at = pointerTo(`${path}/choices`, name)
      if (!known) throw new InputError(`${name} is no choice of a plan`, at)
      choices[name] = choiceOf(value, at, known.values)
    }
    return { id, choices }
  })
  if (packages.length === 0) throw new InputError('at least one package must be given', '/packages')
  if (given.people !== 1 && given.people !== 2) throw new InputError('people must be 1 or 2', '/people')
  const whole = (name: 'draws' | 'seed', usual: number, min: number, max: number): number => {
    const value = given[name]
    if (value === undefined) return usual
    inRange(value, `/${name}`, { unit: '', min, max }, name)
    if (!Number.isInteger(value)) throw new InputError(`${name} must be a whole number`, `/${name}`)
    return value
  }
  return {
    packages,
    people: given.people,
    vehicle: readVehicle(given.vehicle, '/vehicle'),
    joints: listOf(given.joints, '/joints', 40).map((one, i) => {
      const own = objectOf(one, `/joints/${i}`, ['name', 'hex', 'kind'])
      const { hex } = own
      inRange(hex, `/joints/${i}/hex`, { unit: 'mm', min: 1, max: 100 }, 'Hex')
      return {
        name: textOf(own.name, `/joints/${i}/name`),
        hex,
        kind: textOf(own.kind, `/joints/${i}/kind`),
      }
    }),
    parts: listOf(given.parts, '/parts', 80).map((one, i) => {
      const own = objectOf(one, `/parts/${i}`, ['id', 'arrivesInMinutes'])
      const { arrivesInMinutes } = own
      inRange(
        arrivesInMinutes,
        `/parts/${i}/arrivesInMinutes`,
        { unit: 'min', min: 0, max: 525_600 },
        'Arrives in',
      )
      return { id: textOf(own.id, `/parts/${i}/id`), arrivesInMinutes }
    }),
    done: listOf(given.done, '/done', MOST_STEPS).map((one, i) => {
      const own = objectOf(one, `/done/${i}`, ['step', 'minutes', 'act', 'reason'])
      const act = choiceOf(own.act, `/done/${i}/act`, ['done', 'skipped'] as const)
      const { minutes } = own
      if (minutes !== undefined)
        inRange(minutes, `/done/${i}/minutes`, { unit: 'min', min: 0, max: 100_000 }, 'Minutes')
      if (act === 'skipped' && own.reason === undefined)
        throw new InputError('a step that is skipped needs its reason', `/done/${i}/reason`)
      return {
        step: textOf(own.step, `/done/${i}/step`),
        act,
        ...(minutes !== undefined && { minutes }),
        ...(own.reason !== undefined && { reason: textOf(own.reason, `/done/${i}/reason`, 400) }),
      }
    }),
    surprises: listOf(given.surprises, '/surprises', 40).map((one, i) => {
      const own = objectOf(one, `/surprises/${i}`, ['at', 'kind'])
      return {
        at: textOf(own.at, `/surprises/${i}/at`),
        kind: choiceOf(own.kind, `/surprises/${i}/kind`, SURPRISE_KINDS),
      }
    }),
    draws: whole('draws', 1000, 1, 100_000),
    seed: whole('seed', 1, 0, 4_294_967_295),
  }
}

/** Facts of the vehicle that steps hang on. */
export const VEHICLE_FACTS = [
  'battery',
  'sharedReservoir',
  'concentric',
  'bleedScrew',
  'panel',
  'airbox',
  'wheel',
  'starter',
  'dashPanel',
] as const

export function readVehicle(value: unknown, path: string): VehicleFacts {
  if (value === undefined) return {}
  const given = objectOf(value, path, [...VEHICLE_FACTS, 'boltedFrom'])
  const facts: VehicleFacts = {}
  for (const name of VEHICLE_FACTS)
    if (given[name] !== undefined) facts[name] = yesOrNo(given[name], pointerTo(path, name))
  if (given.boltedFrom !== undefined)
    facts.boltedFrom = choiceOf(given.boltedFrom, `${path}/boltedFrom`, ['below', 'above'] as const)
  return facts
}

export const STEP_FIELDS = [
  'id',
  'package',
  'title',
  'does',
  'why',
  'place',
  'minutes',
  'people',
  'needs',
  'forbids',
  'puts',
  'takes',
  'records',
  'recalls',
  'presses',
  'fills',
  'electrical',
  'engine',
  'cautions',
  'tools',
  'torque',
]
const MINUTES = { unit: 'min', min: 0, max: 100_000 }

/** Steps of a sequence that is to be checked; what a step leaves out is empty. */
export function readSteps(value: unknown, path: string): Step[] {
  return listOf(value, path, MOST_STEPS).map((one, i) => readStep(one, `${path}/${i}`))
}
export function readStep(value: unknown, path: string): Step {
  const given = objectOf(value, path, STEP_FIELDS)
  const names = (name: string): string[] =>
    listOf(given[name], `${path}/${name}`, 40).map((one, i) => textOf(one, `${path}/${name}/${i}`))
  const words = (name: string): string =>
    given[name] === undefined || given[name] === '' ? '' : textOf(given[name], `${path}/${name}`, 2000)
  const flag = (name: 'fills' | 'electrical' | 'engine') =>
    given[name] === undefined ? {} : { [name]: yesOrNo(given[name], `${path}/${name}`) }
  const minutes = listOf(given.minutes, `${path}/minutes`, 3)
  if (given.minutes !== undefined && minutes.length !== 3)
    throw new InputError('must be low, likely and high', `${path}/minutes`)
  const three = [0, 1, 2].map((i) => {
    const figure = minutes[i] ?? 0
    inRange(figure, `${path}/minutes/${i}`, MINUTES, 'Minutes')
    return figure
  }) as Step['minutes']
  if (three[0] > three[1] || three[1] > three[2])
    throw new InputError('must rise from low to high', `${path}/minutes`)
  const people = given.people ?? 1
  inRange(people, `${path}/people`, { unit: '', min: 1, max: 10 }, 'People')
  const { presses } = given
  return {
    id: textOf(given.id, `${path}/id`),
    package: words('package'),
    title: words('title'),
    does: words('does'),
    why: words('why'),
    place: choiceOf(given.place, `${path}/place`, PLACES),
    minutes: three,
    people,
    needs: names('needs'),
    forbids: names('forbids'),
    puts: names('puts'),
    takes: names('takes'),
    records: names('records'),
    recalls: names('recalls'),
    ...(presses !== undefined && {
      presses: presses === 'called' ? ('called' as const) : yesOrNo(presses, `${path}/presses`),
    }),
    ...flag('fills'),
    ...flag('electrical'),
    ...flag('engine'),
    cautions: names('cautions'),
    tools: listOf(given.tools, `${path}/tools`, 40).map((one, i) =>
      readTool(one, `${path}/tools/${i}`),
    ),
    ...(given.torque !== undefined && { torque: textOf(given.torque, `${path}/torque`, 400) }),
  }
}
function readTool(value: unknown, path: string): Tool {
  if (typeof value === 'string') return { name: textOf(value, path) }
  const given = objectOf(value, path, ['name', 'size'])
  return {
    name: textOf(given.name, `${path}/name`),
    ...(given.size !== undefined && { size: textOf(given.size, `${path}/size`) }),
  }
}
