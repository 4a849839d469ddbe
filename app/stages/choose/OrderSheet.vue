<script setup lang="ts">
import { NEED_GROUP_WORDS, NEED_GROUPS, type Need } from '~~/core/orders'
import { ORDER_STATE_WORDS, openOf } from '~~/core/orders'
import { useJob } from '~/job/useJob'
import { useOrdersStore } from '~/stores/orders'
import { useNeeds } from '~/job/useNeeds'
import { useCarried } from '~/frame/useCarried'
import { useLoaded } from '~/asking/useLoaded'
import { ref, computed, reactive } from 'vue'
import { readWithin } from '~/lib/number'
import { jointWords } from '~~/core/words'
import { deliveryWords, money, daysWords } from '~/lib/delivery-words'

/** All that this job takes, with what the shelf has for it: into the basket in one go, so that one delivery brings it. */
const { id } = useJob()
const orders = useOrdersStore()
const { needs, answers, asking, problem: unanswered, lines, lineOf, unknown } = useNeeds()
const { problem, busy, carry } = useCarried()
const { error, load } = useLoaded(() => orders.load())
/** Which part was chosen for a need, where it is not the first. */
const chosen = ref<Record<string, string>>({})
const left = ref<ReadonlySet<string>>(new Set())
const pieces = ref<Record<string, string>>({})
const PIECES = { min: 1, max: 1000 }

const rows = computed(() =>
  needs.value.map((need) => {
    const found = answers.value.get(need.id) ?? []
    const pick = found.find(({ part }) => part.id === chosen.value[need.id]) ?? found[0] ?? null
    const typed = pieces.value[need.id]
    const count = typed === undefined ? (pick?.pieces ?? need.quantity) : readWithin(typed, PIECES)
    return { need, found, pick, count, there: lineOf(need.id) }
  }),
)
/** Casualties and what is used up are taken where the shelf has them; nobody buys rags unasked from nowhere. */
const wanted = ({ need, pick, there, count }: (typeof rows.value)[number]) =>
  !there && pick !== null && count !== null && !left.value.has(need.id)
const groups = computed(() =>
  NEED_GROUPS.map((group) => ({
    group,
    rows: rows.value.filter(({ need }) => need.group === group),
  })).filter((one) => one.rows.length > 0),
)
const picked = computed(() => rows.value.filter(wanted))
const sum = computed(() =>
  picked.value.reduce((total, { pick, count }) => total + pick!.part.price * Math.round(count!), 0),
)
function toggle(need: Need) {
  const next = new Set(left.value)
  if (!next.delete(need.id)) next.add(need.id)
  left.value = next
}
const UNSURE = { bore: 'bore', thread: 'thread', volume: 'volume' } as const
async function order() {
  const all = picked.value.map(({ need, pick, count }) => ({
    partId: pick!.part.id,
    words: pick!.part.name,
    supplier: pick!.part.supplier,
    jobId: id,
    quantity: Math.round(count!),
    price: pick!.part.price,
    currency: pick!.part.currency,
    need: need.id,
  }))
  if (await carry(() => orders.add(all))) pieces.value = {}
}
const own = reactive({ words: '', supplier: '', price: '', quantity: '1' })
const adding = ref(false)
const wrong = ref('')
async function addOwn() {
  const price = readWithin(own.price || '0', { min: 0, max: 1_000_000 })
  const quantity = readWithin(own.quantity, PIECES)
  wrong.value =
    price === null
      ? 'A price is a number from 0 to 1 000 000'
      : quantity === null
        ? 'Pieces: 1 to 1000'
        : ''
  if (price === null || quantity === null) return
  const line = {
    words: own.words.trim().slice(0, 200),
    supplier: own.supplier.trim().slice(0, 80) || 'by phone',
    jobId: id,
    quantity: Math.round(quantity),
    price,
  }
  if (await carry(() => orders.add([line]))) {
    Object.assign(own, { words: '', price: '', quantity: '1' })
    adding.value = false
  }
}
</script>

