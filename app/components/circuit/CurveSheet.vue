<script setup lang="ts">
import { unparse } from 'papaparse'
import { eventsOf, pressCurve, tellEvent } from '~~/core/circuit'
import { displayUnit, shown } from '~~/core/quantity'
import { download, fileName, standaloneSvg } from '../line/export-svg'
import type { ChartLine } from './CurveChart.vue'
import { CLAMP_WORDS, clampChanges, curveRows, QUANTITIES, type QuantityId } from './curve-figures'
import { defineAsyncComponent, computed, ref, useTemplateRef } from 'vue'
import { useDesk } from '~/job/useDesk'
import { useRoute, navigateTo } from '#imports'
import { unitsNow, formatNow } from '~/units/units'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'

/** Pad force, pressure and travels over pad travel, down and up, every state over the others; the same as a table. */
const CurveChart = defineAsyncComponent(() => import('./CurveChart.vue'))
const { stacks, name } = useDesk()
const route = useRoute()
/** Pads drawn each way. */
const POINTS = 241
/** Of those, one in so many stands in the table and the file. */
const EVERY = 8

const quantity = computed<QuantityId>({
  get: () => QUANTITIES.find(({ id }) => id === route.query.of)?.id ?? 'pedalForce',
  set: (of) => void navigateTo({ query: { ...route.query, of } }, { replace: true }),
})
const table = ref(false)
const kind = computed(() => QUANTITIES.find(({ id }) => id === quantity.value)!)
const curves = computed(() =>
  stacks.value.map(({ label, figures }) => ({
    name: label,
    curve: pressCurve(figures.circuit, POINTS),
  })),
)
const x = computed(() => displayUnit('mm', unitsNow()))
const y = computed(() => displayUnit(kind.value.unit, unitsNow()))
const TONES = ['soft', 'amber', 'ink'] as const
const toneOf = (i: number) => (curves.value.length === 1 ? 'ink' : TONES[i]!)
const lines = computed(() =>
  curves.value.flatMap(({ name, curve }, i): ChartLine[] =>
    (['down', 'up'] as const).map((way) => ({
      name: `${name}, ${way}`,
      points: curve[way].map((point) => [
        point.padTravel / x.value.size,
        point[quantity.value] / y.value.size,
      ]),
      dashed: way === 'up',
      tone: toneOf(i),
      width: i === curves.value.length - 1 ? 3 : 2,
    })),
  ),
)
const most = computed(
  () => Math.max(...stacks.value.map(({ figures }) => figures.circuit.pedal.travel)) / x.value.size,
)
/** The newest state's clamp, as stretches of the pad. */
const bands = computed(() => {
  const last = curves.value.at(-1)
  if (!last) return []
  const { slips, free } = clampChanges(last.curve)
  const ends = [0, slips ?? Infinity, free ?? Infinity].map((mm) =>
    Math.min(mm / x.value.size, most.value),
  )
  const words = ['full', 'slipping', 'free'] as const
  return words
    .map((clamp, i) => ({ from: ends[i]!, to: ends[i + 1] ?? most.value, words: CLAMP_WORDS[clamp] }))
    .filter(({ from, to }) => to > from)
})
const told = computed(() =>
  stacks.value.map(({ label, figures }) => ({
    name: label,
    events: eventsOf(figures.circuit).map((event) => ({
      stop: event.stop,
      words: tellEvent(event, formatNow()),
    })),
  })),
)
/** Where the newest state stops or jumps, on the way down. */
const marks = computed(() => {
  const last = stacks.value.at(-1)
  return last
    ? eventsOf(last.figures.circuit).flatMap((event) => {
        if (event.kind === 'snap') return [{ at: event.jump.padTravel / x.value.size, words: 'snaps' }]
        if (event.kind === 'masterAtEnd' || event.kind === 'slaveAtEnd')
          return [
            {
              at: event.padTravel / x.value.size,
              words: event.kind === 'masterAtEnd' ? 'master at its end' : 'slave at its end',
            },
          ]
        return []
      })
    : []
})
const rows = computed(() => curveRows(curves.value, quantity.value, EVERY))
const cell = (value: number | null) =>
  value === null ? '' : shown(value / y.value.size, y.value.decimals)
const caption = computed(
  () => `${kind.value.name} over pad travel, ${curves.value.map(({ name }) => name).join(', ')}`,
)

