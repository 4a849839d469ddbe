<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { ADAPTERS, CHAIN_COSTS, chain, chainAlternatives, type End, type Piece } from '~~/core/fitting'
import { endWords } from '~~/core/journal'
import { endsOf } from '~~/core/shelf'
import type { Part } from '~~/contract'
import { useJob } from '~/job/useJob'
import { shallowRef, onMounted, computed, ref } from 'vue'
import { api } from '~/sync/api'
import { readWithin } from '~/lib/number'
import EndForm from '~/components/fitting/EndForm.vue'

/** Two ends that do not join: the cheapest pieces between them with what else would do, beside a new pipe and the old one. */
const props = defineProps<{ from: End; to: End }>()
const { id } = useJob()
interface Own extends Piece {
  label: string
}
const own = useSessionStorage<Own[]>('mellow-own-adapters', [])
/** Adapters that lie on the shelf, with both ends told; where there is none, those that are commonly turned. */
const shelf = shallowRef<Own[]>([])
onMounted(async () => {
  try {
    const parts = await api<Part[]>('/parts/pieces')
    shelf.value = parts.flatMap((part): Own[] => {
      const ends = endsOf(part.data)
      if (!ends) return []
      const { id, name, number, supplier, price, stock, leadDays } = part
      const days = (stock ?? 0) > 0 && part.place !== null ? 0 : (leadDays ?? 2)
      return [{ id, label: `${name} (${supplier} ${number})`, ends: [...ends], price, days }]
    })
  } catch {
    // Away: the table serves.
  }
})
const pieces = computed<Own[]>(() => [
  ...(shelf.value.length > 0 ? shelf.value : ADAPTERS),
  ...own.value,
])
const found = computed(() => chainAlternatives(props.from, props.to, pieces.value, CHAIN_COSTS))
const refused = computed(() => chain(props.from, props.to, pieces.value).refused)
const nameOf = (id: string) => pieces.value.find((one) => one.id === id)?.label ?? id
const REFUSED_BY: Record<string, string> = {
  thread: 'another thread',
  lookAlike: 'a look-alike thread',
  gender: 'both of one gender',
  seat: 'another seat',
  tube: 'another pipe',
  nutShort: 'its nut is too short',
  engagement: 'too little thread holds',
  profile: 'another make',
}
const adding = ref(false)
const blank = (): End => ({ thread: null, gender: 'female', seat: 'doubleFlare' })
const one = ref<End>(blank())
const other = ref<End>({ ...blank(), gender: 'male' })
const price = ref('')
const days = ref('')
const MONEY = { min: 0, max: 10_000 }
const DAYS = { min: 0, max: 365 }
const wrong = ref('')
function add() {
  const [cost, wait] = [readWithin(price.value || '0', MONEY), readWithin(days.value || '0', DAYS)]
  wrong.value =
    cost === null
      ? 'The price is a number up to 10000'
      : wait === null
        ? 'Days are a number up to 365'
        : ''
  if (cost === null || wait === null) return
  own.value = [
    ...own.value,
    {
      id: `own-${own.value.length + 1}`,
      label: `Own: ${endWords(one.value)} to ${endWords(other.value)}`,
      ends: [one.value, other.value],
      price: cost,
      days: wait,
    },
  ]
  adding.value = false
}
/** Of a new pipe, in the shop’s money and minutes; judgement. */
const PIPE = { price: 8, minutes: 35 }
</script>

<template>
  <section aria-labelledby="chains" data-chains>
    <h3 id="chains" class="place-name">What would join them</h3>
    <ol>
      <li v-for="(way, i) in found.chains" :key="i" class="border-b border-hairline py-1">
        <span class="block" :class="i === 0 ? 'font-semibold' : ''">
          {{ way.chain.map((piece) => nameOf(piece.id)).join(', then ') || 'They join as they are' }}
        </span>
        <span class="text-[0.95rem] text-soft"
          >{{ way.joints }} joints, parts {{ way.price.toFixed(0) }},
          {{ way.days === 0 ? 'at hand' : `${way.days} ${way.days === 1 ? 'day' : 'days'}` }}</span
        >
      </li>
      <li v-if="found.none" class="py-1">No adapter in the list joins these two.</li>
      <li class="border-b border-hairline py-1">
        <NuxtLink :to="`/jobs/${id}/choose/pipe`" class="underline">Make a new pipe</NuxtLink> with the
        right nut and flare.
        <span class="text-[0.95rem] text-soft"
          >2 joints, material about {{ PIPE.price }}, {{ PIPE.minutes }} min; nothing more to leak</span
        >
      </li>
      <li class="border-b border-hairline py-1">
        <NuxtLink :to="`/jobs/${id}/choose/pipe?old=1`" class="underline"
          >Re-form the old pipe</NuxtLink
        >
        where its own nut and flare fit and only the outlet points another way.
      </li>
    </ol>
    <p class="text-[0.95rem] text-soft">
      Each joint more is a place to leak and counts {{ CHAIN_COSTS.joint }} in the order.
      {{
        shelf.length > 0
          ? 'Prices and days are the shelf’s.'
          : 'No adapter with its ends lies on the shelf: prices and days are judgement.'
      }}
    </p>
    <p v-if="own.length" class="text-[0.95rem]">
      Your own:
      <button
        v-for="piece in own"
        :key="piece.id"
        type="button"
        class="tap underline"
        @click="own = own.filter((one) => one.id !== piece.id)"
      >
        take out {{ piece.label.toLowerCase() }}
      </button>
    </p>
    <button type="button" class="tap underline" :aria-expanded="adding" @click="adding = !adding">
      Another adapter at hand
    </button>
    <form v-if="adding" class="border-l-4 border-hairline pl-3" @submit.prevent="add">
      <div class="grid gap-4 sm:grid-cols-2">
        <EndForm v-model="one" label="One end" :old="null" />
        <EndForm v-model="other" label="Other end" :old="null" />
      </div>
      <p class="flex flex-wrap items-center gap-2 py-1">
        <label class="flex items-center gap-2"
          >Price <input v-model="price" class="field w-20" inputmode="decimal" placeholder="0"
        /></label>
        <label class="flex items-center gap-2"
          >Days <input v-model="days" class="field w-20" inputmode="numeric" placeholder="0"
        /></label>
        <button class="quiet">Add it</button>
      </p>
      <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}.</p>
    </form>
    <details v-if="refused.length">
      <summary class="min-h-11 py-2 text-[0.95rem]">Why the others do not help</summary>
      <ul class="text-[0.95rem]">
        <li v-for="piece in refused" :key="piece.id">
          {{ nameOf(piece.id) }}: {{ REFUSED_BY[piece.code] ?? piece.code }}
        </li>
      </ul>
    </details>
  </section>
</template>
