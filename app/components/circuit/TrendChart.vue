<script setup lang="ts">
import { LineChart } from 'echarts/charts'
import { GridComponent, TooltipComponent } from 'echarts/components'
import { use, type ComposeOption } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import type { LineSeriesOption } from 'echarts/charts'
import type { GridComponentOption, TooltipComponentOption } from 'echarts/components'
import VChart from 'vue-echarts'
import { useChartLook } from '~/frame/useChartLook'
import { computed } from 'vue'

/** One figure over the years. Found is a ring, left is a full dot: told apart by shape, not by hue. */
export interface TrendDot {
  at: string
  value: number
  full: boolean
  low?: number
  high?: number
}
const props = defineProps<{
  dots: TrendDot[]
  unit: string
  digits: number
  label: string
  /** ms between which all charts of a page are drawn. */
  from: number
  to: number
  /** The axis begins at nothing. */
  zero: boolean
}>()
use([LineChart, GridComponent, TooltipComponent, SVGRenderer])

type Option = ComposeOption<LineSeriesOption | GridComponentOption | TooltipComponentOption>
const look = useChartLook()
const date = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' })
const option = computed((): Option => {
  const { ink, soft, ground, tooltip, axis: usual } = look.value
  const axis = { ...usual, axisLabel: { ...usual.axisLabel, hideOverlap: true } }
  const ranges = props.dots.filter(({ low }) => low !== undefined)
  return {
    animation: false,
    grid: { left: 58, right: 24, top: 34, bottom: 34 },
    tooltip: {
      trigger: 'item',
      ...tooltip,
      formatter: (one) => {
        const { dataIndex, seriesName } = one as { dataIndex: number; seriesName?: string }
        const dot = props.dots[dataIndex]
        if (!dot || seriesName !== 'figure') return ''
        const range =
          dot.low === undefined
            ? ''
            : `, ${dot.low.toFixed(props.digits)} to ${dot.high!.toFixed(props.digits)}`
        return `${date.format(new Date(dot.at))}: ${dot.value.toFixed(props.digits)} ${props.unit}${range}`
      },
    },
    xAxis: { ...axis, type: 'time', min: props.from, max: props.to },
    yAxis: {
      ...axis,
      type: 'value',
      ...(props.zero ? { min: 0 } : { scale: true }),
      splitNumber: 4,
      name: props.unit,
      nameTextStyle: { ...axis.nameTextStyle, align: 'left' },
    },
    series: [
      ...ranges.map(({ at, low, high }): LineSeriesOption => ({
        type: 'line',
        name: 'range',
        silent: true,
        data: [
          [at, low!],
          [at, high!],
        ],
        symbol: 'none',
        lineStyle: { color: soft, width: 2, type: 'solid' },
      })),
      {
        type: 'line',
        name: 'figure',
        data: props.dots.map(({ at, value, full }) => ({
          value: [at, value],
          symbol: 'circle',
          symbolSize: 11,
          itemStyle: { color: full ? ink : ground, borderColor: ink, borderWidth: 2 },
        })),
        lineStyle: { color: soft, width: 1, type: [3, 4] },
      },
    ],
  }
})
</script>

<template>
  <div class="trend" role="img" :aria-label="label">
    <VChart :option="option" :init-options="{ renderer: 'svg' }" autoresize />
  </div>
</template>

<style scoped>
.trend {
  height: clamp(11rem, 24vh, 15rem);
}
</style>
