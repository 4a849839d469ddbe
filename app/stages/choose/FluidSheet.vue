<script setup lang="ts">
import { CLIMATES, FLUID_KINDS, FLUIDS, type FluidKind } from '~~/core/fluid'
import { fluidFrom, type FluidInside } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { useJournalStore } from '~/stores/journal'
import { usePersonStore } from '~/stores/person'
import { useFluid } from '~/job/useFluid'
import { computed, reactive } from 'vue'
import { readWithin } from '~/lib/number'
import { typedWithin, boundsIn, inUnits, symbolOf, withUnits, asTyped } from '~/units/units'
import { millilitres } from '~/units/format'
import FluidStop from '~/components/fluid/FluidStop.vue'
import ReadingField from '~/components/job/ReadingField.vue'
import KeptInput from '~/components/frame/KeptInput.vue'
import TypedProblems from '~/components/frame/TypedProblems.vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'
import ParameterField from '~/components/circuit/ParameterField.vue'
import ContainerShelf from '~/components/fluid/ContainerShelf.vue'

/** What is inside, how old and what that does to its boiling point; what may go in, out of which container, and how much. */
const { state, vehicle, vehicleEntries, file, problem } = useJob()
const journal = useJournalStore()
const person = usePersonStore()
const { inside, shared, age, now, volumes } = useFluid()
const told = computed(() => state.value.fluidInside)
const set = (part: Partial<FluidInside>) => file('fluidInside', { ...inside.value, ...part })
function without(name: 'water' | 'boiling' | 'wanted' | 'everyMonths') {
  const next = { ...inside.value }
  delete next[name]
  return file('fluidInside', next)
}
/** What the vehicle’s own history says is what the next job starts from. */
const ofVehicle = computed(() => fluidFrom(vehicleEntries.value))
const isKept = computed(() => JSON.stringify(ofVehicle.value) === JSON.stringify(inside.value))
async function keepOnVehicle() {
  if (!vehicle.value || !person.current) return
  await journal.file({ type: 'vehicle', id: vehicle.value.id }, person.id, 'fluidInside', inside.value)
}
const CLIMATE_WORDS = { dry: 'dry', usual: 'usual', damp: 'damp' } as const
const climates = CLIMATES.map((id) => ({ id, name: CLIMATE_WORDS[id] }))
const problems = reactive<Record<string, string>>({})
const WATER = { min: 0, max: 100 }
const EVERY = { min: 1, max: 120 }
function setEvery(text: string) {
  problems.every = ''
  if (text.trim() === '') return void without('everyMonths')
  const value = readWithin(text, EVERY)
  if (value === null || !Number.isInteger(value)) problems.every = 'Changed every: 1 to 120 months'
  else void set({ everyMonths: value })
}
const BOILS = { min: 80, max: 320 }
function setWater(text: string) {
  problems.water = ''
  if (text.trim() === '') return void without('water')
  const value = readWithin(text, WATER)
  if (value === null) problems.water = 'Water: 0 to 100 %'
  else void set({ water: value })
}
function setBoiling(text: string) {
  problems.boiling = ''
  if (text.trim() === '') return void without('boiling')
  const value = typedWithin(text, '°C', BOILS)
  if (value === null) problems.boiling = `Boiling point: ${boundsIn(BOILS, '°C')}`
  else void set({ boiling: value })
}
const VERDICTS = {
  fill: 'Nothing speaks against it.',
  flush: 'Flush it.',
  refuse: 'Do not fill this in.',
  stop: 'Stop.',
} as const
const RUST = new Set(['stop', 'refuse'])
const ranged = (
  { low, value, high }: { low: number; value: number; high: number },
  unit: '°C' | '%',
) => {
  const say = (figure: number) => (unit === '%' ? figure.toFixed(1) : inUnits(figure, '°C'))
  const symbol = unit === '%' ? '%' : symbolOf('°C')
  return high - low < 0.05
    ? `${say(value)} ${symbol}`
    : `${say(value)} ${symbol} (${say(low)} to ${say(high)})`
}
const kindOf = (event: Event) => (event.target as HTMLSelectElement).value as FluidKind
</script>

