import { onScopeDispose, ref, watch, type Ref } from 'vue'

/** Nobody reads what has just been put under his finger in less than this, ms. */
export const SETTLES = 350

/** False for a moment after something else is shown: what is touched then was meant for what stood there before. */
export function useSettled(shown: () => unknown): Ref<boolean> {
  const settled = ref(true)
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(
    shown,
    () => {
      settled.value = false
      clearTimeout(timer)
      timer = setTimeout(() => (settled.value = true), SETTLES)
    },
    { flush: 'sync' },
  )
  onScopeDispose(() => clearTimeout(timer))
  return settled
}
