import { FINDINGS, type Finding, type FindingId, type Need } from './findings'

/** What holds in the workshop just now, and so which looks can be taken. */
export type Conditions = Record<Need, boolean>

export interface NeedKind {
  id: Need
  label: string
  /** How it is said on the say-line, before “yes” or “no”. */
  words: readonly string[]
  /** Taken to hold until somebody says otherwise. */
  usual: boolean
  reason: string
}

export const NEEDS: readonly NeedKind[] = [
  {
    id: 'helper',
    label: 'A helper is here',
    words: ['helper'],
    usual: false,
    reason: 'Many work alone.',
  },
  {
    id: 'underneath',
    label: 'It can be got under',
    words: ['under it', 'lift'],
    usual: true,
    reason: 'On stands, lift or pit; the finding about stands says if it is not.',
  },
  {
    id: 'pedal',
    label: 'The pedal may be pressed',
    words: ['pedal free'],
    usual: true,
    reason: 'Until a slave is off, or something is about to break.',
  },
  {
    id: 'engine',
    label: 'The engine may run here',
    words: ['engine may run'],
    usual: true,
    reason: 'Brake on, out of gear, nobody in front.',
  },
  {
    id: 'road',
    label: 'It may be driven',
    words: ['may drive'],
    usual: true,
    reason: 'Until the brakes are in doubt.',
  },
  {
    id: 'hours',
    label: 'It can stand overnight',
    words: ['can stand'],
    usual: false,
    reason: 'A customer waits.',
  },
  {
    id: 'slaveOff',
    label: 'The slave is unbolted',
    words: ['slave unbolted'],
    usual: false,
    reason: 'Not unbolted only to look.',
  },
  {
    id: 'circuitOpen',
    label: 'The circuit may be opened',
    words: ['may open'],
    usual: false,
    reason: 'Then it has to be bled again.',
  },
]

export const USUAL_CONDITIONS: Conditions = Object.fromEntries(
  NEEDS.map(({ id, usual }) => [id, usual]),
) as Conditions

const barring = new Map<string, Finding>(
  FINDINGS.filter((kind) => kind.bars).map((kind) => [kind.id, kind]),
)

/**
 * Conditions with what open stop-work findings forbid taken away.
 * @param stops stop-work findings that are present and not taken over.
 */
export function safeConditions(conditions: Conditions, stops: readonly FindingId[]): Conditions {
  const safe = { ...conditions }
  for (const stop of stops) for (const need of barring.get(stop)?.bars ?? []) safe[need] = false
  return safe
}

/** The first need that is not met; null where the look can be taken. */
export const unmet = (needs: readonly Need[], conditions: Conditions): Need | null =>
  needs.find((need) => !conditions[need]) ?? null
