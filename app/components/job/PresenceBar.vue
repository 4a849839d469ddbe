<script setup lang="ts">
import { stageName } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { ref, computed } from 'vue'
/** Where the others on this job are, and a call to them; a call from them, which opens by itself. Nothing of it is kept. */
const open = defineModel<boolean>({ required: true })
const { presence } = useJob()
const person = usePersonStore()
const { others, call, sayTo, dismiss } = presence
const called = ref(false)

const nameOf = (id: string) => person.names.get(id) ?? 'Somebody'
const here = computed(() =>
  others.value.map(({ by, stage }) => `${nameOf(by)} at ${stageName(stage)}`).join(', '),
)
async function callThem() {
  await sayTo('Come and help')
  called.value = true
}
async function answer() {
  await sayTo('Coming')
  dismiss()
}
</script>

<template>
  <div
    v-if="call"
    role="alert"
    class="no-print flex flex-wrap items-center gap-3 border-b border-amber px-6 py-1"
    data-call
  >
    <p class="grow py-2">
      <strong>{{ nameOf(call.by) }}:</strong> {{ call.words }}
    </p>
    <button v-if="call.words !== 'Coming'" type="button" class="act" @click="answer">Coming</button>
    <button type="button" class="quiet" @click="dismiss">Close</button>
  </div>
  <div
    v-if="open && others.length"
    class="no-print flex flex-wrap items-center gap-3 border-b border-hairline px-6 py-1"
  >
    <p class="grow" role="status">{{ here }}<template v-if="called">. Called.</template></p>
    <button type="button" class="quiet" @click="callThem">Call for a hand</button>
    <button type="button" class="quiet" @click="open = false">Close</button>
  </div>
</template>
