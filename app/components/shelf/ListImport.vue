<script setup lang="ts">
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import Papa from 'papaparse'
import { MOST_LIST_BYTES, type ImportTold, type KeptMapping, type Problem } from '~~/contract'
import {
  COLUMN_WORDS,
  guessMapping,
  isOwnHeader,
  missingColumns,
  NEEDED_COLUMNS,
  PART_COLUMNS,
  readRow,
  type ColumnMapping,
} from '~~/core/shelf'
import { shallowRef, ref, computed } from 'vue'
import { api } from '~/sync/api'
import { money } from '~/lib/delivery-words'
import OnOff from '~/components/frame/OnOff.vue'

/** A supplier’s list read in: what its columns are, how its first rows come out, and then all of it, with what was refused. */
const PREVIEW = 8
const file = shallowRef<File | null>(null)
const header = ref<string[]>([])
const rows = shallowRef<string[][]>([])
const mapping = ref<ColumnMapping>({})
const supplier = ref('')
const whole = ref(false)
const problem = ref('')
const told = shallowRef<ImportTold | null>(null)
const running = shallowRef<AbortController | null>(null)
const isKept = ref(false)
const done = computed(() => (told.value?.stage === 'done' ? told.value : null))
const share = computed(() =>
  told.value?.stage === 'reading' ? Math.max(0.02, told.value.share) : 0.02,
)

async function chosen(event: Event) {
  const picked = (event.target as HTMLInputElement).files?.[0]
  if (!picked) return
  reset()
  if (picked.size > MOST_LIST_BYTES) {
    problem.value = `This list has ${Math.ceil(picked.size / 1e6)} MB; at most ${Math.floor(MOST_LIST_BYTES / 1e6)} MB are read. Part it.`
    return
  }
  file.value = picked
  // Enough for the first rows, whatever the list’s length.
  const text = await picked.slice(0, 256 * 1024).text()
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    preview: PREVIEW + 1,
    skipEmptyLines: 'greedy',
  })
  const [names, ...first] = data
  if (!names) {
    problem.value = 'The list is empty: its first row must name its columns.'
    file.value = null
    return
  }
  header.value = names.map((one) => one.trim())
  rows.value = first
  mapping.value = guessMapping(header.value)
  if (isOwnHeader(header.value)) return
  try {
    const hash = bytesToHex(sha256(new TextEncoder().encode(JSON.stringify(header.value))))
    const { kept } = await api<{ kept: KeptMapping | null }>(`/parts/mappings/${hash}`)
    if (!kept) return
    mapping.value = kept.mapping
    supplier.value = kept.supplier ?? ''
    isKept.value = true
  } catch {
    // Not asked: the guess serves.
  }
}
function reset() {
  file.value = null
  header.value = []
  rows.value = []
  problem.value = ''
  told.value = null
  isKept.value = false
}
const missing = computed(() => missingColumns(mapping.value, supplier.value))
const preview = computed(() => rows.value.map((cells) => readRow(cells, mapping.value, supplier.value)))
const setColumn = (column: (typeof PART_COLUMNS)[number], text: string) => {
  const next = { ...mapping.value }
  if (text === '') delete next[column]
  else next[column] = Number(text)
  mapping.value = next
}

async function start() {
  if (!file.value) return
  problem.value = ''
  told.value = null
  const controller = new AbortController()
  running.value = controller
  const plan = JSON.stringify({
    mapping: mapping.value,
    ...(supplier.value.trim() && { supplier: supplier.value.trim() }),
    ...(whole.value && { whole: true }),
  })
  try {
    const response = await fetch(`/api/parts/import?plan=${encodeURIComponent(plan)}`, {
      method: 'POST',
      headers: { 'content-type': 'text/csv' },
      body: file.value,
      signal: controller.signal,
    })
    if (!response.ok || !response.body) {
      const refused = (await response.json().catch(() => null)) as Problem | null
      throw new Error(refused?.detail ?? `The server answered ${response.status}.`)
    }
    await follow(response.body)
  } catch (failure) {
    problem.value = controller.signal.aborted
      ? 'Stopped: nothing was kept.'
      : failure instanceof TypeError
        ? 'The server does not answer, so the list was most likely not kept. It is still here: read it in again once the server is back; rows that were kept do not come twice.'
        : `${failure instanceof Error ? failure.message.replace(/[.]?$/, '.') : String(failure)} Nothing was kept; the list is still here.`
    told.value = null
  } finally {
    running.value = null
  }
}
async function follow(body: ReadableStream<Uint8Array>) {
  const reader = body.getReader()
  const decoder = new TextDecoder()
  let left = ''
  for (;;) {
    const { value, done } = await reader.read()
    if (done) break
    left += decoder.decode(value, { stream: true })
    const lines = left.split('\n')
    left = lines.pop()!
    for (const line of lines) {
      const one = JSON.parse(line) as ImportTold
      if (one.stage === 'failed') throw new Error(one.detail)
      told.value = one
    }
  }
  if (told.value?.stage !== 'done') throw new TypeError('The connection was lost')
}
function saveRefused() {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([done.value!.csv], { type: 'text/csv' }))
  link.download = 'refused.csv'
  link.click()
  URL.revokeObjectURL(link.href)
}
const own = computed(() => header.value.length > 0 && isOwnHeader(header.value))
</script>

