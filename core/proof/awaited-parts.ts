import type { JobState } from '../journal'
import { openOf } from '../orders'

/** Parts as steps of the plan name them, by the words of an order's line; the first that fits holds. */
const NAMED: readonly (readonly [part: string, way: RegExp])[] = [
  ['seal kit', /\bkit\b|\bseals\b/i],
  ['concentric slave', /\bconcentric\b/i],
  ['slave cylinder', /\bslave\b/i],
  ['master cylinder', /\bmaster\b/i],
  ['hose', /\bhose\b/i],
  ['pipe', /\bpipe\b/i],
  ['fluid', /\bfluid\b|\bdot ?[345]/i],
  ['washers', /\bwashers?\b/i],
  ['cotter pin', /\bcotter\b|\bsplit pin\b/i],
]
const MINUTE = 60_000

/** Parts of a job that are ordered and not here, as the plan waits for them; what no day is promised for is not waited for. */
export function awaitedParts(
  ordered: JobState['ordered'],
  now: string,
): { id: string; arrivesInMinutes: number }[] {
  return Object.values(ordered).flatMap(({ words, ordered: pieces, counts, arrives }) => {
    const part = NAMED.find(([, way]) => way.test(words))?.[0]
    if (!part || arrives === null || openOf(pieces, counts) <= 0) return []
    const arrivesInMinutes = Math.max(0, (Date.parse(arrives) - Date.parse(now)) / MINUTE)
    return [{ id: part, arrivesInMinutes: Math.min(525_600, Math.round(arrivesInMinutes)) }]
  })
}
