<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { slaveCard } from '~~/core/layout'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'
import { computed, ref } from 'vue'
import { readWithin } from '~/lib/number'
import ParameterField from '~/components/circuit/ParameterField.vue'
import KeptInput from '~/components/frame/KeptInput.vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'

/** The slave’s two ports: which takes the bleed screw, how it is turned, how high the nose, what a wrench reaches. */
const { id, file, problem } = useJob()
const { kept } = useDesk()
const bleeder = computed(() => {
  const screw = kept.value?.slave.bleeder
  return screw?.kind === 'screw' ? screw.angle : null
})
type Reach = boolean | null
const own = useSessionStorage<{ turns: number; bleeder: Reach; line: Reach }>(`mellow-slave-${id}`, {
  turns: 0,
  bleeder: null,
  line: null,
})
const card = computed(() =>
  kept.value && bleeder.value !== null
    ? slaveCard({
        bleeder: bleeder.value,
        line: kept.value.slave.linePort,
        endRaise: kept.value.slave.endRaise,
        reach: { bleeder: own.value.bleeder, line: own.value.line },
        turns: own.value.turns,
      })
    : null,
)
const REACH = [
  { id: 'yes', name: 'A wrench reaches' },
  { id: 'no', name: 'None reaches' },
  { id: 'unknown', name: 'Not tried' },
] as const
const asId = (value: Reach) => (value === null ? 'unknown' : value ? 'yes' : 'no')
const setReach = (port: 'bleeder' | 'line', to: (typeof REACH)[number]['id']) =>
  (own.value = { ...own.value, [port]: to === 'unknown' ? null : to === 'yes' })
const TURNS = { min: 0, max: 180 }
const wrong = ref('')
function setTurns(text: string) {
  const value = text.trim() === '' ? 0 : readWithin(text, TURNS)
  wrong.value = value === null ? 'It may be turned by 0 to 180°' : ''
  if (value !== null) own.value = { ...own.value, turns: value }
}
/** Screw and hose change places, both in one entry; what a wrench reaches goes with its port. */
async function swap() {
  const now = kept.value
  if (!now || bleeder.value === null) return
  const [screw, line] = [bleeder.value, now.slave.linePort]
  await file('installation', {
    ...now,
    slave: { ...now.slave, bleeder: { kind: 'screw', angle: line }, linePort: screw },
  })
  own.value = { ...own.value, bleeder: own.value.line, line: own.value.bleeder }
}
const spot = (angle: number, radius: number) => ({
  x: Math.sin((angle * Math.PI) / 180) * radius,
  y: -Math.cos((angle * Math.PI) / 180) * radius,
})
const ports = computed(() => {
  if (!kept.value || bleeder.value === null) return []
  return [
    { id: 'bleeder', name: 'bleed screw', angle: bleeder.value },
    { id: 'line', name: 'hose', angle: kept.value.slave.linePort },
  ].map((one) => ({ ...one, at: spot(one.angle, 58), label: spot(one.angle, 84) }))
})
</script>

