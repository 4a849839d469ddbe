<script setup lang="ts">
import { LINE_KINDS, lineOfKind } from '~~/core/circuit'
import {
  chosenAt,
  installationField,
  jointPlaces,
  withLines,
  type Installation,
} from '~~/core/installation'
import { choiceWords } from '~~/core/journal'
import type { PartId } from '../line/part-words'
import { partWords } from '../line/part-words'
import { choicesOf, fieldsOf, jointsAt } from './part-fields'
import { useDesk } from '~/job/useDesk'
import { computed } from 'vue'
import { usePhotos } from '~/job/usePhotos'
import { formatNow, withUnits } from '~/units/units'
import PhotoButton from '~/components/photo/PhotoButton.vue'
import PhotoStrip from '~/components/photo/PhotoStrip.vue'
import ModelPhotos from '~/components/photo/ModelPhotos.vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'
import ParameterField from '~/components/circuit/ParameterField.vue'
import LoadCurveTable from '~/components/circuit/LoadCurveTable.vue'
import SwitchList from '~/components/circuit/SwitchList.vue'
import BleedLineList from '~/components/circuit/BleedLineList.vue'
import HeatList from '~/components/circuit/HeatList.vue'
import KnownEnds from '~/components/circuit/KnownEnds.vue'

/** The parts of the circuit: choose one, here or in the drawing, and say what it is. */
const { subject, kept, part, filing, model } = useDesk()
const chosen = computed<PartId>({ get: () => part.value ?? 'master', set: (id) => (part.value = id) })
const { photos, setWords, takeBack } = usePhotos(filing, ({ place }) => place === chosen.value)
const partName = computed(() => parts.value.find((one) => one.id === chosen.value)?.name ?? 'part')
const parts = computed(() => (kept.value ? partWords(kept.value, formatNow()) : []))
const fields = computed(() =>
  kept.value ? fieldsOf(kept.value, chosen.value).filter((path) => installationField(path)) : [],
)
const choices = computed(() => choicesOf(chosen.value))
const ends = computed(() => {
  const now = kept.value
  return now ? jointsAt(now, chosen.value).filter((at) => jointPlaces(now).includes(at)) : []
})
const lineIndex = computed(() =>
  chosen.value.startsWith('line') && chosen.value !== 'linkage' ? Number(chosen.value.slice(4)) : null,
)
const line = computed(() =>
  lineIndex.value === null ? undefined : kept.value?.circuit.lines[lineIndex.value],
)
const kindId = computed(
  () =>
    LINE_KINDS.find(
      (row) =>
        row.kind === line.value?.kind && Math.abs(row.innerDiameter - line.value.innerDiameter) < 0.3,
    )?.id ?? '',
)
const source = computed(() => LINE_KINDS.find(({ id }) => id === kindId.value))
const swell = computed(() => {
  const one = source.value
  return one?.expansion === undefined ? '' : ` ${withUnits(one.expansion, 'mm³/MPa/m')}.`
})

const SLAVES = [
  { id: false, name: 'Outside, on a fork' },
  { id: true, name: 'Round the shaft' },
]
const BLEEDERS = [
  { id: true, name: 'Has a bleed screw' },
  { id: false, name: 'No bleed screw' },
]
const RESERVOIRS = [
  { id: false, name: 'Clutch alone' },
  { id: true, name: 'Shared with the brakes' },
]
const set = (next: Installation) => filing.file('installation', next)
function changeKind(id: string) {
  const now = kept.value
  const index = lineIndex.value
  if (!now || index === null || !line.value) return
  const next = lineOfKind(id, line.value.length)
  void set(withLines(now, { act: 'replace', index, line: next }))
}
/** A new line of the same kind as long as a hand is wide, to be measured at once. */
async function insertLine() {
  if (!kept.value || lineIndex.value === null) return
  const index = lineIndex.value + 1
  const next = withLines(kept.value, {
    act: 'insert',
    index,
    line: lineOfKind('rubber-3-regular', 100),
  })
  if (await set(next)) chosen.value = `line${index}`
}
async function removeLine() {
  if (!kept.value || lineIndex.value === null) return
  const index = lineIndex.value
  if (await set(withLines(kept.value, { act: 'remove', index })))
    chosen.value = `line${Math.max(0, index - 1)}`
}
function setBleeder(yes: boolean) {
  const now = kept.value
  if (!now) return
  const bleeder = yes ? ({ kind: 'screw', angle: 0 } as const) : ({ kind: 'none' } as const)
  void set({ ...now, slave: { ...now.slave, bleeder } })
}
function setShared(yes: boolean) {
  const now = kept.value
  if (now) void set({ ...now, reservoir: { ...now.reservoir, sharedWithBrakes: yes } })
}
/** Areas alike, so that the change of kind alone does not move the pedal. */
function setConcentric(yes: boolean) {
  const now = kept.value
  if (!now || (now.circuit.slave.type === 'concentric') === yes) return
  const { stroke, springPreload, sealFriction } = now.circuit.slave
  const common = { stroke, springPreload, sealFriction }
  const slave = yes
    ? { type: 'concentric' as const, outer: 50, inner: 40, ...common }
    : { type: 'external' as const, bore: 20.64, ...common }
  const assumed = now.assumed.filter((path) => !/^slave\.(bore|outer|inner|room)$/.test(path))
  void set({
    ...now,
    circuit: { ...now.circuit, slave },
    assumed: [...assumed, ...(yes ? ['slave.outer', 'slave.inner'] : ['slave.bore'])],
  })
}
</script>

