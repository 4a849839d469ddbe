<script setup lang="ts">
import { LineChart, ScatterChart } from 'echarts/charts'
import { BrushComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type { EChartsOption } from 'echarts'
import VChart from 'vue-echarts'
import { displayUnit } from '~~/core/quantity'
import type { SizingOption } from '~~/core/sizing'
import { useChartLook } from '~/frame/useChartLook'
import { computed, useTemplateRef, ref } from 'vue'
import { unitsNow, inUnits } from '~/units/units'
import OnOff from '~/components/frame/OnOff.vue'

/** Least reserve of the four states over pad force. What nothing beats is full and joined; what does not stand is a cross. */
const props = defineProps<{
  options: SizingOption[]
  present: SizingOption
  picked: number | null
  /** Reserve wanted, mm. */
  wanted: number
}>()
const emit = defineEmits<{ pick: [at: number]; brush: [held: ReadonlySet<number> | null] }>()
use([
  ScatterChart,
  LineChart,
  GridComponent,
  TooltipComponent,
  MarkLineComponent,
  BrushComponent,
  SVGRenderer,
])

const look = useChartLook()
const x = computed(() => displayUnit('N', unitsNow()))
const y = computed(() => displayUnit('mm', unitsNow()))
const at = ({ padForcePeak, worst }: SizingOption): [number, number] => [
  padForcePeak / x.value.size,
  worst.reserve / y.value.size,
]
/** Far below nothing the pad is long past the floor: such points would press the others flat. */
const LEAST = -30
/** The axis begins at a round figure. */
const STEP = 20
const least = computed(
  () =>
    Math.max(
      LEAST,
      Math.min(0, ...props.options.map(({ worst }) => worst.reserve), props.present.worst.reserve),
    ) / y.value.size,
)
const nameOf = ({ master, slave }: SizingOption) =>
  `${inUnits(master.bore, 'mm', 2)} over ${
    slave.bore === undefined
      ? `${inUnits(slave.outer!, 'mm', 2)}/${inUnits(slave.inner!, 'mm', 2)}`
      : inUnits(slave.bore, 'mm', 2)
  }`
type Point = { value: [number, number]; at: number; name: string }
const group = (holds: (option: SizingOption) => boolean): Point[] =>
  props.options.flatMap((option, i) =>
    holds(option) && option.worst.reserve / y.value.size >= least.value
      ? [{ value: at(option), at: i, name: nameOf(option) }]
      : [],
  )
const stands = ({ advice }: SizingOption) => advice === 'fits' || advice === 'waitForBedding'
const front = computed(() => group(({ front }) => front).sort((a, b) => a.value[0] - b.value[0]))
const option = computed((): EChartsOption => {
  const { ink, soft, amber, ground, font, tooltip, ...usual } = look.value
  const axis = { type: 'value' as const, scale: true, ...usual.axis }
  const picked = props.picked === null ? null : props.options[props.picked]
  return {
    animation: false,
    grid: { left: 56, right: 20, top: 34, bottom: 48 },
    brush: {
      toolbox: [],
      xAxisIndex: 0,
      yAxisIndex: 0,
      brushStyle: { borderColor: amber, color: 'transparent', borderWidth: 2 },
      outOfBrush: { opacity: 0.25 },
    },
    tooltip: {
      ...tooltip,
      formatter: (one) => {
        const { name, value } = one as unknown as Point
        return Array.isArray(value)
          ? `${name}<br>${value[0].toFixed(x.value.decimals)} ${x.value.symbol}, ${value[1].toFixed(y.value.decimals)} ${y.value.symbol} left`
          : ''
      },
    },
    xAxis: {
      ...axis,
      name: `largest pad force, ${x.value.symbol}`,
      nameLocation: 'middle',
      nameGap: 30,
    },
    yAxis: {
      ...axis,
      min: Math.floor(least.value / STEP) * STEP,
      name: `least reserve of all states, ${y.value.symbol}`,
      nameLocation: 'end',
      nameTextStyle: { ...font, color: soft, align: 'left' },
    },
    series: [
      {
        type: 'line',
        name: 'not beaten, joined',
        data: front.value.map(({ value }) => value),
        showSymbol: false,
        silent: true,
        lineStyle: { color: ink, width: 1 },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: soft, type: [5, 4] as [number, number] },
          label: { ...font, color: soft, formatter: 'wanted', position: 'insideEndTop' },
          data: [{ yAxis: props.wanted / y.value.size }],
        },
      },
      {
        type: 'scatter',
        name: 'not beaten',
        data: front.value,
        symbolSize: 13,
        itemStyle: { color: ink },
      },
      {
        type: 'scatter',
        name: 'stands',
        data: group((one) => stands(one) && !one.front),
        symbolSize: 12,
        itemStyle: { color: ground, borderColor: ink, borderWidth: 2 },
      },
      {
        type: 'scatter',
        name: 'does not suit',
        data: group((one) => !stands(one) && !one.front),
        symbol: 'path://M0,0 L10,10 M10,0 L0,10',
        symbolSize: 10,
        itemStyle: { color: 'none', borderColor: soft, borderWidth: 2 },
      },
      {
        type: 'scatter',
        name: 'as it is',
        data: [{ value: at(props.present), at: -1, name: 'as it is' } as Point],
        symbol: 'diamond',
        symbolSize: 20,
        itemStyle: { color: 'transparent', borderColor: amber, borderWidth: 3 },
        label: { ...font, show: true, position: 'left', color: ink, formatter: 'as it is' },
      },
      ...(picked
        ? [
            {
              type: 'scatter' as const,
              name: 'chosen',
              silent: true,
              data: [{ value: at(picked) }],
              symbolSize: 26,
              itemStyle: { color: 'transparent', borderColor: amber, borderWidth: 3 },
            },
          ]
        : []),
    ],
  }
})
const chart = useTemplateRef<InstanceType<typeof VChart>>('chart')
const marking = ref(false)
function mark(on: boolean) {
  marking.value = on
  chart.value?.dispatchAction({
    type: 'takeGlobalCursor',
    key: 'brush',
    brushOption: on ? { brushType: 'rect', brushMode: 'single' } : { brushType: false },
  })
  if (on) return
  chart.value?.dispatchAction({ type: 'brush', areas: [] })
  emit('brush', null)
}
/** Areas come in the axes’ own figures. */
function brushed(event: unknown) {
  const { areas } = event as { areas: { coordRange?: [[number, number], [number, number]] }[] }
  const range = areas[0]?.coordRange
  if (!range) return emit('brush', null)
  const [[x0, x1], [y0, y1]] = range
  const held = props.options.flatMap((one, i) => {
    const [px, py] = at(one)
    return px >= x0 && px <= x1 && py >= y0 && py <= y1 ? [i] : []
  })
  emit('brush', new Set(held))
}
function clicked(event: unknown) {
  const { data } = event as { data?: Partial<Point> }
  if (data?.at !== undefined && data.at >= 0) emit('pick', data.at)
}
</script>

<template>
  <figure>
    <div
      class="chart"
      role="img"
      :aria-label="`${options.length} combinations: least reserve over pad force; the table beside it has every figure`"
    >
      <VChart
        ref="chart"
        :option="option"
        :init-options="{ renderer: 'svg' }"
        autoresize
        @click="clicked"
        @brushend="brushed"
      />
    </div>
    <figcaption class="flex flex-wrap items-center gap-x-4 gap-y-1 text-[0.95rem] text-soft">
      <OnOff :on="marking" @click="mark(!marking)">{{ marking ? 'All again' : 'Mark an area' }}</OnOff>
      <span>● none better</span><span>○ suits, beaten</span><span>✕ does not suit</span
      ><span>◇ as it is</span>
    </figcaption>
  </figure>
</template>

<style scoped>
/* The chart fills a box of its own size: its height of 100 % beats any height set on itself. */
.chart {
  height: clamp(14rem, 30vh, 22rem);
}
</style>
