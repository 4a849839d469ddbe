import { InputError, readCircuit } from '../core/circuit'
import {
  installationField,
  lengthOfLines,
  type Installation,
  type RoutePoint,
} from '../core/installation'
import type { Entry } from '../core/journal'
import { readingKind } from '../core/diagnosis'
import type { FieldProblem } from './problem'

/** What a schema cannot say of an entry: bounds that depend on another field, and geometry that must agree. */
export function checkEntry(entry: Entry, at = ''): FieldProblem[] {
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
      if (entry.subject.type !== 'job')
        return [{ path: `${at}/subject/type`, message: 'must be job: a plan belongs to a job' }]
      return entry.payload.changes.flatMap((change, i) =>
        change.change === 'field' ? checkField(change, `${at}/payload/changes/${i}`) : [],
      )
    case 'graded':
    case 'condition':
    case 'takenOver':
    case 'decision':
    case 'cause':
      if (entry.subject.type !== 'job')
        return [{ path: `${at}/subject/type`, message: `must be job: ${entry.kind} belongs to a job` }]
      return []
    case 'calibration':
      if (entry.subject.type !== 'vehicle')
        return [
          { path: `${at}/subject/type`, message: 'must be vehicle: a calibration is kept with it' },
        ]
      return []
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
