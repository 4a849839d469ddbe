<script setup lang="ts">
import { faultKind, priorsFrom, STRENGTH } from '~~/core/diagnosis'
import { useShopStore } from '~/stores/shop'
import { computed, ref } from 'vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'

/** How far the shop’s own closed jobs have moved the chances, and on how many jobs. */
const shop = useShopStore()
const models = computed(() => Object.keys(shop.record).filter((name) => name !== ''))
const model = ref('')
const pooled = computed(() => priorsFrom(shop.record, model.value))
const shown = computed(() =>
  pooled.value.moved.filter(({ from, to }) => Math.abs(Math.log(to / from)) > 0.1).slice(0, 12),
)
const percent = (chance: number) => `${(100 * chance).toFixed(1)} %`
</script>

<template>
  <div>
    <p class="text-soft">
      {{ pooled.jobs }} closed {{ pooled.jobs === 1 ? 'job' : 'jobs' }} with a confirmed cause. The
      table’s chance counts as {{ STRENGTH.table }} jobs, the shop’s other models as
      {{ STRENGTH.shop }}.
    </p>
    <ChoiceRow
      v-if="models.length"
      v-model="model"
      class="py-2"
      label="Vehicle model"
      :choices="[{ id: '', name: 'Any model' }, ...models.map((name) => ({ id: name, name }))]"
    />
    <table v-if="shown.length" class="w-full">
      <thead>
        <tr class="border-b border-ink text-left">
          <th class="py-1 font-semibold">Fault</th>
          <th class="py-1 pl-3 text-right font-semibold">Table</th>
          <th class="py-1 pl-3 text-right font-semibold">Now</th>
          <th class="py-1 pl-3 text-right font-semibold">Confirmed</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="one in shown"
          :key="one.fault"
          class="border-b border-hairline"
          :data-moved="one.fault"
        >
          <td class="py-1">{{ faultKind(one.fault).label }}</td>
          <td class="py-1 pl-3 text-right whitespace-nowrap">{{ percent(one.from) }}</td>
          <td class="py-1 pl-3 text-right font-semibold whitespace-nowrap">{{ percent(one.to) }}</td>
          <td class="py-1 pl-3 text-right">
            {{ one.confirmed.all
            }}<template v-if="model">, {{ one.confirmed.model }} on this model</template>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="py-2">
      Nothing has moved yet: a job counts once it is proven and its cause is confirmed, at Prove.
    </p>
  </div>
</template>
