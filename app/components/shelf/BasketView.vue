<script setup lang="ts">
import type { CatalogueAnswer, Order, Shop } from '~~/contract'
import { nextDelivery } from '~~/core/orders'
import { useOrdersStore } from '~/stores/orders'
import { useShopStore } from '~/stores/shop'
import { useCarried } from '~/frame/useCarried'
import { useLoaded } from '~/asking/useLoaded'
import { computed, ref } from 'vue'
import { readWithin } from '~/lib/number'
import { api } from '~/sync/api'
import { deliveryWords, money, clock, daysWords } from '~/lib/delivery-words'
import SupplierBar from '~/components/shelf/SupplierBar.vue'
import KeptInput from '~/components/frame/KeptInput.vue'

/** What is going to be ordered, supplier by supplier, over all jobs: bought together, one delivery brings it. */
const orders = useOrdersStore()
const shop = useShopStore()
const { problem, busy, sure, carry } = useCarried()
const { error, load } = useLoaded(() => Promise.all([orders.load(), shop.load()]))
const jobsOf = ({ lines }: Order) => new Set(lines.flatMap(({ jobId }) => jobId ?? [])).size
/** The delivery that brings what is placed now; parts may need longer, which the order then says. */
const delivery = computed(() => {
  const days: Shop['settings']['delivery'] = shop.settings?.delivery
  if (!days?.length) return null
  const now = new Date()
  const next = nextDelivery(days, {
    weekday: now.getDay(),
    minute: now.getHours() * 60 + now.getMinutes(),
  })
  if (!next) return null
  const at = (inDays: number, time: string) => {
    const [hours, minutes] = time.split(':').map(Number)
    return new Date(
      now.getFullYear(),
      now.getMonth(),
      now.getDate() + inDays,
      hours,
      minutes,
    ).toISOString()
  }
  return { by: at(next.orderInDays, next.cutoff), here: at(next.inDays, next.arrives) }
})
/** The order that was not placed, where its reason is shown. */
const notPlaced = ref<string | null>(null)
const act = (work: () => Promise<unknown>) => ((notPlaced.value = null), carry(work))
async function place(id: string) {
  notPlaced.value = null
  if (!(await carry(() => orders.place(id), 'The basket is as it was.'))) notPlaced.value = id
}
async function setPieces(line: string, text: string) {
  notPlaced.value = null
  const value = readWithin(text, { min: 0, max: 100_000 })
  if (value === null)
    problem.value = 'Pieces: a whole number, 0 takes it out. What you typed is still here.'
  else await act(() => orders.change(line, Math.round(value)))
}
const words = ref('')
const found = ref<CatalogueAnswer | null>(null)
const look = () =>
  act(async () => {
    found.value = await api<CatalogueAnswer>(
      `/supplier/catalogue?q=${encodeURIComponent(words.value.trim())}`,
    )
    orders.supplier = found.value.supplier
  })
const take = (item: NonNullable<CatalogueAnswer['items']>[number]) =>
  act(() =>
    orders.add([
      {
        words: item.name,
        number: item.number,
        supplier: found.value!.supplier.name!,
        quantity: 1,
        price: item.price,
      },
    ]),
  )
</script>

