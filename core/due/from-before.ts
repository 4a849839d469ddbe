import { latestReading, type JobState } from '../journal'
import { workOn } from '../proof'
import type { DueItem } from './due'
import { laterWatch } from './watch'

/** Something that a vehicle is owed, and the job that says so. */
export type OwedBy = DueItem & { jobId: string }

/**
 * What the other jobs of a vehicle left owed, as it stands in this one: a repair that is done here, or put off anew, is left
 * out, and so is fluid that is not of age yet.
 * @param items all that the vehicle is owed
 * @param today day, 2026-03-31
 * @returns each with whether it is due: by its day, by the clock’s last reading, or by what is watched; those first
 */
export function fromBefore(
  state: JobState,
  jobId: string,
  items: readonly OwedBy[],
  today: string,
): (OwedBy & { isDue: boolean })[] {
  const mileage = latestReading(state, 'mileage') ?? 0
  const done = new Set<string>([...workOn(state), ...Object.keys(state.deferred)])
  const list = items.flatMap((item): (OwedBy & { isDue: boolean })[] => {
    const past = item.due !== null && item.due <= today
    const driven = item.atKm !== null && mileage >= item.atKm
    if (item.kind !== 'deferred')
      return item.jobId === jobId || (item.kind === 'fluid' && !past)
        ? []
        : [{ ...item, isDue: past || driven }]
    const from = item.payload.ofJob ?? item.jobId
    if (from === jobId || done.has(item.payload.repair)) return []
    const payload = laterWatch(state, item.payload)
    const until = payload.until !== undefined && payload.until <= today
    const isDue = until || driven || payload.reached !== undefined
    return [{ ...item, payload, jobId: from, isDue }]
  })
  return list.sort((a, b) => Number(b.isDue) - Number(a.isDue))
}
