import { choiceOf, InputError, objectOf, pointerTo, yesOrNo } from '../circuit'
import { makePlan } from './answer'
import { checkSequence } from './check'
import { TooManyStates } from './masks'
import { isOwn, PACKAGE_IDS, type Package, type StepTold } from './packages'
import { listOf, readPlan, readStep, STEP_FIELDS, textOf, type PlanAsked } from './read'
import { STATES } from './states'
import { PLACES, type Step } from './step'

export const PACKAGE_SCHEMA = 'urn:mellow-anchor:package:1'
const STEP_ID = /^[a-zA-Z][a-zA-Z0-9]{0,39}$/
const MOST_STEPS = 60
const PLACES_TOLD = [...PLACES, 'slaveSide'] as const
const FURTHER = ['parts', 'consumables', 'when', 'once', 'after'] as const
/** A step of a package belongs to it: it does not name it again. */
const OWN_FIELDS = [...STEP_FIELDS.filter((name) => name !== 'package'), ...FURTHER]
const STATE = /^(?:circuitOpen|plugged):\S{1,40}$/

/**
 * A package of the shop's own, as its file has it.
 * @throws InputError with the path of what is wrong
 */
export function readPackage(value: unknown): Package {
  const given = objectOf(value, '', ['$schema', 'id', 'title', 'operation', 'brings', 'steps'])
  if (given.$schema !== PACKAGE_SCHEMA) throw new InputError(`must be ${PACKAGE_SCHEMA}`, '/$schema')
  const id = textOf(given.id, '/id', 40)
  if (!isOwn(id))
    throw new InputError('must be “own-” and then small letters, digits and hyphens', '/id')
  const steps = listOf(given.steps, '/steps', MOST_STEPS).map((one, i) => readTold(one, `/steps/${i}`))
  if (steps.length === 0) throw new InputError('at least one step must be given', '/steps')
  steps.forEach((step, i) => {
    if (steps.findIndex((other) => other.id === step.id) !== i)
      throw new InputError(`${step.id} stands twice`, `/steps/${i}/id`)
  })
  const pack: Package = {
    $schema: PACKAGE_SCHEMA,
    id,
    title: textOf(given.title, '/title', 80),
    operation: given.operation === undefined ? 'access' : textOf(given.operation, '/operation', 40),
    brings: listOf(given.brings, '/brings', 20).map((one, i) =>
      choiceOf(one, `/brings/${i}`, PACKAGE_IDS),
    ),
    steps,
  }
  tried(pack)
  return pack
}

function readTold(value: unknown, path: string): StepTold {
  const given = objectOf(value, path, OWN_FIELDS)
  const { place, minutes, when, once, after, parts, consumables, ...rest } = given
  const id = textOf(given.id, `${path}/id`, 40)
  if (!STEP_ID.test(id)) throw new InputError('must be letters and digits', `${path}/id`)
  const names = (list: unknown, name: string) =>
    listOf(list, `${path}/${name}`, 40).map((one, i) => textOf(one, `${path}/${name}/${i}`))
  const told = choiceOf(place, `${path}/place`, PLACES_TOLD)
  // Read like any step; where it is done is settled by the vehicle.
  const read = readStep({ ...rest, place: told === 'slaveSide' ? 'under' : told, minutes }, path)
  if (minutes === undefined) throw new InputError('is missing', `${path}/minutes`)
  textOf(given.title, `${path}/title`)
  for (const name of ['needs', 'forbids', 'puts', 'takes'] as const)
    read[name].forEach((state, i) => {
      if (!(STATES as readonly string[]).includes(state) && !STATE.test(state))
        throw new InputError(`${state} is no state of a plan`, `${path}/${name}/${i}`)
    })
  const { package: _, ...step } = read
  return {
    ...step,
    id,
    place: told,
    ...(parts !== undefined && { parts: names(parts, 'parts') }),
    ...(consumables !== undefined && { consumables: names(consumables, 'consumables') }),
    ...(after !== undefined && { after: names(after, 'after') }),
    ...(once !== undefined && { once: textOf(once, `${path}/once`, 40) }),
    ...(when !== undefined && { when: readWhen(when, `${path}/when`) }),
  } as StepTold
}

function readWhen(value: unknown, path: string): NonNullable<StepTold['when']> {
  const when: NonNullable<StepTold['when']> = {}
  for (const [name, wanted] of Object.entries(objectOf(value, path))) {
    const at = pointerTo(path, name)
    if (Array.isArray(wanted)) when[name] = wanted.map((one, i) => textOf(one, `${at}/${i}`, 40))
    else if (typeof wanted === 'string' || typeof wanted === 'number') when[name] = wanted
    else when[name] = yesOrNo(wanted, at)
  }
  return when
}

/** Planned by itself, alone and with a helper: a package that breaks a rule on its own is not kept. */
function tried(pack: Package): void {
  for (const people of [1, 2]) {
    const asked = readPlan({ packages: [{ id: 'access' }], people, draws: 1 })
    const own = new Map([[pack.id, pack]])
    const steps = planned({ ...asked, packages: [{ id: pack.id }], own })
    const [broken] = checkSequence(steps, {}, people)
    if (!broken) continue
    const at = pack.steps.findIndex(({ id }) => `${pack.id}.${id}` === broken.step)
    const title = steps.find(({ id }) => id === broken.step)?.title
    const words = title ? `${title}: ${broken.words}` : broken.words
    const who = people === 1 ? 'alone' : 'with a helper'
    throw new InputError(`planned ${who}: ${words}`, at < 0 ? '/steps' : `/steps/${at}`)
  }
}
function planned(asked: PlanAsked): Step[] {
  try {
    return makePlan(asked).steps
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    if (error instanceof TooManyStates) throw error
    throw new InputError(
      'no order of its steps was found that keeps every rule: look at what they need, put on and take off',
      '/steps',
    )
  }
}