<template>
  <div v-if="kept" class="grid gap-x-8 px-6 py-4 lg:grid-cols-[15rem_minmax(0,1fr)]">
    <nav aria-label="Parts" class="flex flex-wrap gap-1 lg:block">
      <button
        v-for="one in parts"
        :key="one.id"
        type="button"
        class="block min-h-11 rounded-sm px-3 text-left lg:w-full"
        :class="one.id === chosen ? 'bg-ink text-ground' : 'hover:bg-raised'"
        :aria-pressed="one.id === chosen"
        @click="chosen = one.id"
      >
        {{ one.name }}
      </button>
    </nav>
    <section :aria-label="partName">
      <div class="flex flex-wrap items-center gap-3">
        <h2 class="grow text-xl">{{ partName }}</h2>
        <PhotoButton :filing="filing" :place="chosen" :label="partName" />
      </div>
      <PhotoStrip
        :photos="photos"
        :label="`Photographs: ${partName}`"
        @words="setWords"
        @take-back="takeBack"
      />
      <ModelPhotos :model="model" :place="chosen" :except="photos.map(({ file }) => file)" />
      <div v-if="line" class="flex flex-wrap items-center gap-3 border-b border-hairline py-2">
        <label class="flex items-center gap-2"
          >Kind
          <select
            class="field w-auto"
            :value="kindId"
            @change="changeKind(($event.target as HTMLSelectElement).value)"
          >
            <option v-if="!kindId" value="">as measured</option>
            <option v-for="row in LINE_KINDS" :key="row.id" :value="row.id">{{ row.label }}</option>
          </select></label
        >
        <button type="button" class="quiet" @click="insertLine">Add a line after this</button>
        <button
          type="button"
          class="quiet"
          :disabled="kept.circuit.lines.length === 1"
          @click="removeLine"
        >
          Remove
        </button>
        <p v-if="source" class="w-full text-[0.95rem] text-soft">
          {{ source.source }}.{{ swell }} {{ source.reason }}
        </p>
      </div>
      <div v-if="chosen === 'slave'" class="flex flex-wrap gap-2 border-b border-hairline py-2">
        <ChoiceRow
          :model-value="kept.circuit.slave.type === 'concentric'"
          :choices="SLAVES"
          label="Where the slave is"
          @update:model-value="setConcentric"
        />
        <ChoiceRow
          :model-value="kept.slave.bleeder.kind === 'screw'"
          :choices="BLEEDERS"
          label="Bleed screw"
          @update:model-value="setBleeder"
        />
      </div>
      <div v-if="chosen === 'reservoir'" class="flex flex-wrap gap-2 border-b border-hairline py-2">
        <ChoiceRow
          :model-value="kept.reservoir.sharedWithBrakes"
          :choices="RESERVOIRS"
          label="Whose reservoir it is"
          @update:model-value="setShared"
        />
        <p
          v-if="kept.reservoir.sharedWithBrakes"
          class="w-full border-l-4 border-amber pl-3 text-[0.95rem]"
        >
          Never below the brakes’ minimum. A shared reservoir makes it a brake job too: the brake pedal
          is proved before the vehicle moves, by the maker’s data.
        </p>
      </div>
      <div
        v-for="field in choices"
        :key="field.path"
        class="flex flex-wrap items-center gap-2 border-b border-hairline py-1"
      >
        <span class="grow">{{ field.label }}</span>
        <ChoiceRow
          :model-value="chosenAt(kept, field.path) ?? ''"
          :choices="field.values.map((id) => ({ id, name: choiceWords(id) }))"
          :label="field.label"
          @update:model-value="filing.file('parameter', { field: field.path, value: $event })"
        />
      </div>
      <ParameterField v-for="path in fields" :key="`${subject.id}${path}`" :path="path" />
      <LoadCurveTable v-if="chosen === 'cover'" />
      <SwitchList v-if="chosen === 'pedal' || chosen === 'master'" :at="chosen" />
      <BleedLineList v-if="chosen === 'slave' && kept.slave.bleeder.kind === 'screw'" />
      <HeatList v-if="lineIndex !== null" :index="lineIndex" />
      <KnownEnds v-if="ends.length" :places="ends" />
      <p v-if="filing.problem.value" role="alert" class="mt-2 font-semibold text-rust">
        {{ filing.problem.value }}
      </p>
    </section>
  </div>
</template>
