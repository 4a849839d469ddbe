<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import {
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type { ComposeOption } from 'echarts/core'
import type { LineSeriesOption } from 'echarts/charts'
import type { GridComponentOption, TooltipComponentOption } from 'echarts/components'
import VChart from 'vue-echarts'
import { useChartLook } from '~/frame/useChartLook'
import { computed, useTemplateRef } from 'vue'

/** One drawn line. Down is drawn full, up dashed; states are told apart by weight and dash, never by hue alone. */
export interface ChartLine {
  name: string
  points: [number, number][]
  dashed: boolean
  tone: 'ink' | 'amber' | 'soft'
  width: number
}
export interface ChartBand {
  from: number
  to: number
  words: string
}
export interface ChartMark {
  at: number
  words: string
}

const props = defineProps<{
  lines: ChartLine[]
  x: { name: string; most: number }
  y: { name: string; least?: number }
  bands?: ChartBand[]
  marks?: ChartMark[]
  digits: [number, number]
  label: string
}>()
use([LineChart, GridComponent, TooltipComponent, MarkAreaComponent, MarkLineComponent, SVGRenderer])

type Option = ComposeOption<LineSeriesOption | GridComponentOption | TooltipComponentOption>
const look = useChartLook()
const option = computed((): Option => {
  const { ink, soft, hairline, font, tooltip, ...tones } = look.value
  const axis = { type: 'value' as const, ...tones.axis }
  const tone = { ink, soft, amber: tones.amber }
  const bands = props.bands ?? []
  const marks = props.marks ?? []
  return {
    animation: false,
    grid: { left: 66, right: 24, top: bands.length || marks.length ? 50 : 34, bottom: 50 },
    tooltip: {
      trigger: 'axis',
      ...tooltip,
      valueFormatter: (value) => Number(value).toFixed(props.digits[1]),
      axisPointer: { label: { formatter: ({ value }) => Number(value).toFixed(props.digits[0]) } },
    },
    xAxis: {
      ...axis,
      name: props.x.name,
      nameLocation: 'middle',
      nameGap: 32,
      // The pad's own end seldom is a round figure, and would stand on the last one.
      axisLabel: { ...axis.axisLabel, showMaxLabel: props.x.most % 10 === 0 },
      min: 0,
      max: props.x.most,
    },
    yAxis: {
      ...axis,
      name: props.y.name,
      nameLocation: 'end',
      nameTextStyle: { ...axis.nameTextStyle, align: 'left' },
      min: props.y.least,
    },
    series: props.lines.map((line, i) => ({
      type: 'line',
      name: line.name,
      data: line.points,
      showSymbol: false,
      lineStyle: { color: tone[line.tone], width: line.width, type: line.dashed ? [6, 5] : 'solid' },
      itemStyle: { color: tone[line.tone] },
      ...(i === 0 && {
        markArea: {
          silent: true,
          label: { ...font, color: soft, position: 'top' as const },
          data: bands.map((band, k) => [
            {
              name: band.words,
              xAxis: band.from,
              itemStyle: { color: k % 2 ? hairline : 'transparent', opacity: 0.35 },
            },
            { xAxis: band.to },
          ]) as [object, object][],
        },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: ink, type: 'solid' as const, width: 1 },
          label: { ...font, color: ink, formatter: '{b}', position: 'end' as const },
          data: marks.map((mark) => ({ name: mark.words, xAxis: mark.at })),
        },
      }),
    })),
  }
})
const chart = useTemplateRef<InstanceType<typeof VChart>>('chart')
/** The chart as a file of its own. */
const svg = () => chart.value?.root?.querySelector('svg') ?? null
defineExpose({ svg })
</script>

<template>
  <div class="chart" role="img" :aria-label="label">
    <VChart ref="chart" :option="option" :init-options="{ renderer: 'svg' }" autoresize />
  </div>
</template>

<style scoped>
/* The chart fills a box of its own size: its height of 100 % beats any height set on itself. */
.chart {
  height: clamp(15rem, 32vh, 24rem);
}
</style>