<template>
  <div class="max-w-5xl py-3" data-import>
    <p class="max-w-3xl">
      A list as comma-separated values (CSV) with a header. Columns named
      <span class="font-mono text-[0.9rem]">{{ PART_COLUMNS.slice(0, 8).join(', ') }}</span> … are read
      as they are; of any other list you say once which column is which.
    </p>
    <label class="mt-2 block"
      >The list
      <input
        type="file"
        class="field pt-2"
        accept=".csv,text/csv,text/plain"
        :disabled="!!running"
        @change="chosen"
    /></label>
    <template v-if="header.length && !done">
      <h2 class="mt-3 text-[1.1rem]">Which column is which</h2>
      <p v-if="own" role="status">Its columns are known by name: nothing has to be said.</p>
      <p v-else role="status">
        {{
          isKept ? 'As this kind of list was read last time.' : 'Guessed from its names: look at each.'
        }}
      </p>
      <div v-if="!own" class="grid gap-x-4 gap-y-1 py-1 sm:grid-cols-2 lg:grid-cols-3">
        <label v-for="column in PART_COLUMNS" :key="column" class="flex items-center gap-2"
          ><span
            class="w-36 shrink-0 leading-tight"
            :class="missing.includes(column) ? 'font-semibold text-rust' : ''"
            >{{ COLUMN_WORDS[column] }}</span
          >
          <select
            class="field px-2"
            :aria-label="COLUMN_WORDS[column]"
            :value="mapping[column] ?? ''"
            @change="setColumn(column, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">not in it</option>
            <option v-for="(name, i) in header" :key="i" :value="i">
              {{ name || `column ${i + 1}` }}
            </option>
          </select></label
        >
        <label class="flex items-center gap-2"
          ><span class="w-36 shrink-0 leading-tight">Supplier of all rows</span>
          <input v-model="supplier" class="field" maxlength="80" placeholder="if no column says" />
        </label>
      </div>
      <p v-if="missing.length" role="alert" class="font-semibold text-rust">
        Still needed: {{ missing.map((one) => COLUMN_WORDS[one].toLowerCase()).join(', ') }}.
      </p>
      <h2 class="mt-2 text-[1.1rem]">Its first rows</h2>
      <ul data-preview>
        <li v-for="(row, i) in preview" :key="i" class="border-b border-hairline py-1">
          <template v-if="'part' in row">
            <strong>{{ row.part.number }}</strong> {{ row.part.name }}
            <span class="text-soft"
              >{{ row.part.kind }}, {{ row.part.supplier }},
              {{ money(row.part.price, row.part.currency) }}</span
            >
          </template>
          <span v-else class="text-rust"
            >Row {{ i + 2 }} would be refused:
            {{
              row.problems
                .map(({ column, reason }) => `${COLUMN_WORDS[column].toLowerCase()} ${reason}`)
                .join('; ')
            }}</span
          >
        </li>
      </ul>
      <p class="flex flex-wrap items-center gap-3 py-2">
        <button
          type="button"
          class="act"
          :disabled="!!running || NEEDED_COLUMNS.some((one) => missing.includes(one))"
          @click="start"
        >
          Read it in
        </button>
        <OnOff :on="whole" @click="whole = !whole">All or nothing</OnOff>
        <span class="text-[0.95rem] text-soft">{{
          whole
            ? 'One bad row, and nothing is kept.'
            : 'Good rows are kept; bad ones come back with their reasons.'
        }}</span>
      </p>
    </template>
    <div v-if="running" class="flex flex-wrap items-center gap-3 py-2">
      <progress class="grow" :value="share" max="1" aria-label="How far the list is read" />
      <span role="status" data-progress>{{
        told?.stage === 'reading' ? `${told.rows} rows read, ${told.bad} refused` : 'Sending the list …'
      }}</span>
      <button type="button" class="quiet" @click="running?.abort()">Stop</button>
    </div>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <div v-if="done" class="py-2" data-done>
      <p
        role="status"
        class="border-l-4 pl-3 text-[1.05rem]"
        :class="done.nothing ? 'border-rust' : 'border-ink'"
      >
        <strong>{{
          done.nothing ? 'Nothing was kept.' : `${done.kept} of ${done.rows} rows kept`
        }}</strong><template v-if="!done.nothing"
          >, {{ done.added }} of them new on the shelf.</template
        >
        <template v-if="done.refused > 0"> {{ done.refused }} refused.</template>
      </p>
      <template v-if="done.refused > 0">
        <ul>
          <li v-for="one in done.first" :key="one.row" class="border-b border-hairline py-1">
            Row {{ one.row }}:
            {{
              one.problems
                .map(({ column, reason }) => `${COLUMN_WORDS[column].toLowerCase()} ${reason}`)
                .join('; ')
            }}
          </li>
        </ul>
        <p v-if="done.refused > done.first.length" class="text-soft">
          … and {{ done.refused - done.first.length }} more in the file.
        </p>
        <p class="flex flex-wrap gap-3 py-2">
          <button type="button" class="act" @click="saveRefused">Save the refused rows</button>
          <span class="self-center text-[0.95rem] text-soft"
            >Each with its column and reason; mended, the file is read in as it is.</span
          >
        </p>
      </template>
      <p class="flex flex-wrap gap-3">
        <NuxtLink to="/shelf" class="quiet">To the shelf</NuxtLink>
        <button type="button" class="quiet" @click="reset">Another list</button>
      </p>
    </div>
  </div>
</template>
