import { CYLINDERS } from './cylinders'
import type { FaultKind } from './fault'
import { LINES_AND_FLUID } from './lines-and-fluid'
import { MECHANICAL } from './mechanical'

/** Everything that can be wrong. Every chance in it is engineering judgement, with its reason beside it. */
const TABLE = [...CYLINDERS, ...LINES_AND_FLUID, ...MECHANICAL] as const

export type FaultId = (typeof TABLE)[number]['id']
export type Fault = FaultKind & { id: FaultId }
export const FAULTS: readonly Fault[] = TABLE
const byId = new Map<string, Fault>(FAULTS.map((kind) => [kind.id, kind]))
export const faultKind = (id: FaultId): Fault => byId.get(id)!
export const FAULT_IDS = FAULTS.map((kind) => kind.id)
export type { FaultKind, FaultPlace, Shows } from './fault'
export { SEVERITIES, type Effect, type Severity } from './severities'
