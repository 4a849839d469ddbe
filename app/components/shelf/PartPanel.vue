<script setup lang="ts">
import { GENDERS, SEAT_WORDS, SEATS, threadOf, type Gender, type Seat } from '~~/core/fitting'
import {
  PART_BOUNDS,
  PART_GRADE_WORDS,
  PART_GRADES,
  PART_KIND_WORDS,
  PART_KINDS,
  TEXT_BOUNDS,
  type PartData,
  type PartEnd,
  type PartGrade,
  type PartKind,
} from '~~/core/shelf'
import type { NewPartBody, Part, StockAnswer } from '~~/contract'
import { useOrdersStore } from '~/stores/orders'
import { useCarried } from '~/frame/useCarried'
import { asTyped, typedWithin, boundsIn, symbolOf } from '~/units/units'
import { reactive, ref, computed, onMounted } from 'vue'
import { readWithin } from '~/lib/number'
import { api } from '~/sync/api'
import { newId } from '~/lib/ids'
import { clock } from '~/lib/delivery-words'

/** One part of the shelf: what is known of it, changed here, asked of its supplier, and put into the basket. */
const props = defineProps<{ part: Part | null }>()
const emit = defineEmits<{ changed: [part: Part]; made: []; gone: []; close: [] }>()
const orders = useOrdersStore()
const { problem, busy, carry } = useCarried()
const LENGTHS = ['bore', 'stroke', 'outer', 'inner', 'length'] as const
const LABELS = {
  bore: 'Bore',
  stroke: 'Stroke',
  outer: 'Outer diameter',
  inner: 'Inner diameter',
  length: 'Length',
} as const
const shownLength = (name: (typeof LENGTHS)[number]) => {
  const value = props.part?.data[name]
  return value === undefined ? '' : asTyped(value, 'mm')
}
const form = reactive({
  number: props.part?.number ?? '',
  name: props.part?.name ?? '',
  kind: props.part?.kind ?? ('masterCylinder' as PartKind),
  supplier: props.part?.supplier ?? '',
  price: props.part ? props.part.price.toFixed(2) : '',
  currency: props.part?.currency ?? '',
  stock: props.part?.stock?.toString() ?? '',
  leadDays: props.part?.leadDays?.toString() ?? '',
  grade: props.part?.grade ?? ('unknown' as PartGrade),
  supersededBy: props.part?.supersededBy ?? '',
  place: props.part?.place ?? '',
  notes: props.part?.data.notes ?? '',
  lengths: Object.fromEntries(LENGTHS.map((one) => [one, shownLength(one)])) as Record<
    (typeof LENGTHS)[number],
    string
  >,
  ends: (props.part?.data.ends ?? []).map((end) => ({ ...end, thread: end.thread ?? '' })),
})
const wrong = ref('')
function read(): Omit<NewPartBody, 'id'> | null {
  const say = (words: string) => ((wrong.value = words), null)
  wrong.value = ''
  if (!form.number.trim() || !form.name.trim() || !form.supplier.trim())
    return say('Number, name and supplier are needed')
  const price = readWithin(form.price || '0', PART_BOUNDS.price)
  if (price === null) return say(`Price: 0 to ${PART_BOUNDS.price.max}`)
  const currency = form.currency.trim().toUpperCase()
  if (currency && !/^[A-Z]{3}$/.test(currency))
    return say('Currency: three letters, or empty for the shop’s own')
  const counts: Record<'stock' | 'leadDays', number | null> = { stock: null, leadDays: null }
  for (const name of ['stock', 'leadDays'] as const) {
    if (form[name].trim() === '') continue
    const value = readWithin(form[name], PART_BOUNDS[name])
    if (value === null || !Number.isInteger(value))
      return say(
        `${name === 'stock' ? 'In stock' : 'Days'}: a whole number, 0 to ${PART_BOUNDS[name].max}`,
      )
    counts[name] = value
  }
  const data: PartData = props.part?.data.volume ? { volume: props.part.data.volume } : {}
  for (const name of LENGTHS) {
    if (form.lengths[name].trim() === '') continue
    const value = typedWithin(form.lengths[name], 'mm', PART_BOUNDS[name])
    if (value === null) return say(`${LABELS[name]}: ${boundsIn(PART_BOUNDS[name], 'mm')}`)
    data[name] = value
  }
  const ends: PartEnd[] = []
  for (const { thread, gender, seat } of form.ends) {
    if (thread.trim() && !threadOf(thread.trim()))
      return say(`“${thread}” is no thread: M10x1, 3/8-24 or G1/8`)
    ends.push({ thread: thread.trim() || null, gender, seat })
  }
  if (ends.length > 0) data.ends = ends
  if (form.notes.trim()) data.notes = form.notes.trim()
  return {
    number: form.number.trim(),
    name: form.name.trim(),
    kind: form.kind,
    supplier: form.supplier.trim(),
    price,
    currency: currency || null,
    ...counts,
    data,
    grade: form.grade,
    supersededBy: form.supersededBy.trim() || null,
    place: form.place.trim() || null,
  }
}
async function keep() {
  const body = read()
  if (!body) return
  await carry(async () => {
    if (props.part) emit('changed', await api<Part>(`/parts/${props.part.id}`, body, 'PUT'))
    else {
      await api<Part>('/parts', { id: newId(), ...body })
      emit('made')
    }
  })
}
const leaving = ref(false)
const remove = () =>
  carry(async () => {
    await api(`/parts/${props.part!.id}`, undefined, 'DELETE')
    emit('gone')
  })
