<script setup lang="ts">
import { faultKind } from '~~/core/diagnosis'
import { cameBack, COMEBACK_DAYS } from '~~/core/due'
import type { VehicleHistory } from '~~/core/history'
import { operationOf } from '~~/core/work'
import { useJob } from '~/job/useJob'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { computed } from 'vue'
import { countOf } from '~~/core/words'
import { when } from '~/units/format'
import OnOff from '~/components/frame/OnOff.vue'

/** The vehicle was here within the year: what was done then, whether it came back with the same, and that it counts as evidence. */
const { id, job, vehicle, state, file } = useJob()
const { value } = useLoaded(async () =>
  vehicle.value ? api<VehicleHistory>(`/vehicles/${vehicle.value.id}/history`) : null,
)
const DAY = 24 * 3600 * 1000
const last = computed(() => {
  const opened = job.value?.createdAt
  if (!opened) return null
  return (
    value.value?.jobs.find(
      (one) =>
        one.id !== id &&
        one.provenAt !== null &&
        one.provenAt <= opened &&
        Date.parse(one.provenAt) >= Date.parse(opened) - COMEBACK_DAYS * DAY,
    ) ?? null
  )
})
const back = computed(
  () =>
    job.value !== null &&
    cameBack(
      {
        openedAt: job.value.createdAt,
        complaints: state.value.complaints.map(({ complaint }) => complaint),
      },
      value.value?.jobs.filter((one) => one.id !== id) ?? [],
    ) !== null,
)
const told = computed(() => state.value.found.asFound.workedOn?.payload.state ?? null)
const did = computed(() =>
  last.value
    ? [
        ...last.value.did.map((one) => operationOf(one).label.toLowerCase()),
        ...(last.value.cycles > 0 ? [`bled in ${countOf(last.value.cycles, 'cycle')}`] : []),
        ...last.value.causes.map((one) => `it was ${faultKind(one).label.toLowerCase()}`),
      ].join(', ')
    : '',
)
</script>

<template>
  <section
    v-if="last"
    class="border-b border-hairline px-6 py-2"
    aria-label="Here before"
    data-here-before
  >
    <p class="flex flex-wrap items-center gap-x-3">
      <strong :class="back ? 'text-rust' : ''">{{ back ? 'Came back.' : 'Here before.' }}</strong>
      <span
        >Proven {{ when(last.provenAt!) }}:
        <NuxtLink :to="`/jobs/${last.id}/record`" class="underline underline-offset-4">{{
          last.title
        }}</NuxtLink><template v-if="did">; {{ did }}</template
        >.</span
      >
      <OnOff
        :on="told === 'present'"
        @click="
          file('finding', {
            finding: 'workedOn',
            state: told === 'present' ? 'notLooked' : 'present',
            phase: 'asFound',
          })
        "
        >Worked on lately</OnOff
      >
      <span v-if="told !== 'present'" class="text-[0.95rem] text-soft"
        >Counted, it speaks for parts bad from new and for air left in.</span
      >
    </p>
  </section>
</template>
