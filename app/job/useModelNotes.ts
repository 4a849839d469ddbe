import { computed, shallowRef, watch } from 'vue'
import type { ModelNoteTold } from '~~/contract'
import { useJob } from './useJob'
import { api } from '~/sync/api'

/** What earlier jobs found out about the open job's model; this job's own come from its journal, at once. */
export function useModelNotes() {
  const { state, vehicle } = useJob()
  const model = computed(() => vehicle.value?.model ?? null)
  const others = shallowRef<ModelNoteTold[]>([])
  watch(
    model,
    async (now) => {
      others.value = []
      if (!now) return
      try {
        const notes = await api<ModelNoteTold[]>(`/models/notes?model=${encodeURIComponent(now)}`)
        if (model.value === now) others.value = notes
      } catch {
        // The server is away: then only this job's own notes can be shown, and the page says so anyway.
      }
    },
    { immediate: true },
  )
  const own = computed(() => state.value.modelNotes)
  const earlier = computed(() =>
    others.value.filter(({ id }) => !own.value.some((one) => one.id === id)),
  )
  return { model, own, earlier }
}
