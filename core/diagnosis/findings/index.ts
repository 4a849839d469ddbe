import type { FindingKind } from './finding'
import { FOOTWELL } from './footwell'
import { FORK_AND_CLUTCH } from './fork-and-clutch'
import { LINES } from './lines'
import { OPENED } from './opened'
import { RESERVOIR } from './reservoir'
import { ROAD } from './road'
import { SLAVE } from './slave'

/** Everything that can be seen, felt or heard, in the order that wastes least time. Each figure is judgement, with its reason. */
const TABLE = [
  ...RESERVOIR,
  ...LINES,
  ...FOOTWELL,
  ...SLAVE,
  ...OPENED,
  ...FORK_AND_CLUTCH,
  ...ROAD,
] as const

export type FindingId = (typeof TABLE)[number]['id']
export type Finding = FindingKind & { id: FindingId; after?: FindingId; unless?: FindingId }
export const FINDINGS: readonly Finding[] = TABLE
const byId = new Map<string, Finding>(FINDINGS.map((kind) => [kind.id, kind]))
export const findingKind = (id: FindingId): Finding => byId.get(id)!
export const FINDING_IDS = FINDINGS.map((kind) => kind.id)
export { PLACES, type FindingKind, type Need, type Only, type Place } from './finding'
