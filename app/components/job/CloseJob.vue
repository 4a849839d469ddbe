<script setup lang="ts">
import { CLOSING_WORDS, closingOwes } from '~~/core/proof'
import { useJob } from '~/job/useJob'
import { ref, computed } from 'vue'
import { usePlan } from '~/job/usePlan'

/** A job that is finished leaves the bench; one that is not proven, with a reason. The server asks the same. */
const { state, file } = useJob()
const reason = ref('')
const wrong = ref('')
const { ledger } = usePlan()
const owes = computed(() => closingOwes(state.value))
const proven = computed(() => owes.value === null)
async function close() {
  const why = reason.value.trim().slice(0, 400)
  wrong.value = owes.value !== null && why === '' ? CLOSING_WORDS[owes.value] : ''
  if (wrong.value !== '') return
  if (await file('closed', why ? { reason: why } : {})) reason.value = ''
}
</script>

<template>
  <form
    v-if="!state.closed"
    class="no-print mt-5 flex flex-wrap items-center gap-2 border-t border-hairline pt-3"
    @submit.prevent="close"
  >
    <input
      v-model="reason"
      class="field grow basis-52"
      maxlength="400"
      autocomplete="off"
      :aria-label="proven ? 'A word for the journal, if wanted' : 'Why it is closed unproven'"
      :placeholder="proven ? 'collected, paid …' : 'Why close it unproven?'"
    />
    <button :class="proven ? 'act' : 'quiet'">Close the job</button>
    <p v-if="ledger.length" class="basis-full" data-not-empty>
      Hand-over waits: {{ ledger.map(({ words }) => words).join(', ') }}.
    </p>
    <p v-if="wrong" role="alert" class="basis-full font-semibold text-rust">{{ wrong }}</p>
  </form>
</template>
