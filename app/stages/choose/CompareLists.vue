<script setup lang="ts">
import { REPAIRS } from '~~/core/diagnosis'
import type { OperationId } from '~~/core/work'
import {
  casualtiesOf,
  casualtyById,
  FIT_ITEMS,
  itemWords,
  listsFrom,
  type Compared,
  type FitList,
} from '~~/core/side-by-side'
import type { OpenComparison } from './useComparison'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'
import { ref, watch, computed } from 'vue'

/** What stays, what moves across, what is thrown away, and what will probably break: ordered before anything comes off. */
const props = defineProps<{ of: Compared; comparison: OpenComparison }>()
const { id, state } = useJob()
const { kept } = useDesk()
const LISTS = [
  { id: 'keep', name: 'Keep', why: 'stays where it is' },
  { id: 'move', name: 'Move across', why: 'from the old part to the new one' },
  { id: 'bin', name: 'Bin', why: 'not used again' },
] as const
/** Lists as they were moved by hand, until they are filed. */
const moved = ref<Record<string, FitList>>({})
watch(
  () => props.of,
  () => (moved.value = {}),
)
const held = computed(() => props.comparison.held.value)
const proposed = computed(() => listsFrom(props.of, props.comparison.compared.value))
const listed = computed(() => {
  const all = new Map<string, { list: FitList; why: string }>()
  for (const { item, list, why } of proposed.value) all.set(item, { list, why })
  for (const list of ['keep', 'move', 'bin'] as const)
    for (const item of held.value?.[list] ?? [])
      all.set(item, { list, why: all.get(item)?.list === list ? all.get(item)!.why : 'as filed' })
  for (const [item, list] of Object.entries(moved.value))
    all.set(item, { list, why: 'put there by hand' })
  return all
})
const on = (list: FitList) =>
  [...listed.value].filter(([, one]) => one.list === list).map(([item, { why }]) => ({ item, why }))
const others = computed(() => FIT_ITEMS.filter((item) => !listed.value.has(item)))
const put = (item: string, list: FitList) => (moved.value = { ...moved.value, [item]: list })
const NEXT: Record<FitList, FitList> = { keep: 'move', move: 'bin', bin: 'keep' }

const operations = computed((): OperationId[] => [
  ...new Set<OperationId>([props.of, ...(state.value.decision?.payload.repairs ?? [])]),
])
const likely = computed(() => (kept.value ? casualtiesOf(operations.value, kept.value) : []))
/** Those that are ordered beforehand; all that are likely until somebody says otherwise. */
const spared = ref<ReadonlySet<string>>(new Set())
const own = ref<string[]>([])
const typed = ref('')
const casualties = computed(() => [
  ...likely.value.map(({ id }) => id).filter((one) => !spared.value.has(one)),
  ...(held.value?.casualties ?? []).filter((one) => !casualtyById(one) && !own.value.includes(one)),
  ...own.value,
])
function spare(one: string) {
  const next = new Set(spared.value)
  if (!next.delete(one)) next.add(one)
  spared.value = next
}
function name() {
  const words = typed.value.trim().slice(0, 80)
  if (words && !casualties.value.includes(words)) own.value = [...own.value, words]
  typed.value = ''
}
const filed = ref(false)
async function keep() {
  const list = (id: FitList) => on(id).map(({ item }) => item)
  filed.value = await props.comparison.fileAll({
    keep: list('keep'),
    move: list('move'),
    bin: list('bin'),
    casualties: casualties.value,
  })
  if (filed.value) moved.value = {}
}
const known = new Set<string>(REPAIRS.map(({ id }) => id))
const decided = computed(() => operations.value.filter((one) => known.has(one) && one !== props.of))
</script>

<template>
  <section aria-labelledby="lists" class="pt-3" data-lists>
    <h3 id="lists" class="text-[1.1rem]">Three lists</h3>
    <div class="grid gap-x-6 gap-y-2 py-1 md:grid-cols-3">
      <div v-for="list in LISTS" :key="list.id" :data-list="list.id">
        <h4 class="place-name">
          {{ list.name }} <span class="font-normal">({{ list.why }})</span>
        </h4>
        <ul>
          <li v-for="one in on(list.id)" :key="one.item" class="border-b border-hairline">
            <button
              type="button"
              class="flex min-h-11 w-full flex-col justify-center text-left leading-tight hover:underline"
              :title="`To ${LISTS.find(({ id: to }) => to === NEXT[list.id])!.name.toLowerCase()}`"
              :aria-label="`${itemWords(one.item)}: ${list.name.toLowerCase()}. ${one.why} Press for ${NEXT[list.id]}`"
              @click="put(one.item, NEXT[list.id])"
            >
              <span>{{ itemWords(one.item) }}</span>
              <span class="text-[0.9rem] text-soft">{{ one.why }}</span>
            </button>
          </li>
          <li v-if="on(list.id).length === 0" class="min-h-11 content-center text-soft">nothing</li>
        </ul>
      </div>
    </div>
    <label v-if="others.length" class="flex flex-wrap items-center gap-2 py-1"
      >Also
      <select
        class="field w-auto"
        aria-label="Put another thing on a list"
        value=""
        @change="put(($event.target as HTMLSelectElement).value, 'keep')"
      >
        <option value="">choose a thing …</option>
        <option v-for="item in others" :key="item" :value="item">{{ itemWords(item) }}</option>
      </select></label
    >
    <h3 class="mt-2 text-[1.1rem]">Likely to break, ordered beforehand</h3>
    <p v-if="decided.length" class="text-[0.95rem] text-soft">With what was decided counted in.</p>
    <ul data-casualties>
      <li v-for="one in likely" :key="one.id" class="border-b border-hairline">
        <label class="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            class="size-5 shrink-0 accent-amber"
            :checked="!spared.has(one.id)"
            @change="spare(one.id)"
          />
          <span class="leading-tight"
            >{{ one.label }}<span v-if="one.onPurpose" class="font-semibold"> (cut on purpose)</span>
            <span class="block text-[0.9rem] text-soft">{{ one.reason }}</span></span
          >
        </label>
      </li>
      <li
        v-for="one in casualties.filter((each) => !likely.some(({ id: known }) => known === each))"
        :key="one"
        class="min-h-11 content-center border-b border-hairline"
      >
        {{ itemWords(one) }}
      </li>
    </ul>
    <form class="flex flex-wrap gap-2 py-2" @submit.prevent="name">
      <input
        v-model="typed"
        class="field grow basis-52"
        maxlength="80"
        aria-label="Something else that will break"
        placeholder="something else, in your words"
      />
      <button class="quiet" :disabled="typed.trim() === ''">Add</button>
    </form>
    <p class="flex flex-wrap items-center gap-3 pb-2">
      <button type="button" class="act" @click="keep">File the comparison with its lists</button>
      <NuxtLink :to="`/jobs/${id}/choose/order`" class="tap underline"
        >To what has to be ordered</NuxtLink
      >
      <span v-if="filed" role="status">Filed.</span>
    </p>
  </section>
</template>
