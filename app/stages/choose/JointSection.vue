<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Contact, End, Joint } from '~~/core/fitting'
import { facing, portFirst, type Outline } from './joint-geometry'
import { computed, useId, useTemplateRef } from 'vue'

/** Two ends in section on one axis, to one scale: green with a tick where they meet rightly, red with a cross where they do not. */
const props = defineProps<{ a: End; b: End; joint: Joint; contacts: Contact[] }>()
const pair = computed(() =>
  portFirst(props.a, props.b) ? facing(props.a, props.b) : facing(props.b, props.a),
)
const id = useId()
const PAD = 3
/** Room over the drawing for its words, and under it for the bar, px. */
const HEAD = 26
const FOOT = 30
const MOST_HIGH = 210
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
/** px for a millimetre: words keep their size whatever is drawn. */
const scale = computed(() => {
  const { from, to, widest } = pair.value
  return Math.min(Math.max(width.value, 240) / (to - from + 2 * PAD), MOST_HIGH / (2 * (widest + PAD)))
})
const size = computed(() => {
  const { from, to, widest } = pair.value
  return {
    width: (to - from + 2 * PAD) * scale.value,
    height: 2 * (widest + PAD) * scale.value + HEAD + FOOT,
    /** The axis, and the port’s face, px. */
    y: HEAD + (widest + PAD) * scale.value,
    x: (PAD - from) * scale.value,
  }
})
/** Above the axis, and the same below it. */
const path = (outline: Outline, by = 0, sign: 1 | -1 = 1) =>
  outline
    .map(
      ([along, radius], i) =>
        `${i ? 'L' : 'M'}${(along + by).toFixed(2)} ${(-sign * radius).toFixed(2)}`,
    )
    .join('')
const closed = (outline: Outline, by: number, sign: 1 | -1) =>
  outline.length ? `${path(outline, by, sign)}Z` : ''
const SIDES = [1, -1] as const
const holds = (at: Contact['at'], other?: Contact['at']) => {
  const found = props.contacts.filter((one) => one.at === at || one.at === other)
  if (found.some((one) => one.holds === false)) return 'bad'
  return found.some((one) => one.holds === true) ? 'good' : 'unknown'
}
const threadState = computed(() => holds('thread', 'held'))
const seatState = computed(() => holds('seat', 'pipe'))
const MARK = { good: '✓', bad: '✕', unknown: '?' } as const
const words = computed(() => props.contacts.map((one) => one.words).join(' '))
</script>

<template>
  <figure ref="frame">
    <svg
      :viewBox="`0 0 ${size.width} ${size.height}`"
      :width="size.width"
      :height="size.height"
      class="block max-w-full"
      role="img"
      :aria-label="`Section of both ends to scale. ${words}`"
      data-section
    >
      <defs>
        <pattern
          :id="`${id}-cut`"
          width="1.6"
          height="1.6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" y2="1.6" class="cut" />
        </pattern>
      </defs>
      <g :transform="`translate(${size.x} ${size.y}) scale(${scale})`">
        <template v-for="sign in SIDES" :key="sign">
          <path :d="closed(pair.port.body, 0, sign)" class="metal" :fill="`url(#${id}-cut)`" />
          <path :d="closed(pair.nut.body, pair.apart, sign)" class="metal" :fill="`url(#${id}-cut)`" />
          <path :d="path(pair.nut.pipe, pair.apart, sign)" class="pipe" />
          <path :d="path(pair.port.thread, 0, sign)" class="flank" :data-state="threadState" />
          <path :d="path(pair.nut.thread, pair.apart, sign)" class="flank" :data-state="threadState" />
          <path :d="path(pair.port.seat, 0, sign)" class="seat" :data-state="seatState" />
          <path :d="path(pair.nut.seat, pair.apart, sign)" class="seat" :data-state="seatState" />
        </template>
        <line :x1="pair.from - PAD" :x2="pair.to + PAD" y1="0" y2="0" class="axis" />
      </g>
      <g class="words" aria-hidden="true">
        <text :x="size.x + (pair.port.from / 2) * scale" y="17" text-anchor="middle">
          {{ MARK[threadState] }} thread
        </text>
        <text :x="size.x + pair.apart * scale" y="17">{{ MARK[seatState] }} seat</text>
        <path :d="`M${PAD * scale} ${size.height - 16}v8m0 -4h${10 * scale}m0 -4v8`" class="bar" />
        <text :x="(PAD + 10) * scale + 8" :y="size.height - 7">10 mm</text>
      </g>
    </svg>
    <figcaption class="text-[0.95rem] text-soft">To scale, the nut drawn out of its port.</figcaption>
  </figure>
</template>

<style scoped>
.cut {
  stroke: var(--hairline);
  stroke-width: 0.5;
}
.metal {
  stroke: var(--ink);
  stroke-width: 0.25;
}
.pipe {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.5;
}
.axis {
  stroke: var(--soft);
  stroke-width: 0.15;
  stroke-dasharray: 3 0.8 0.8 0.8;
}
.flank,
.seat {
  fill: none;
  stroke-width: 0.55;
  stroke: var(--soft);
}
.seat {
  stroke-width: 1.1;
}
[data-state='good'] {
  stroke: var(--patina);
}
[data-state='bad'] {
  stroke: var(--rust);
}
.words text {
  font-size: 15px;
  fill: var(--soft);
}
.bar {
  stroke: var(--soft);
  stroke-width: 1.5;
  fill: none;
}
</style>