<template>
  <div v-if="kept" class="grid grid-cols-1 gap-x-8 px-6 py-3 xl:grid-cols-2">
    <div>
      <p v-if="kept.circuit.slave.type === 'concentric'" class="border-l-4 border-amber pl-3">
        This slave sits round the shaft: its ports cannot be changed, and its bleed line is what counts.
      </p>
      <p v-if="bleeder === null">
        This slave has no bleed screw. It is filled and bled off the vehicle, hung in a line, or through
        its union.
      </p>
      <template v-else>
        <svg
          viewBox="-150 -125 300 250"
          class="mx-auto block h-60"
          role="img"
          aria-label="The slave seen along its bore, ports by the clock"
        >
          <circle r="58" fill="none" stroke="var(--ink)" stroke-width="2" />
          <circle r="38" fill="none" stroke="var(--hairline)" stroke-width="1" />
          <path d="M0 -102V-76" stroke="var(--soft)" stroke-width="1" stroke-dasharray="3 2" />
          <text y="-108" text-anchor="middle" class="small">top</text>
          <g v-for="port in ports" :key="port.id">
            <circle
              :cx="port.at.x"
              :cy="port.at.y"
              r="9"
              :fill="port.id === 'bleeder' ? 'var(--fluid)' : 'var(--ground)'"
              stroke="var(--ink)"
              stroke-width="1.5"
            />
            <text
              :x="port.label.x"
              :y="port.label.y + 5"
              class="small"
              :text-anchor="port.label.x < -8 ? 'end' : port.label.x > 8 ? 'start' : 'middle'"
            >
              {{ port.name }}
            </text>
          </g>
        </svg>
        <ParameterField path="slave.bleeder.angle" />
        <ParameterField path="slave.linePort" />
        <ParameterField path="slave.endRaise" />
        <label class="flex items-center gap-2 border-b border-hairline py-1">
          <span class="grow">It can be turned in its mount by, °</span>
          <KeptInput
            class="field w-24"
            inputmode="numeric"
            :value="String(own.turns)"
            :aria-invalid="!!wrong"
            @change="setTurns"
          />
        </label>
        <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}.</p>
        <div v-for="port in ['bleeder', 'line'] as const" :key="port" class="py-1">
          <span class="place-name"
            >At the {{ port === 'bleeder' ? 'bleed screw’s' : 'hose’s' }} port</span
          >
          <ChoiceRow
            :model-value="asId(own[port])"
            :choices="REACH"
            :label="`Wrench at the ${port === 'bleeder' ? 'bleed screw’s' : 'hose’s'} port`"
            @update:model-value="setReach(port, $event)"
          />
        </div>
      </template>
    </div>
    <div v-if="card" data-slave-card>
      <p
        v-for="words in card.words"
        :key="words"
        class="mt-1 border-l-4 border-amber pl-3 text-[1.05rem]"
      >
        {{ words }}
      </p>
      <dl class="mt-3">
        <div class="flex gap-3 border-b border-hairline py-1">
          <dt class="grow">Highest port</dt>
          <dd class="font-semibold" data-highest>
            {{ card.highest.port === 'bleeder' ? 'the bleed screw’s' : 'the hose’s' }},
            {{
              card.highest.reached === null
                ? 'wrench not tried'
                : card.highest.reached
                  ? 'a wrench reaches it'
                  : 'no wrench reaches it'
            }}
          </dd>
        </div>
        <div class="flex gap-3 border-b border-hairline py-1">
          <dt class="grow">Port that a wrench reaches</dt>
          <dd class="font-semibold" data-reachable>
            {{
              card.reachable === null
                ? 'not known'
                : card.reachable === 'bleeder'
                  ? 'the bleed screw’s'
                  : 'the hose’s'
            }}
          </dd>
        </div>
        <div class="flex gap-3 border-b border-hairline py-1">
          <dt class="grow">Bleed screw off top once it is turned</dt>
          <dd class="font-semibold">{{ card.leftOff.toFixed(0) }}°</dd>
        </div>
        <div v-if="card.noseUp > 0" class="flex gap-3 border-b border-hairline py-1">
          <dt class="grow">Nose of the vehicle up</dt>
          <dd class="font-semibold">{{ card.noseUp.toFixed(0) }}°</dd>
        </div>
      </dl>
      <p v-if="card.swap" class="mt-3">
        <button type="button" class="act" @click="swap">Screw and hose have changed places</button>
      </p>
      <p class="mt-2 text-[0.95rem] text-soft">
        Parts are shipped with the screw where it fits the box. A new washer or seal goes under whatever
        is moved.
      </p>
      <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    </div>
  </div>
</template>

<style scoped>
.small {
  font-size: 15px;
  fill: var(--ink);
}
</style>
