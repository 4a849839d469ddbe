<script setup lang="ts">
import { COMPLAINTS, FINDINGS, PLACES, type ComplaintId, READINGS } from '~~/core/diagnosis'

/** What is complained of, seen and measured, and what the measurements mean. */
const { id, state, proof, file, withdraw, installation } = useJob()
const PROVE_ONLY = new Set(['unionsWet'])
const byPlace = computed(() =>
  PLACES.map((place) => ({
    ...place,
    findings: FINDINGS.filter(({ id, place: at }) => {
      const shared = installation.value?.reservoir.sharedWithBrakes
      return at === place.id && !PROVE_ONLY.has(id) && (shared || !/^brake/.test(id))
    }),
  })),
)
const readings = computed(() =>
  READINGS.filter(
    ({ name }) => name !== 'rodStroke' || installation.value?.circuit.slave.type === 'external',
  ),
)
const complained = (id: ComplaintId) => state.value.complaints.find((one) => one.complaint === id)
function toggle(id: ComplaintId) {
  const standing = complained(id)
  void (standing ? withdraw(standing.held.id) : file('complaint', { complaint: id }))
}
</script>

<template>
  <div class="grid gap-x-8 lg:grid-cols-[minmax(0,0.92fr)_minmax(0,1fr)]">
    <div class="border-hairline px-6 py-4 lg:border-r">
      <details class="border-b border-hairline pb-2">
        <summary class="flex min-h-11 flex-wrap items-baseline gap-x-2">
          <span class="place-name w-full">The driver says</span>
          <span class="flex-1">{{
            state.complaints
              .map((c) => COMPLAINTS.find((k) => k.id === c.complaint)!.label)
              .join('; ') || 'nothing filed'
          }}</span>
          <span class="text-soft" aria-hidden="true">change</span>
        </summary>
        <div class="flex flex-wrap gap-2 py-2">
          <button
            v-for="complaint in COMPLAINTS"
            :key="complaint.id"
            type="button"
            class="quiet text-left"
            :class="complained(complaint.id) ? 'bg-ink text-ground' : ''"
            :aria-pressed="!!complained(complaint.id)"
            @click="toggle(complaint.id)"
          >
            {{ complaint.label }}
          </button>
        </div>
      </details>
      <section v-for="place in byPlace" :key="place.id" class="pt-3">
        <h2 class="place-name">{{ place.label }}</h2>
        <FindingRow
          v-for="finding in place.findings"
          :key="finding.id"
          :finding="finding.id"
          phase="asFound"
        />
      </section>
      <p class="mt-3 border-l-4 border-amber pl-3 text-[0.95rem]">
        Fluid: gloves, glasses, off the paint. Nobody at the pedal while hands are at the fork. Under
        the vehicle only on rated stands. The maker’s data and local codes decide.
      </p>
    </div>
    <div class="px-6 py-4 lg:pl-0">
      <AirFigure v-if="proof" :figures="proof.before" heading="Air in the circuit" />
      <NuxtLink
        :to="`/jobs/${id}/circuit/guess`"
        class="mt-1 inline-flex min-h-11 items-center underline"
      >
        Weigh what is assumed
      </NuxtLink>
      <section class="mt-5">
        <h2 class="place-name">Measured, as found</h2>
        <ReadingField
          v-for="reading in readings"
          :key="reading.name"
          :reading="reading.name"
          phase="asFound"
        />
      </section>
    </div>
  </div>
</template>
