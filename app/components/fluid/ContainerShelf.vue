<script setup lang="ts">
import type { Container } from '~~/contract'
import { FLUID_KINDS, FLUIDS, type FluidKind } from '~~/core/fluid'
import { useJob } from '~/job/useJob'
import { useFluid } from '~/job/useFluid'
import { useContainersStore } from '~/stores/containers'
import { useLoaded } from '~/asking/useLoaded'
import { computed, ref, watch, reactive } from 'vue'
import { monthsSince, millilitres, when } from '~/units/format'
import { useRetyping, typedWithin, boundsIn, symbolOf } from '~/units/units'

/** Containers on the shelf with what is left: what may be filled from, and how much was. */
const { id: jobId, state, file, withdraw } = useJob()
const { judge } = useFluid()
const shelf = useContainersStore()
const { error, load } = useLoaded(() => shelf.load())
const list = computed(() => shelf.list ?? [])
const VOLUME = { min: 1000, max: 100_000_000 }
const POUR = { min: 1, max: 2_000_000 }
const trouble = ref('')
const told = (container: Container) =>
  container.openedAt ? `open ${monthsWords(container.openedAt)}` : 'sealed'
function monthsWords(iso: string): string {
  const months = Math.floor(monthsSince(iso))
  return months < 1 ? 'less than a month' : `${months} ${months === 1 ? 'month' : 'months'}`
}
const rows = computed(() =>
  list.value.map((container) => {
    const answer = judge(container.kind, container)
    // Age and water of what is inside are no fault of the container.
    const against = answer.reasons.filter(({ code }) =>
      ['silicone', 'mineral', 'unknown', 'opened', 'wanted'].includes(code),
    )
    return {
      container,
      verdict: answer.verdict,
      against,
      mixes: answer.reasons.filter(({ code }) => code === 'lowersTo'),
    }
  }),
)
const barred = ({ verdict }: { verdict: string }) => verdict === 'stop' || verdict === 'refuse'

const pour = ref('')
useRetyping(pour, () => 'mm³')
const from = ref('')
const pourWrong = computed(() =>
  pour.value.trim() !== '' && typedWithin(pour.value, 'mm³', POUR) === null
    ? `Filled in: ${boundsIn(POUR, 'mm³')}`
    : '',
)
const usable = computed(() => rows.value.filter((row) => !barred(row)))
const chosen = computed(
  () => usable.value.find(({ container }) => container.id === from.value) ?? usable.value[0] ?? null,
)
async function fill() {
  const volume = typedWithin(pour.value, 'mm³', POUR)
  if (!chosen.value || volume === null) return
  const { id, kind } = chosen.value.container
  if (!(await file('fluidUsed', { container: id, volume, kind }))) return
  pour.value = ''
  // The shelf is told once the entry has come there.
  void settle()
}
watch(
  () => state.value.fluidUsed.filter(({ sent }) => sent).length,
  () => void settle(),
)
async function settle() {
  try {
    await shelf.load()
  } catch {
    // Away: what the browser knows stays.
  }
}
const adding = reactive({ kind: 'dot4' as FluidKind, volume: '', opened: '' })
const open = ref(false)
async function add() {
  trouble.value = ''
  const volume = typedWithin(adding.volume, 'mm³', VOLUME)
  if (volume === null) {
    trouble.value = `A container holds ${boundsIn(VOLUME, 'mm³')}`
    return
  }
  try {
    await shelf.add(adding.kind, volume, adding.opened ? new Date(adding.opened).toISOString() : null)
    Object.assign(adding, { volume: '', opened: '' })
    open.value = false
  } catch (failure) {
    trouble.value = `${failure instanceof Error ? failure.message : String(failure)} What you typed is still here`
  }
}
async function gone(container: Container) {
  trouble.value = ''
  try {
    await shelf.change(container.id, container.openedAt, true)
  } catch (failure) {
    trouble.value = failure instanceof Error ? failure.message : String(failure)
  }
}
const today = new Date().toISOString().slice(0, 10)
</script>

