<script setup lang="ts">
import { ArrowDown, ArrowUp } from '~/icons'
import { createColumnHelper, FlexRender, getCoreRowModel, useVueTable } from '@tanstack/vue-table'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { PART_SORTS, type Part, type PartSort, type SupplierCount } from '~~/contract'
import { PART_KIND_WORDS, PART_KINDS } from '~~/core/shelf'
import { usePartRows, type PartFilters } from './usePartRows'
import { useQueryText } from '~/frame/useQueryText'
import { useRoute, useRouter } from '#imports'
import { computed, shallowRef, ref, useTemplateRef, watch } from 'vue'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { useOrdersStore } from '~/stores/orders'
import { withUnits, unitsNow, inUnits, symbolOf } from '~/units/units'
import { millilitres } from '~/units/format'
import { money } from '~/lib/delivery-words'
import SearchField from '~/components/frame/SearchField.vue'
import OnOff from '~/components/frame/OnOff.vue'
import SaveFile from '~/components/frame/SaveFile.vue'
import PartPanel from '~/components/shelf/PartPanel.vue'
import BasketAside from '~/components/shelf/BasketAside.vue'

/** The shelf: searched, filtered and sorted on the server; only the rows in sight are drawn, however many there are. */
const ROW = 52
const typed = useQueryText('search')
const kind = useQueryText('kind')
const supplier = useQueryText('supplier')
const stocked = useQueryText('stock')
const route = useRoute()
const router = useRouter()
const filters = computed((): PartFilters => ({
  search: typed.value,
  kind: kind.value,
  supplier: supplier.value,
  inStock: stocked.value !== '',
}))
const sort = computed<PartSort>(() => PART_SORTS.find((one) => one === route.query.sort) ?? 'name')
const down = computed(() => route.query.way === 'down')
const { count, error, load, see, rowAt, put } = usePartRows(filters, sort, down)
const suppliers = useLoaded(() => api<SupplierCount[]>('/parts/suppliers'))

const orders = useOrdersStore()
const chosen = shallowRef<Part | null>(null)
const creating = ref(false)
function changed(part: Part) {
  put(part)
  chosen.value = part
}
async function reload() {
  chosen.value = null
  creating.value = false
  await Promise.all([load(), suppliers.load()])
}

const scroller = useTemplateRef<HTMLElement>('scroller')
const virtual = useVirtualizer(
  computed(() => ({
    count: count.value ?? 0,
    getScrollElement: () => scroller.value,
    estimateSize: () => ROW,
    overscan: 12,
  })),
)
const items = computed(() => virtual.value.getVirtualItems())
watch(items, (all) => all.length > 0 && see(all[0]!.index, all.at(-1)!.index), { immediate: true })
watch([filters, sort, down], () => scroller.value?.scrollTo({ top: 0 }))
const space = computed(() => ({
  before: items.value[0]?.start ?? 0,
  after: virtual.value.getTotalSize() - (items.value.at(-1)?.end ?? 0),
}))

type Row = { at: number; part: Part | null }
const column = createColumnHelper<Row>()
const size = ({ data: { bore, outer, inner, length, volume } }: Part) =>
  bore !== undefined
    ? withUnits(bore, 'mm', unitsNow() === 'inch' ? 3 : 2)
    : outer !== undefined && inner !== undefined
      ? `${inUnits(outer, 'mm', 1)}/${inUnits(inner, 'mm', 1)} ${symbolOf('mm')}`
      : length !== undefined
        ? withUnits(length, 'mm', unitsNow() === 'inch' ? 1 : 0)
        : volume !== undefined
          ? millilitres(volume)
          : ''
const columns = [
  column.accessor(({ part }) => part?.number ?? '…', { id: 'number', header: 'Number' }),
  column.accessor(({ part }) => part?.name ?? '', { id: 'name', header: 'Name' }),
  column.accessor(({ part }) => (part ? PART_KIND_WORDS[part.kind] : ''), {
    id: 'kind',
    header: 'Kind',
  }),
  column.accessor(({ part }) => (part ? size(part) : ''), { id: 'size', header: 'Size' }),
  column.accessor(({ part }) => part?.supplier ?? '', { id: 'supplier', header: 'Supplier' }),
  column.accessor(({ part }) => (part ? money(part.price, part.currency) : ''), {
    id: 'price',
    header: 'Price',
  }),
  column.accessor(({ part }) => (part ? (part.stock ?? '?') : ''), { id: 'stock', header: 'Stock' }),
  column.accessor(({ part }) => (part ? (part.leadDays ?? '?') : ''), {
    id: 'leadDays',
    header: 'Days',
  }),
]
const drawn = computed((): Row[] => items.value.map(({ index }) => ({ at: index, part: rowAt(index) })))
const table = useVueTable<Row>({
  get data() {
    return drawn.value
  },
  autoResetAll: false,
  columns,
  getCoreRowModel: getCoreRowModel(),
  getRowId: ({ at }) => String(at),
  manualSorting: true,
})
const canSort = (id: string): id is PartSort => (PART_SORTS as readonly string[]).includes(id)
function sortBy(id: string) {
  if (!canSort(id)) return
  const turned = sort.value === id && !down.value
  void router.replace({ query: { ...route.query, sort: id, way: turned ? 'down' : undefined } })
}
const RIGHT = new Set(['price', 'stock', 'leadDays', 'size'])
const HIDDEN: Record<string, string> = {
  kind: 'hidden lg:table-cell',
  size: 'hidden sm:table-cell',
  supplier: 'hidden 2xl:table-cell',
  leadDays: 'hidden md:table-cell',
}
const WIDTH: Record<string, string> = {
  number: 'w-[25%] sm:w-[15%]',
  name: 'w-[35%] sm:w-[30%]',
  kind: 'w-[17%]',
  size: 'w-[13%]',
  supplier: 'w-[14%]',
  price: 'w-[22%] sm:w-[10%]',
}
const exported = computed(() => {
  const query = new URLSearchParams()
  if (typed.value) query.set('search', typed.value)
  if (kind.value) query.set('kind', kind.value)
  if (supplier.value) query.set('supplier', supplier.value)
  if (stocked.value) query.set('inStock', 'yes')
  return `/api/parts/export?${query}`
})
const narrowed = computed(() => [typed, kind, supplier, stocked].some((one) => one.value !== ''))
</script>

