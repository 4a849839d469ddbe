import { useMediaQuery, useStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'

/** What can be folded to give a stage room. */
export type Foldable = 'line' | 'ladder'

/** Whether a part of the frame is folded at a stage, remembered on this device for each stage; the line is on a phone. */
export function useFolded(part: Foldable, stage: Ref<string>) {
  const kept = useStorage<Record<string, boolean>>('mellow-folded', {})
  const phone = useMediaQuery('(max-width: 639px)')
  const key = computed(() => `${part} ${stage.value}`)
  const folded = computed({
    get: () => kept.value[key.value] ?? (part === 'line' && phone.value),
    set: (yes) => (kept.value = { ...kept.value, [key.value]: yes }),
  })
  return { folded, toggle: () => (folded.value = !folded.value) }
}
