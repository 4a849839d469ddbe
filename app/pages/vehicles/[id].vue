<script setup lang="ts">
import { fieldAt } from '~~/core/circuit'
import { archetypeById, rangeOf } from '~~/core/installation'
import { installationFrom } from '~~/core/journal'
import { shown } from '~~/core/quantity'
import type { BenchJob, Vehicle, WithEntries } from '~~/contract'

const id = String(useRoute().params.id)
const subject = { type: 'vehicle', id } as const
const journal = useJournalStore()
const person = usePersonStore()
const {
  value: vehicle,
  loading,
  error,
  load,
} = useLoaded(async () => {
  await journal.restored
  const [found] = await Promise.all([api<WithEntries<Vehicle>>(`/vehicles/${id}`), person.load()])
  journal.take(subject, found.entries)
  return found.subject
})
const { value: jobs } = useLoaded(() => api<BenchJob[]>(`/jobs?vehicle=${id}`))
const entries = journal.entriesOf(subject)
const installation = computed(() => installationFrom(entries.value))
const archetype = computed(() => archetypeById(installation.value?.archetype ?? ''))

const EXTRA: Record<string, { label: string; unit: string }> = {
  load: { label: 'Load of the cover, as a factor', unit: '×' },
  expansion: { label: 'Expansion of the hoses, as a factor', unit: '×' },
}
function valueOf(path: string): number | null {
  let node: unknown = installation.value?.circuit
  for (const name of path.split('.')) node = (node as Record<string, unknown> | undefined)?.[name]
  return typeof node === 'number' ? node : null
}
const lineName = (path: string) => {
  const index = /^lines\.(\d+)/.exec(path)?.[1]
  const kind = index === undefined ? null : installation.value?.circuit.lines[Number(index)]?.kind
  return kind ? ` of line ${Number(index) + 1}, ${kind}` : ''
}
const row = (path: string) => {
  const field = fieldAt(path)
  return {
    path,
    label: (field?.label ?? EXTRA[path]?.label ?? path) + lineName(path),
    unit: field?.unit ?? EXTRA[path]?.unit ?? '',
    value: valueOf(path),
    range: installation.value ? rangeOf(installation.value, path) : undefined,
    how: field?.how ?? '',
    measurable: field !== undefined,
    bounds: field,
  }
}
const assumed = computed(() => installation.value?.assumed.map(row) ?? [])
const measured = computed(
  () =>
    archetype.value?.ranges
      .filter(({ path }) => !installation.value?.assumed.includes(path))
      .map(({ path }) => row(path)) ?? [],
)
const typed = reactive<Record<string, string>>({})
const problems = reactive<Record<string, string>>({})
async function measure(path: string) {
  const bounds = fieldAt(path)!
  const value = readWithin(typed[path] ?? '', bounds)
  problems[path] =
    value === null
      ? `Give a number from ${bounds.min} to ${bounds.max} ${bounds.unit}`
      : person.current
        ? ''
        : 'Pick your name at the bench first'
  if (value === null || problems[path]) return
  await journal.file(subject, person.id, 'parameter', { field: path, value })
  if (valueOf(path) === value) typed[path] = ''
  else problems[path] = 'This does not go together with the rest of the circuit, and is left out'
}
const figure = (value: number | null) => (value === null ? '' : shown(value, value % 1 === 0 ? 0 : 2))
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader :title="vehicle?.name ?? 'Vehicle'" :sub="vehicle?.plate ?? ''" />
    <TroubleBar />
    <main class="grow">
      <LoadState :loading="loading" :error="error" @again="load" />
      <template v-if="vehicle && installation">
        <div class="h-56 border-b border-hairline"><ReleaseLine :installation="installation" /></div>
        <div class="grid gap-x-10 px-6 py-4 lg:grid-cols-[minmax(0,1fr)_22rem] lg:pl-23">
          <div>
            <h2 class="text-xl">{{ assumed.length }} figures assumed</h2>
            <p class="text-soft">
              Taken from “{{ archetype?.name }}”. Each widens every answer until it is measured; a
              reading replaces it at any time.
            </p>
            <ul class="mt-3 border-t border-hairline">
              <li v-for="one in assumed" :key="one.path" class="border-b border-hairline py-2">
                <form class="flex flex-wrap items-center gap-x-4" @submit.prevent="measure(one.path)">
                  <span class="min-w-64 flex-1">
                    {{ one.label }}
                    <span v-if="one.range" class="block text-[0.9rem] text-soft"
                      >{{ one.range.reason }} {{ one.how }}</span
                    >
                  </span>
                  <span class="w-40 text-right text-soft" :data-assumed="one.path">
                    {{ one.value === null ? '' : `about ${figure(one.value)};` }}
                    {{ figure(one.range?.low ?? null) }} to {{ figure(one.range?.high ?? null) }}
                    {{ one.unit }}
                  </span>
                  <span v-if="one.measurable" class="flex gap-1">
                    <input
                      v-model="typed[one.path]"
                      class="field w-24"
                      inputmode="decimal"
                      autocomplete="off"
                      :aria-label="`${one.label}, measured`"
                    />
                    <button class="quiet" :disabled="!typed[one.path]">Measured</button>
                  </span>
                  <span v-if="problems[one.path]" role="alert" class="w-full font-semibold text-rust">{{
                    problems[one.path]
                  }}</span>
                </form>
              </li>
            </ul>
            <h2 class="mt-6 text-xl">Measured or read off</h2>
            <ul class="mt-2 border-t border-hairline">
              <li
                v-for="one in measured"
                :key="one.path"
                class="flex min-h-11 items-center gap-4 border-b border-hairline"
              >
                <span class="grow">{{ one.label }}</span>
                <strong :data-measured="one.path">{{ figure(one.value) }} {{ one.unit }}</strong>
              </li>
            </ul>
          </div>
          <aside aria-label="Jobs">
            <h2 class="text-xl">Jobs</h2>
            <p v-if="jobs?.length === 0" class="mt-2 text-soft">None yet.</p>
            <ul class="mt-2">
              <li v-for="job in jobs" :key="job.id" class="border-b border-hairline">
                <NuxtLink :to="`/jobs/${job.id}/find`" class="block py-3 hover:bg-raised">
                  <span class="block font-semibold">{{ job.title }}</span>
                  <span class="text-soft">{{ JOB_KIND_WORDS[job.kind] }}, {{ when(job.lastAt) }}</span>
                </NuxtLink>
              </li>
            </ul>
            <NuxtLink :to="`/jobs/new?vehicle=${id}`" class="act mt-4">New job</NuxtLink>
          </aside>
        </div>
      </template>
    </main>
  </div>
</template>
