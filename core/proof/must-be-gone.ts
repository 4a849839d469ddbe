import type { FaultId, FindingId } from '../diagnosis'
import type { RuleName } from '../journal'
import type { OperationId } from '../work'
import rows from './must-be-gone.json' with { type: 'json' }

/** Parts that a proof counts as renewed. */
export const RENEWABLE = [
  'master',
  'slave',
  'concentric',
  'line',
  'hose',
  'feedHose',
  'reservoir',
  'bleeder',
  'unions',
  'sensor',
  'restrictor',
  'connector',
  'boot',
  'cap',
  'rod',
  'switch',
  'linkage',
  'pedal',
  'pin',
  'bracket',
  'fork',
  'clutch',
] as const
export type Renewed = (typeof RENEWABLE)[number]

/** What a finding speaks of: fluid where none should be, a part or joint that does not hold, air left, or something in the way. */
export type SortOfFault = 'leak' | 'joint' | 'air' | 'way'

/** A finding with which no vehicle is handed over. */
export interface MustBeGone {
  finding: FindingId
  sort: SortOfFault
  /** Rule that it speaks to. */
  rule: RuleName
  /** Parts of which any, once renewed, takes what was found away with it; nothing where only a second look tells. */
  parts: readonly Renewed[]
  cause?: FaultId
  /** A good figure of the same rule and this finding cannot both be right. */
  againstFigure?: true
  /** Says nothing while that other finding is present. */
  unless?: FindingId
  reason: string
}

/**
 * A leak, joint or air finding that is present after the work keeps it from being finished. One that was present as found is
 * looked at again, or one of its parts was renewed. What only has to be gone after the work (`way`) is not asked for again.
 * Stop-work findings among them stop by themselves, too; wear that is only noted (pedal bushes, clevis, rust) keeps nothing back.
 */
export const MUST_BE_GONE = rows as readonly MustBeGone[]
const byFinding = new Map<string, MustBeGone>(MUST_BE_GONE.map((row) => [row.finding, row]))
export const mustBeGone = (finding: string): MustBeGone | undefined => byFinding.get(finding)

/** What each piece of work renews, of what a proof counts. */
export const RENEWS: Partial<Record<OperationId, readonly Renewed[]>> = {
  master: ['master'],
  slave: ['slave'],
  concentric: ['concentric'],
  hose: ['hose'],
  pipe: ['line'],
  unions: ['unions', 'bleeder'],
  restrictor: ['restrictor'],
  feed: ['feedHose', 'reservoir'],
  everythingRubber: ['master', 'slave', 'hose'],
  rod: ['rod'],
  linkage: ['linkage'],
  switch: ['switch'],
  pin: ['pin'],
  pedal: ['pedal'],
  bracket: ['bracket'],
  fork: ['fork'],
  clutch: ['clutch'],
}

/** Work by which a part is renewed; a screw, a connector or a boot alone is no operation. */
const WORK_OF: Partial<Record<Renewed, OperationId>> = {
  master: 'master',
  slave: 'slave',
  concentric: 'concentric',
  hose: 'hose',
  line: 'pipe',
  unions: 'unions',
  restrictor: 'restrictor',
  feedHose: 'feed',
  reservoir: 'feed',
  rod: 'rod',
  linkage: 'linkage',
  switch: 'switch',
  pin: 'pin',
  pedal: 'pedal',
  bracket: 'bracket',
  fork: 'fork',
  clutch: 'clutch',
}
/** Work that was done where these parts are new. */
export const operationsOf = (parts: readonly Renewed[]): OperationId[] =>
  parts.flatMap((part) => WORK_OF[part] ?? [])
