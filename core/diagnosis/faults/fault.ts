import type { ComplaintId } from '../complaints'
import type { FindingId, Only } from '../findings'
import type { Severity } from './severities'

/** Where on the circuit a fault sits: it is shown there. */
export type FaultPlace =
  | 'reservoir'
  | 'pedal'
  | 'master'
  | 'outlet'
  | 'pipe'
  | 'hose'
  | 'slaveUnion'
  | 'slave'
  | 'bleeder'
  | 'fork'
  | 'clutch'
  | 'gearbox'

/** What a fault makes the driver say or a technician find: with what chance, and why. */
export type Shows = readonly [what: ComplaintId | FindingId, chance: number, reason: string]

export interface FaultKind {
  id: string
  label: string
  place: FaultPlace
  /** False where no hydraulic part and no fluid is at fault. */
  hydraulic: boolean
  /** Chance that a vehicle brought in has it, before anything is known; and why so. */
  prior: readonly [chance: number, reason: string]
  /** How bad it may be, where that can be put in figures. */
  severities?: readonly Severity[]
  shows: readonly Shows[]
  only?: Only
}

export const fault = <const T extends FaultKind>(kind: T): T => kind
