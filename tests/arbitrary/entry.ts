import type { Entry, Kind, Payloads } from '../../core/journal'

const DIGITS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'

/** A valid ULID for number n; greater n, greater id. */
export function ulidOf(n: number): string {
  let text = ''
  for (let rest = n, i = 0; i < 26; i++, rest = Math.floor(rest / 32)) text = DIGITS[rest % 32]! + text
  return text
}

export const JOB = ulidOf(7)
export const PERSON = ulidOf(9)

/** Entry number n of the test job; also its sequence, unless it waits. */
export function entry<K extends Kind>(
  n: number,
  kind: K,
  payload: Payloads[K],
  more: Partial<Entry> = {},
): Entry {
  return {
    id: ulidOf(1000 + n),
    subject: { type: 'job', id: JOB },
    kind,
    at: `2026-11-24T08:${String(n % 60).padStart(2, '0')}:00.000Z`,
    by: PERSON,
    payload,
    sequence: n,
    ...more,
  } as Entry
}

export const reading = (
  name: Payloads['measurement']['reading'],
  value: number,
  phase: Payloads['measurement']['phase'] = 'asFound',
  duration?: number,
): Payloads['measurement'] => ({ reading: name, value, phase, ...(duration && { duration }) })

export const cycle = (
  cameOut: Payloads['bleedCycle']['cameOut'],
  strokes = 1,
  bottle?: number,
): Payloads['bleedCycle'] => ({
  method: 'openPush',
  strokes,
  cameOut,
  ...(bottle !== undefined && { bottle }),
})
