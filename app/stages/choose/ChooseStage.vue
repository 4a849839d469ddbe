<script setup lang="ts">
import { chooseOwed } from '~~/core/proof'
import { CHOOSE_SHEETS, chooseSheetOf } from './sheets'
import { useJob } from '~/job/useJob'
import { useRoute } from '#imports'
import { computed } from 'vue'
import SheetTabs from '~/components/frame/SheetTabs.vue'
import SizingSheet from '~/stages/choose/SizingSheet.vue'
import JointSheet from '~/stages/choose/JointSheet.vue'
import PipeSheet from '~/stages/choose/PipeSheet.vue'
import LineSheet from '~/stages/choose/LineSheet.vue'
import SlaveSheet from '~/stages/choose/SlaveSheet.vue'
import FluidSheet from '~/stages/choose/FluidSheet.vue'
import CompareSheet from '~/stages/choose/CompareSheet.vue'
import OrderSheet from '~/stages/choose/OrderSheet.vue'

/** Choose: cylinders, joints, pipe, line, the slave’s ports and fluid; old against new, and what has to be ordered. */
const { id, state } = useJob()
const route = useRoute()
const sheet = computed(() => chooseSheetOf(route.params.sheet))
const owed = computed(() => chooseOwed(state.value))
const notes = computed((): Partial<Record<string, string>> => {
  const { refused, unchecked, plan, wontFit, compare, waiting, wrong } = owed.value
  const joints =
    refused.length > 0
      ? `${refused.length} ${refused.length === 1 ? 'does' : 'do'} not join`
      : unchecked.length > 0
        ? `${unchecked.length} to check`
        : ''
  return {
    cylinders: plan ? 'not chosen' : '',
    joints,
    compare: wontFit.length > 0 ? 'does not fit' : compare ? 'to do' : '',
    order: wrong.length > 0 ? 'to send back' : waiting.length > 0 ? `${waiting.length} to come` : '',
  }
})
const tabs = computed(() =>
  CHOOSE_SHEETS.map((one) => ({
    ...one,
    to: `/jobs/${id}/choose/${one.id}`,
    note: notes.value[one.id] ?? '',
    bad:
      (one.id === 'joints' && owed.value.refused.length > 0) ||
      (one.id === 'compare' && owed.value.wontFit.length > 0),
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
    <FluidSheet v-else-if="sheet === 'fluid'" />
    <CompareSheet v-else-if="sheet === 'compare'" />
    <OrderSheet v-else />
  </div>
</template>
