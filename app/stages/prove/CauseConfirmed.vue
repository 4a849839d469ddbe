<script setup lang="ts">
import { faultKind, repairOf, type FaultId } from '~~/core/diagnosis'
import { looseCauses } from '~~/core/proof'
import { useJob } from '~/job/useJob'
import { useDiagnosis } from '~/job/useDiagnosis'
import { ref, computed } from 'vue'
import OnOff from '~/components/frame/OnOff.vue'

/** What it was, confirmed by whoever mended it: with a standing proof it goes into the shop’s record. */
const { id, state, file } = useJob()
const { told } = useDiagnosis()
const chosen = ref<FaultId[] | null>(null)
const standing = computed(() => state.value.cause?.payload.faults ?? [])
const picked = computed(() => chosen.value ?? standing.value)
const offered = computed(() => {
  const likely = (told.value?.suspects ?? []).slice(0, 6).map(({ fault }) => fault)
  return [...new Set([...picked.value, ...likely])]
})
function toggle(fault: FaultId) {
  const now = picked.value
  chosen.value = now.includes(fault) ? now.filter((one) => one !== fault) : [...now, fault]
}
/** Confirmed, and nobody has said that it was mended or put off: it is not finished, and teaches nothing. */
const loose = computed(() => looseCauses(state.value))
const repairs = computed(() => [
  ...new Map(loose.value.map((fault) => [repairOf(fault).id, repairOf(fault)])).values(),
])
async function confirm() {
  if (await file('cause', { faults: picked.value })) chosen.value = null
}
const changed = computed(() => chosen.value !== null && chosen.value.join() !== standing.value.join())
</script>

<template>
  <section v-if="told" aria-labelledby="cause" class="mt-4">
    <h2 id="cause" class="place-name">What it was</h2>
    <p class="text-[0.95rem] text-soft">
      What was seen and mended, not a guess. Once the job is proven it counts in this shop’s record.
    </p>
    <div class="flex flex-wrap gap-2 py-2" role="group" aria-label="What it was">
      <OnOff v-for="fault in offered" :key="fault" :on="picked.includes(fault)" @click="toggle(fault)">
        {{ faultKind(fault).label }}
      </OnOff>
    </div>
    <button type="button" class="act" :disabled="!changed || picked.length === 0" @click="confirm">
      Confirm the cause
    </button>
    <span v-if="standing.length && !changed" class="pl-3" role="status" data-cause
      >Confirmed: {{ standing.map((one) => faultKind(one).label).join('; ') }}</span
    >
    <div v-if="loose.length && !changed" class="pt-2" data-loose>
      <p class="font-semibold">
        Nobody has said that it was mended: {{ loose.map((one) => faultKind(one).label).join('; ') }}.
      </p>
      <div class="flex flex-wrap items-center gap-2 py-1">
        <button
          v-for="repair in repairs"
          :key="repair.id"
          type="button"
          class="quiet text-left"
          @click="file('workDone', { operation: repair.id })"
        >
          {{ repair.label }}: done
        </button>
        <NuxtLink :to="`/jobs/${id}/record`" class="tap underline underline-offset-4"
          >Put it off</NuxtLink
        >
      </div>
    </div>
  </section>
</template>
