<script setup lang="ts">
import type { DeliveryNote, Order, OrderLine } from '~~/contract'
import {
  HAPPENED_WORDS,
  mostOf,
  openOf,
  ORDER_STATE_WORDS,
  toReturn,
  type OrderHappened,
} from '~~/core/orders'
import { useOrdersStore } from '~/stores/orders'
import { usePersonStore } from '~/stores/person'
import { useCarried } from '~/frame/useCarried'
import { ref, computed } from 'vue'
import { readWithin } from '~/lib/number'
import { api } from '~/sync/api'
import { when } from '~/units/format'
import { deliveryWords, money, clock } from '~/lib/delivery-words'

/** An order that is out: what the supplier says of it, and line by line what came, came short, came wrong or went back. */
const props = defineProps<{ order: Order }>()
const orders = useOrdersStore()
const person = usePersonStore()
const { problem, busy, carry } = useCarried()
type Told = Exclude<OrderHappened, 'placed'>
const counts = ref<Record<string, string>>({})
const note = ref<DeliveryNote | null>(null)
const open = (line: OrderLine) => openOf(line.quantity, line.counts)
const back = (line: OrderLine) => toReturn(line.counts)
const most = (line: OrderLine, told: Told) => mostOf(told, line.quantity, line.counts)
const count = (line: OrderLine, told: Told): number | null => {
  const typed = counts.value[line.id]
  return typed === undefined
    ? most(line, told)
    : readWithin(typed, { min: 1, max: Math.max(1, most(line, told)) })
}
async function tell(line: OrderLine, told: Told) {
  const quantity = count(line, told)
  if (quantity === null) {
    problem.value = `Pieces of ${line.words}: 1 to ${most(line, told)}. What you typed is still here.`
    return
  }
  const done = await carry(() =>
    orders.happened(props.order.id, [
      { line: line.id, happened: told, quantity: Math.round(quantity) },
    ]),
  )
  if (done) delete counts.value[line.id]
}
/** The rest is given up here and goes into the basket again, for the next delivery. */
async function again(line: OrderLine) {
  const quantity = open(line)
  await carry(async () => {
    await orders.add([
      {
        words: line.words,
        supplier: props.order.supplier,
        quantity,
        price: line.confirmedPrice ?? line.price,
        ...(line.partId !== null && { partId: line.partId }),
        ...(line.partId === null && line.number !== null && { number: line.number }),
        ...(line.jobId !== null && { jobId: line.jobId }),
        ...(line.need !== null && { need: line.need }),
      },
    ])
    await orders.happened(props.order.id, [{ line: line.id, happened: 'cancelled', quantity }])
  })
}
const allHere = () =>
  carry(() =>
    orders.happened(
      props.order.id,
      props.order.lines
        .filter((line) => open(line) > 0)
        .map((line) => ({ line: line.id, happened: 'delivered' as const, quantity: open(line) })),
    ),
  )
const askNote = () =>
  carry(async () => {
    note.value = await api<DeliveryNote>(`/orders/${props.order.id}/note`)
    orders.supplier = note.value.supplier
  })
const noteOf = ({ number }: OrderLine) =>
  note.value?.lines?.find((one) => one.number === number) ?? null
const undoable = computed(() => {
  const all = props.order.lines.flatMap((line) =>
    line.events.filter(({ happened }) => happened !== 'placed').map((event) => ({ line, event })),
  )
  return all.sort((a, b) => (a.event.id < b.event.id ? 1 : -1))[0] ?? null
})
const isOpen = computed(() => props.order.lines.some((line) => open(line) > 0))
const WAYS = ['delivered', 'short', 'wrong', 'cancelled'] as const
const WAY_WORDS: Record<(typeof WAYS)[number], string> = {
  delivered: 'came',
  short: 'did not come',
  wrong: 'came wrong',
  cancelled: 'give up',
}
</script>

