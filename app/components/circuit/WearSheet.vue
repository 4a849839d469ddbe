<script setup lang="ts">
import { FINGER_RATIO, mostRoom, wearOutlook, type RodState } from '~~/core/circuit'
import { displayUnit } from '~~/core/quantity'
import type { ChartLine, ChartMark } from './CurveChart.vue'
import { defineAsyncComponent, ref, computed } from 'vue'
import { useDesk } from '~/job/useDesk'
import { readWithin } from '~/lib/number'
import { unitsNow, withUnits, inUnits } from '~/units/units'
import { millimetres } from '~/units/format'
import ParameterField from '~/components/circuit/ParameterField.vue'

/** Facing wear to come: how far the slave can still retract, whether the port lets it, and where the pedal takes up. */
const CurveChart = defineAsyncComponent(() => import('./CurveChart.vue'))
const { stacks, kept } = useDesk()
const finger = ref(String(FINGER_RATIO))
/** Facing wear that a disc has to give, mm. */
const MOST = 3
const ratio = computed(() => readWithin(finger.value, { min: 2, max: 6 }))
/** Without the air of the day: wear is a matter of years. */
const circuit = computed(() => {
  const newest = stacks.value.at(-1)?.figures.circuit
  return newest ? { ...newest, air: 0 } : null
})
const room = computed(() => kept.value?.slave.room)
const roomUsed = computed(() => room.value ?? (circuit.value ? mostRoom(circuit.value) : 0))
const outlook = computed(() =>
  circuit.value
    ? wearOutlook(
        circuit.value,
        { room: roomUsed.value, fingerRatio: ratio.value ?? FINGER_RATIO },
        MOST,
      )
    : null,
)
const x = computed(() => displayUnit('mm', unitsNow()))
const heightOf = (engagement: number | null) =>
  engagement === null || !circuit.value ? null : circuit.value.pedal.travel - engagement
const lines = computed((): ChartLine[] => {
  const size = x.value.size
  const rows = outlook.value?.rows ?? []
  return [
    {
      name: 'take-up above the floor',
      points: rows.flatMap((row): [number, number][] => {
        const height = heightOf(row.engagement)
        return height === null ? [] : [[row.wear / size, height / size]]
      }),
      dashed: false,
      tone: 'ink',
      width: 3,
    },
    {
      name: 'play and room left',
      points: rows.map((row) => [row.wear / size, Math.max(0, row.room) / size]),
      dashed: true,
      tone: 'amber',
      width: 2,
    },
  ]
})
const marks = computed((): ChartMark[] =>
  outlook.value && outlook.value.limit <= MOST
    ? [{ at: outlook.value.limit / x.value.size, words: 'used up' }]
    : [],
)
const PORT: Record<RodState, string> = {
  clear: 'The port is open at rest: fluid has its way home.',
  preloaded: 'The rod partly covers the port. Stop: give it play before anything else.',
  portCovered: 'The rod covers the port: nothing can go home, and any wear or heat takes clamp. Stop.',
}
const CLAMP = { full: 'holds', slipping: 'slips at rest', free: 'open' } as const
const rows = computed(() => outlook.value?.rows.filter((_, i) => i % 5 === 0) ?? [])
</script>

<template>
  <div
    v-if="circuit && outlook"
    class="grid gap-x-8 px-6 py-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]"
  >
    <div>
      <p class="text-[1.1rem]" data-figure="wear">
        <template v-if="outlook.rows[0]!.port === 'portCovered'">{{ PORT.portCovered }}</template>
        <template v-else>
          {{ outlook.selfAdjusting ? 'Room behind the piston' : 'Play, then room behind the piston,' }}
          lasts for <strong>{{ withUnits(outlook.limit, 'mm', unitsNow() === 'inch' ? 3 : 2) }}</strong>
          of facing wear. Beyond it the bearing presses the fingers in and the clutch loses its clamp.
        </template>
      </p>
      <p
        v-if="outlook.rows[0]!.port !== 'portCovered'"
        class="mt-2"
        :class="{ 'font-semibold text-rust': outlook.rows[0]!.port !== 'clear' }"
      >
        {{ PORT[outlook.rows[0]!.port] }}
      </p>
      <p class="mt-2 text-soft">
        <template v-if="room === undefined"
          >The piston has not been pushed back yet: {{ millimetres(roomUsed) }} is the most its stroke
          allows, not a measurement.</template
        >
        <template v-else>Room as measured: {{ millimetres(room) }}.</template>
        A longer rod takes up room by as much as it is longer.
      </p>
      <ParameterField v-if="circuit.slave.type === 'external'" path="slave.room" class="mt-2" />
      <label class="mt-2 flex items-center gap-3 border-b border-hairline py-1">
        <span class="grow"
          >Fingers move, per mm of wear<span class="block text-[0.95rem] text-soft"
            >3 to 4 for most diaphragm covers</span
          ></span
        >
        <input v-model="finger" class="field w-24" inputmode="decimal" :aria-invalid="ratio === null" />
      </label>
      <p v-if="ratio === null" role="alert" class="font-semibold text-rust">
        Give a number from 2 to 6. What you typed is still here.
      </p>
      <p class="mt-2 text-[0.95rem] text-soft">
        Worked out with no air in the circuit. The cover’s load is kept as it is; how it changes with
        wear is left out.
      </p>
    </div>
    <div>
      <CurveChart
        :lines="lines"
        :x="{ name: `facing wear, ${x.symbol}`, most: MOST / x.size }"
        :y="{ name: x.symbol, least: 0 }"
        :marks="marks"
        :digits="[2, 1]"
        label="Take-up height and room behind the piston over facing wear"
      />
      <p class="text-[0.95rem] text-soft">Take-up above the floor full, play and room left dashed.</p>
      <table class="mt-2 w-full text-right">
        <caption class="sr-only">
          Wear outlook
        </caption>
        <thead class="text-soft">
          <tr>
            <th scope="col" class="font-normal">wear, {{ x.symbol }}</th>
            <th scope="col" class="font-normal">pushed back</th>
            <th scope="col" class="font-normal">room left</th>
            <th scope="col" class="font-normal">takes up at</th>
            <th scope="col" class="font-normal">clutch</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.wear" class="border-b border-hairline">
            <th scope="row" class="font-normal">{{ inUnits(row.wear, 'mm') }}</th>
            <td>{{ inUnits(row.pushedBack, 'mm') }}</td>
            <td :data-room="row.wear.toFixed(1)">{{ inUnits(Math.max(0, row.room), 'mm') }}</td>
            <td>
              {{
                heightOf(row.engagement) === null ? 'never' : inUnits(heightOf(row.engagement)!, 'mm')
              }}
            </td>
            <td :class="{ 'font-semibold text-rust': row.pressedIn > 0 }">
              {{ row.pressedIn > 0 && row.clamp === 'full' ? 'bearing rides' : CLAMP[row.clamp] }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
