<script setup lang="ts">
import { latestReading } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { computed } from 'vue'
import { withUnits } from '~/units/units'
import { describe } from '~/units/describe'

/** A change that was put off, and the distance at which it is due. */
const { state, file } = useJob()
const plan = computed(() => state.value.circuitPlan?.payload ?? null)
const mileage = computed(() => latestReading(state.value, 'mileage'))
const fitNow = () =>
  plan.value &&
  file('circuitPlan', { changes: plan.value.changes, ...(plan.value.why && { why: plan.value.why }) })
</script>

<template>
  <section v-if="plan?.waitKm !== undefined" aria-labelledby="put-off" class="mb-4" data-put-off>
    <h2 id="put-off" class="text-[1.1rem]">Put off</h2>
    <p>
      Due
      <strong>{{
        mileage === null
          ? `${withUnits(plan.waitKm, 'km')} from now`
          : `at ${withUnits(mileage + plan.waitKm, 'km')}`
      }}</strong>: {{ describe({ kind: 'circuitPlan', payload: plan }) }}
    </p>
    <p v-if="plan.why" class="text-[0.95rem] text-soft">{{ plan.why }}</p>
    <button type="button" class="quiet mt-1" @click="fitNow">It is fitted now after all</button>
  </section>
</template>
