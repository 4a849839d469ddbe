import { refDebounced } from '@vueuse/core'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import type { Page, Part, PartsCount, PartSort } from '~~/contract'
import { api } from '~/sync/api'

/** ms that typing rests before it is searched for. */
const RESTS = 200
/** Rows that are fetched together. */
const PAGE = 100

export interface PartFilters {
  search: string
  kind: string
  supplier: string
  inStock: boolean
}

/**
 * A shelf of however many parts: how many there are, and the rows that are looked at, fetched page by page wherever the list is
 * scrolled to. What was fetched stays until something else is asked for.
 */
export function usePartRows(filters: Ref<PartFilters>, sort: Ref<PartSort>, down: Ref<boolean>) {
  const count = ref<number | null>(null)
  const pages = shallowRef<ReadonlyMap<number, Part[]>>(new Map())
  const error = ref<string | null>(null)
  const under = new Set<number>()
  let run = 0

  const asked = computed(() => {
    const { search, kind, supplier, inStock } = filters.value
    const parts = new URLSearchParams()
    if (search.trim()) parts.set('search', search.trim().slice(0, 80))
    if (kind) parts.set('kind', kind)
    if (supplier) parts.set('supplier', supplier)
    if (inStock) parts.set('inStock', 'yes')
    return parts.toString()
  })
  const rested = refDebounced(asked, RESTS)

  async function fetchPage(at: number): Promise<void> {
    if (pages.value.has(at) || under.has(at)) return
    under.add(at)
    const mine = run
    try {
      const order = `sort=${sort.value}&direction=${down.value ? 'down' : 'up'}&limit=${PAGE}`
      const from = at > 0 ? `&after=${at * PAGE}` : ''
      const page = await api<Page<Part>>(`/parts?${order}${from}&${rested.value}`)
      if (mine !== run) return
      pages.value = new Map(pages.value).set(at, page.items)
      error.value = null
    } catch (failure) {
      if (mine === run) error.value = failure instanceof Error ? failure.message : String(failure)
    } finally {
      under.delete(at)
    }
  }
  async function load(): Promise<void> {
    const mine = ++run
    under.clear()
    pages.value = new Map()
    error.value = null
    try {
      const [told] = await Promise.all([api<PartsCount>(`/parts/count?${rested.value}`), fetchPage(0)])
      if (mine === run) count.value = told.count
    } catch (failure) {
      if (mine === run) error.value = failure instanceof Error ? failure.message : String(failure)
    }
  }
  /** Sees to it that these rows are there. */
  function see(first: number, last: number): void {
    for (let at = Math.floor(first / PAGE); at <= Math.floor(last / PAGE); at++) void fetchPage(at)
  }
  const rowAt = (i: number): Part | null => pages.value.get(Math.floor(i / PAGE))?.[i % PAGE] ?? null
  /** A row that was changed here, without asking for all of them again. */
  function put(part: Part): void {
    pages.value = new Map(
      [...pages.value].map(([at, rows]) => [at, rows.map((one) => (one.id === part.id ? part : one))]),
    )
  }
  watch([rested, sort, down], load, { immediate: true })
  return { count, error, load, see, rowAt, put, pages }
}
