import type { DueTold, Page } from '~~/contract'
import { fromBefore, type OwedBy } from '~~/core/due'
import { useJob } from './useJob'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { computed } from 'vue'
import { dueDay } from '~/lib/due-days'
import { formatNow } from '~/units/units'

/** What the other jobs of this job’s vehicle left owed, as it stands with what is read here. */
export function useOwedBefore() {
  const { id, vehicle, state } = useJob()
  const { value: due } = useLoaded(async () =>
    vehicle.value ? api<Page<DueTold>>(`/due?vehicle=${vehicle.value.id}&limit=200`) : null,
  )
  const owed = computed(() =>
    fromBefore(state.value, id, due.value?.items ?? [], new Date().toISOString().slice(0, 10)),
  )
  /** Its day, or how far it may go; a repair put off says so itself. */
  const whenOf = ({ kind, due: day, atKm }: OwedBy) =>
    kind === 'deferred'
      ? ''
      : [
          ...(day ? [dueDay(day)] : []),
          ...(atKm === null ? [] : [`at ${formatNow().figure(atKm, 'km')}`]),
        ].join(' or ')
  return { owed, whenOf }
}
