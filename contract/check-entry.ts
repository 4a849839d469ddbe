import { fieldAt, InputError, readCircuit } from '../core/circuit'
import { lengthOfLines, type Installation } from '../core/installation'
import { readingKind, type Entry } from '../core/journal'
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
    case 'parameter': {
      const { field: path, value } = entry.payload
      const field = fieldAt(path)
      if (!field) return [{ path: `${at}/payload/field`, message: `${path} is no field of a circuit` }]
      if (value < field.min || value > field.max) {
        const message = `${field.label} must be ${field.min} to ${field.max} ${field.unit}`.trim()
        return [{ path: `${at}/payload/value`, message }]
      }
      return []
    }
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
  for (const [i, point] of route.entries()) {
    if (i > 0 && point.along <= route[i - 1]!.along)
      return [{ path: `${at}/route/${i}/along`, message: 'must be greater than the point before it' }]
  }
  if (route[0]!.along !== 0) return [{ path: `${at}/route/0/along`, message: 'must be 0' }]
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
