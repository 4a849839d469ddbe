<script setup lang="ts">
import type { Sizing } from './useSizing'
import { computed, reactive, ref } from 'vue'
import { unitsNow, inUnits, typedWithin, boundsIn, asTyped, symbolOf } from '~/units/units'
import { readWithin } from '~/lib/number'
import OnOff from '~/components/frame/OnOff.vue'
import OtherCylinder from '~/stages/choose/OtherCylinder.vue'
import KeptInput from '~/components/frame/KeptInput.vue'

/** What is tried: bores at a tap or typed, the pedal’s ratio, lines, a longer rod, and the limits. */
const props = defineProps<{ sizing: Sizing }>()
const { circuit, candidates, change, layouts, limits, shelf } = props.sizing
const digits = computed(() => (unitsNow() === 'inch' ? 3 : 2))
const bore = (value: number) => inUnits(value, 'mm', digits.value)
const NEAR = 0.06
/** Bores farther from what is there than this are typed, mm. */
const REACH = 3.6
const has = (list: readonly number[], value: number) => list.some((one) => Math.abs(one - value) < NEAR)
function toggled(list: readonly number[], value: number): number[] {
  return has(list, value)
    ? list.filter((one) => Math.abs(one - value) >= NEAR)
    : [...list, value].sort((a, b) => a - b)
}
/** Bores of the shelf, else of the workshop’s table, within reach of what is there, and whatever was typed. */
const offered = (own: number, chosen: readonly number[], sizes: readonly number[]) =>
  [
    ...new Set([
      ...sizes.filter((one) => Math.abs(one - own) < REACH && Math.abs(one - own) > NEAR),
      own,
      ...chosen,
    ]),
  ].sort((a, b) => a - b)
const masters = computed(() =>
  circuit.value && candidates.value
    ? offered(circuit.value.master.bore, candidates.value.masters, shelf.masters.value)
    : [],
)
const slaves = computed(() =>
  circuit.value?.slave.type === 'external' && candidates.value
    ? offered(circuit.value.slave.bore, candidates.value.slaves, shelf.slaves.value)
    : [],
)
const BORE = { min: 5, max: 100 }
const RATIO = { min: 1, max: 20 }
const own = reactive({ outer: '', inner: '', ratio: '' })
const problem = ref('')
function typedBore(text: string): number | null {
  const value = typedWithin(text, 'mm', BORE)
  problem.value = value === null ? `A bore is ${boundsIn(BORE, 'mm')}` : ''
  return value
}
type Cylinder = { bore: number; stroke?: number }
function addCylinder(part: 'master' | 'slave', { bore, stroke }: Cylinder) {
  const now = candidates.value!
  if (stroke !== undefined) change({ cylinders: [...now.cylinders, { part, bore, stroke }] })
  else if (part === 'master') change({ masters: [...now.masters, bore].sort((a, b) => a - b) })
  else change({ slaves: [...now.slaves, bore].sort((a, b) => a - b) })
}
function addRing() {
  const [outer, inner] = [typedBore(own.outer), typedBore(own.inner)]
  if (outer === null || inner === null) return
  if (inner >= outer) {
    problem.value = 'The inner diameter must be smaller than the outer'
    return
  }
  change({ rings: [...candidates.value!.rings, { outer, inner }] })
  own.outer = own.inner = ''
}
function addRatio() {
  const value = readWithin(own.ratio, RATIO)
  problem.value = value === null ? 'A pedal ratio is 1 to 20' : ''
  if (value === null) return
  change({ ratios: [...new Set([...candidates.value!.ratios, value])].sort((a, b) => a - b) })
  own.ratio = ''
}
const toggleLayout = (id: string) => {
  const now = candidates.value!.layouts
  const next = now.includes(id) ? now.filter((one) => one !== id) : [...now, id]
  change({ layouts: next.length > 0 ? next : ['asItIs'] })
}
const LIMITS = [
  { name: 'wantedReserve', label: 'Reserve wanted', unit: 'mm', min: 0, max: 200 },
  { name: 'mostForce', label: 'Heaviest pedal allowed', unit: 'N', min: 1, max: 5000 },
  { name: 'air', label: 'Air that a bleed may leave', unit: 'mm³', min: 0, max: 200_000 },
  { name: 'bedding', label: 'More travel on a new disc, at the bearing', unit: 'mm', min: 0, max: 10 },
  { name: 'wear', label: 'Wear of the facings to their end', unit: 'mm', min: 0, max: 20 },
  { name: 'fingerRatio', label: 'Fingers move, per mm of wear', unit: '×', min: 1, max: 10 },
  { name: 'room', label: 'Room behind the slave’s piston', unit: 'mm', min: 0, max: 200 },
] as const
const ROD = { min: 0, max: 50 }
const problems = reactive<Record<string, string>>({})
function setLimit(row: (typeof LIMITS)[number], text: string) {
  const left = { ...candidates.value!.limits }
  problems[row.name] = ''
  if (text.trim() === '') {
    delete left[row.name]
    change({ limits: left })
    return
  }
  const value = typedWithin(text, row.unit, row)
  if (value === null) problems[row.name] = `${boundsIn(row, row.unit)}`
  else change({ limits: { ...left, [row.name]: value } })
}
function setRod(text: string) {
  problems.rod = ''
  const value = text.trim() === '' ? 0 : typedWithin(text, 'mm', ROD)
  if (value === null) problems.rod = boundsIn(ROD, 'mm')
  else change({ rodExtension: value })
}
const shownLimit = (row: (typeof LIMITS)[number]) => {
  const value = limits.value[row.name]
  return value === null ? '' : asTyped(value, row.unit)
}
</script>

