<script setup lang="ts">
import { latestReading } from '~~/core/journal'
import { isProven, rechecksAfter } from '~~/core/proof'
import { useJob, useJobFigures } from '~/job/useJob'
import { computed } from 'vue'
import { withUnits } from '~/units/units'
import { RULE_WORDS } from '~~/core/words'

/** Finished work is looked at again after some use: when, and by what; filed, it is owed to this vehicle. */
const { state, file } = useJob()
const { kept } = useJobFigures()
const verdict = computed(() => state.value.verdict)
const mileage = computed(() => latestReading(state.value, 'mileage'))
const DAY = 24 * 3600 * 1000
const planned = computed(() => {
  // The answer to a look again plans no others; what is still owed of them is shown.
  if (!isProven(state.value) || !verdict.value || verdict.value.payload.recheck !== undefined) return []
  const from = Date.parse(verdict.value.at)
  return rechecksAfter(kept.value?.reservoir.sharedWithBrakes ?? false).map(
    ({ afterDays, afterKm, rules }) => ({
      rules,
      afterKm,
      ...(afterDays !== undefined && {
        due: new Date(from + afterDays * DAY).toISOString().slice(0, 10),
      }),
      ...(afterKm !== undefined &&
        mileage.value !== null && { atKm: Math.round(mileage.value + afterKm) }),
    }),
  )
})
const filed = computed(() =>
  state.value.rechecks.filter(
    ({ id, payload }) =>
      !state.value.rechecked.includes(id) &&
      (payload.of === verdict.value?.id || verdict.value?.payload.recheck !== undefined),
  ),
)
const taken = computed(() =>
  state.value.rechecks.filter(({ id }) => state.value.rechecked.includes(id)),
)
const whenWords = (one: { due?: string; atKm?: number; afterKm?: number }) =>
  [
    ...(one.due ? [`by ${one.due}`] : []),
    ...(one.atKm !== undefined
      ? [`at ${withUnits(one.atKm, 'km')}`]
      : one.afterKm !== undefined
        ? [`after ${withUnits(one.afterKm, 'km')}`]
        : []),
  ].join(' or ')
async function plan() {
  if (!verdict.value) return
  for (const { rules, due, atKm } of planned.value)
    await file('recheck', {
      of: verdict.value.id,
      ...(due && { due }),
      ...(atKm !== undefined && { atKm }),
      rules,
    })
}
</script>

<template>
  <section
    v-if="planned.length || filed.length || taken.length"
    class="mt-4"
    aria-labelledby="again"
    data-look-again
  >
    <h2 id="again" class="place-name">Look again</h2>
    <ul class="border-t border-hairline">
      <li
        v-for="(one, i) in filed.length
          ? filed.map(({ payload }) => payload)
          : taken.length
            ? []
            : planned"
        :key="i"
        class="border-b border-hairline py-1"
      >
        <span class="first-letter:uppercase">{{ whenWords(one) }}</span>:
        {{ one.rules.map((rule) => RULE_WORDS[rule]).join(', ') }}
      </li>
    </ul>
    <p v-for="one in taken" :key="one.id" class="py-1 text-soft" data-taken>
      Looked at again: {{ one.payload.rules.map((rule) => RULE_WORDS[rule]).join(', ') }}.
    </p>
    <button
      v-if="planned.length && filed.length === 0 && taken.length === 0"
      type="button"
      class="quiet mt-1"
      @click="plan"
    >
      Keep these as owed
    </button>
    <p v-else-if="filed.length" class="text-[0.95rem] text-soft">Owed to this vehicle.</p>
    <p v-if="planned.length && mileage === null" class="text-[0.95rem] text-soft">
      Nobody has read the distance: it is counted from now.
    </p>
  </section>
</template>
