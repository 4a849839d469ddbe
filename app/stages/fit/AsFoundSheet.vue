<script setup lang="ts">
import { AS_FOUND_KINDS, type AsFoundKind } from '~~/core/journal'
import type { ReadingName } from '~~/core/diagnosis'
import { stillWanted, type RecordName } from '~~/core/plan'
import { isRecorded, RECALLED_AS } from '~~/core/proof'
import { useJob } from '~/job/useJob'
import { usePlan } from '~/job/usePlan'
import { computed } from 'vue'
import ReadingField from '~/components/job/ReadingField.vue'
import AsFoundField from '~/stages/fit/AsFoundField.vue'
import ParameterField from '~/components/circuit/ParameterField.vue'
import WorkDone from '~/components/job/WorkDone.vue'

/** What is written down before it comes apart, the plan's own first, and what was done. */
const { state } = useJob()
const { plan, told } = usePlan()
/** Records that a step of the plan brings back and that are still wanted, in the order in which they are lost. */
const owed = computed(() =>
  stillWanted(plan.value?.steps ?? [], told.value).flatMap(({ record, before }) => {
    const name = record as RecordName
    const as = RECALLED_AS[name]
    const step = plan.value!.steps.find(({ id }) => id === before)
    return as ? [{ name, as, told: isRecorded(state.value, name), before: step?.title ?? '' }] : []
  }),
)
const kindOf = (item: string): AsFoundKind => AS_FOUND_KINDS.find((one) => one.item === item)!
const asked = computed(
  () => new Set(owed.value.flatMap(({ as }) => ('item' in as ? [as.item as string] : []))),
)
const rest = computed(() => AS_FOUND_KINDS.filter(({ item }) => !asked.value.has(item)))
const READ: readonly ReadingName[] = ['padHeight', 'freeTravel', 'rodStroke']
const readings = computed(() => {
  const planned = new Set(owed.value.flatMap(({ as }) => ('reading' in as ? [as.reading] : [])))
  return READ.filter((name) => !planned.has(name))
})
const missing = computed(() => owed.value.filter(({ told }) => !told).length)
</script>

<template>
  <div class="grid gap-x-8 lg:grid-cols-2">
    <section class="border-hairline px-6 py-4 lg:border-r" aria-labelledby="as-found">
      <h2 id="as-found" class="place-name">Before it comes apart</h2>
      <template v-if="owed.length">
        <p data-owed-records>
          {{
            missing > 0
              ? `The plan brings ${owed.length} things back; ${missing} ${missing === 1 ? 'is' : 'are'} not written down yet.`
              : 'All that the plan brings back is written down.'
          }}
        </p>
        <div v-for="one in owed" :key="one.name" :data-owed="one.name">
          <p v-if="!one.told" class="pt-1 text-[0.9rem] text-soft">wanted at “{{ one.before }}”</p>
          <ReadingField v-if="'reading' in one.as" :reading="one.as.reading" phase="asFound" />
          <AsFoundField v-else-if="'item' in one.as" :kind="kindOf(one.as.item)" />
          <ParameterField v-else-if="'field' in one.as" :path="one.as.field" />
        </div>
        <h2 class="place-name mt-4">Beside that</h2>
      </template>
      <p v-else class="text-[0.95rem] text-soft">
        What nobody can measure afterwards. Once a plan is made, what it brings back stands first.
      </p>
      <ReadingField v-for="name in readings" :key="name" :reading="name" phase="asFound" />
      <AsFoundField v-for="kind in rest" :key="kind.item" :kind="kind" />
    </section>
    <div class="px-6 py-4 lg:pl-0">
      <WorkDone />
      <p class="mt-3 border-l-4 border-amber pl-3 text-[0.95rem]">
        Tag the pedal before the slave comes off its fork: its piston flies out if anybody presses. The
        maker’s data gives torque.
      </p>
      <p class="mt-3 text-[0.95rem] text-soft">
        What must not be turned is marked first: paint across the nut and what it stands on.
      </p>
    </div>
  </div>
</template>
