<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { PressedState } from '~~/core/circuit'
import type { Installation } from '~~/core/installation'
import type { SuspectTold } from '~~/core/diagnosis'
import type { Found } from '~~/core/journal'
import type { Routing } from '~/job/useRouting'
import { airBubbles, leakMarks, noiseMarks, suspectMarks } from './found-marks'
import { drawLine, pistonsOf, spanOf, type Point, type Span } from './line-geometry'
import LineHandles from './LineHandles.vue'
import { bleederWords, lineName, partWords, wayOut, type PartId } from './part-words'
import { useTemplateRef, computed, shallowRef } from 'vue'
import { unitsNow, formatNow, symbolOf } from '~/units/units'
import { millimetres, millilitres } from '~/units/format'
import { chanceWords } from '~~/core/words'
import LineReservoir from '~/components/line/LineReservoir.vue'
import LineMaster from '~/components/line/LineMaster.vue'
import LineSlave from '~/components/line/LineSlave.vue'

/**
 * The circuit in side elevation, heights to scale and distance along it readable: wet places and air where something was
 * found, pistons where the pad has pushed them. Its parts are chosen by a touch; with a routing its points are taken
 * hold of.
 */
const props = defineProps<{
  installation: Installation
  found?: Found
  /** What is suspected, and how much. */
  suspects?: readonly SuspectTold[]
  /** Trapped air to show, mm³; null where none is known. */
  air?: number | null
  pressed?: PressedState | null
  /** Pad travel that it is pressed at, mm. */
  pad?: number
  noseUp?: number
  part?: PartId | null
  routing?: Routing | null
}>()
const emit = defineEmits<{ pick: [part: PartId] }>()

