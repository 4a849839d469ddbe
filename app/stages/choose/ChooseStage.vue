<script setup lang="ts">
import { chooseOwed } from '~~/core/proof'
import { CHOOSE_SHEETS, chooseSheetOf } from './sheets'

/** Choose: cylinders sized, joints checked on the bench, pipes made, lines checked, the slave’s ports, and the fluid. */
const { id, state } = useJob()
const route = useRoute()
const sheet = computed(() => chooseSheetOf(route.params.sheet))
const owed = computed(() => chooseOwed(state.value))
const notes = computed((): Partial<Record<string, string>> => {
  const { refused, unchecked, plan } = owed.value
  const joints =
    refused.length > 0
      ? `${refused.length} ${refused.length === 1 ? 'does' : 'do'} not join`
      : unchecked.length > 0
        ? `${unchecked.length} to check`
        : ''
  return { cylinders: plan ? 'not chosen' : '', joints }
})
const tabs = computed(() =>
  CHOOSE_SHEETS.map((one) => ({
    ...one,
    to: `/jobs/${id}/choose/${one.id}`,
    note: notes.value[one.id] ?? '',
    bad: one.id === 'joints' && owed.value.refused.length > 0,
  })),
)
</script>

<template>
  <div>
    <SheetTabs :tabs="tabs" :open="sheet" label="Sheets of Choose" />
    <SizingSheet v-if="sheet === 'cylinders'" />
    <JointSheet v-else-if="sheet === 'joints'" />
    <PipeSheet v-else-if="sheet === 'pipe'" />
    <LineSheet v-else-if="sheet === 'line'" />
    <SlaveSheet v-else-if="sheet === 'slave'" />
    <FluidSheet v-else />
  </div>
</template>