<template>
  <div v-if="circuit && candidates">
    <div class="flex flex-wrap items-center gap-1 py-1" role="group" aria-label="Masters to try">
      <span class="w-14">Master</span>
      <OnOff
        v-for="one in masters"
        :key="one"
        class="px-2!"
        :on="has(candidates.masters, one)"
        :aria-label="`Master ${bore(one)}${Math.abs(one - circuit.master.bore) < NEAR ? ', as it is' : ''}`"
        @click="change({ masters: toggled(candidates.masters, one) })"
        >{{ bore(one)
        }}<span v-if="Math.abs(one - circuit.master.bore) < NEAR" aria-hidden="true">●</span></OnOff
      >
    </div>
    <div class="flex flex-wrap items-center gap-1 py-1" role="group" aria-label="Slaves to try">
      <span class="w-14">Slave</span>
      <template v-if="circuit.slave.type === 'external'">
        <OnOff
          v-for="one in slaves"
          :key="one"
          class="px-2!"
          :on="has(candidates.slaves, one)"
          :aria-label="`Slave ${bore(one)}${Math.abs(one - circuit.slave.bore) < NEAR ? ', as it is' : ''}`"
          @click="change({ slaves: toggled(candidates.slaves, one) })"
          >{{ bore(one)
          }}<span v-if="Math.abs(one - circuit.slave.bore) < NEAR" aria-hidden="true">●</span></OnOff
        >
      </template>
      <template v-else>
        <OnOff
          v-for="(ring, i) in candidates.rings"
          :key="`${ring.outer} ${ring.inner}`"
          on
          :aria-label="`Take out ${bore(ring.outer)} over ${bore(ring.inner)}`"
          :disabled="candidates.rings.length === 1"
          @click="change({ rings: candidates.rings.filter((_, k) => k !== i) })"
          >{{ bore(ring.outer) }}/{{ bore(ring.inner) }}</OnOff
        >
      </template>
    </div>
    <p v-if="problem" role="alert" class="font-semibold text-rust">
      {{ problem }}. What you typed is still here.
    </p>
    <details class="border-b border-hairline">
      <summary class="min-h-11 py-2">Other bores, pedal ratio, lines, rod, limits</summary>
      <div class="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
        <OtherCylinder part="master" @add="addCylinder('master', $event)" />
        <OtherCylinder
          v-if="circuit.slave.type === 'external'"
          part="slave"
          @add="addCylinder('slave', $event)"
        />
        <span v-else class="flex items-center gap-2"
          >Another slave
          <form class="flex gap-1" @submit.prevent="addRing">
            <input
              v-model="own.outer"
              class="field w-20"
              inputmode="decimal"
              aria-label="Another slave, outer diameter"
              placeholder="outer"
            />
            <input
              v-model="own.inner"
              class="field w-20"
              inputmode="decimal"
              aria-label="Another slave, inner diameter"
              placeholder="inner"
            />
            <button class="quiet" :disabled="!own.outer || !own.inner" aria-label="Add this slave">
              +
            </button>
          </form></span
        >
      </div>
      <div
        v-if="candidates.cylinders.length"
        class="flex flex-wrap gap-1.5 py-1"
        role="group"
        aria-label="With their own stroke"
      >
        <OnOff
          v-for="(one, i) in candidates.cylinders"
          :key="i"
          on
          :aria-label="`Take out ${one.part} ${bore(one.bore)} by ${bore(one.stroke)}`"
          @click="change({ cylinders: candidates.cylinders.filter((_, k) => k !== i) })"
          >{{ one.part }} {{ bore(one.bore) }} × {{ bore(one.stroke) }}</OnOff
        >
      </div>
      <div class="flex flex-wrap items-center gap-1.5 py-1" role="group" aria-label="Ratios to try">
        <span class="w-16">Ratio</span>
        <OnOff
          v-for="one in [...new Set([circuit.pedal.ratio, ...candidates.ratios])]"
          :key="one"
          :on="candidates.ratios.includes(one)"
          :aria-label="`Ratio ${one}`"
          @click="change({ ratios: toggled(candidates.ratios, one) })"
          >{{ one }}</OnOff
        >
        <form class="flex gap-1" @submit.prevent="addRatio">
          <input
            v-model="own.ratio"
            class="field w-20"
            inputmode="decimal"
            aria-label="Another pedal ratio"
          />
          <button class="quiet" :disabled="own.ratio.trim() === ''" aria-label="Add this ratio">
            +
          </button>
        </form>
      </div>
      <div class="flex flex-wrap items-center gap-1.5 py-1" role="group" aria-label="Lines to try">
        <span class="w-16">Lines</span>
        <OnOff
          v-for="one in layouts"
          :key="one.id"
          :on="candidates.layouts.includes(one.id)"
          @click="toggleLayout(one.id)"
          >{{ one.name }}</OnOff
        >
      </div>
      <div class="grid gap-x-4 py-1 sm:grid-cols-2">
        <label class="flex items-center gap-2 py-0.5">
          <span class="grow text-[0.95rem]">Slave’s rod longer by, {{ symbolOf('mm') }}</span>
          <KeptInput
            class="field w-20"
            inputmode="decimal"
            :value="candidates.rodExtension ? asTyped(candidates.rodExtension, 'mm') : ''"
            placeholder="0"
            :aria-invalid="!!problems.rod"
            @change="setRod"
          />
        </label>
        <p v-if="problems.rod" role="alert" class="font-semibold text-rust">{{ problems.rod }}</p>
        <template v-for="row in LIMITS" :key="row.name">
          <label class="flex items-center gap-2 py-0.5">
            <span class="grow text-[0.95rem]">{{ row.label }}, {{ symbolOf(row.unit) }}</span>
            <KeptInput
              class="field w-20"
              inputmode="decimal"
              :value="shownLimit(row)"
              :placeholder="row.name === 'room' ? 'not known' : ''"
              :aria-invalid="!!problems[row.name]"
              @change="setLimit(row, $event)"
            />
          </label>
          <p v-if="problems[row.name]" role="alert" class="font-semibold text-rust">
            {{ row.label }}: {{ problems[row.name] }}
          </p>
        </template>
      </div>
      <p class="pb-2 text-[0.95rem] text-soft">
        A longer rod takes as much room for wear as it gains in stroke. Bedding and wear are judgement;
        the cover’s load is this vehicle’s estimate unless it was measured.
      </p>
    </details>
  </div>
</template>
