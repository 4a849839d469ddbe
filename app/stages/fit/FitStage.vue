<script setup lang="ts">
import { stillWanted } from '~~/core/plan'
import { isRecorded } from '~~/core/proof'
import { useJob, useJobFigures } from '~/job/useJob'
import { useRoute } from '#imports'
import { usePlan } from '~/job/usePlan'
import { computed } from 'vue'
import SheetTabs from '~/components/frame/SheetTabs.vue'
import AsFoundSheet from '~/stages/fit/AsFoundSheet.vue'
import PlanSheet from '~/stages/fit/PlanSheet.vue'
import StepSheet from '~/stages/fit/StepSheet.vue'
import BenchSheet from '~/stages/fit/BenchSheet.vue'
import AdjustSheet from '~/stages/fit/AdjustSheet.vue'
import LedgerSheet from '~/stages/fit/LedgerSheet.vue'

/** Fit: what is written down before it comes apart, the plan step by step, the bench, what is set, and what is on or off. */
const { id, state } = useJob()
const route = useRoute()
const { plan, told, left, ledger } = usePlan()
const SHEETS = [
  { id: 'found', name: 'As found' },
  { id: 'plan', name: 'Plan' },
  { id: 'step', name: 'Step' },
  { id: 'bench', name: 'Bench' },
  { id: 'adjust', name: 'Adjust' },
  { id: 'ledger', name: 'On and off' },
] as const
type SheetName = (typeof SHEETS)[number]['id']
const sheet = computed(() => SHEETS.find((one) => one.id === route.params.sheet)?.id ?? 'found')
const missing = computed(
  () =>
    stillWanted(plan.value?.steps ?? [], told.value).filter(
      ({ record }) => !isRecorded(state.value, record),
    ).length,
)
const { stops } = useJobFigures()
const rejected = computed(() => stops.value.some(({ stop }) => stop === 'borePitted'))
const notes = computed((): Partial<Record<SheetName, string>> => ({
  ...(missing.value > 0 && { found: `${missing.value} to write down` }),
  ...(plan.value && { plan: left.value > 0 ? `${left.value} to go` : 'all told' }),
  ...(rejected.value && { bench: 'bore rejected' }),
  ...(ledger.value.length > 0 && { ledger: `${ledger.value.length}` }),
}))
const tabs = computed(() =>
  SHEETS.map((one) => ({
    ...one,
    to: one.id === 'found' ? `/jobs/${id}/fit` : `/jobs/${id}/fit/${one.id}`,
    note: notes.value[one.id] ?? '',
    bad: one.id === 'bench' && rejected.value,
  })),
)
</script>

<template>
  <div>
    <SheetTabs :tabs="tabs" :open="sheet" label="Sheets of Fit" />
    <AsFoundSheet v-if="sheet === 'found'" />
    <PlanSheet v-else-if="sheet === 'plan'" />
    <StepSheet v-else-if="sheet === 'step'" />
    <BenchSheet v-else-if="sheet === 'bench'" />
    <AdjustSheet v-else-if="sheet === 'adjust'" />
    <LedgerSheet v-else />
  </div>
</template>
