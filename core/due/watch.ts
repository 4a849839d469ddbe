import type { ReadingName } from '../diagnosis'
import type { Deferred, Held, JobState, Measurement } from '../journal'

/** A repair that is put off, with what its watch says. */
export interface DeferredDue extends Deferred {
  /** What was read of it when it was put off, in the reading’s unit; left out where nothing was. */
  was?: number
  /** The newest reading since, where it has come to the limit: the repair is due. */
  reached?: { value: number; at: string }
  /** The job that put it off, where another one says that it is due. */
  ofJob?: string
}
/** A repair that an earlier job of the vehicle put off. */
export interface Watched {
  /** The entry that says so. */
  id: string
  jobId: string
  payload: DeferredDue
}

/** What grows worse by falling, where nothing was read when the repair was put off; everything else does by rising. */
const FALLING: ReadonlySet<ReadingName> = new Set<ReadingName>([
  'reserve',
  'takeUpHeight',
  'padHeight',
  'rodStroke',
  'rodClearance',
])

/** Whether a figure has come to the limit that ends a watch, from the side on which it was when the repair was put off. */
export function isReached({ watch, limit, was }: DeferredDue, value: number): boolean {
  const falls = was === undefined || was === limit ? FALLING.has(watch) : was > limit
  return falls ? value <= limit : value >= limit
}

/** What was read as found and after the work, the oldest first; while it is being bled a pedal tells the air, and no wear. */
function readOf({ readings }: Pick<JobState, 'readings'>, name: ReadingName): Held<Measurement>[] {
  const both = [readings.asFound[name], readings.after[name]].filter((one) => one !== undefined)
  return both.sort((a, b) => a.at.localeCompare(b.at))
}

/** A repair that a job has put off itself, with its watch. */
export function ownWatch(state: JobState, { payload, at }: Held<Deferred>): DeferredDue {
  const all = readOf(state, payload.watch)
  const was = all.filter((one) => one.at <= at).at(-1)?.payload.value
  return watched(
    { ...payload, ...(was !== undefined && { was }) },
    all.filter((one) => one.at > at),
  )
}
/** One that an earlier job put off, watched by the readings of this. */
export function laterWatch(state: JobState, { reached: _, ...due }: DeferredDue): DeferredDue {
  return watched(due, readOf(state, due.watch))
}
function watched(due: DeferredDue, since: readonly Held<Measurement>[]): DeferredDue {
  const newest = since.at(-1)
  if (!newest || !isReached(due, newest.payload.value)) return due
  return { ...due, reached: { value: newest.payload.value, at: newest.at } }
}
