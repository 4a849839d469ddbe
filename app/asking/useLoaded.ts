import { useAsyncState } from '@vueuse/core'
import { computed } from 'vue'

/** Something fetched at once, and again by `load`: its value, whether it is under way, and why it failed. */
export function useLoaded<T>(fetchIt: () => Promise<T>) {
  const { state, isLoading, error, execute } = useAsyncState<T | null>(fetchIt, null, {
    resetOnExecute: false,
    shallow: true,
    // What failed is said where it was asked for.
    onError: () => {},
  })
  const load = async (): Promise<void> => void (await execute())
  return {
    value: state,
    loading: isLoading,
    error: computed(() =>
      error.value === undefined || error.value === null
        ? null
        : error.value instanceof Error
          ? error.value.message
          : String(error.value),
    ),
    load,
  }
}
