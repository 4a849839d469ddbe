import type { PedalReadings } from '../estimate'
import { choiceField, installationField, type Installation, type RoutePoint } from '../installation'
import type { Held } from './held'
import type { Format } from '../quantity'
import type { Change } from '../whatif'
import type { EntryKind } from './kind'

/** One field of the installation, measured or read off. */
export interface Parameter {
  /** Dotted path in the circuit, or of its place in the vehicle. */
  field: string
  /** A figure, or one of the field's list. */
  value: number | string
}
/** The line's way, drawn or typed, along its present length. */
export interface RouteDrawn {
  points: RoutePoint[]
}
/** What is planned for the circuit, to be compared with what was found. */
export interface CircuitPlan {
  changes: Change[]
  /** Put off until the vehicle has gone so far from now, km: a new disc beds in first. */
  waitKm?: number
  /** Why, as it was explained when it was kept. */
  why?: string
}

export interface CircuitPayloads {
  parameter: Parameter
  installation: Installation
  route: RouteDrawn
  /** Readings of a pedal that is known to be good; kept with the vehicle. */
  calibration: PedalReadings
  circuitPlan: CircuitPlan
}
export interface CircuitState {
  /** What is planned for the circuit; null where nothing is. */
  circuitPlan: Held<CircuitPlan> | null
}
export const startCircuit = (): CircuitState => ({ circuitPlan: null })

/** Belongs to `installationFrom` and `calibrationFrom`, which fold a circuit and not a job's state. */
const elsewhere = () => {}

/** One of a list, as one would say it. */
export const choiceWords = (value: string): string =>
  value === 'inHousing' ? 'inside the housing' : value

/** A change in thought, as one would say it. */
export function tellChange(change: Change, format: Format): string {
  switch (change.change) {
    case 'air':
      return `air ${format.volume(change.value)}`
    case 'wear':
      return `facings worn ${format.length(change.value)}`
    case 'lines':
      return `${change.lines.length === 1 ? 'one line' : `${change.lines.length} lines`} in all: ${change.lines
        .map(({ kind, length }) => `${kind} ${format.length(length)}`)
        .join(', ')}`
    case 'line':
      return `line ${change.index + 1} ${change.line.kind}, ${format.length(change.line.length)}`
    case 'field': {
      const field = installationField(change.field)
      const label = (field?.label ?? change.field).toLowerCase()
      return `${label} ${format.figure(change.value, field?.unit ?? '')}`
    }
  }
}

type Kinds = { [K in keyof CircuitPayloads]: EntryKind<CircuitPayloads[K], CircuitState> }

export const CIRCUIT_KINDS: Kinds = {
  parameter: {
    stages: ['choose', 'fit'],
    subjects: ['job', 'vehicle'],
    take: elsewhere,
    tell: ({ field, value }, format) => {
      if (typeof value === 'string')
        return `${choiceField(field)?.label ?? field}: ${choiceWords(value)}`
      const known = installationField(field)
      return `${known?.label ?? field} measured: ${format.figure(value, known?.unit ?? '')}`
    },
  },
  installation: {
    stages: ['choose'],
    subjects: ['job', 'vehicle'],
    take: elsewhere,
    tell: () => 'Installation set',
  },
  route: {
    stages: [],
    subjects: ['job', 'vehicle'],
    take: elsewhere,
    tell: ({ points }) => `Line routed over ${points.length} points`,
  },
  calibration: {
    stages: [],
    subjects: ['vehicle'],
    replaces: () => 'calibration',
    take: elsewhere,
    tell: () => 'Pedal known good: readings kept for later',
  },
  circuitPlan: {
    stages: ['choose'],
    subjects: ['job'],
    replaces: () => 'circuitPlan',
    take: (slice, held) => (slice.circuitPlan = held),
    tell: ({ changes, waitKm }, format) =>
      changes.length === 0
        ? 'Nothing planned'
        : `Planned${waitKm === undefined ? '' : ` in ${format.figure(waitKm, 'km')}`}: ${changes
            .map((change) => tellChange(change, format))
            .join('; ')}`,
  },
}