<template>
  <div class="px-6 py-3" data-order-sheet>
    <p v-if="error" role="alert" class="font-semibold text-rust">
      {{ error }} The basket lives on the server: it opens once that answers.
      <button type="button" class="tap underline" @click="load">Try again</button>
    </p>
    <p v-if="unanswered" role="alert" class="font-semibold text-rust">{{ unanswered }}</p>
    <p v-if="needs.length === 0" class="max-w-2xl py-1">
      Nothing to order follows from this job yet. It comes from the decision, the plan of cylinders and
      what was compared.
      <NuxtLink :to="`/jobs/${id}/decision`" class="tap px-1 underline"
        >Decide how to go about it</NuxtLink
      >
    </p>
    <p v-if="unknown.length" class="border-l-4 border-amber pl-3">
      <strong>Seals not known:</strong>
      {{ unknown.map((at) => jointWords(at).toLowerCase()).join(', ') }}. Read both ends off first, or a
      washer is forgotten.
      <NuxtLink :to="`/jobs/${id}/choose/joints?at=${unknown[0]}`" class="tap px-1 underline"
        >To the joints</NuxtLink
      >
    </p>
    <section v-for="one in groups" :key="one.group" class="pt-2" :aria-labelledby="`need-${one.group}`">
      <h3 :id="`need-${one.group}`" class="place-name">{{ NEED_GROUP_WORDS[one.group] }}</h3>
      <ul>
        <li
          v-for="row in one.rows"
          :key="row.need.id"
          class="grid grid-cols-[1.6rem_minmax(0,1fr)] items-center gap-x-3 border-b border-hairline py-1 md:grid-cols-[1.6rem_minmax(0,1fr)_minmax(0,1.15fr)_4.5rem_5.5rem]"
          :data-need="row.need.id"
        >
          <input
            type="checkbox"
            class="size-5 accent-amber"
            :disabled="!!row.there || !row.pick"
            :checked="!!row.there || wanted(row)"
            :aria-label="`Order: ${row.need.words}`"
            @change="toggle(row.need)"
          />
          <p class="leading-tight">
            {{ row.need.words }}
            <span class="block text-[0.9rem] text-soft">{{ row.need.why }}</span>
          </p>
          <p v-if="row.there" class="col-start-2 leading-tight md:col-start-3">
            <strong>{{ ORDER_STATE_WORDS[row.there.order.state] }}:</strong>
            {{ row.there.line.quantity }} ×
            {{ row.there.line.words }}
            <span v-if="row.there.order.arrives" class="block text-[0.9rem] text-soft">{{
              deliveryWords(row.there.order.arrives)
            }}</span>
          </p>
          <p v-else-if="row.found.length === 0" class="col-start-2 text-soft md:col-start-3">
            {{ asking ? 'Asking the shelf …' : 'nothing on the shelf for it' }}
          </p>
          <div v-else class="col-start-2 min-w-0 md:col-start-3">
            <select
              class="field px-2"
              :aria-label="`Part for ${row.need.words}`"
              :value="row.pick!.part.id"
              @change="
                chosen = { ...chosen, [row.need.id]: ($event.target as HTMLSelectElement).value }
              "
            >
              <option v-for="{ part } in row.found" :key="part.id" :value="part.id">
                {{ part.name }}, {{ money(part.price, part.currency) }},
                {{
                  part.stock === null
                    ? 'stock not known'
                    : part.stock > 0
                      ? `${part.stock} there`
                      : 'none there'
                }}
              </option>
            </select>
            <span class="block text-[0.9rem] text-soft">
              {{ row.pick!.part.supplier }} {{ row.pick!.part.number
              }}<template v-if="row.pick!.part.leadDays !== null"
                >, {{ daysWords(row.pick!.part.leadDays) }}</template
              ><template v-if="row.pick!.part.grade !== 'unknown'"
                >, grade {{ row.pick!.part.grade }}</template
              ><strong v-if="row.pick!.unsure.length" class="text-amber"
                >; {{ row.pick!.unsure.map((what) => UNSURE[what]).join(' and ') }} not told: check
                it</strong
              >
            </span>
          </div>
          <input
            v-if="!row.there && row.pick"
            class="field col-start-2 w-18 px-2 md:col-start-4"
            inputmode="numeric"
            :aria-label="`Pieces of ${row.need.words}`"
            :aria-invalid="row.count === null"
            :value="pieces[row.need.id] ?? row.pick.pieces"
            @input="pieces = { ...pieces, [row.need.id]: ($event.target as HTMLInputElement).value }"
          />
          <span v-if="!row.there && row.pick" class="hidden text-right md:block">{{
            row.count === null
              ? ''
              : money(row.pick.part.price * Math.round(row.count), row.pick.part.currency)
          }}</span>
          <span v-if="row.count === null" role="alert" class="col-span-full font-semibold text-rust"
            >Pieces: 1 to 1000.</span
          >
        </li>
      </ul>
    </section>
    <p v-if="needs.length" class="flex flex-wrap items-center gap-3 py-3">
      <button type="button" class="act" :disabled="picked.length === 0 || busy" @click="order">
        {{
          picked.length === 0
            ? 'All of it is in the basket'
            : `Put ${picked.length} ${picked.length === 1 ? 'line' : 'lines'} into the basket, ${money(sum)}`
        }}
      </button>
      <NuxtLink to="/shelf/basket" class="tap underline">The basket of the whole shop</NuxtLink>
    </p>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <section v-if="lines.length" aria-labelledby="job-lines" class="pt-1">
      <h3 id="job-lines" class="text-[1.1rem]">Of this job</h3>
      <ul data-job-lines>
        <li
          v-for="{ order: whole, line } in lines"
          :key="line.id"
          class="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-hairline py-1"
        >
          <span class="min-w-0 grow"
            >{{ line.quantity }} × {{ line.words }}
            <span class="text-soft"
              >{{ whole.supplier }}, {{ ORDER_STATE_WORDS[whole.state].toLowerCase()
              }}<template v-if="whole.arrives && openOf(line.quantity, line.counts) > 0"
                >, {{ deliveryWords(whole.arrives) }}</template
              ></span
            ></span
          >
          <button
            v-if="whole.state === 'draft'"
            type="button"
            class="tap underline"
            @click="carry(() => orders.change(line.id, 0))"
          >
            take out
          </button>
          <NuxtLink v-else to="/shelf/orders" class="tap underline">{{ line.received }} here</NuxtLink>
        </li>
      </ul>
    </section>
    <button type="button" class="tap underline" :aria-expanded="adding" @click="adding = !adding">
      Something that is not on the shelf
    </button>
    <form
      v-if="adding"
      class="flex flex-wrap items-end gap-2 border-l-4 border-hairline pl-3"
      @submit.prevent="addOwn"
    >
      <label class="grow basis-64"
        >What <input v-model="own.words" class="field" maxlength="200"
      /></label>
      <label
        >Supplier <input v-model="own.supplier" class="field" maxlength="80" placeholder="by phone"
      /></label>
      <label
        >Price each <input v-model="own.price" class="field w-24" inputmode="decimal" placeholder="0"
      /></label>
      <label>Pieces <input v-model="own.quantity" class="field w-20" inputmode="numeric" /></label>
      <button class="quiet" :disabled="own.words.trim() === '' || busy">Put it into the basket</button>
      <p v-if="wrong" role="alert" class="w-full font-semibold text-rust">
        {{ wrong }}. What you typed is still here.
      </p>
    </form>
  </div>
</template>
