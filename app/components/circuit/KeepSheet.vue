<script setup lang="ts">
import { validateInstallationFile } from '#build/entry-validator.mjs'
import {
  checkInstallationFile,
  fieldProblems,
  INSTALLATION_FILE,
  type FieldProblem,
  type InstallationFile,
} from '~~/contract'
import { installationFrom } from '~~/core/journal'
import { download, fileName } from '../line/export-svg'
import { useDesk } from '~/job/useDesk'
import { useJournalStore } from '~/stores/journal'
import { usePersonStore } from '~/stores/person'
import { ref, computed } from 'vue'
import { describe } from '~/units/describe'
import { when } from '~/units/format'
import VehiclePicker from '~/components/vehicle/VehiclePicker.vue'

/** The installation as a whole: out to a file, in from one, over to another vehicle, back to an earlier state. */
const { subject, name, vehicleId, kept, filing } = useDesk()
const journal = useJournalStore()
const person = usePersonStore()
const said = ref('')
const problems = ref<FieldProblem[]>([])
const to = ref('')
const toName = ref('')

const MOST_BYTES = 200_000

function save() {
  if (!kept.value) return
  const file: InstallationFile = {
    $schema: INSTALLATION_FILE,
    name: name.value,
    installation: kept.value,
  }
  download(fileName(name.value, 'json'), 'application/json', `${JSON.stringify(file, null, 2)}\n`)
}
async function open(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  problems.value = []
  said.value = ''
  if (!file) return
  const refuse = (message: string, path = '') => (problems.value = [{ path, message }])
  if (file.size > MOST_BYTES)
    return refuse(`is ${Math.round(file.size / 1000)} kB; at most 200 kB are read`, file.name)
  let read: unknown
  try {
    read = JSON.parse(await file.text())
  } catch {
    return refuse('is not readable as JSON', file.name)
  }
  if (!validateInstallationFile(read)) {
    problems.value = fieldProblems(validateInstallationFile.errors)
    return
  }
  const found = read as InstallationFile
  problems.value = checkInstallationFile(found)
  if (problems.value.length > 0) return
  if (await filing.file('installation', found.installation))
    said.value = `Taken from ${file.name}. What stood before is in the history below.`
}
async function fileWith(id: string, words: string) {
  said.value = ''
  if (!kept.value) return
  if (!person.current) {
    filing.problem.value = 'Pick your name at the bench first: each entry keeps who made it.'
    return
  }
  await journal.file({ type: 'vehicle', id }, person.id, 'installation', kept.value)
  said.value = words
}
const copy = () => fileWith(to.value, `Copied to ${toName.value}.`)
const keepOnVehicle = () => fileWith(vehicleId.value, 'Kept on the vehicle.')

const KINDS = new Set(['installation', 'parameter', 'route', 'joint', 'calibration'])
const history = computed(() =>
  filing.entries.value
    .map((entry, i) => ({ entry, upTo: filing.entries.value.slice(0, i + 1) }))
    .filter(({ entry }) => KINDS.has(entry.kind) || entry.kind === 'withdrawal')
    .map(({ entry, upTo }) => ({ entry, words: describe(entry), state: installationFrom(upTo) }))
    .reverse(),
)
async function backTo(state: (typeof history.value)[number]['state']) {
  if (state && (await filing.file('installation', state)))
    said.value = 'Back to that state; nothing in between is lost.'
}
</script>

<template>
  <div v-if="kept" class="grid gap-x-8 px-6 py-4 lg:grid-cols-2">
    <div>
      <section aria-labelledby="file">
        <h2 id="file" class="text-[1.1rem]">As a file</h2>
        <p class="mt-2 flex flex-wrap gap-3">
          <button type="button" class="act" @click="save">Save as JSON</button>
          <label class="quiet cursor-pointer">
            Open a file
            <input type="file" accept="application/json,.json" class="sr-only" @change="open" />
          </label>
          <a class="tap underline" href="/schemas/installation-2.json">Schema</a>
        </p>
        <div v-if="problems.length" role="alert" class="mt-2">
          <p class="font-semibold text-rust">This file was not accepted; nothing was changed.</p>
          <ul>
            <li v-for="one in problems.slice(0, 6)" :key="one.path + one.message">
              <code class="font-mono text-[0.95rem]">{{ one.path || 'the file' }}</code>
              {{ one.message }}
            </li>
          </ul>
        </div>
      </section>
      <section class="mt-6" aria-labelledby="copy">
        <h2 id="copy" class="text-[1.1rem]">To another vehicle</h2>
        <form class="mt-2 flex flex-wrap items-center gap-3" @submit.prevent="copy">
          <VehiclePicker
            v-model="to"
            class="grow basis-60"
            label="Vehicle"
            :except="vehicleId"
            @picked="toName = $event.name"
          />
          <button class="quiet" :disabled="!to">Copy the whole circuit</button>
        </form>
      </section>
      <section v-if="subject.type === 'job'" class="mt-6" aria-labelledby="onvehicle">
        <h2 id="onvehicle" class="text-[1.1rem]">This job’s copy</h2>
        <p class="mt-1 text-soft">
          The job works on a copy of its vehicle’s circuit, which it may change.
        </p>
        <button type="button" class="quiet mt-2" @click="keepOnVehicle">Keep it on the vehicle</button>
      </section>
      <p v-if="said" role="status" class="mt-4 font-semibold">{{ said }}</p>
      <p v-if="filing.problem.value" role="alert" class="mt-2 font-semibold text-rust">
        {{ filing.problem.value }}
      </p>
    </div>
    <section aria-labelledby="history">
      <h2 id="history" class="text-[1.1rem]">History of this circuit</h2>
      <p v-if="history.length === 0" class="mt-2 text-soft">
        Nothing of the circuit was changed here; it is as the vehicle has it.
      </p>
      <ol class="mt-2 border-t border-hairline" aria-label="Versions, newest first">
        <li
          v-for="({ entry, words, state }, i) in history"
          :key="entry.id"
          class="flex items-center gap-3 border-b border-hairline py-1"
        >
          <span class="grow leading-tight">
            {{ words }}
            <span class="block text-[0.9rem] text-soft"
              >{{ when(entry.at) }}, {{ person.names.get(entry.by) }}</span
            >
          </span>
          <button v-if="i > 0 && state" type="button" class="quiet" @click="backTo(state)">
            Go back to this
          </button>
        </li>
      </ol>
    </section>
  </div>
</template>
