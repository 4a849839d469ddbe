import { InputError, readCircuit } from '../core/circuit'
import {
  choiceField,
  installationField,
  jointPlaces,
  lengthOfLines,
  outOfReach,
  type Installation,
  type RoutePoint,
} from '../core/installation'
import { checkEnd } from './end'
import type { FieldProblem } from './problem'

/** Geometry that must agree: what a schema cannot say of an installation. */
export function checkInstallation(installation: Installation, at: string): FieldProblem[] {
  try {
    readCircuit(installation.circuit, `${at}/circuit`)
  } catch (error) {
    if (error instanceof InputError) return [{ path: error.path, message: error.message }]
    throw error
  }
  const { route } = installation
  const length = lengthOfLines(installation.circuit)
  const wrong = checkRoute(route, `${at}/route`)
  if (wrong.length > 0) return wrong
  const last = route.length - 1
  if (Math.abs(route[last]!.along - length) > 1)
    return [
      {
        path: `${at}/route/${last}/along`,
        message: `must be the length of all lines, ${length} mm`,
      },
    ]
  return checkJoints(installation, `${at}/joints`)
}

/** Joints are ones that this circuit has, each once. */
function checkJoints(installation: Installation, at: string): FieldProblem[] {
  const places = jointPlaces(installation)
  const joints = installation.joints ?? []
  return joints.flatMap((joint, i) => {
    if (!places.includes(joint.at))
      return [{ path: `${at}/${i}/at`, message: `must be one of ${places.join(', ')}` }]
    if (joints.findIndex((one) => one.at === joint.at) < i)
      return [{ path: `${at}/${i}/at`, message: 'stands there already' }]
    return [...checkEnd(joint.a, `${at}/${i}/a`), ...checkEnd(joint.b, `${at}/${i}/b`)]
  })
}

/** A field's own bounds, or the list that it is chosen from. */
export function checkField(
  { field: path, value }: { field: string; value: number | string },
  at: string,
): FieldProblem[] {
  const choice = choiceField(path)
  if (choice)
    return typeof value === 'string' && choice.values.includes(value)
      ? []
      : [{ path: `${at}/value`, message: `must be one of ${choice.values.join(', ')}` }]
  const field = installationField(path)
  if (!field) return [{ path: `${at}/field`, message: `${path} is no field of an installation` }]
  if (typeof value === 'string') return [{ path: `${at}/value`, message: 'must be a number' }]
  if (value >= field.min && value <= field.max) return []
  const message = `${field.label} must be ${field.min} to ${field.max} ${field.unit}`.trim()
  return [{ path: `${at}/value`, message }]
}

/** Along must begin at 0 and rise, and no piece of line spans more than its own length. */
export function checkRoute(route: readonly RoutePoint[], at: string): FieldProblem[] {
  if (route[0]!.along !== 0) return [{ path: `${at}/0/along`, message: 'must be 0' }]
  const back = route.findIndex((point, i) => i > 0 && point.along <= route[i - 1]!.along)
  if (back >= 0)
    return [{ path: `${at}/${back}/along`, message: 'must be greater than the point before it' }]
  const far = outOfReach(route)
  if (!far) return []
  const { index, by } = far
  const reach = route[index]!.along - route[index - 1]!.along
  const message = `is ${(reach + by).toFixed(0)} mm from the point before it, and only ${reach.toFixed(0)} mm of line lie between them`
  return [{ path: `${at}/${index}/height`, message }]
}

/** What a file of an installation may get wrong beyond its schema. */
export const checkInstallationFile = ({
  installation,
}: {
  installation: Installation
}): FieldProblem[] => checkInstallation(installation, '/installation')
