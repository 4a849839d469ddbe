import { stillOff, stillOn, type JobState, type Payloads } from '~~/core/journal'
import type { Statement } from '~~/core/jotting'
import { PUT_ON, REMOVED } from '~~/core/plan'

type Referring = Extract<Statement, { kind: 'step' | 'surprise' | 'takenOff' | 'refitted' }>
type Found = {
  [K in 'step' | 'surprise' | 'takenOff' | 'refitted']: { kind: K; payload: Payloads[K] }
}[Referring['kind']]

/** Of those of a kind the one whose place is named, else the last: what goes on last comes off first. */
function named<T extends { payload: { item: string; place: string } }>(
  list: readonly T[],
  { item, place }: { item: string; place?: string },
): T | undefined {
  const same = list.filter(({ payload }) => payload.item === item)
  const words = place?.toLowerCase()
  const there = words ? same.filter(({ payload }) => payload.place.toLowerCase().includes(words)) : same
  return there.at(-1)
}

/**
 * What was said of the work, with the step or the entry that it means.
 * @param next id of the step that is next; null where there is no plan
 * @returns in words, why it means nothing here
 */
export function meantByWork(one: Referring, state: JobState, next: string | null): Found | string {
  switch (one.kind) {
    case 'step':
      return next === null
        ? 'No step is next: choose what is to be done under Fit, Plan'
        : { kind: 'step', payload: { ...one.payload, step: next } }
    case 'surprise':
      return next === null
        ? 'No step is next: choose what is to be done under Fit, Plan'
        : { kind: 'surprise', payload: { kind: one.payload.turned, at: next } }
    case 'takenOff': {
      const on = named(stillOn(state), one.payload)
      return on
        ? { kind: 'takenOff', payload: { of: on.id } }
        : `No ${PUT_ON[one.payload.item].words} is on, as far as this job tells`
    }
    case 'refitted': {
      const off = named(stillOff(state), one.payload)
      return off
        ? { kind: 'refitted', payload: { of: off.id } }
        : `No ${REMOVED[one.payload.item]} is off, as far as this job tells`
    }
  }
}
export const isReferring = (one: Statement): one is Referring =>
  one.kind === 'step' || one.kind === 'surprise' || one.kind === 'takenOff' || one.kind === 'refitted'
