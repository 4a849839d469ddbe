import { ref, shallowRef } from 'vue'

/** Something fetched: its value, whether it is under way, and why it failed. */
export function useLoaded<T>(fetchIt: () => Promise<T>) {
  const value = shallowRef<T | null>(null)
  const loading = ref(false)
  const error = ref<string | null>(null)
  async function load(): Promise<void> {
    loading.value = true
    error.value = null
    try {
      value.value = await fetchIt()
    } catch (failure) {
      error.value = failure instanceof Error ? failure.message : String(failure)
    } finally {
      loading.value = false
    }
  }
  void load()
  return { value, loading, error, load }
}
