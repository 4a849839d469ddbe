<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { FindingId } from '~~/core/diagnosis'
import type { Installation } from '~~/core/installation'
import type { Found } from '~~/core/journal'
import { shown } from '~~/core/quantity'
import { drawLine, type Point } from './line-geometry'

/** The circuit in side elevation: heights to scale, wet places and air where something was found. */
const props = defineProps<{
  installation: Installation
  found?: Found
  /** Trapped air to show, mm³; null where none is known. */
  air?: number | null
}>()

/** Narrower than this it is scrolled sideways rather than made too small to read. */
const LEAST_WIDTH = 640
const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)
const drawing = computed(() =>
  drawLine(props.installation, Math.max(width.value, LEAST_WIDTH), Math.max(height.value, 150)),
)
const wide = computed(() => Math.max(width.value, LEAST_WIDTH))
const slave = computed(() => props.installation.circuit.slave)
const bleeder = computed(() => props.installation.slave.bleeder)
const bleederWords = computed(() => {
  if (bleeder.value.kind === 'none') return 'no bleed screw'
  const off = Math.abs(bleeder.value.angle)
  return off <= 15 ? 'bleeder at top' : `bleeder ${off}° off top`
})
const present = (id: FindingId) => props.found?.[id]?.payload.state === 'present'

/** Where a leak that was found is drawn, and how it is said. */
const leaks = computed(() => {
  const { master, slave: end, lines, unions } = drawing.value
  const hose = lines.find((line) => line.kind !== 'steel')
  const places: [FindingId, Point, string][] = [
    ['rodEndDamp', { x: master.x - 84, y: master.y + 26 }, 'damp at the rod end'],
    ['carpetWet', { x: master.x - 150, y: master.y + 50 }, 'carpet wet'],
    ['outletDamp', { x: master.x + 10, y: master.y + 18 }, 'outlet damp'],
    ['bootWet', { x: end.x + 78, y: end.y + 32 }, 'boot wet'],
    ['bellHoleWet', { x: end.x + 40, y: end.y + 40 }, 'drips from the housing'],
    ['hoseSwells', hose ? { x: hose.middle.x, y: hose.middle.y + 16 } : end, 'hose swells'],
    ['unionsWet', unions[0] ? { x: unions[0].x, y: unions[0].y + 14 } : master, 'a union is damp'],
  ]
  return places.filter(([id]) => present(id)).map(([id, at, words]) => ({ id, ...at, words }))
})

/** Bubbles: at each crest, else along the top of the slave. Their number follows the air found. */
const bubbles = computed(() => {
  const air = props.air ?? 0
  if (air < 50) return []
  const count = Math.min(9, 2 + Math.round(air / 300))
  const at = drawing.value.crests[0] ?? { x: drawing.value.slave.x + 22, y: drawing.value.slave.y - 6 }
  return Array.from({ length: count }, (_, i) => ({
    x: at.x + (i - (count - 1) / 2) * 7,
    y: at.y - (i % 2),
    r: 1.6 + ((i * 7) % 3) * 0.8,
  }))
})