/** Narrower than this it is scrolled sideways rather than made too small to read. */
const LEAST_WIDTH = 680
const frame = useTemplateRef<HTMLElement>('frame')
const drawn = useTemplateRef<SVGSVGElement>('drawn')
const { width, height } = useElementSize(frame)
const wide = computed(() => Math.max(width.value, LEAST_WIDTH))
const high = computed(() => Math.max(height.value, 170))
const noseUp = computed(() => props.noseUp ?? 0)
/** Held while a point is dragged. */
const held = shallowRef<Span | null>(null)
const inch = computed(() => unitsNow() === 'inch')
const drawing = computed(() =>
  drawLine(props.installation, wide.value, high.value, {
    noseUp: noseUp.value,
    span: held.value ?? spanOf(props.installation, noseUp.value),
    inch: inch.value,
  }),
)
const pistons = computed(() => pistonsOf(props.installation, props.pressed ?? null, props.pad ?? 0))
const rodStops = computed(() => props.installation.circuit.master.pushrodClearance < 0)
const leaks = computed(() => leakMarks(drawing.value, props.found))
const noises = computed(() => noiseMarks(drawing.value, props.found))
const suspected = computed(() => suspectMarks(drawing.value, props.suspects ?? []))
const bubbles = computed(() => airBubbles(drawing.value, props.air ?? 0))
const levelLow = computed(() => props.found?.levelLow?.payload.state === 'present')
const parts = computed(() => partWords(props.installation, formatNow(), noseUp.value))
const words = (id: PartId) => parts.value.find((part) => part.id === id)!
const spoken = computed(() =>
  [
    'Release circuit from the side.',
    ...leaks.value.map((leak) => `${leak.words}.`),
    ...noises.value.map(({ words: heard }) => `Noise at the ${heard}.`),
  ].join(' '),
)
const path = (points: Point[]) =>
  points.map(({ x, y }, i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')
const signed = (n: number) => (n === 0 ? 'master' : `${n > 0 ? '+' : '−'}${Math.abs(n)}`)
/** A part is a button: what it is, its figures, and whether it is the chosen one. */
const button = (id: PartId) => ({
  role: 'button',
  tabindex: 0,
  'aria-label': `${words(id).name}: ${words(id).figures}`,
  'aria-pressed': props.part === id,
  class: ['part', { chosen: props.part === id }],
  onClick: () => emit('pick', id),
  onKeydown: (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return
    event.preventDefault()
    emit('pick', id)
  },
})
/** A double touch on the line puts a point there. */
function addHere(event: MouseEvent) {
  const at = new DOMPoint(event.clientX, event.clientY)
  const { x } = at.matrixTransform(drawn.value!.getScreenCTM()!.inverse())
  void props.routing?.add(Math.round(drawing.value.alongAt(x)))
}
defineExpose({ svg: drawn, parts })
</script>

<template>
  <div ref="frame" class="size-full overflow-x-auto overflow-y-hidden">
    <svg
      v-if="width > 0"
      ref="drawn"
      :viewBox="`0 0 ${wide} ${high}`"
      class="h-full"
      :class="routing ? 'touch-none' : ''"
      :style="{ width: `${wide}px` }"
      role="group"
      :aria-label="spoken"
    >
      <g class="scale" aria-hidden="true">
        <g v-for="tick in drawing.ticks" :key="tick.height">
          <line
            :x1="66"
            :x2="wide - 24"
            :y1="tick.y"
            :y2="tick.y"
            :class="tick.height === 0 ? 'datum' : 'rule'"
          />
          <text x="58" :y="tick.y + 5" text-anchor="end">{{ signed(tick.height) }}</text>
        </g>
        <g v-for="mark in drawing.marks" :key="`along${mark.along}`">
          <path :d="`M${mark.x} ${drawing.base - 18}v5`" class="mark" />
          <text :x="mark.x" :y="drawing.base + 2" text-anchor="middle">{{ mark.along }}</text>
        </g>
        <text :x="wide - 24" :y="drawing.base + 2" text-anchor="end">{{ symbolOf('mm') }} along</text>
      </g>
      <rect :x="drawing.master.x + 16" y="14" width="6" :height="high - 44" class="wall" />

      <g v-bind="button('reservoir')">
        <LineReservoir
          :at="drawing.master"
          :level="drawing.reservoirLevel"
          :low="levelLow"
          :shared="installation.reservoir.sharedWithBrakes"
        />
      </g>
      <g v-for="(line, i) in drawing.lines" :key="i" v-bind="button(`line${i}`)" @dblclick="addHere">
        <path :d="path(line.points)" class="reach" data-tool />
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
      <circle
        v-for="(joint, i) in drawing.joints"
        :key="`joint${i}`"
        :cx="joint.x"
        :cy="joint.y"
        r="10"
        class="joint"
        :class="{ known: joint.known }"
      />
      <g v-for="(hot, i) in drawing.heat" :key="`heat${i}`" class="heat" aria-hidden="true">
        <path
          :d="`M${hot.x - 6} ${hot.y - 14}q3 -5 0 -9M${hot.x} ${hot.y - 14}q3 -5 0 -9M${hot.x + 6} ${hot.y - 14}q3 -5 0 -9`"
        />
        <text :x="hot.x + 14" :y="hot.y - 14">
          hot, {{ millimetres(hot.distance) }}{{ hot.sleeved ? ', sleeved' : '' }}
        </text>
      </g>
      <path
        v-for="(clip, i) in drawing.clips"
        :key="`clip${i}`"
        :d="`M${clip.x - 5} ${clip.y - 8}v16M${clip.x + 5} ${clip.y - 8}v16`"
        class="clip"
      />
      <template v-for="(line, i) in drawing.lines" :key="`label${i}`">
        <text
          v-if="line.kind !== 'steel'"
          :x="line.middle.x - 14"
          :y="line.middle.y + 20"
          text-anchor="end"
          aria-hidden="true"
        >
          {{ lineName(installation.circuit.lines[i]!) }}, {{ millimetres(line.length) }}
        </text>
      </template>
      <g v-bind="button('master')">
        <rect
          :x="drawing.master.x - 96"
          :y="drawing.master.y - 24"
          width="98"
          height="48"
          class="reach"
          data-tool
        />
        <LineMaster
          :at="drawing.master"
          :tilt="installation.master.tilt + noseUp"
          :pistons="pistons"
          :stop="rodStops"
        />
      </g>
      <text
        v-if="rodStops"
        :x="drawing.master.x - 134"
        :y="drawing.master.y - 14"
        text-anchor="end"
        class="wet"
      >
        port covered
      </text>
      <g v-bind="button('slave')">
        <LineSlave
          :at="drawing.slave"
          :installation="installation"
          :pistons="pistons"
          :nose-up="noseUp"
        />
      </g>
      <text :x="drawing.slave.x + 190" :y="drawing.slave.y - 36" text-anchor="end" aria-hidden="true">
        {{ bleederWords(installation) }}
      </text>

      <circle
        v-for="(bubble, i) in bubbles"
        :key="`air${i}`"
        :cx="bubble.x"
        :cy="bubble.y"
        :r="bubble.r"
        class="bubble"
      />
      <g v-for="crest in drawing.crests" :key="crest.along" data-crest>
        <path :d="`M${crest.x} ${crest.y - 7}v-14`" class="lead" />
        <text
          :x="Math.max(crest.x, drawing.master.x + 180)"
          :y="crest.y - 26"
          text-anchor="middle"
          aria-hidden="true"
        >
          crest · {{ millilitres(crest.toBleeder) }} to the {{ wayOut(installation) }} ·
          {{ crest.strokes.toFixed(1) }} strokes
        </text>
      </g>
      <g v-for="leak in leaks" :key="leak.id" class="wet">
        <path :d="`M${leak.x} ${leak.y}c3 5 4 6 4 9a4 4 0 0 1 -8 0c0 -3 1 -4 4 -9z`" class="drop" />
        <text
          :x="leak.x > wide - 190 ? leak.x - 10 : leak.x + 10"
          :y="leak.y + 13"
          :text-anchor="leak.x > wide - 190 ? 'end' : 'start'"
        >
          {{ leak.words }}
        </text>
      </g>
      <g
        v-for="one in noises"
        :key="one.id"
        class="noise"
        :class="{ loud: one.loud }"
        :data-noise="one.id"
        aria-hidden="true"
      >
        <circle :cx="one.x" :cy="one.y" :r="one.loud ? 22 : 14" />
        <text v-if="one.loud" :x="one.x" :y="one.y - 29" text-anchor="middle">loudest</text>
      </g>
      <g v-for="one in suspected" :key="one.id" class="suspect" :data-suspected="one.id">
        <circle :cx="one.x" :cy="one.y" r="17" />
        <text :x="one.label.x" :y="one.label.y" :text-anchor="one.label.anchor">
          {{ chanceWords(one.chance) }}
        </text>
      </g>
      <LineHandles
        v-if="routing"
        :installation="installation"
        :drawing="drawing"
        :routing="routing"
        :nose-up="noseUp"
        @hold="held = $event ? spanOf(installation, noseUp) : null"
      />
    </svg>
    <ul class="sr-only" aria-label="Parts of the circuit">
      <li v-for="one in parts" :key="one.id">{{ one.name }}: {{ one.figures }}</li>
    </ul>
  </div>
</template>

<style scoped src="./line.css"></style>
<style scoped>
.part {
  cursor: pointer;
  outline: none;
}
.reach {
  stroke: transparent;
  stroke-width: 34;
  pointer-events: all;
}
rect.reach {
  stroke-width: 0;
  fill: transparent;
}
.part:hover :deep(.body),
.part:hover .bore {
  stroke: var(--amber);
}
.part.chosen :deep(.body:not(.stopped)),
.part.chosen .bore,
.part.chosen :deep(.bore) {
  stroke: var(--amber);
}
.part:focus-visible {
  outline: 3px solid var(--amber);
  outline-offset: 2px;
}
</style>
