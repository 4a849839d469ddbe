<script setup lang="ts">
import { REPAIRS } from '~~/core/diagnosis'
import { operationOf, OPERATIONS, type OperationId } from '~~/core/work'
import { useJob } from '~/job/useJob'
import { ref, computed } from 'vue'
import { when } from '~/units/format'

/** What was done, in one tap: what was decided comes first. What it touched decides what Prove asks. */
const { state, file, withdraw } = useJob()
const other = ref<OperationId | ''>('')
const words = ref('')

const done = computed(() => state.value.workDone)
const decided = computed(() => {
  const repairs = state.value.decision?.payload.repairs ?? []
  return REPAIRS.filter(({ id }) => repairs.includes(id)).map(({ id }) => id)
})
/** Decided and not said to be done yet. */
const offered = computed(() =>
  decided.value.filter((id) => !done.value.some(({ payload }) => payload.operation === id)),
)
async function say(operation: OperationId) {
  const more = words.value.trim().slice(0, 400)
  if (await file('workDone', { operation, ...(more && { words: more }) })) {
    words.value = ''
    other.value = ''
  }
}
</script>

<template>
  <section aria-labelledby="work-done">
    <h2 id="work-done" class="place-name">What was done</h2>
    <ul v-if="done.length">
      <li
        v-for="held in done"
        :key="held.id"
        class="flex min-h-11 items-center gap-2 border-b border-hairline"
        :data-done="held.payload.operation"
      >
        <span class="grow"
          >{{ operationOf(held.payload.operation).label
          }}<template v-if="held.payload.words">; {{ held.payload.words }}</template
          ><span v-if="!held.sent" class="text-soft">, waiting</span></span
        >
        <span class="text-[0.9rem] text-soft">{{ when(held.at) }}</span>
        <button
          type="button"
          class="tap underline underline-offset-4"
          :aria-label="`Take back: ${operationOf(held.payload.operation).label}`"
          @click="withdraw(held.id)"
        >
          take back
        </button>
      </li>
    </ul>
    <p v-else class="text-[0.95rem] text-soft">
      Nothing said yet. Once it is, Prove asks only for what the work touched.
    </p>
    <div v-if="offered.length" class="flex flex-wrap gap-2 pt-2" role="group" aria-label="As decided">
      <button v-for="id in offered" :key="id" type="button" class="quiet text-left" @click="say(id)">
        {{ operationOf(id).label }}: done
      </button>
    </div>
    <form class="flex flex-wrap gap-2 py-2" @submit.prevent="other && say(other)">
      <select v-model="other" class="field w-auto min-w-0 flex-1" aria-label="Other work">
        <option value="">Other work …</option>
        <option v-for="one in OPERATIONS" :key="one.id" :value="one.id">{{ one.label }}</option>
      </select>
      <input
        v-if="other"
        v-model="words"
        class="field grow basis-40"
        maxlength="400"
        autocomplete="off"
        aria-label="Where, with what"
        placeholder="where, with what"
      />
      <button class="quiet" :disabled="other === ''">Done</button>
    </form>
  </section>
</template>