<template>
  <div class="grid grid-cols-1 gap-x-8 px-6 py-3 xl:grid-cols-2">
    <div>
      <section aria-labelledby="inside">
        <h2 id="inside" class="text-[1.1rem]">Inside now</h2>
        <div class="flex flex-wrap gap-3 py-1">
          <label class="flex items-center gap-2"
            >In the circuit
            <select class="field w-auto" :value="inside.kind" @change="set({ kind: kindOf($event) })">
              <option v-for="kind in FLUID_KINDS" :key="kind" :value="kind">
                {{ FLUIDS[kind].name }}
              </option>
            </select></label
          >
          <label class="flex items-center gap-2"
            >Its maker names
            <select
              class="field w-auto"
              :value="inside.wanted ?? ''"
              @change="kindOf($event) ? set({ wanted: kindOf($event) }) : without('wanted')"
            >
              <option value="">not looked up</option>
              <option
                v-for="kind in FLUID_KINDS.filter((one) => one !== 'unknown')"
                :key="kind"
                :value="kind"
              >
                {{ FLUIDS[kind].name }}
              </option>
            </select></label
          >
        </div>
        <p v-if="told">
          <button type="button" class="tap underline" :disabled="isKept" @click="keepOnVehicle">
            {{ isKept ? 'The vehicle’s next job starts from this' : 'Keep it with the vehicle' }}
          </button>
        </p>
        <FluidStop :inside="inside" />
      </section>
      <section aria-labelledby="does" class="mt-2">
        <h3 id="does" class="place-name">What that makes of it</h3>
        <p
          class="border-l-4 pl-3 text-[1.05rem]"
          :class="
            RUST.has(now.verdict)
              ? 'border-rust'
              : now.verdict === 'flush'
                ? 'border-amber'
                : 'border-hairline'
          "
          data-fluid-verdict
        >
          <strong>{{
            now.verdict === 'fill' && inside.kind === 'unknown'
              ? 'Flush it.'
              : now.verdict === 'fill'
                ? 'It may stay.'
                : VERDICTS[now.verdict]
          }}</strong>
          <span v-for="reason in now.reasons" :key="reason.code"> {{ reason.words }}</span>
        </p>
        <dl>
          <div class="flex gap-3 border-b border-hairline py-1">
            <dt class="grow">Water</dt>
            <dd class="font-semibold" data-water>
              {{ now.water ? ranged(now.water, '%') : 'not known' }}
            </dd>
          </div>
          <div class="flex gap-3 border-b border-hairline py-1">
            <dt class="grow">Boils at</dt>
            <dd class="font-semibold" data-boiling>
              {{ now.boiling ? ranged(now.boiling, '°C') : 'not known' }}
            </dd>
          </div>
          <div v-if="now.dry !== null" class="flex gap-3 border-b border-hairline py-1">
            <dt class="grow">Of its class: fresh, and with 3.7 % of water, at least</dt>
            <dd>{{ inUnits(now.dry, '°C') }} and {{ withUnits(now.wet!, '°C') }}</dd>
          </div>
        </dl>
        <p class="text-[0.95rem] text-soft">
          {{
            now.from === 'measured'
              ? 'Measured.'
              : now.from === 'age'
                ? 'By its age: an estimate, a strip or a boiling test overrides it.'
                : age === null
                  ? 'Say how old it is, or measure it.'
                  : ''
          }}
        </p>
      </section>
      <section aria-labelledby="measured-fluid" class="mt-2">
        <h3 id="measured-fluid" class="place-name">How old, or measured</h3>
        <ReadingField reading="fluidAge" phase="asFound" />
        <div class="flex flex-wrap items-center gap-3 border-b border-hairline py-1">
          <label class="flex items-center gap-2"
            >Water by a strip, %
            <KeptInput
              class="field w-20"
              inputmode="decimal"
              :value="inside.water === undefined ? '' : String(inside.water)"
              :aria-invalid="!!problems.water"
              @change="setWater"
          /></label>
          <label class="flex items-center gap-2"
            >Boils at, measured, {{ symbolOf('°C') }}
            <KeptInput
              class="field w-24"
              inputmode="decimal"
              :value="inside.boiling === undefined ? '' : asTyped(inside.boiling, '°C')"
              :aria-invalid="!!problems.boiling"
              @change="setBoiling"
          /></label>
          <label class="flex items-center gap-2"
            >Changed every, by its maker, months
            <KeptInput
              class="field w-20"
              inputmode="numeric"
              :value="inside.everyMonths === undefined ? '' : String(inside.everyMonths)"
              :aria-invalid="!!problems.every"
              @change="setEvery"
          /></label>
        </div>
        <TypedProblems :problems="problems" />
        <div class="flex flex-wrap items-center gap-2 py-1">
          <span>Kept in air that is</span>
          <ChoiceRow
            :model-value="shared ? 'damp' : (inside.climate ?? 'usual')"
            :choices="climates"
            label="Air that it is kept in"
            @update:model-value="set({ climate: $event })"
          />
          <span v-if="shared" class="text-[0.95rem] text-soft"
            >shared with the brakes: ages as in damp air</span
          >
        </div>
      </section>
    </div>
    <div>
      <section v-if="volumes" aria-labelledby="need">
        <h2 id="need" class="text-[1.1rem]">How much</h2>
        <dl data-volumes>
          <div
            v-for="row in [
              ['The circuit holds', volumes.circuit],
              ['To top up', volumes.topUp],
              ['To bleed', volumes.bleed],
              ['To flush', volumes.flush],
              ['To fill from dry', volumes.fill],
            ] as const"
            :key="row[0]"
            class="flex gap-3 border-b border-hairline py-1"
          >
            <dt class="grow">{{ row[0] }}</dt>
            <dd class="font-semibold">{{ millilitres(row[1]) }}</dd>
          </div>
        </dl>
        <ParameterField path="slave.chamber" />
      </section>
      <ContainerShelf class="mt-3" />
      <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
      <p v-if="told && !told.sent" class="text-soft">Waiting to be sent.</p>
    </div>
  </div>
</template>
