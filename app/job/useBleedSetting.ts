import { useStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { BleedPhase, JobState, Method } from '~~/core/journal'

interface Setting {
  method: Method
  strokes: number
  phase?: BleedPhase
}

/** Method and strokes of the next cycle: as chosen on this device, else as in the job's newest cycle. */
export function useBleedSetting(jobId: string, state: Ref<JobState>) {
  const chosen = useStorage<Setting | null>(`mellow-cycle-${jobId}`, null, undefined, {
    serializer: {
      read: (text) => JSON.parse(text) as Setting,
      write: JSON.stringify,
    },
  })
  return computed({
    get: (): Setting => {
      if (chosen.value) return chosen.value
      const newest = state.value.bleed.cycles.at(-1)?.payload
      return { method: newest?.method ?? ('openPush' as Method), strokes: newest?.strokes ?? 1 }
    },
    set: (setting) => (chosen.value = setting),
  })
}
