<script setup lang="ts">
import { useOrdersStore } from '~/stores/orders'
import { money } from '~/lib/delivery-words'
/** The basket beside the shelf: what is in it for whom, and what it comes to. */
const orders = useOrdersStore()
</script>

<template>
  <aside
    class="overflow-y-auto border-l border-hairline py-2 pl-5"
    aria-label="Basket"
    data-basket-aside
  >
    <h2 class="text-[1.1rem]">In the basket</h2>
    <section v-for="order in orders.basket" :key="order.id" class="pt-2">
      <h3 class="flex gap-2 border-b border-ink">
        <span class="grow font-semibold">{{ order.supplier }}</span>
        <span>{{
          order.currency === 'mixed' ? 'several currencies' : money(order.total, order.currency)
        }}</span>
      </h3>
      <ul>
        <li
          v-for="line in order.lines"
          :key="line.id"
          class="border-b border-hairline py-1 leading-tight"
        >
          {{ line.quantity }} × {{ line.words }}
          <span class="block text-[0.9rem] text-soft">{{ line.vehicleName ?? 'for the shop' }}</span>
        </li>
      </ul>
    </section>
    <p class="py-3"><NuxtLink to="/shelf/basket" class="act">To the basket</NuxtLink></p>
  </aside>
</template>
