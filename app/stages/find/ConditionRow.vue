<script setup lang="ts">
import { NEEDS, safeConditions, type Need } from '~~/core/diagnosis'
import { useJob } from '~/job/useJob'
import { useDiagnosis } from '~/job/useDiagnosis'
import { computed } from 'vue'
import OnOff from '~/components/frame/OnOff.vue'

/** What can be done here just now: no look is proposed whose precondition fails. */
const { file } = useJob()
const { conditions, barring } = useDiagnosis()
const safe = computed(() => safeConditions(conditions.value, barring.value))
const barred = (need: Need) => conditions.value[need] && !safe.value[need]
const holding = computed(() =>
  NEEDS.filter(({ id }) => safe.value[id])
    .map(({ label }) => label.toLowerCase())
    .join(', '),
)
</script>

<template>
  <details class="border-b border-hairline">
    <summary class="flex min-h-11 flex-wrap items-baseline gap-x-2 py-2">
      <strong>Here and now</strong>
      <span class="grow text-[0.95rem] text-soft">{{ holding || 'nothing can be done' }}</span>
      <span class="text-soft" aria-hidden="true">change</span>
    </summary>
    <div class="flex flex-wrap gap-2 pb-2" role="group" aria-label="What can be done here">
      <OnOff
        v-for="need in NEEDS"
        :key="need.id"
        :on="safe[need.id]"
        @click="file('condition', { condition: need.id, holds: !conditions[need.id] })"
      >
        {{ need.label }}<span v-if="barred(need.id)">: a stop forbids it</span>
      </OnOff>
    </div>
  </details>
</template>
