import { InputError, readCircuit } from '../core/circuit'
import {
  installationField,
  lengthOfLines,
  type Installation,
  type RoutePoint,
} from '../core/installation'
import type { Entry, Kind, Subject } from '../core/journal'
import { readingKind } from '../core/diagnosis'
import type { FieldProblem } from './problem'

/** Whose history each kind may stand in; a kind that is not named here does not compile. */
const BELONGS: Record<Kind, readonly Subject['type'][]> = {
  goal: ['job'],
  complaint: ['job'],
  finding: ['job'],
  measurement: ['job'],
  graded: ['job'],
  condition: ['job'],
  takenOver: ['job'],
  decision: ['job'],
  cause: ['job'],
  plan: ['job'],
  bleedCycle: ['job'],
  topUp: ['job'],
  verdict: ['job'],
  calibration: ['vehicle'],
  parameter: ['job', 'vehicle'],
  installation: ['job', 'vehicle'],
  route: ['job', 'vehicle'],
  note: ['job', 'vehicle'],
  withdrawal: ['job', 'vehicle'],
}

/**
 * What a schema cannot say of an entry: whose it may be, bounds that depend on another field, and geometry that must
 * agree.
 */
export function checkEntry(entry: Entry, at = ''): FieldProblem[] {
  const owners = BELONGS[entry.kind]
  if (!owners.includes(entry.subject.type)) {
    const message = `must be ${owners.join(' or ')}: ${entry.kind} belongs to a ${owners[0]}`
    return [{ path: `${at}/subject/type`, message }]
  }
  switch (entry.kind) {
    case 'measurement': {
      const { reading, value, duration } = entry.payload
      const { label, min, max, over } = readingKind(reading)
      if (value < min || value > max)
        return [{ path: `${at}/payload/value`, message: `${label} must be ${min} to ${max} mm` }]
      if (over !== undefined && duration === undefined)
        return [{ path: `${at}/payload/duration`, message: `${label} needs its duration, in s` }]
      return []
    }
    case 'parameter':
      return checkField(entry.payload, `${at}/payload`)
    case 'route':
      return checkRoute(entry.payload.points, `${at}/payload/points`)
    case 'plan':
      return entry.payload.changes.flatMap((change, i) =>
        change.change === 'field' ? checkField(change, `${at}/payload/changes/${i}`) : [],
      )
    case 'installation':
      return checkInstallation(entry.payload, `${at}/payload`)
    default:
      return []
  }
}

function checkInstallation(installation: Installation, at: string): FieldProblem[] {
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
  return []
}

function checkField(
  { field: path, value }: { field: string; value: number },
  at: string,
): FieldProblem[] {
  const field = installationField(path)
  if (!field) return [{ path: `${at}/field`, message: `${path} is no field of an installation` }]
  if (value >= field.min && value <= field.max) return []
  const message = `${field.label} must be ${field.min} to ${field.max} ${field.unit}`.trim()
  return [{ path: `${at}/value`, message }]
}

/** Along must begin at 0 and rise. */
function checkRoute(route: readonly RoutePoint[], at: string): FieldProblem[] {
  if (route[0]!.along !== 0) return [{ path: `${at}/0/along`, message: 'must be 0' }]
  const back = route.findIndex((point, i) => i > 0 && point.along <= route[i - 1]!.along)
  return back < 0
    ? []
    : [{ path: `${at}/${back}/along`, message: 'must be greater than the point before it' }]
}

/** What a file of an installation may get wrong beyond its schema. */
export const checkInstallationFile = ({
  installation,
}: {
  installation: Installation
}): FieldProblem[] => checkInstallation(installation, '/installation')
