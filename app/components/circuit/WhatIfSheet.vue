<script setup lang="ts">
import {
  eventsOf,
  LINE_KINDS,
  lineOfKind,
  peakForce,
  takesUpPlay,
  tellEvent,
  WORKSHOP_BORES,
} from '~~/core/circuit'
import type { CoreUnit } from '~~/core/quantity'
import { subjectOf, withChange, withoutChange, type Change } from '~~/core/whatif'
import { useDesk } from '~/job/useDesk'
import { computed } from 'vue'
import { formatNow, withUnits, unitsNow, inUnits } from '~/units/units'
import ChangeSlider from '~/components/circuit/ChangeSlider.vue'
import RemedyList from '~/components/circuit/RemedyList.vue'
import BandPanel from '~/components/circuit/BandPanel.vue'

/** What if: figures moved in thought, what that does under the foot, and which change buys most. */
const { subject, measured, planned, changes, plan, filing } = useDesk()
const found = computed(() => measured.value[0]?.figures ?? null)
const circuit = computed(() => found.value?.circuit ?? null)
const now = computed(() => planned.value.stack?.figures ?? found.value)

const change = (one: Change) => (changes.value = withChange(changes.value, one))
const back = (one: Change) => (changes.value = withoutChange(changes.value, one))
const standing = (one: Change) => changes.value.find((other) => subjectOf(other) === subjectOf(one))

interface Slider {
  label: string
  unit: CoreUnit
  min: number
  max: number
  step: number
  was: number
  make: (value: number) => Change
}
const sliders = computed((): Slider[] => {
  const c = circuit.value
  if (!c) return []
  const field = (
    path: string,
    label: string,
    unit: CoreUnit,
    was: number,
    by: number,
    step: number,
  ): Slider => ({
    label,
    unit,
    min: Math.round((was - by) / step) * step,
    max: Math.round((was + by) / step) * step,
    step,
    was,
    make: (value) => ({ change: 'field', field: path, value }),
  })
  const list: Slider[] = [
    {
      label: 'Trapped air',
      unit: 'mm³',
      min: 0,
      max: 4000,
      step: 50,
      was: c.air,
      make: (value) => ({ change: 'air', value }),
    },
    field('pedal.ratio', 'Pedal ratio', '', c.pedal.ratio, 1.5, 0.05),
    {
      ...field('master.pushrodClearance', 'Pushrod clearance', 'mm', c.master.pushrodClearance, 2, 0.1),
      min: -2,
    },
  ]
  if (!takesUpPlay(c)) {
    list.push({ ...field('linkage.slop', 'Slop at the rod', 'mm', c.linkage.slop, 3, 0.1), min: 0 })
    list.push({
      ...field(
        'linkage.bearingClearance',
        'Bearing clearance',
        'mm',
        c.linkage.bearingClearance,
        2,
        0.1,
      ),
      min: 0,
    })
  }
  list.push({
    label: 'Facing wear',
    unit: 'mm',
    min: 0,
    max: 4,
    step: 0.1,
    was: 0,
    make: (value) => ({ change: 'wear', value }),
  })
  return list
})
const valueOf = (slider: Slider): number => {
  const one = standing(slider.make(slider.was))
  return one && 'value' in one ? one.value : slider.was
}
const bores = computed(() => {
  const c = circuit.value
  if (!c) return []
  const list = [{ path: 'master.bore', label: 'Master bore', was: c.master.bore }]
  if (c.slave.type === 'external')
    list.push({ path: 'slave.bore', label: 'Slave bore', was: c.slave.bore })
  return list
})
const boreNow = (path: string, was: number) => {
  const one = standing({ change: 'field', field: path, value: was })
  return one && 'value' in one ? one.value : was
}
function setBore(path: string, was: number, text: string) {
  const value = Number(text)
  const one: Change = { change: 'field', field: path, value }
  if (value === was) back(one)
  else change(one)
}
const hoses = computed(() =>
  (circuit.value?.lines ?? []).flatMap((line, index) =>
    line.kind === 'steel' ? [] : [{ line, index }],
  ),
)
const hoseNow = (index: number) => {
  const line = circuit.value!.lines[index]!
  const one = standing({ change: 'line', index, line })
  return one?.change === 'line' ? one.line : line
}
const hoseKind = (index: number) =>
  LINE_KINDS.find(
    (row) =>
      row.kind !== 'steel' && row.expansion === (hoseNow(index) as { expansion?: number }).expansion,
  )?.id ?? ''
function setHose(index: number, id: string) {
  const line = circuit.value!.lines[index]!
  if (id === '') back({ change: 'line', index, line })
  else change({ change: 'line', index, line: lineOfKind(id, hoseNow(index).length) })
}
const setHoseLength = (index: number, length: number) =>
  change({ change: 'line', index, line: { ...hoseNow(index), length } })

