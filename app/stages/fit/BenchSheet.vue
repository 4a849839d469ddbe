<script setup lang="ts">
import { REBUILT, SEAL_GREASE, type Lubricant, type Rebuilt } from '~~/core/rebuild'
import { useQueryText } from '~/frame/useQueryText'
import { useJob } from '~/job/useJob'
import { usePlan } from '~/job/usePlan'
import { computed } from 'vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'
import RebuildPieces from '~/stages/fit/RebuildPieces.vue'
import BoreForm from '~/stages/fit/BoreForm.vue'
import NewPartForm from '~/stages/fit/NewPartForm.vue'

/** The rebuild bench and the new part on it: one cylinder at a time. */
const { state } = useJob()
const asked = useQueryText('cylinder')
const { next } = usePlan()
/** The one that the next step is about, else the only one that is worked on. */
const planned = computed((): Rebuilt => {
  const named = /Master|Slave/.exec(next.value?.package ?? '')?.[0]
  if (named) return named === 'Master' ? 'master' : 'slave'
  const ids = state.value.workPlan?.payload.packages.map(({ id }) => id) ?? []
  return ids.some((id) => /Master$/.test(id)) && !ids.some((id) => /Slave$/.test(id))
    ? 'master'
    : 'slave'
})
const cylinder = computed<Rebuilt>({
  get: () => REBUILT.find((one) => one === asked.value) ?? planned.value,
  set: (one) => (asked.value = one),
})
const NAMES = [
  { id: 'master', name: 'Master' },
  { id: 'slave', name: 'Slave' },
] as const
const GETS: Record<Lubricant, string> = {
  fluid: 'clean brake fluid of its kind',
  rubberGrease: 'rubber grease',
  molybdenum: 'molybdenum grease',
  dry: 'dry',
}
</script>

<template>
  <div class="px-6 py-3" data-bench>
    <ChoiceRow v-model="cylinder" label="Cylinder on the bench" :choices="NAMES" />
    <div class="mt-2 grid grid-cols-1 gap-x-8 gap-y-5 xl:grid-cols-2">
      <RebuildPieces :key="cylinder" :cylinder="cylinder" />
      <div class="flex flex-col gap-5">
        <BoreForm :key="cylinder" :cylinder="cylinder" />
        <NewPartForm :key="`new ${cylinder}`" :cylinder="cylinder" />
        <details>
          <summary class="min-h-11 content-center text-[1.1rem]">
            Which seal gets fluid, and which grease
          </summary>
          <p class="text-soft">
            Its maker says it seal by seal, and comes first. In a mineral-oil system nothing here holds:
            use what its maker names.
          </p>
          <table class="w-full text-left">
            <tbody>
              <tr
                v-for="one in SEAL_GREASE"
                :key="one.piece"
                class="border-b border-hairline align-top"
              >
                <th scope="row" class="py-1 pr-3 font-normal">{{ one.piece }}</th>
                <td class="py-1">
                  <strong>{{ GETS[one.gets] }}</strong>
                  <span class="block text-[0.9rem] text-soft">{{ one.reason }}</span>
                </td>
              </tr>
            </tbody>
          </table>
        </details>
      </div>
    </div>
  </div>
</template>
