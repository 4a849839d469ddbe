<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { fieldAt } from '~~/core/circuit'
import { ARCHETYPES, fromArchetype, withMeasured, type Installation } from '~~/core/installation'
import { shown } from '~~/core/quantity'
import { usePersonStore } from '~/stores/person'
import { newId } from '~/lib/ids'
import { unitsNow, retyped, typedWithin } from '~/units/units'
import { watch, ref, computed, useTemplateRef } from 'vue'
import { showFirstError } from '~/lib/first-error'
import { createOnce } from '~/sync/create-once'
import { makeEntry } from '~/stores/journal'
import { navigateTo } from '#imports'
import AppHeader from '~/components/frame/AppHeader.vue'
import NumberField from '~/components/frame/NumberField.vue'

const person = usePersonStore()
void person.load().catch(() => undefined)

/** Kept while the tab lives, so that a reload loses nothing. */
const draft = useSessionStorage('mellow-new-vehicle', {
  id: newId(),
  archetype: '',
  name: '',
  plate: '',
  model: '',
  travel: '',
  padArm: '',
  rodArm: '',
  masterBore: '',
  slaveBore: '',
  clearance: '',
  units: unitsNow(),
})
/** What was typed means the same length in whatever units it is read again. */
const LENGTHS = ['travel', 'padArm', 'rodArm', 'masterBore', 'slaveBore', 'clearance'] as const
watch(
  unitsNow,
  (now) => {
    const before = draft.value.units
    if (before === now) return
    for (const name of LENGTHS) draft.value[name] = retyped(draft.value[name], 'mm', before, now)
    draft.value.units = now
  },
  { immediate: true },
)
/** Just the bounds: the form has its own words for the bench. */
const bounds = (path: string) => {
  const { min, max } = fieldAt(path)!
  return { min, max }
}
const ARM = { min: 20, max: 900 }
const tried = ref(false)
const problem = ref('')
const busy = ref(false)

const external = computed(
  () =>
    ARCHETYPES.find(({ id }) => id === draft.value.archetype)?.installation.circuit.slave.type !==
    'concentric',
)
const ratio = computed(() => {
  const pad = typedWithin(draft.value.padArm, 'mm', ARM)
  const rod = typedWithin(draft.value.rodArm, 'mm', ARM)
  return pad === null || rod === null ? null : pad / rod
})
const ratioProblem = computed(() => {
  const { min, max } = bounds('pedal.ratio')
  if (ratio.value === null || (ratio.value >= min && ratio.value <= max)) return ''
  return `Pad and rod arm give a ratio of ${shown(ratio.value, 2)}; it must be ${min} to ${max}. Are they the right way round?`
})

/** Readings that were taken, by the field they measure; null where one is out of its bounds. */
const readings = computed((): Map<string, number> | null => {
  const taken = new Map<string, number>()
  const typed: [string, string][] = [
    ['pedal.travel', draft.value.travel],
    ['master.bore', draft.value.masterBore],
    ['slave.bore', external.value ? draft.value.slaveBore : ''],
    ['master.pushrodClearance', draft.value.clearance],
  ]
  for (const [path, text] of typed) {
    if (text.trim() === '') continue
    const value = typedWithin(text, 'mm', bounds(path))
    if (value === null) return null
    taken.set(path, value)
  }
  const arms = [draft.value.padArm, draft.value.rodArm].filter((text) => text.trim() !== '')
  if (arms.length > 0 && (ratio.value === null || ratioProblem.value)) return null
  if (ratio.value !== null) taken.set('pedal.ratio', ratio.value)
  return taken
})
const ready = computed(
  () => draft.value.archetype !== '' && draft.value.name.trim() !== '' && readings.value !== null,
)

