<script setup lang="ts">
import { isProven } from '~~/core/proof'

/** A job that is finished leaves the bench; one that is not proven, with a reason. */
const { state, file } = useJob()
const reason = ref('')
const wrong = ref('')
const proven = computed(() => isProven(state.value))
async function close() {
  const why = reason.value.trim().slice(0, 400)
  if (!proven.value && why === '') {
    wrong.value = 'It is not proven: say why it is closed.'
    return
  }
  wrong.value = ''
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
    <p v-if="wrong" role="alert" class="basis-full font-semibold text-rust">{{ wrong }}</p>
  </form>
</template>