<template>
  <div
    class="grid min-h-0 grow grid-cols-1 gap-x-6"
    :class="
      chosen || creating
        ? 'xl:grid-cols-[minmax(0,1fr)_25rem]'
        : orders.basket.length
          ? 'xl:grid-cols-[minmax(0,1fr)_19rem]'
          : ''
    "
  >
    <div class="flex min-h-0 min-w-0 flex-col">
      <div class="flex flex-wrap items-center gap-x-3 gap-y-2 py-2">
        <SearchField v-model="typed" label="Search by number or words of the name" />
        <select v-model="kind" class="field w-auto" aria-label="Kind of part">
          <option value="">every kind</option>
          <option v-for="one in PART_KINDS" :key="one" :value="one">{{ PART_KIND_WORDS[one] }}</option>
        </select>
        <select v-model="supplier" class="field w-auto max-w-56" aria-label="Supplier">
          <option value="">every supplier</option>
          <option v-for="one in suppliers.value.value ?? []" :key="one.supplier" :value="one.supplier">
            {{ one.supplier }} ({{ one.parts }})
          </option>
        </select>
        <OnOff :on="stocked !== ''" @click="stocked = stocked ? '' : 'yes'">In stock</OnOff>
        <button type="button" class="quiet" @click="((creating = true), (chosen = null))">
          New part
        </button>
        <SaveFile class="tap underline" :from="exported" name="parts.csv">Save as CSV</SaveFile>
      </div>
      <p v-if="error" role="alert" class="font-semibold text-rust">
        {{ error }} <button type="button" class="tap underline" @click="load">Try again</button>
      </p>
      <p role="status" class="text-[0.95rem] text-soft" data-part-count>
        <template v-if="count === null">Fetching …</template>
        <template v-else-if="count === 0">{{
          narrowed
            ? 'No part fits all of that. Take a word away, or a filter.'
            : 'Nothing on the shelf yet. Read a supplier’s list in, or put a part there yourself.'
        }}</template>
        <template v-else>{{ count }} {{ count === 1 ? 'part' : 'parts' }}</template>
      </p>
      <div
        v-if="count"
        ref="scroller"
        class="min-h-72 grow overflow-y-auto border-y border-hairline"
        tabindex="0"
        aria-label="Parts"
        data-scroller
      >
        <table class="w-full table-fixed" :aria-rowcount="count + 1">
          <thead class="sticky top-0 z-10 bg-ground">
            <tr aria-rowindex="1">
              <th
                v-for="header in table.getFlatHeaders()"
                :key="header.id"
                scope="col"
                class="border-b-2 border-ink p-0 font-semibold"
                :class="[HIDDEN[header.id], WIDTH[header.id]]"
                :aria-sort="sort === header.id ? (down ? 'descending' : 'ascending') : undefined"
              >
                <button
                  v-if="canSort(header.id)"
                  type="button"
                  class="flex min-h-11 w-full items-center gap-1 px-2"
                  :class="RIGHT.has(header.id) ? 'justify-end' : ''"
                  @click="sortBy(header.id)"
                >
                  <FlexRender :render="header.column.columnDef.header" :props="header.getContext()" />
                  <component
                    :is="down ? ArrowDown : ArrowUp"
                    v-if="sort === header.id"
                    :size="16"
                    aria-hidden="true"
                  />
                </button>
                <span v-else class="block px-2 text-right"
                  ><FlexRender :render="header.column.columnDef.header" :props="header.getContext()"
                /></span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-if="space.before > 0" aria-hidden="true" :style="{ height: `${space.before}px` }" />
            <tr
              v-for="row in table.getRowModel().rows"
              :key="row.id"
              :aria-rowindex="row.original.at + 2"
              class="border-b border-hairline hover:bg-raised"
              :class="chosen && chosen.id === row.original.part?.id ? 'bg-raised' : ''"
              :style="{ height: `${ROW}px` }"
            >
              <td
                v-for="cell in row.getVisibleCells()"
                :key="cell.id"
                class="truncate px-2"
                :class="[HIDDEN[cell.column.id], RIGHT.has(cell.column.id) ? 'text-right' : '']"
              >
                <button
                  v-if="cell.column.id === 'number' && row.original.part"
                  type="button"
                  class="min-h-11 w-full truncate text-left underline decoration-hairline underline-offset-4"
                  :aria-label="`${row.original.part.number}, ${row.original.part.name}`"
                  @click="((chosen = row.original.part), (creating = false))"
                >
                  {{ row.original.part.number }}
                </button>
                <template v-else
                  ><FlexRender :render="cell.column.columnDef.cell" :props="cell.getContext()"
                /></template>
              </td>
            </tr>
            <tr v-if="space.after > 0" aria-hidden="true" :style="{ height: `${space.after}px` }" />
          </tbody>
        </table>
      </div>
    </div>
    <PartPanel
      v-if="chosen || creating"
      :key="chosen?.id ?? 'new'"
      :part="chosen"
      @changed="changed"
      @gone="reload"
      @made="reload"
      @close="((chosen = null), (creating = false))"
    />
    <BasketAside v-else-if="orders.basket.length" class="hidden xl:block" />
  </div>
</template>
