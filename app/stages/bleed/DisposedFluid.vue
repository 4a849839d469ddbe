<script setup lang="ts">
import { WORKSHOP_VOLUME } from '~~/core/quantity'
import { useJob } from '~/job/useJob'
import { ref, computed } from 'vue'
import { useRetyping, typedWithin, boundsIn, symbolOf } from '~/units/units'
import { millilitres, when } from '~/units/format'
import { describe } from '~/units/describe'

/** Used fluid: what was caught, by what was logged, and what went to licensed collection. */
const { state, file, withdraw } = useJob()
const amount = ref('')
const words = ref('')
useRetyping(amount, () => 'mm³')
const wrong = ref('')
const caught = computed(() =>
  state.value.bleed.cycles.reduce((sum, { payload }) => sum + (payload.bottle ?? 0), 0),
)
const disposed = computed(() => state.value.fluidDisposed)
const gone = computed(() => disposed.value.reduce((sum, { payload }) => sum + payload.volume, 0))
async function send() {
  const volume = typedWithin(amount.value, 'mm³', WORKSHOP_VOLUME)
  if (volume === null) {
    wrong.value = `To collection: ${boundsIn(WORKSHOP_VOLUME, 'mm³')}`
    return
  }
  wrong.value = ''
  const said = words.value.trim()
  if (!(await file('fluidDisposed', { volume, ...(said && { words: said }) }))) return
  amount.value = words.value = ''
}
</script>

<template>
  <section class="py-2" aria-label="Used fluid" data-disposed>
    <h2 class="text-[1.1rem]">Used fluid</h2>
    <p>
      Caught, as logged: <strong>{{ millilitres(caught) }}</strong>. To licensed collection:
      <strong data-figure="disposed">{{ millilitres(gone) }}</strong>. Catch it in a vessel of its own,
      never in the can you fill from; what was caught does not go back in.
    </p>
    <ul v-if="disposed.length">
      <li
        v-for="one in disposed"
        :key="one.id"
        class="flex min-h-11 flex-wrap items-center gap-2 border-b border-hairline"
      >
        <span class="grow">{{ describe({ kind: 'fluidDisposed', payload: one.payload }) }}</span>
        <span class="text-[0.9rem] text-soft">{{ when(one.at) }}</span>
        <button
          type="button"
          class="tap underline underline-offset-4"
          :aria-label="`Take back: ${describe({ kind: 'fluidDisposed', payload: one.payload })}`"
          @click="withdraw(one.id)"
        >
          take back
        </button>
      </li>
    </ul>
    <form class="mt-1 flex flex-wrap items-center gap-2" @submit.prevent="send">
      <label class="flex items-center gap-2"
        >To collection
        <input v-model="amount" class="field w-20" inputmode="decimal" autocomplete="off" />
        {{ symbolOf('mm³') }}</label
      >
      <input
        v-model="words"
        class="field w-56"
        maxlength="200"
        autocomplete="off"
        aria-label="Which drum, or on which paper"
        placeholder="which drum, which paper"
      />
      <button class="quiet" :disabled="!amount.trim()">File</button>
    </form>
    <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}</p>
  </section>
</template>