function csv() {
  const heads = curves.value.flatMap(({ name }) => [
    `${name}: ${kind.value.name.toLowerCase()} down (${y.value.symbol})`,
    `${name}: ${kind.value.name.toLowerCase()} up (${y.value.symbol})`,
    `${name}: clamp`,
  ])
  const plain = (value: number | null) =>
    value === null ? '' : Number((value / y.value.size).toFixed(6))
  const data = rows.value.map(({ padTravel, values }) => [
    Number((padTravel / x.value.size).toFixed(6)),
    ...values.flatMap(({ down, up, clamp }) => [plain(down), plain(up), clamp ?? '']),
  ])
  const text = unparse(
    { fields: [`pad travel (${x.value.symbol})`, ...heads], data },
    { newline: '\r\n' },
  )
  download(fileName(`${name.value} ${kind.value.name}`, 'csv'), 'text/csv', `${text}\r\n`)
}
const chart = useTemplateRef<{ svg: () => SVGSVGElement | null }>('chart')
function svg() {
  const drawn = chart.value?.svg()
  if (drawn)
    download(
      fileName(`${name.value} ${kind.value.name}`, 'svg'),
      'image/svg+xml',
      standaloneSvg(drawn, `${name.value}: ${caption.value}`, 'Down full, up dashed.'),
    )
}
</script>

<template>
  <div class="px-6 py-2">
    <div class="flex flex-wrap gap-2">
      <ChoiceRow v-model="quantity" :choices="QUANTITIES" label="What is drawn" />
      <span class="grow" />
      <button type="button" class="quiet" :aria-pressed="table" @click="table = !table">
        {{ table ? 'As curves' : 'As a table' }}
      </button>
      <button type="button" class="quiet" @click="csv">CSV</button>
      <button v-if="!table" type="button" class="quiet" @click="svg">SVG</button>
    </div>
    <div v-show="!table" class="mt-1">
      <CurveChart
        ref="chart"
        :lines="lines"
        :x="{ name: `pad travel, ${x.symbol}`, most }"
        :y="{ name: `${kind.name.toLowerCase()}, ${y.symbol}` }"
        :bands="bands"
        :marks="marks"
        :digits="[x.decimals, y.decimals]"
        :label="caption"
      />
    </div>
    <div v-if="table" class="mt-2 overflow-x-auto">
      <table class="w-full text-right">
        <caption class="sr-only">
          {{
            caption
          }}
        </caption>
        <thead class="text-soft">
          <tr>
            <th scope="col" class="font-normal">pad, {{ x.symbol }}</th>
            <template v-for="one in curves" :key="one.name">
              <th scope="col" class="font-normal">{{ one.name }}, down</th>
              <th scope="col" class="font-normal">up, {{ y.symbol }}</th>
              <th scope="col" class="font-normal">clamp</th>
            </template>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.padTravel" class="border-b border-hairline">
            <th scope="row" class="font-normal">{{ shown(row.padTravel / x.size, x.decimals) }}</th>
            <template v-for="(value, i) in row.values" :key="i">
              <td :data-curve="curves[i]!.name">{{ cell(value.down) }}</td>
              <td>{{ cell(value.up) }}</td>
              <td>{{ value.clamp ? CLAMP_WORDS[value.clamp] : '' }}</td>
            </template>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="mt-2 flex flex-wrap gap-x-5 text-[0.95rem]">
      <span v-for="(one, i) in curves" :key="one.name" class="flex items-center gap-2">
        <span class="key" :style="{ borderColor: `var(--${toneOf(i)})` }" aria-hidden="true" />{{
          one.name
        }}
      </span>
      <span class="text-soft">down full, up dashed</span>
    </p>
    <section class="mt-3" aria-label="What the foot will notice">
      <template v-for="one in told" :key="one.name">
        <p
          v-for="event in one.events"
          :key="event.words"
          class="mt-1 border-l-4 pl-3"
          :class="event.stop ? 'border-rust font-semibold text-rust' : 'border-hairline'"
          data-figure="event"
        >
          <span v-if="told.length > 1" class="text-soft">{{ one.name }}: </span>{{ event.words }}
        </p>
      </template>
    </section>
  </div>
</template>

<style scoped>
.key {
  width: 1.6rem;
  border-top: 3px solid;
}
</style>
