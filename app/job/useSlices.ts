import { computed, type ComputedRef, type Ref } from 'vue'
import {
  foldSlice,
  ofSlice,
  stateOf,
  timeline,
  type Entry,
  type JobState,
  type SliceName,
  type Slices,
  type Standing,
} from '~~/core/journal'

/** Two lists of what stands that say the same: then what was folded from the one holds for the other. */
const same = (a: readonly Standing[], b: readonly Standing[]): boolean =>
  a.length === b.length &&
  a.every(({ origin, holds, corrections }, i) => {
    const other = b[i]!
    return (
      origin === other.origin &&
      holds === other.holds &&
      corrections.length === other.corrections.length
    )
  })

/**
 * A job's state, slice by slice: each is folded anew only where an entry of its own kinds came, went or was put right, so that
 * a bleed cycle sets nothing going that hangs on what was found.
 */
export function useSlices(entries: Readonly<Ref<Entry[]>>): {
  state: ComputedRef<JobState>
  slices: { [S in SliceName]: ComputedRef<Slices[S]> }
} {
  const line = computed(() => timeline(entries.value))
  const slice = <S extends SliceName>(name: S): ComputedRef<Slices[S]> => {
    const own = computed<Standing[]>((before) => {
      const now = ofSlice(name, line.value.standing)
      return before && same(before, now) ? before : now
    })
    return computed(() => foldSlice(name, own.value))
  }
  const slices = {
    circuit: slice('circuit'),
    find: slice('find'),
    choose: slice('choose'),
    fit: slice('fit'),
    fluid: slice('fluid'),
    ledger: slice('ledger'),
    rebuild: slice('rebuild'),
    orders: slice('orders'),
    plan: slice('plan'),
    bleed: slice('bleed'),
    prove: slice('prove'),
    handover: slice('handover'),
    record: slice('record'),
  }
  const state = computed(() =>
    stateOf(
      line.value,
      Object.values(slices).map(({ value }) => value),
    ),
  )
  return { state, slices }
}