const summary = computed(() => {
  const [was, is] = [found.value, now.value]
  if (!was || !is) return []
  const row = (name: string, unit: CoreUnit, a: number | null, b: number | null, more: boolean) => ({
    name,
    unit,
    a,
    b,
    better: a !== null && b !== null && Math.abs(b - a) > 1e-9 ? b > a === more : null,
  })
  const height = ({ circuit: c, solution }: typeof was) =>
    solution.engagement === null ? null : c.pedal.travel - solution.engagement
  return [
    row('Reserve', 'mm', was.solution.reserve, is.solution.reserve, true),
    row('Take-up above the floor', 'mm', height(was), height(is), true),
    row('Largest pad force', 'N', peakForce(was.circuit), peakForce(is.circuit), false),
    row('Rod stroke at full pedal', 'mm', was.solution.at.rodStroke, is.solution.at.rodStroke, true),
  ]
})
const events = computed(() =>
  now.value
    ? eventsOf(now.value.circuit).map((event) => ({
        stop: event.stop,
        words: tellEvent(event, formatNow()),
      }))
    : [],
)
const unfiled = computed(() => JSON.stringify(changes.value) !== JSON.stringify(plan.value ?? []))
</script>

<template>
  <div v-if="circuit" class="grid gap-x-8 px-6 py-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.05fr)]">
    <section aria-label="Changes in thought">
      <ChangeSlider
        v-for="slider in sliders"
        :key="slider.label"
        :model-value="valueOf(slider)"
        v-bind="slider"
        :changed="!!standing(slider.make(slider.was))"
        @update:model-value="change(slider.make($event))"
        @back="back(slider.make(slider.was))"
      />
      <label
        v-for="bore in bores"
        :key="bore.path"
        class="flex items-center gap-3 border-b border-hairline py-1"
      >
        <span class="grow">{{ bore.label }}</span>
        <select
          class="field w-auto"
          :class="boreNow(bore.path, bore.was) !== bore.was ? 'font-semibold text-amber' : ''"
          :value="boreNow(bore.path, bore.was)"
          @change="setBore(bore.path, bore.was, ($event.target as HTMLSelectElement).value)"
        >
          <option :value="bore.was">{{ withUnits(bore.was, 'mm', 2) }}, as it is</option>
          <option
            v-for="size in WORKSHOP_BORES.filter((one) => Math.abs(one - bore.was) > 0.05)"
            :key="size"
            :value="size"
          >
            {{ withUnits(size, 'mm', unitsNow() === 'inch' ? 3 : 2) }}
          </option>
        </select>
      </label>
      <div v-for="{ line, index } in hoses" :key="index" class="border-b border-hairline py-1">
        <label class="flex flex-wrap items-center gap-3">
          <span class="grow">Line {{ index + 1 }}, {{ line.kind }}</span>
          <select
            class="field w-auto max-w-full"
            :value="standing({ change: 'line', index, line }) ? hoseKind(index) : ''"
            @change="setHose(index, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">as it is</option>
            <option
              v-for="row in LINE_KINDS.filter((one) => one.kind !== 'steel')"
              :key="row.id"
              :value="row.id"
            >
              {{ row.label }}
            </option>
          </select>
        </label>
        <ChangeSlider
          :model-value="hoseNow(index).length"
          :label="`Length of line ${index + 1}`"
          unit="mm"
          :min="50"
          :max="1200"
          :step="10"
          :was="line.length"
          :changed="hoseNow(index).length !== line.length"
          @update:model-value="setHoseLength(index, $event)"
          @back="setHoseLength(index, line.length)"
        />
      </div>
    </section>
    <div>
      <section aria-label="What it does" aria-live="polite">
        <p v-if="planned.problem" role="alert" class="font-semibold text-rust">
          {{ planned.problem }}.
        </p>
        <dl>
          <div
            v-for="row in summary"
            :key="row.name"
            class="flex gap-3 border-b border-hairline py-1.5"
          >
            <dt class="grow">{{ row.name }}</dt>
            <dd class="text-soft">{{ row.a === null ? 'never' : inUnits(row.a, row.unit) }}</dd>
            <dd aria-hidden="true">→</dd>
            <dd class="min-w-20 text-right font-semibold" :data-whatif="row.name">
              {{ row.b === null ? 'never' : withUnits(row.b, row.unit)
              }}<span class="sr-only">{{
                row.better === null ? '' : row.better ? ', better' : ', worse'
              }}</span>
            </dd>
          </div>
        </dl>
        <p
          v-for="event in events"
          :key="event.words"
          class="mt-2 border-l-4 pl-3"
          :class="event.stop ? 'border-rust font-semibold text-rust' : 'border-hairline'"
        >
          {{ event.words }}
        </p>
      </section>
      <p class="mt-3 flex flex-wrap gap-2">
        <button
          v-if="subject.type === 'job'"
          type="button"
          class="act"
          :disabled="!unfiled || !!planned.problem"
          @click="filing.file('circuitPlan', { changes })"
        >
          Keep as the plan
        </button>
        <button type="button" class="quiet" :disabled="changes.length === 0" @click="changes = []">
          Reset all changes
        </button>
      </p>
      <p v-if="filing.problem.value" role="alert" class="mt-2 font-semibold text-rust">
        {{ filing.problem.value }}
      </p>
      <RemedyList v-if="found" class="mt-6" :figures="found" @try="$event.forEach(change)" />
      <BandPanel v-if="found" class="mt-6" :figures="found" />
    </div>
  </div>
</template>