const form = useTemplateRef<HTMLFormElement>('form')
async function create(then: 'job' | 'vehicle') {
  tried.value = true
  problem.value = ''
  if (!person.current) problem.value = 'Pick your name at the bench first; what you typed stays here.'
  else if (!ready.value)
    problem.value = 'Something is missing or out of its bounds: see the marked fields.'
  if (problem.value) {
    await showFirstError(form.value)
    return
  }
  if (busy.value) return
  busy.value = true
  const { id, name, plate, model = '', archetype } = draft.value
  let installation: Installation = fromArchetype(archetype)
  for (const [path, value] of readings.value!) installation = withMeasured(installation, path, value)
  const subject = { type: 'vehicle', id } as const
  try {
    await createOnce('/vehicles', id, {
      id,
      name,
      ...(plate.trim() && { plate: plate.trim() }),
      ...(model.trim() && { model: model.trim() }),
      entries: [makeEntry(subject, person.id, 'installation', installation)],
    })
    sessionStorage.removeItem('mellow-new-vehicle')
    await navigateTo(then === 'job' ? `/jobs/new?vehicle=${id}` : `/vehicles/${id}`)
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="New vehicle" sub="kind, name, three tape readings" />
    <main class="grow">
      <form
        ref="form"
        class="grid gap-x-10 gap-y-6 px-6 py-5 lg:grid-cols-[26rem_minmax(0,1fr)] lg:pl-23"
        @submit.prevent="create('job')"
      >
        <RadioGroup v-model="draft.archetype" :aria-invalid="tried && !draft.archetype">
          <RadioGroupLabel class="text-xl font-semibold">What kind is it?</RadioGroupLabel>
          <p v-if="tried && !draft.archetype" role="alert" class="font-semibold text-rust">
            Choose the nearest kind.
          </p>
          <div class="mt-3 border-t border-hairline">
            <RadioGroupOption
              v-for="kind in ARCHETYPES"
              :key="kind.id"
              v-slot="{ checked }"
              :value="kind.id"
              class="flex cursor-pointer gap-3 border-b border-hairline py-2.5"
            >
              <span
                class="mt-1 size-5 shrink-0 rounded-full border-2"
                :class="checked ? 'border-amber bg-amber' : 'border-edge'"
                aria-hidden="true"
              />
              <span>
                <span class="block font-semibold">{{ kind.name }}</span>
                <span class="block text-[0.9rem] text-soft">{{ kind.looksLike }}</span>
              </span>
            </RadioGroupOption>
          </div>
        </RadioGroup>

        <div class="max-w-2xl">
          <div class="grid gap-4 sm:grid-cols-[1fr_10rem]">
            <label>
              <span class="mb-1 block">Name, as the workshop says it</span>
              <input
                v-model="draft.name"
                class="field text-[1.1rem]"
                :aria-invalid="tried && !draft.name.trim()"
                maxlength="120"
                autocomplete="off"
              />
              <span
                v-if="tried && !draft.name.trim()"
                role="alert"
                class="text-[0.9rem] font-semibold text-rust"
              >
                Give it a name.
              </span>
            </label>
            <label>
              <span class="mb-1 block">Plate</span>
              <input
                v-model="draft.plate"
                class="field text-[1.1rem]"
                maxlength="20"
                autocomplete="off"
              />
            </label>
            <label>
              <span class="mb-1 block"
                >Model
                <span class="text-soft">as the shop calls it; its record is kept by it</span></span
              >
              <input
                v-model="draft.model"
                class="field text-[1.1rem]"
                maxlength="80"
                autocomplete="off"
              />
            </label>
          </div>

          <fieldset class="mt-6">
            <legend class="text-xl font-semibold">Three tape readings</legend>
            <p class="text-soft">
              What is left out is assumed from the kind, and can be measured at any time.
            </p>
            <div class="mt-3 grid gap-4 sm:grid-cols-3">
              <NumberField
                v-model="draft.travel"
                label="Pad, up to floor"
                unit="mm"
                v-bind="bounds('pedal.travel')"
                how="Along the pad’s path, to floor or stop."
                optional
                :strict="tried"
              />
              <NumberField
                v-model="draft.padArm"
                label="Pivot to pad centre"
                unit="mm"
                v-bind="ARM"
                optional
                :strict="tried"
              />
              <NumberField
                v-model="draft.rodArm"
                label="Pivot to rod pin"
                unit="mm"
                v-bind="ARM"
                :how="ratio ? `Pedal ratio ${shown(ratio, 2)}` : ''"
                optional
                :strict="tried"
              />
            </div>
            <p v-if="ratioProblem" role="alert" class="mt-1 font-semibold text-rust">
              {{ ratioProblem }}
            </p>
          </fieldset>

          <fieldset class="mt-6">
            <legend class="text-xl font-semibold">If it can be read off</legend>
            <div class="mt-3 grid gap-4 sm:grid-cols-3">
              <NumberField
                v-model="draft.masterBore"
                label="Master bore"
                unit="mm"
                v-bind="bounds('master.bore')"
                how="Cast on the body."
                optional
                :strict="tried"
              />
              <NumberField
                v-if="external"
                v-model="draft.slaveBore"
                label="Slave bore"
                unit="mm"
                v-bind="bounds('slave.bore')"
                how="Cast on the body."
                optional
                :strict="tried"
              />
              <NumberField
                v-model="draft.clearance"
                label="Pushrod clearance"
                unit="mm"
                v-bind="bounds('master.pushrodClearance')"
                how="Play before the piston is felt."
                optional
                :strict="tried"
              />
            </div>
          </fieldset>

          <p v-if="problem" role="alert" class="mt-5 font-semibold text-rust">{{ problem }}</p>
          <div class="mt-5 flex flex-wrap gap-3">
            <button class="act min-h-14" :disabled="busy">Save and open a job</button>
            <button type="button" class="quiet min-h-14" :disabled="busy" @click="create('vehicle')">
              Save only
            </button>
          </div>
        </div>
      </form>
    </main>
  </div>
</template>
