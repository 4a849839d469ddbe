<script setup lang="ts">
import { providePlan } from './usePlan'

/** Fit: what is written down before it comes apart, and the plan of the work step by step. */
const { id } = useJob()
const route = useRoute()
const { plan, left } = providePlan()
const SHEETS = [
  { id: 'found', name: 'As found' },
  { id: 'plan', name: 'Plan' },
] as const
const sheet = computed(() => SHEETS.find((one) => one.id === route.params.sheet)?.id ?? 'found')
const tabs = computed(() =>
  SHEETS.map((one) => ({
    ...one,
    to: one.id === 'found' ? `/jobs/${id}/fit` : `/jobs/${id}/fit/${one.id}`,
    note: one.id === 'plan' && plan.value ? (left.value > 0 ? `${left.value} to go` : 'all told') : '',
  })),
)
</script>

<template>
  <div>
    <SheetTabs :tabs="tabs" :open="sheet" label="Sheets of Fit" />
    <AsFoundSheet v-if="sheet === 'found'" />
    <PlanSheet v-else />
  </div>
</template>
