import { useTheme, type Theme } from './useTheme'
import { computed } from 'vue'

const FONT = { fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif", fontSize: 15 }
const TONES = ['ink', 'soft', 'hairline', 'amber', 'ground'] as const

/** The drawing's own colours in either look, as charts want them: their letters, their axes and what a touch shows. */
export function useChartLook() {
  const { look } = useTheme()
  return computed(() => chartLook(look.value))
}

/** @param _look that is shown: the page has its colours, this says when they change */
function chartLook(_look: Theme) {
  const style = getComputedStyle(document.documentElement)
  const tones = Object.fromEntries(
    TONES.map((name) => [name, style.getPropertyValue(`--${name}`).trim()]),
  ) as Record<(typeof TONES)[number], string>
  const { ink, soft, hairline, ground } = tones
  return {
    ...tones,
    font: FONT,
    axis: {
      nameTextStyle: { ...FONT, color: soft },
      axisLabel: { ...FONT, color: soft },
      axisLine: { show: true, lineStyle: { color: soft } },
      splitLine: { lineStyle: { color: hairline, type: [1, 5] as [number, number] } },
    },
    tooltip: { backgroundColor: ground, borderColor: ink, textStyle: { ...FONT, color: ink } },
  }
}