<template>
  <div class="py-2" data-basket>
    <p v-if="error" role="alert" class="font-semibold text-rust">
      {{ error }} <button type="button" class="tap underline" @click="load">Try again</button>
    </p>
    <SupplierBar />
    <p v-if="delivery" class="py-1">
      Ordered by <strong>{{ deliveryWords(delivery.by) }}</strong>, it is here
      <strong>{{ deliveryWords(delivery.here) }}</strong>, if the supplier has it.
    </p>
    <p v-else class="py-1 text-soft">
      No delivery days are set: under <NuxtLink to="/shop" class="underline">Shop</NuxtLink> say when
      parts come.
    </p>
    <p v-if="orders.orders && orders.basket.length === 0" class="py-2" role="status">
      The basket is empty. A job’s “To order” fills it, or any part of the shelf.
    </p>
    <section
      v-for="order in orders.basket"
      :key="order.id"
      class="py-2"
      :aria-labelledby="`basket-${order.id}`"
      :data-draft="order.supplier"
    >
      <h2 :id="`basket-${order.id}`" class="text-[1.1rem]">{{ order.supplier }}</h2>
      <p v-if="jobsOf(order) > 1" class="text-[0.95rem] text-soft">
        For {{ jobsOf(order) }} jobs: bought together, one delivery does it.
      </p>
      <ul class="border-t border-hairline">
        <li
          v-for="line in order.lines"
          :key="line.id"
          class="grid grid-cols-[5rem_minmax(0,1fr)_6rem] items-center gap-x-3 border-b border-hairline py-1"
        >
          <KeptInput
            class="field px-2"
            inputmode="numeric"
            :value="String(line.quantity)"
            :aria-label="`Pieces of ${line.words}`"
            @change="setPieces(line.id, $event)"
          />
          <span class="leading-tight"
            >{{ line.words }} <span class="text-soft">{{ line.number }}</span>
            <NuxtLink
              v-if="line.jobId"
              :to="`/jobs/${line.jobId}/choose/order`"
              class="block text-[0.95rem] text-soft underline"
              >{{ line.vehicleName }}: {{ line.jobTitle }}</NuxtLink
            >
            <span v-else class="block text-[0.95rem] text-soft">for the shop</span>
          </span>
          <span class="text-right">
            {{ money(line.price * line.quantity) }}
            <button
              type="button"
              class="tap block w-full justify-end px-0 underline"
              :aria-label="`Take out ${line.words}`"
              @click="act(() => orders.change(line.id, 0))"
            >
              take out
            </button>
          </span>
        </li>
      </ul>
      <p class="flex flex-wrap items-center gap-3 py-2">
        <span class="grow font-semibold">
          {{
            order.currency === 'mixed'
              ? 'In several currencies: no sum'
              : `Together ${money(order.total, order.currency)}`
          }}
        </span>
        <button type="button" class="act" :disabled="busy" @click="place(order.id)">
          {{ order.supplier === orders.supplier?.name ? 'Order it' : 'Ordered by phone: note it' }}
        </button>
      </p>
      <p v-if="notPlaced === order.id && problem" role="alert" class="pb-2 font-semibold text-rust">
        {{ sure ? `Not ordered. ${problem}` : problem }}
      </p>
    </section>
    <p
      v-if="problem && !orders.basket.some(({ id }) => id === notPlaced)"
      role="alert"
      class="font-semibold text-rust"
    >
      {{ problem }}
    </p>
    <form
      v-if="orders.supplier?.name"
      class="flex flex-wrap items-center gap-2 border-t border-hairline pt-3"
      @submit.prevent="look"
    >
      <label class="flex grow basis-64 items-center gap-2"
        ><span class="shrink-0">In the list of {{ orders.supplier.name }}</span>
        <input v-model="words" class="field grow" maxlength="80" placeholder="number or words" />
      </label>
      <button class="quiet" :disabled="words.trim() === '' || busy">Look there</button>
    </form>
    <p v-if="found && found.items === null" role="status" class="py-1">
      It does not answer, since {{ clock(found.supplier.since) }}. What is on the shelf here can still
      be ordered.
    </p>
    <p v-else-if="found?.items?.length === 0" role="status" class="py-1">It lists nothing of that.</p>
    <ul v-else-if="found?.items" data-catalogue>
      <li
        v-for="item in found.items.slice(0, 20)"
        :key="item.number"
        class="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-hairline"
      >
        <span class="grow"
          >{{ item.name }}
          <span class="text-soft"
            >{{ item.number }}, {{ money(item.price) }}, {{ item.stock }} there at
            {{ clock(found.at) }}, {{ daysWords(item.leadDays) }}</span
          ></span
        >
        <button
          type="button"
          class="tap underline"
          :aria-label="`Into the basket: ${item.name}`"
          @click="take(item)"
        >
          into the basket
        </button>
      </li>
    </ul>
  </div>
</template>