<template>
  <section aria-labelledby="shelf" :data-job="jobId">
    <h2 id="shelf" class="text-[1.1rem]">What is filled in, and from where</h2>
    <p v-if="error" role="alert" class="text-rust">
      {{ error }} <button type="button" class="tap underline" @click="load">Try again</button>
    </p>
    <p v-else-if="list.length === 0" class="py-1">
      No container on the shelf yet. Put in the one you fill from: its kind, its size, and when it was
      opened.
    </p>
    <ul data-containers>
      <li
        v-for="row in rows"
        :key="row.container.id"
        class="flex flex-wrap items-center gap-x-3 border-b border-hairline py-1"
        :data-verdict="row.verdict"
      >
        <span class="min-w-0 grow">
          <strong>{{ FLUIDS[row.container.kind].name }}</strong>,
          {{ millilitres(row.container.left) }} of {{ millilitres(row.container.volume) }} left,
          {{ told(row.container) }}
          <span v-for="one in row.against" :key="one.code" class="block font-semibold text-rust">{{
            one.words
          }}</span>
          <span v-for="one in row.mixes" :key="one.code" class="block text-[0.95rem] text-soft">{{
            one.words
          }}</span>
        </span>
        <button
          type="button"
          class="quiet"
          :aria-label="`Gone from the shelf: ${FLUIDS[row.container.kind].name}`"
          @click="gone(row.container)"
        >
          Gone
        </button>
      </li>
    </ul>
    <form v-if="usable.length" class="flex flex-wrap items-center gap-2 py-2" @submit.prevent="fill">
      <label class="flex items-center gap-2"
        >Filled in, {{ symbolOf('mm³') }}
        <input v-model="pour" class="field w-24" inputmode="decimal" :aria-invalid="pourWrong !== ''" />
      </label>
      <select
        class="field w-auto"
        aria-label="Out of which container"
        :value="chosen?.container.id ?? ''"
        @change="from = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="{ container } in usable" :key="container.id" :value="container.id">
          {{ FLUIDS[container.kind].name }}, {{ told(container) }}, {{ millilitres(container.left) }}
        </option>
      </select>
      <button class="act" :disabled="pour.trim() === '' || pourWrong !== ''">File it</button>
    </form>
    <p v-if="pourWrong" role="alert" class="font-semibold text-rust">
      {{ pourWrong }}. What you typed is still here.
    </p>
    <p v-for="one in state.fluidUsed" :key="one.id" class="flex min-h-11 items-center gap-2" data-used>
      <span class="grow"
        >{{ when(one.at) }}: {{ millilitres(one.payload.volume) }}
        {{ one.payload.kind ? FLUIDS[one.payload.kind].name : '' }}
        <span v-if="!one.sent" class="text-soft">waiting to be sent</span></span
      >
      <button type="button" class="tap underline" @click="withdraw(one.id)">take back</button>
    </p>
    <button type="button" class="tap underline" :aria-expanded="open" @click="open = !open">
      Put a container on the shelf
    </button>
    <form
      v-if="open"
      class="flex flex-wrap items-end gap-2 border-l-4 border-hairline pl-3"
      @submit.prevent="add"
    >
      <label class="block"
        >Kind
        <select v-model="adding.kind" class="field">
          <option v-for="kind in FLUID_KINDS" :key="kind" :value="kind">{{ FLUIDS[kind].name }}</option>
        </select></label
      >
      <label class="block"
        >Holds, {{ symbolOf('mm³') }}
        <input v-model="adding.volume" class="field w-28" inputmode="decimal"
      /></label>
      <label class="block"
        >Opened on (empty: sealed)
        <input v-model="adding.opened" class="field" type="date" :max="today"
      /></label>
      <button class="quiet" :disabled="adding.volume.trim() === ''">Add it</button>
    </form>
    <p v-if="trouble" role="alert" class="font-semibold text-rust">{{ trouble }}.</p>
    <p class="text-[0.95rem] text-soft">
      Fluid spoils eyes, skin and paint: gloves, glasses, water at hand. Used fluid goes to licensed
      collection, never back in.
    </p>
  </section>
</template>
