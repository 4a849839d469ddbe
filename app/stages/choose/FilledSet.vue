<script setup lang="ts">
import { jointAt } from '~~/core/installation'
import { operationOf } from '~~/core/work'
import { SEAT_WORDS, SEATS, type Seat } from '~~/core/fitting'
import { weighSet } from '~~/core/side-by-side'
import { useDesk } from '~/job/useDesk'
import { useShopStore } from '~/stores/shop'
import { ref, computed, onMounted } from 'vue'
import { readWithin } from '~/lib/number'
import { money } from '~/lib/delivery-words'
import OnOff from '~/components/frame/OnOff.vue'

/** A filled, assembled set against dry single parts: bleeding that it spares, and the joint that it forces open. */
const { kept } = useDesk()
const shop = useShopStore()
const MONEY = { min: 0, max: 100_000 }
const set = ref('')
const singles = ref('')
const corroded = ref(false)
const chosen = ref<Seat | '' | null>(null)
/** Where the set is parted from what stays: its own connector, as far as that was read off. */
const seat = computed<Seat | ''>({
  get: () => {
    if (chosen.value !== null) return chosen.value
    const { a, b } = kept.value ? jointAt(kept.value, 'slavePort') : { a: null, b: null }
    return a?.seat ?? b?.seat ?? ''
  },
  set: (one) => (chosen.value = one),
})
const usual = operationOf('master').money + operationOf('slave').money
const typed = (text: string, usually: number) =>
  text.trim() === '' ? usually : readWithin(text, MONEY)
const weighed = computed(() => {
  const [one, other] = [typed(set.value, usual * 1.2), typed(singles.value, usual)]
  if (one === null || other === null) return null
  return weighSet({
    set: { price: one, days: 0 },
    singles: { price: other, days: 0 },
    seat: seat.value || null,
    corroded: corroded.value,
    rate: shop.settings?.hourlyRate ?? 60,
    broken: operationOf('pipe').money,
  })
})
onMounted(() => void shop.load().catch(() => {}))
</script>

<template>
  <details class="border-t border-hairline" data-filled-set>
    <summary class="min-h-11 content-center font-semibold">A filled, assembled set instead?</summary>
    <div class="flex flex-wrap items-end gap-3 py-1">
      <label
        >Price of the set
        <input v-model="set" class="field" inputmode="decimal" :placeholder="money(usual * 1.2)"
      /></label>
      <label
        >Of master and slave, dry
        <input v-model="singles" class="field" inputmode="decimal" :placeholder="money(usual)"
      /></label>
      <label
        >It opens
        <select v-model="seat" class="field">
          <option value="">no joint that stays</option>
          <option v-for="one in SEATS" :key="one" :value="one">{{ SEAT_WORDS[one] }}</option>
        </select></label
      >
      <OnOff :on="corroded" @click="corroded = !corroded">Corroded</OnOff>
    </div>
    <p v-if="!weighed" role="alert" class="font-semibold text-rust">
      A price is a number from 0 to 100 000. What you typed is still here.
    </p>
    <p v-else class="pb-2">
      <strong>{{
        weighed.close
          ? 'Both cost about the same here.'
          : weighed.favoured === 'set'
            ? 'The set costs less here.'
            : 'Dry single parts cost less here.'
      }}</strong>
      Set: {{ weighed.set.minutes }} min, {{ money(weighed.set.cost) }} in all. Single parts:
      {{ weighed.singles.minutes }} min with the bleed, {{ money(weighed.singles.cost) }}.
      {{ weighed.why }}
      <template v-if="weighed.breaks > 0">
        Chance that the joint breaks: {{ Math.round(weighed.breaks * 100) }} %; then a line is bought
        and bled all the same.</template
      >
      <span class="text-soft">
        The result hangs on that chance and on {{ operationOf('bleed').minutes.likely }} min for a
        bleed, both judgement. If the connector is corroded, look whether a better joint can be
        opened.</span
      >
    </p>
  </details>
</template>
