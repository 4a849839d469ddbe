<script setup lang="ts">
import type { OpenStop } from '~~/core/proof'
import { useJob, useJobFigures } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { ref } from 'vue'

/** Open stops, plainly: the job goes no further on that path until it is mended, or a named person takes it over. */
const { file } = useJob()
const { stops } = useJobFigures()
const person = usePersonStore()
const taking = ref<string | null>(null)
const reason = ref('')
const wrong = ref('')
async function take({ stop }: OpenStop) {
  if (reason.value.trim() === '') {
    wrong.value = 'Say why it is overridden; it stays in the journal with your name.'
    return
  }
  wrong.value = ''
  if (await file('takenOver', { stop, reason: reason.value.trim().slice(0, 240) })) {
    taking.value = null
    reason.value = ''
  }
}
</script>

<template>
  <div v-if="stops.length" role="alert" class="border-b-2 border-rust px-6 py-1">
    <div
      v-for="one in stops"
      :key="one.stop"
      class="flex flex-wrap items-center gap-x-3"
      :data-stop="one.stop"
    >
      <p v-if="one.takenOver" class="grow py-2 text-soft">
        {{ one.words }} Overridden by
        <strong>{{ person.names.get(one.takenOver.by) ?? 'somebody' }}</strong>:
        {{ one.takenOver.payload.reason }}
      </p>
      <template v-else>
        <p class="grow py-2 text-rust"><strong>Stop.</strong> {{ one.words }}</p>
        <button
          v-if="taking !== one.stop"
          type="button"
          class="quiet"
          @click="((taking = one.stop), (reason = ''))"
        >
          Override, in my name
        </button>
        <form
          v-else
          class="flex basis-full flex-wrap items-center gap-2 pb-1"
          @submit.prevent="take(one)"
        >
          <input
            v-model="reason"
            class="field grow basis-60"
            maxlength="240"
            :aria-label="`Why ${person.current?.name ?? 'you'} overrides this`"
            :placeholder="`${person.current?.name ?? 'You'}, why?`"
          />
          <button class="act">Override</button>
          <button type="button" class="quiet" @click="taking = null">Cancel</button>
          <span v-if="wrong" class="font-semibold text-rust">{{ wrong }}</span>
        </form>
      </template>
    </div>
  </div>
</template>
