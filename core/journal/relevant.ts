import { timeline, type Standing } from './effective'
import type { Entry } from './entry'
import { kindOf, understood } from './understood'

/** The newest entries of a history, whatever they say: what was done last is shown, and can be taken back, at once. */
const NEWEST = 100

/** What a standing entry is replaced by: a later one with the same key. Null where every one counts. */
function replacedBy({ holds: { kind, payload } }: Standing): string | null {
  const key = understood({ kind, payload } as Entry) ? kindOf(kind)?.replaces?.(payload) : null
  return key === undefined || key === null ? null : `${kind} ${key}`
}

/**
 * The entries of a history that bear its present state: folded alone they give the same goal, findings, readings, course,
 * bleed, decision, verdict and installation as the whole history, so that a long job can be opened by them and the rest
 * fetched behind. Left out are entries taken back or replaced, and old notes, which only the journal shows.
 *
 * @param history all entries of one subject, each with its sequence
 * @returns those that bear the state and the newest hundred, in sequence order
 */
export function relevantOf(history: readonly Entry[]): Entry[] {
  const from = history.length - NEWEST
  if (from <= 0) return [...history]
  const kept = new Set<string>(history.slice(from).map(({ id }) => id))
  const { standing } = timeline(history)
  const byId = new Map(history.map((entry) => [entry.id, entry]))
  const newest = new Map<string, Standing[]>()
  for (const stands of standing) {
    const key = replacedBy(stands)
    if (key === null) continue
    const before = newest.get(key)
    // What was made earlier and came in later is shown beside what holds.
    const late = before && kindOf(stands.holds.kind)?.byTime && stands.holds.at < before[0]!.holds.at
    newest.set(key, late ? [...before, stands] : [stands])
  }
  for (const stands of standing) {
    const key = replacedBy(stands)
    if (kindOf(stands.holds.kind)?.silent || (key !== null && !newest.get(key)!.includes(stands)))
      continue
    kept.add(stands.origin.id)
    // A correction may name another one, taken back since: without it the way to the first entry would be cut.
    for (const correction of stands.corrections)
      for (let one: Entry | undefined = correction; one; one = byId.get(one.corrects ?? ''))
        kept.add(one.id)
  }
  // Whatever takes one of these back, or takes that back again, is later than what it acts on.
  for (const { id, withdraws } of history) if (withdraws && kept.has(withdraws)) kept.add(id)
  return history.filter(({ id }) => kept.has(id))
}

/**
 * What bears the state once more entries have come, from what did before them: an addition brings back nothing that was left
 * out, so only where one of the newer entries corrects or takes back is the whole history gone through again.
 *
 * @param before what bore the state of the history's first entries
 * @param history all entries, each with its sequence
 * @param from how many of them `before` was made of
 */
export function relevantOnwards(
  before: readonly Entry[],
  history: readonly Entry[],
  from: number,
): Entry[] {
  const newer = history.slice(from)
  const acts = newer.some(({ corrects, withdraws }) => (corrects ?? withdraws) !== undefined)
  return relevantOf(acts ? history : [...before, ...newer])
}
