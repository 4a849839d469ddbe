<script setup lang="ts">
import { COMPLAINTS, type ComplaintId } from '~~/core/diagnosis'
import { useJob } from '~/job/useJob'
import OnOff from '~/components/frame/OnOff.vue'

/** What the driver says: each complaint on or off in one tap. */
const { state, job, file, withdraw } = useJob()
const complained = (id: ComplaintId) => state.value.complaints.find((one) => one.complaint === id)
function toggle(id: ComplaintId) {
  const standing = complained(id)
  void (standing ? withdraw(standing.held.id) : file('complaint', { complaint: id }))
}
</script>

<template>
  <p v-if="job" class="pt-2 text-[1.1rem]" data-driver-words>
    “{{ job.title }}”<template v-if="state.goal?.payload.wanted">
      <span class="block text-[0.95rem] text-soft"
        >Wanted: {{ state.goal.payload.wanted }}</span
      ></template
    >
  </p>
  <div class="flex flex-wrap gap-2 py-2" role="group" aria-label="The driver says">
    <OnOff
      v-for="complaint in COMPLAINTS"
      :key="complaint.id"
      :on="!!complained(complaint.id)"
      @click="toggle(complaint.id)"
    >
      {{ complaint.label }}
    </OnOff>
  </div>
</template>
