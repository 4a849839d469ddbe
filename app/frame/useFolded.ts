import { useMediaQuery, useStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'

/** What can be folded to give a stage room. */
export type Foldable = 'line' | 'ladder'

/** Stages whose pages want the room: they draw what they are about themselves. */
const WANTS_ROOM: ReadonlySet<string> = new Set(['choose', 'inside'])

/**
 * Whether a part of the frame is folded at a stage, remembered on this device for each stage; until somebody said otherwise the
 * line is where the page wants its room, and on a phone.
 */
export function useFolded(part: Foldable, stage: Ref<string>) {
  const kept = useStorage<Record<string, boolean>>('mellow-folded', {})
  const phone = useMediaQuery('(max-width: 639px)')
  const key = computed(() => `${part} ${stage.value}`)
  const folded = computed({
    get: () =>
      kept.value[key.value] ?? (part === 'line' && (phone.value || WANTS_ROOM.has(stage.value))),
    set: (yes) => (kept.value = { ...kept.value, [key.value]: yes }),
  })
  return { folded, toggle: () => (folded.value = !folded.value) }
}