const path = (points: Point[]) =>
  points.map(({ x, y }, i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')
const levelLow = computed(() => present('levelLow'))
const spoken = computed(() => {
  const { circuit } = props.installation
  const lines = circuit.lines.map((line) => `${line.kind} ${line.length.toFixed(0)} mm`).join(', then ')
  const crests = drawing.value.crests.map(
    (crest) =>
      `a crest ${crest.height} mm over the master, ${shown(crest.toBleeder / 1000, 1)} ml or ${shown(crest.strokes, 1)} strokes before the bleeder`,
  )
  return [
    `Release circuit from the side. Line: ${lines}.`,
    `Slave ${props.installation.route.at(-1)!.height} mm over the master, ${bleederWords.value}.`,
    crests.length ? `The line has ${crests.join(' and ')}.` : 'The line has no crest.',
    ...leaks.value.map((leak) => `${leak.words}.`),
  ].join(' ')
})
</script>

<template>
  <div
    ref="frame"
    class="size-full overflow-x-auto overflow-y-hidden"
    :tabindex="width < LEAST_WIDTH ? 0 : undefined"
  >
    <svg
      v-if="width > 0"
      :viewBox="`0 0 ${wide} ${Math.max(height, 150)}`"
      class="h-full"
      :style="{ width: `${wide}px` }"
      role="img"
      :aria-label="spoken"
    >
      <g class="scale">
        <g v-for="tick in drawing.ticks" :key="tick.height">
          <line
            :x1="66"
            :x2="wide - 24"
            :y1="tick.y"
            :y2="tick.y"
            :class="tick.height === 0 ? 'datum' : 'rule'"
          />
          <text x="58" :y="tick.y + 5" text-anchor="end">
            {{
              tick.height === 0 ? 'master' : `${tick.height > 0 ? '+' : '−'}${Math.abs(tick.height)}`
            }}
          </text>
        </g>
      </g>

      <!-- bulkhead -->
      <rect
        :x="drawing.master.x + 16"
        y="14"
        width="6"
        :height="Math.max(height, 150) - 22"
        class="wall"
      />

      <!-- reservoir and its feed -->
      <path
        :d="`M${drawing.master.x - 48} ${drawing.reservoirLevel + 22}V${drawing.master.y - 10}`"
        class="bore"
      />
      <path
        :d="`M${drawing.master.x - 48} ${drawing.reservoirLevel + 22}V${drawing.master.y - 10}`"
        class="fluid"
      />
      <rect
        :x="drawing.master.x - 72"
        :y="drawing.reservoirLevel + (levelLow ? 10 : 0)"
        width="48"
        :height="levelLow ? 12 : 22"
        class="full"
      />
      <rect
        :x="drawing.master.x - 72"
        :y="drawing.reservoirLevel - 14"
        width="48"
        height="36"
        rx="5"
        class="body"
      />
      <path
        :d="`M${drawing.master.x - 79} ${drawing.reservoirLevel}h14M${drawing.master.x - 79} ${drawing.reservoirLevel + 14}h10`"
        class="mark"
      />
      <text
        v-if="installation.reservoir.sharedWithBrakes"
        :x="drawing.master.x - 86"
        :y="drawing.reservoirLevel + 2"
        text-anchor="end"
      >
        shared with brakes
      </text>
      <text
        v-if="levelLow"
        :x="drawing.master.x - 86"
        :y="drawing.reservoirLevel + 20"
        text-anchor="end"
        class="wet"
      >
        low
      </text>

      <!-- the lines -->
      <g v-for="(line, i) in drawing.lines" :key="i">
        <path :d="path(line.points)" class="bore" :class="line.kind" />
        <path :d="path(line.points)" class="fluid" />
        <path v-if="line.kind !== 'steel'" :d="path(line.points)" class="weave" :class="line.kind" />
      </g>
      <circle
        v-for="(union, i) in drawing.unions"
        :key="i"
        :cx="union.x"
        :cy="union.y"
        r="6"
        class="union"
      />
      <g v-for="(line, i) in drawing.lines" :key="`label${i}`">
        <text
          v-if="line.kind !== 'steel'"
          :x="line.middle.x - 14"
          :y="line.middle.y + 20"
          text-anchor="end"
        >
          {{ line.kind === 'nylon' ? 'nylon line' : `${line.kind} hose` }},
          {{ line.length.toFixed(0) }} mm
        </text>
      </g>

      <!-- master -->
      <g
        :transform="`translate(${drawing.master.x} ${drawing.master.y}) rotate(${-installation.master.tilt})`"
      >
        <path d="M-76 0H-128" class="rod" />
        <rect x="-76" y="-11" width="76" height="22" class="full" />
        <rect x="-76" y="-11" width="26" height="22" class="hollow" />
        <rect x="-58" y="-11" width="9" height="22" class="piston" />
        <rect x="-76" y="-11" width="76" height="22" class="body" />
      </g>

      <!-- slave -->
      <g
        v-if="slave.type === 'external'"
        :transform="`translate(${drawing.slave.x} ${drawing.slave.y}) rotate(${-installation.slave.endRaise})`"
      >
        <path
          v-if="bleeder.kind === 'screw'"
          :transform="`rotate(${bleeder.angle} 14 0)`"
          d="M14 -12v-13m-4 3h8"
          class="nipple"
        />
        <rect x="0" y="-13" width="62" height="26" class="full" />
        <rect x="44" y="-13" width="18" height="26" class="hollow" />
        <rect x="36" y="-13" width="9" height="26" class="piston" />
        <rect x="0" y="-13" width="62" height="26" class="body" />
        <path d="M62 -9l7 4 -4 5 6 5 -9 4" class="boot" />
        <path d="M45 0H102" class="rod" />
        <path d="M100 -24q10 24 0 50" class="fork" />
      </g>
      <g v-else :transform="`translate(${drawing.slave.x} ${drawing.slave.y})`">
        <path
          v-if="bleeder.kind === 'screw'"
          :transform="`rotate(${bleeder.angle} 14 0)`"
          d="M14 -20v-13m-4 3h8"
          class="nipple"
        />
        <path d="M0 10H120" class="shaft" />
        <rect x="6" y="-20" width="34" height="22" class="full" />
        <rect x="6" y="18" width="34" height="22" class="full" />
        <rect x="40" y="-20" width="9" height="22" class="piston" />
        <rect x="40" y="18" width="9" height="22" class="piston" />
        <path d="M6 -20h34M6 -20v22M6 2h34M6 18h34M6 18v22h34" class="body" />
        <path d="M58 -26q-9 36 0 72" class="fork" />
      </g>
      <text :x="drawing.slave.x + 4" :y="drawing.slave.y - 36">{{ bleederWords }}</text>

      <!-- what was found -->
      <circle
        v-for="(bubble, i) in bubbles"
        :key="`air${i}`"
        :cx="bubble.x"
        :cy="bubble.y"
        :r="bubble.r"
        class="bubble"
      />
      <g v-for="crest in drawing.crests" :key="crest.along">
        <path :d="`M${crest.x} ${crest.y - 7}v-14`" class="lead" />
        <text :x="Math.max(crest.x, drawing.master.x + 180)" :y="crest.y - 26" text-anchor="middle">
          crest · {{ shown(crest.toBleeder / 1000, 1) }} ml to the bleeder ·
          {{ shown(crest.strokes, 1) }} strokes
        </text>
      </g>
      <g v-for="leak in leaks" :key="leak.id" class="wet">
        <path :d="`M${leak.x} ${leak.y}c3 5 4 6 4 9a4 4 0 0 1 -8 0c0 -3 1 -4 4 -9z`" class="drop" />
        <text
          :x="leak.x > width - 190 ? leak.x - 10 : leak.x + 10"
          :y="leak.y + 13"
          :text-anchor="leak.x > width - 190 ? 'end' : 'start'"
        >
          {{ leak.words }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
text {
  fill: var(--ink);
  font-size: 15px;
}
.scale text {
  fill: var(--soft);
}
.rule {
  stroke: var(--hairline);
  stroke-dasharray: 1 5;
}
.datum {
  stroke: var(--hairline);
  stroke-width: 1.5;
}
.wall {
  fill: var(--hairline);
}
path,
rect,
circle {
  fill: none;
}
.bore {
  stroke: var(--ink);
  stroke-width: 9;
  stroke-linejoin: round;
}
.fluid {
  stroke: var(--fluid);
  stroke-width: 5.5;
  stroke-linejoin: round;
}
.weave {
  stroke: var(--ink);
  stroke-width: 5.5;
  stroke-dasharray: 1.2 5;
}
.weave.braided {
  stroke-dasharray: 3 3;
}
.weave.nylon {
  stroke-width: 1.2;
  stroke-dasharray: 10 4;
}
.full,
rect.full {
  fill: var(--fluid);
}
.hollow,
rect.hollow {
  fill: var(--ground);
}
.piston,
rect.piston {
  fill: var(--ink);
}
.body {
  stroke: var(--ink);
  stroke-width: 2.2;
}
.mark,
.lead {
  stroke: var(--ink);
  stroke-width: 1.2;
}
.rod {
  stroke: var(--ink);
  stroke-width: 5;
}
.shaft {
  stroke: var(--hairline);
  stroke-width: 12;
}
.boot,
.nipple {
  stroke: var(--ink);
  stroke-width: 2;
}
.nipple {
  stroke-width: 4;
}
.fork {
  stroke: var(--ink);
  stroke-width: 5;
  stroke-linecap: round;
}
.union,
circle.union {
  fill: var(--ground);
  stroke: var(--ink);
  stroke-width: 2;
}
.bubble,
circle.bubble {
  fill: var(--ground);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.wet,
.wet text,
text.wet {
  fill: var(--rust);
}
path.drop {
  fill: var(--rust);
}
</style>
