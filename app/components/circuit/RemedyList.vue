<script setup lang="ts">
import { HOURLY_RATE } from '~~/core/work'
import type { PhaseFigures } from '~~/core/proof'
import { sensitivity, type Bought, type Change } from '~~/core/whatif'
import { useShopStore } from '~/stores/shop'
import { ref, computed } from 'vue'
import { inUnits, withUnits } from '~/units/units'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'

/** Which change buys most millimetres of reserve for what it costs; each can be tried. */
const props = defineProps<{ figures: PhaseFigures }>()
defineEmits<{ try: [changes: Change[]] }>()
const shop = useShopStore()
shop.load().catch(() => {})
const by = ref<'worth' | 'gain' | 'time' | 'money'>('worth')
/** The shop’s price of an hour; the usual one while the server is away. */
const hourly = computed(() => shop.settings?.hourlyRate ?? HOURLY_RATE)
const ORDERS = [
  { id: 'worth', name: 'for its cost' },
  { id: 'gain', name: 'total' },
  { id: 'time', name: 'for its time' },
  { id: 'money', name: 'for its parts' },
] as const

const list = computed(() => {
  const { installation, circuit } = props.figures
  const { remedies } = sensitivity({ ...installation, circuit }, hourly.value)
  const key: Record<typeof by.value, (one: Bought) => number> = {
    worth: (one) => one.perCost,
    gain: (one) => one.gain,
    time: (one) => one.gain / one.minutes,
    // What needs no parts is worth more than anything that does.
    money: (one) => one.gain / (one.money + 0.01),
  }
  return [...remedies].sort((a, b) => key[by.value](b) - key[by.value](a))
})
const signed = (mm: number) => `${mm >= 0 ? '+' : '−'}${inUnits(Math.abs(mm), 'mm')}`
</script>

<template>
  <section aria-labelledby="buys">
    <h2 id="buys" class="text-[1.1rem]">What buys most reserve</h2>
    <div class="mt-1 flex flex-wrap items-center gap-1">
      <ChoiceRow v-model="by" :choices="ORDERS" label="Order" />
      <p class="ml-auto text-[0.95rem]">
        An hour costs {{ hourly }}.
        <NuxtLink to="/shop" class="tap px-1 underline">Change</NuxtLink>
      </p>
    </div>
    <ul class="mt-2 border-t border-hairline">
      <li
        v-for="one in list"
        :key="one.id"
        class="flex items-center gap-3 border-b border-hairline py-1"
        :data-remedy="one.id"
      >
        <span class="grow leading-tight">
          {{ one.label }}
          <span class="block text-[0.9rem] text-soft"
            >{{ one.minutes }} min, parts {{ one.money }}, pad {{ one.forceChange >= 0 ? '+' : '−'
            }}{{ withUnits(Math.abs(one.forceChange), 'N') }}. {{ one.reason }}</span
          >
        </span>
        <strong class="whitespace-nowrap">{{ signed(one.gain) }}</strong>
        <button
          type="button"
          class="quiet"
          :aria-label="`Try: ${one.label}`"
          @click="$emit('try', one.changes)"
        >
          Try
        </button>
      </li>
    </ul>
    <p class="mt-1 text-[0.9rem] text-soft">
      Minutes and prices are judgement, in the shop’s own money.
    </p>
  </section>
</template>