<template>
  <section
    class="border-t-2 border-ink py-2"
    :aria-labelledby="`order-${order.id}`"
    :data-order="order.id"
    :data-state="order.state"
  >
    <div class="flex flex-wrap items-baseline gap-x-4">
      <h2 :id="`order-${order.id}`" class="text-[1.1rem]">{{ order.supplier }}</h2>
      <strong>{{ ORDER_STATE_WORDS[order.state] }}</strong>
      <span class="grow text-soft">
        <template v-if="order.placedAt">ordered {{ when(order.placedAt) }}</template
        ><template v-if="order.arrives && isOpen"
          >, promised {{ deliveryWords(order.arrives) }}</template
        >
      </span>
      <span>{{
        order.currency === 'mixed' ? 'several currencies' : money(order.total, order.currency)
      }}</span>
    </div>
    <p
      v-if="order.wired && !order.answeredAt"
      class="border-l-4 border-amber pl-3"
      role="status"
      data-unanswered
    >
      <strong>{{ order.tries === 0 ? 'Being sent.' : 'The supplier has not answered.' }}</strong>
      <template v-if="order.trouble">
        Tried {{ order.tries === 1 ? 'once' : `${order.tries} times`
        }}<template v-if="orders.supplier?.since"
          >, not answering since {{ clock(orders.supplier.since) }}</template
        >. It is sent again by itself and never ordered twice.</template
      >
    </p>
    <p v-else-if="order.wired && order.answeredAt" class="text-[0.95rem] text-soft">
      Taken by the supplier {{ when(order.answeredAt) }}.
      <button v-if="isOpen" type="button" class="tap px-1 underline" :disabled="busy" @click="askNote">
        What does it say it sent?
      </button>
    </p>
    <p v-if="note && note.lines === null" role="status">
      It does not answer, since {{ clock(note.supplier.since) }}.
    </p>
    <ul>
      <li
        v-for="line in order.lines"
        :key="line.id"
        class="border-t border-hairline py-1"
        :data-line="line.words"
      >
        <div class="flex flex-wrap items-center gap-x-3">
          <p class="min-w-0 grow basis-72 leading-tight">
            {{ line.quantity }} × {{ line.words }} <span class="text-soft">{{ line.number }}</span>
            <NuxtLink
              v-if="line.jobId"
              :to="`/jobs/${line.jobId}/choose/order`"
              class="block text-[0.95rem] text-soft underline"
              >{{ line.vehicleName }}: {{ line.jobTitle }}</NuxtLink
            >
            <span
              v-if="line.confirmed !== null && line.confirmed < line.quantity"
              class="block font-semibold text-rust"
              >The supplier promises {{ line.confirmed }} of {{ line.quantity }}.</span
            >
            <span
              v-if="line.confirmedPrice !== null && Math.abs(line.confirmedPrice - line.price) > 0.004"
              class="block text-amber"
              >Its price is {{ money(line.confirmedPrice) }}, listed {{ money(line.price) }}.</span
            >
            <span
              v-if="
                noteOf(line) &&
                (noteOf(line)!.sent !== line.number || noteOf(line)!.quantity < line.quantity)
              "
              class="block text-amber"
            >
              It says it sent {{ noteOf(line)!.quantity }} of {{ noteOf(line)!.sent }}.
            </span>
          </p>
          <p class="text-[0.95rem]">
            <strong>{{ line.received }} here</strong
            ><template v-if="open(line) > 0">, {{ open(line) }} to come</template
            ><template v-if="line.counts.short > 0">, {{ line.counts.short }} came short</template
            ><template v-if="line.counts.wrong > 0">, {{ line.counts.wrong }} came wrong</template
            ><template v-if="line.returned > 0">, {{ line.returned }} sent back</template
            ><template v-if="line.counts.cancelled > 0"
              >, {{ line.counts.cancelled }} given up</template
            >
          </p>
        </div>
        <div
          v-if="open(line) > 0 || back(line) > 0"
          class="no-print flex flex-wrap items-center gap-1.5 pt-1"
        >
          <input
            class="field w-16 px-2"
            inputmode="numeric"
            :aria-label="`How many of ${line.words}`"
            :value="counts[line.id] ?? ''"
            :placeholder="String(open(line) || back(line))"
            @input="counts[line.id] = ($event.target as HTMLInputElement).value"
          />
          <template v-if="open(line) > 0">
            <button
              v-for="told in WAYS"
              :key="told"
              type="button"
              class="quiet"
              :disabled="busy"
              :aria-label="`${line.words}: ${WAY_WORDS[told]}`"
              @click="tell(line, told)"
            >
              {{ WAY_WORDS[told] }}
            </button>
            <button
              type="button"
              class="quiet"
              :disabled="busy"
              :aria-label="`${line.words}: order the rest again`"
              @click="again(line)"
            >
              order the rest again
            </button>
          </template>
          <button
            v-if="back(line) > 0"
            type="button"
            class="act"
            :disabled="busy"
            :aria-label="`${line.words}: sent back`"
            @click="tell(line, 'returned')"
          >
            sent back
          </button>
        </div>
      </li>
    </ul>
    <p class="no-print flex flex-wrap items-center gap-3 pt-2">
      <button v-if="isOpen" type="button" class="act" :disabled="busy" @click="allHere">
        All of it is here
      </button>
      <button
        v-if="undoable"
        type="button"
        class="quiet"
        :disabled="busy"
        @click="carry(() => orders.undo(order.id, undoable!.event.id))"
      >
        Undo: {{ HAPPENED_WORDS[undoable.event.happened].toLowerCase() }},
        {{ undoable.event.quantity }} ×
        {{ undoable.line.words }}
      </button>
      <span v-if="undoable" class="text-[0.95rem] text-soft"
        >{{ when(undoable.event.at) }}, {{ person.names.get(undoable.event.by) ?? 'somebody' }}</span
      >
    </p>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
  </section>
</template>
