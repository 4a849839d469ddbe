import { refDebounced } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import type { Page } from '~~/contract'
import { shownAsOf } from '~/sync/kept'
import { api } from '~/sync/api'

/** ms that typing rests before it is searched for. */
const RESTS = 250

/**
 * A list that comes in pages: the first one anew whenever what is asked for changes, the next ones as the end comes in sight.
 * @param asked path with its query, without `after`
 */
export function usePages<T extends { id: string }>(asked: () => string) {
  const items = shallowRef<T[] | null>(null)
  const next = ref<string | null>(null)
  const loading = ref(false)
  const error = ref<string | null>(null)
  let run = 0
  onScopeDispose(() => run++)

  async function fetchPage(after: string | null): Promise<void> {
    const mine = ++run
    loading.value = true
    error.value = null
    try {
      const path = asked()
      const more = after === null ? '' : `${path.includes('?') ? '&' : '?'}after=${after}`
      const page = await api<Page<T>>(path + more)
      if (mine !== run) return
      const before = after === null ? [] : (items.value ?? [])
      // What has moved to the front since would come a second time.
      const known = new Set(before.map(({ id }) => id))
      items.value = [...before, ...page.items.filter(({ id }) => !known.has(id))]
      next.value = page.next
    } catch (failure) {
      if (mine === run) error.value = failure instanceof Error ? failure.message : String(failure)
    } finally {
      if (mine === run) loading.value = false
    }
  }
  const load = (): Promise<void> => fetchPage(null)
  async function more(): Promise<void> {
    if (next.value !== null && !loading.value) await fetchPage(next.value)
  }
  watch(asked, () => void load(), { immediate: true })
  // What was only remembered is asked for anew once the server is back.
  watch(shownAsOf, (at) => at === null && void load())
  return { items, next, loading, error, load, more }
}

/** Words typed into a search, once the hand rests; as a part of a query. */
export function useSearch(typed: Ref<string>) {
  const rested = refDebounced(typed, RESTS)
  return computed(() => {
    const words = rested.value.trim()
    return words === '' ? '' : `&search=${encodeURIComponent(words.slice(0, 80))}`
  })
}
