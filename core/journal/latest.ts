import type { ReadingName } from '../diagnosis'
import type { JobState } from './fold'

/** The value of a reading as it was taken last along the road: after the work, during it, or as found; null where it was not. */
export function latestReading(
  { readings }: Pick<JobState, 'readings'>,
  name: ReadingName,
): number | null {
  for (const phase of ['after', 'working', 'asFound'] as const) {
    const value = readings[phase][name]?.payload.value
    if (value !== undefined) return value
  }
  return null
}
