<script setup lang="ts">
import { chooseOwed } from '~~/core/proof'
import { CHOOSE_SHEETS, chooseSheetOf } from './sheets'

/** Choose: cylinders sized, joints checked on the bench, pipes made, lines checked, the slave’s ports, and the fluid. */
const { id, state } = useJob()
const route = useRoute()
const sheet = computed(() => chooseSheetOf(route.params.sheet))
const owed = computed(() => chooseOwed(state.value))
const words = computed(() => {
  const { refused, unchecked, plan } = owed.value
  return {
    cylinders: plan ? 'not chosen' : '',
    joints:
      refused.length > 0
        ? `${refused.length} ${refused.length === 1 ? 'does' : 'do'} not join`
        : unchecked.length > 0
          ? `${unchecked.length} to check`
          : '',
  } as Partial<Record<string, string>>
})
</script>

<template>
  <div>
    <nav
      aria-label="Sheets of Choose"
      class="no-print sticky top-0 z-10 flex flex-wrap border-b border-hairline bg-ground px-4"
    >
      <NuxtLink
        v-for="one in CHOOSE_SHEETS"
        :key="one.id"
        :to="`/jobs/${id}/choose/${one.id}`"
        class="tap flex-col gap-0 leading-tight"
        :class="one.id === sheet ? 'sheet-here font-semibold' : 'text-soft'"
        :aria-current="one.id === sheet ? 'page' : undefined"
        >{{ one.name
        }}<span
          v-if="words[one.id]"
          class="text-[0.9rem] font-normal"
          :class="one.id === 'joints' && owed.refused.length ? 'text-rust' : ''"
          >{{ words[one.id] }}</span
        ></NuxtLink
      >
    </nav>
    <SizingSheet v-if="sheet === 'cylinders'" />
    <JointSheet v-else-if="sheet === 'joints'" />
    <PipeSheet v-else-if="sheet === 'pipe'" />
    <LineSheet v-else-if="sheet === 'line'" />
    <SlaveSheet v-else-if="sheet === 'slave'" />
    <FluidSheet v-else />
  </div>
</template>

<style scoped>
.sheet-here {
  box-shadow: inset 0 -4px var(--amber);
}
</style>
