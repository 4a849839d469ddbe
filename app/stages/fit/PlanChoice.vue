<script setup lang="ts">
import { PACKAGES, PLAN_CHOICES } from '~~/core/plan'
import { usePlan } from '~/job/usePlan'
import { usePlansStore } from '~/stores/plans'
import { computed, onMounted } from 'vue'
import OnOff from '~/components/frame/OnOff.vue'

/** Which packages, how many people, what is in the way, and the orders on which people differ. */
const { chosen, plan, proposed, choose } = usePlan()
const HIDDEN = new Set(['access', 'drain'])
const plans = usePlansStore()
const packages = computed(() => [
  ...[...PACKAGES.values()].filter(({ id }) => !HIDDEN.has(id)),
  ...plans.packages,
])
onMounted(() => void plans.load().catch(() => {}))
const picked = computed(() => chosen.value?.packages ?? proposed.value.map((id) => ({ id })))
const has = (id: string) => picked.value.some((one) => one.id === id)
const toggle = (id: string) => {
  const next = has(id) ? picked.value.filter((one) => one.id !== id) : [...picked.value, { id }]
  if (next.length > 0) void choose({ packages: next })
}
const FACTS = [
  ['panel', 'Belly panel'],
  ['battery', 'Battery and tray'],
  ['airbox', 'Airbox'],
  ['wheel', 'A wheel'],
  ['starter', 'Starter'],
  ['dashPanel', 'Dash panel'],
] as const
const facts = computed(() => chosen.value?.facts ?? {})
const setFact = (name: string) => choose({ facts: { ...facts.value, [name]: !facts.value[name] } })
const CHOICE_WORDS: Record<string, string> = {
  drain: 'Drain',
  first: 'Opened first',
  union: 'Union started',
  hose: 'Hose tightened',
  lineOntoSlave: 'Line onto the slave',
  straps: 'Straps',
  rod: 'Rod set',
  pedal: 'Pedal joined',
  unit: 'Unit comes out',
  closed: 'Kept closed',
}
const VALUE_WORDS: Record<string, string> = {
  syringe: 'by syringe',
  bleeder: 'at the bleed screw',
  slaveFirst: 'at the slave’s union',
  beforeBolting: 'before bolting',
  afterBolting: 'after bolting',
  slaveEndFirst: 'slave’s end first',
  bodyEndFirst: 'body’s end first',
  before: 'before it goes in',
  after: 'after it is in',
  offBefore: 'off before',
  offAfter: 'off after',
  firstStroke: 'freed by the first stroke',
  relatched: 'latched again after priming',
  inCylinder: 'in the cylinder',
  inFork: 'in the fork',
}
const said = computed((): Record<string, string> =>
  Object.assign({}, ...picked.value.map((one) => ('choices' in one ? one.choices : {}))),
)
const setChoice = (name: string, value: string) => {
  const [first, ...rest] = picked.value
  if (first)
    void choose({
      packages: [
        { id: first.id, choices: { ...said.value, [name]: value } },
        ...rest.map(({ id }) => ({ id })),
      ],
    })
}
</script>

<template>
  <section aria-labelledby="plan-choice" data-plan-choice>
    <h2 id="plan-choice" class="text-[1.1rem]">What is to be done</h2>
    <div class="flex flex-wrap gap-1.5 py-1" role="group" aria-label="Packages">
      <OnOff v-for="one in packages" :key="one.id" :on="has(one.id)" @click="toggle(one.id)">{{
        one.title
      }}</OnOff>
    </div>
    <div class="flex flex-wrap items-center gap-1.5 py-1" role="group" aria-label="People">
      <OnOff :on="chosen?.people === 1" @click="choose({ people: 1 })">Alone</OnOff>
      <OnOff :on="chosen?.people === 2" @click="choose({ people: 2 })">With a helper</OnOff>
    </div>
    <template v-if="chosen">
      <p class="place-name mt-1">In the way on this vehicle</p>
      <div class="flex flex-wrap gap-1.5 py-1" role="group" aria-label="In the way">
        <OnOff
          v-for="[name, words] in FACTS"
          :key="name"
          :on="facts[name] === true"
          @click="setFact(name)"
          >{{ words }}</OnOff
        >
      </div>
      <details>
        <summary class="min-h-11 content-center">Orders on which people differ</summary>
        <label
          v-for="one in PLAN_CHOICES"
          :key="one.name"
          class="flex flex-wrap items-center gap-x-3 border-b border-hairline py-1"
        >
          <span class="grow basis-52 leading-tight"
            >{{ CHOICE_WORDS[one.name] }}
            <span class="block text-[0.9rem] text-soft">{{ one.reason }}</span></span
          >
          <select
            class="field w-auto"
            :value="plan?.choices[one.name] ?? one.usual"
            @change="setChoice(one.name, ($event.target as HTMLSelectElement).value)"
          >
            <option v-for="value in one.values" :key="value" :value="value">
              {{ VALUE_WORDS[value] ?? value }}
            </option>
          </select>
        </label>
        <p class="text-[0.95rem] text-soft">
          What this vehicle rules out gives way: where the brakes share the reservoir nothing is
          drained.
        </p>
      </details>
    </template>
    <p v-else-if="proposed.length" class="text-soft">
      From the decision. Say how many you are, and the plan is made.
    </p>
    <p v-else class="text-soft">
      Nothing is decided yet: choose what is to be done, and how many you are.
    </p>
  </section>
</template>
