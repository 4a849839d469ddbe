<script setup lang="ts">
import { provideCoach } from './coach/useCoach'
import { useJob } from '~/job/useJob'
import { useRoute } from '#imports'
import { provideBleeding } from '~/job/useBleeding'
import { computed } from 'vue'
import { millilitres } from '~/units/format'
import CoachRun from '~/stages/bleed/coach/CoachRun.vue'
import SheetTabs from '~/components/frame/SheetTabs.vue'
import LogSheet from '~/stages/bleed/LogSheet.vue'
import MethodSheet from '~/stages/bleed/MethodSheet.vue'
import InsideSheet from '~/stages/bleed/InsideSheet.vue'
import CoachSetUp from '~/stages/bleed/coach/CoachSetUp.vue'

/** Bleed: what is logged, which method reaches this line's air, and what happens inside. */
const { id } = useJob()
const route = useRoute()
const bleeding = provideBleeding()
const coach = provideCoach(bleeding)
const SHEETS = [
  { id: 'log', name: 'Log' },
  { id: 'methods', name: 'Methods' },
  { id: 'inside', name: 'Inside' },
  { id: 'coach', name: 'Coach' },
] as const
type SheetName = (typeof SHEETS)[number]['id']
const sheet = computed(() => SHEETS.find((one) => one.id === route.params.sheet)?.id ?? 'log')
const notes = computed((): Partial<Record<SheetName, string>> => {
  const { now, dry, setup } = bleeding
  return {
    ...(now.value && { log: `about ${millilitres(1000 * now.value.total.middle)} left` }),
    coach: coach.state.value && !coach.state.value.done ? 'under way' : '',
    methods: setup.value.steps?.length ? 'chosen' : dry.value ? 'to fill' : '',
  }
})
const tabs = computed(() =>
  SHEETS.map((one) => ({
    ...one,
    to: one.id === 'log' ? `/jobs/${id}/bleed` : `/jobs/${id}/bleed/${one.id}`,
    note: notes.value[one.id] ?? '',
  })),
)
</script>

<template>
  <CoachRun v-if="route.params.sheet === 'calls'" />
  <div v-else>
    <SheetTabs :tabs="tabs" :open="sheet" label="Sheets of Bleed" />
    <LogSheet v-if="sheet === 'log'" />
    <MethodSheet v-else-if="sheet === 'methods'" />
    <InsideSheet v-else-if="sheet === 'inside'" />
    <CoachSetUp v-else />
  </div>
</template>