const asked = ref<StockAnswer | null>(null)
const askStock = () =>
  carry(async () => {
    asked.value = await api<StockAnswer>(`/supplier/stock/${encodeURIComponent(props.part!.number)}`)
  })
const wired = computed(() => props.part !== null && orders.supplier?.name === props.part.supplier)
const pieces = ref('1')
const added = ref('')
async function basket() {
  const quantity = readWithin(pieces.value, { min: 1, max: 1000 })
  if (quantity === null) return void (wrong.value = 'Pieces: 1 to 1000')
  const { id, name, supplier, price, currency } = props.part!
  const line = { partId: id, words: name, supplier, quantity: Math.round(quantity), price, currency }
  if (await carry(() => orders.add([line])))
    added.value = `${Math.round(quantity)} in the basket of ${supplier}.`
}
onMounted(() => void orders.load().catch(() => {}))
const addEnd = () =>
  form.ends.push({ thread: '', gender: 'male' as Gender, seat: 'doubleFlare' as Seat })
</script>

<template>
  <aside
    class="border-t border-hairline py-2 xl:overflow-y-auto xl:border-t-0 xl:border-l xl:pl-5"
    aria-label="Part"
  >
    <div class="flex items-center gap-2">
      <h2 class="grow text-[1.1rem]">{{ part ? part.name : 'New part' }}</h2>
      <button type="button" class="quiet" @click="emit('close')">Close</button>
    </div>
    <p v-if="part?.supersededBy" class="border-l-4 border-amber pl-3">
      Superseded by <strong>{{ part.supersededBy }}</strong>: no longer proposed.
    </p>
    <form v-if="part" class="flex flex-wrap items-center gap-2 py-2" @submit.prevent="basket">
      <input v-model="pieces" class="field w-18" inputmode="numeric" aria-label="Pieces" />
      <button class="act" :disabled="busy">Into the basket</button>
      <span v-if="added" role="status">{{ added }}</span>
    </form>
    <p v-if="wired" class="flex flex-wrap items-center gap-2">
      <button type="button" class="quiet" :disabled="busy" @click="askStock">
        Ask the supplier’s stock
      </button>
      <span v-if="asked" role="status">{{
        asked.stock === null
          ? `Not answering since ${clock(asked.supplier.since)}; listed: ${part!.stock ?? 'not known'}`
          : `${asked.stock} there, asked ${clock(asked.at)}`
      }}</span>
    </p>
    <form class="grid grid-cols-2 gap-x-3 gap-y-1" @submit.prevent="keep">
      <label class="col-span-2"
        >Name <input v-model="form.name" class="field" :maxlength="TEXT_BOUNDS.name"
      /></label>
      <label
        >Number <input v-model="form.number" class="field" :maxlength="TEXT_BOUNDS.number"
      /></label>
      <label
        >Supplier <input v-model="form.supplier" class="field" :maxlength="TEXT_BOUNDS.supplier"
      /></label>
      <label
        >Kind
        <select v-model="form.kind" class="field">
          <option v-for="one in PART_KINDS" :key="one" :value="one">{{ PART_KIND_WORDS[one] }}</option>
        </select></label
      >
      <label
        >Grade of its make
        <select v-model="form.grade" class="field">
          <option v-for="one in PART_GRADES" :key="one" :value="one">
            {{ PART_GRADE_WORDS[one] }}
          </option>
        </select></label
      >
      <label>Price <input v-model="form.price" class="field" inputmode="decimal" /></label>
      <label
        >Currency
        <input v-model="form.currency" class="field" maxlength="3" placeholder="the shop’s own"
      /></label>
      <label
        >In stock <input v-model="form.stock" class="field" inputmode="numeric" placeholder="not known"
      /></label>
      <label
        >Days to come
        <input v-model="form.leadDays" class="field" inputmode="numeric" placeholder="not known"
      /></label>
      <label v-for="one in LENGTHS" :key="one"
        >{{ LABELS[one] }}, {{ symbolOf('mm') }}
        <input v-model="form.lengths[one]" class="field" inputmode="decimal"
      /></label>
      <label>Place <input v-model="form.place" class="field" :maxlength="TEXT_BOUNDS.place" /></label>
      <label class="col-span-2"
        >Superseded by <input v-model="form.supersededBy" class="field" :maxlength="TEXT_BOUNDS.number"
      /></label>
      <fieldset
        v-for="(end, i) in form.ends"
        :key="i"
        class="col-span-2 flex flex-wrap items-end gap-2"
      >
        <legend class="place-name">{{ i === 0 ? 'One end' : 'Other end' }}</legend>
        <input v-model="end.thread" class="field w-28" aria-label="Thread" placeholder="M10x1, none" />
        <select v-model="end.gender" class="field w-auto" aria-label="Gender">
          <option v-for="one in GENDERS" :key="one" :value="one">{{ one }}</option>
        </select>
        <select v-model="end.seat" class="field w-auto max-w-40" aria-label="Seat">
          <option v-for="one in SEATS" :key="one" :value="one">{{ SEAT_WORDS[one] }}</option>
        </select>
        <button type="button" class="tap underline" @click="form.ends.splice(i, 1)">take out</button>
      </fieldset>
      <p v-if="form.ends.length < 2" class="col-span-2">
        <button type="button" class="tap underline" @click="addEnd">
          Add an end (thread and seat)
        </button>
      </p>
      <label class="col-span-2"
        >Notes <input v-model="form.notes" class="field" :maxlength="TEXT_BOUNDS.notes"
      /></label>
      <p v-if="wrong || problem" role="alert" class="col-span-2 font-semibold text-rust">
        {{ wrong ? `${wrong}. What you typed is still here.` : problem }}
      </p>
      <p class="col-span-2 flex flex-wrap gap-2 py-2">
        <button class="act" :disabled="busy">{{ part ? 'Keep' : 'Put it on the shelf' }}</button>
        <template v-if="part">
          <button v-if="!leaving" type="button" class="quiet" @click="leaving = true">
            Take off the shelf
          </button>
          <template v-else>
            <button type="button" class="quiet text-rust" @click="remove">Yes, take it off</button>
            <button type="button" class="quiet" @click="leaving = false">Leave it</button>
          </template>
        </template>
      </p>
    </form>
  </aside>
</template>
