<script setup lang="ts">
import { KIT, type BleedSetup } from '~~/core/journal'
import { useBleeding } from '~/job/useBleeding'
import { computed, ref } from 'vue'
import { asTyped, typedWithin, boundsIn, symbolOf } from '~/units/units'
import { KIT_WORDS } from '~~/core/words'
import OnOff from '~/components/frame/OnOff.vue'
import KeptInput from '~/components/frame/KeptInput.vue'

/** With whom, with what, and how far its gauges really reach. */
const { setup, set, dry } = useBleeding()
const people = computed({
  get: () => setup.value.people,
  set: (value: 1 | 2) => void set({ people: value }),
})
const PEOPLE = [
  { id: 1, name: 'Alone' },
  { id: 2, name: 'Two' },
] as const
const toggle = (one: (typeof KIT)[number]) =>
  set({
    kit: setup.value.kit.includes(one)
      ? setup.value.kit.filter((other) => other !== one)
      : [...setup.value.kit, one],
  })
/** What each gauge reaches: asked of those that are at hand. */
const GAUGES = [
  { name: 'vacuum', label: 'Vacuum at the screw', kit: 'vacuumPump', usual: 60, max: 100 },
  { name: 'dryVacuum', label: 'Vacuum at the cap', kit: 'vacuumPump', usual: 60, max: 100 },
  { name: 'overPressure', label: 'Pressure at the cap', kit: 'pressureCap', usual: 30, max: 300 },
] as const
type Gauge = (typeof GAUGES)[number]
const asked = computed(() => GAUGES.filter(({ kit }) => setup.value.kit.includes(kit)))
const shown = ({ name, usual }: Gauge) => asTyped((setup.value[name] ?? usual) / 1000, 'MPa')
const wrong = ref('')
function read({ name, label, max }: Gauge, text: string) {
  const bounds = { min: 0.001, max: max / 1000 }
  const value = typedWithin(text, 'MPa', bounds)
  wrong.value = value === null ? `${label}: ${boundsIn(bounds, 'MPa')}` : ''
  if (value !== null) void set({ [name]: 1000 * value } as Partial<BleedSetup>)
}
const words = computed(
  () =>
    `${setup.value.people === 1 ? 'Alone' : 'Two people'}, with ${
      setup.value.kit.map((one) => KIT_WORDS[one].toLowerCase()).join(', ') || 'nothing but a wrench'
    }`,
)
</script>

<template>
  <details class="border-b border-hairline" data-setup>
    <summary class="min-h-11 py-2">
      {{ words }}{{ dry ? '; the circuit is empty' : '' }}<span class="text-soft">: change</span>
    </summary>
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2 pb-3">
      <div role="group" aria-label="People" class="flex gap-2">
        <OnOff v-for="one in PEOPLE" :key="one.id" :on="people === one.id" @click="people = one.id">{{
          one.name
        }}</OnOff>
      </div>
      <OnOff :on="dry" @click="set({ dry: !dry })">Circuit is empty</OnOff>
      <div role="group" aria-label="At hand" class="flex flex-wrap gap-2">
        <OnOff v-for="one in KIT" :key="one" :on="setup.kit.includes(one)" @click="toggle(one)">{{
          KIT_WORDS[one]
        }}</OnOff>
      </div>
      <label v-for="one in asked" :key="one.name" class="flex items-center gap-2"
        >{{ one.label }} really reaches
        <KeptInput
          :value="shown(one)"
          class="field w-20"
          inputmode="decimal"
          autocomplete="off"
          @change="read(one, $event)"
        />
        {{ symbolOf('MPa') }}</label
      >
      <p v-if="wrong" role="alert" class="basis-full font-semibold text-rust">{{ wrong }}</p>
    </div>
  </details>
</template>
