<script setup lang="ts">
import { unionAt, type Installation } from '~~/core/installation'
import type { Routing } from '~/job/useRouting'
import type { LineDrawing } from './line-geometry'
import { ref, computed } from 'vue'
import { unitsNow } from '~/units/units'
import { millimetres } from '~/units/format'

/** The route's points, to be taken hold of: dragged, moved by arrow keys, added and removed. */
const props = defineProps<{
  installation: Installation
  drawing: LineDrawing
  routing: Routing
  noseUp: number
}>()
const emit = defineEmits<{ hold: [yes: boolean] }>()
const dragged = ref<number | null>(null)
const last = computed(() => props.installation.route.length - 1)

/** Where a pointer is, in the drawing's own units. */
function place(event: PointerEvent | MouseEvent) {
  const svg = (event.currentTarget as SVGGraphicsElement).ownerSVGElement!
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse())
  return { along: props.drawing.alongAt(at.x), turned: props.drawing.heightAt(at.y) }
}
/** A height as it is drawn with the nose up, turned back to level ground. */
function level(index: number, turned: number): number {
  const angle = (props.noseUp * Math.PI) / 180
  return (turned - props.installation.route[index]!.forward * Math.sin(angle)) / Math.cos(angle)
}
function take(event: PointerEvent, index: number) {
  if (event.button !== 0) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragged.value = index
  props.routing.choose(index)
  emit('hold', true)
}
function drag(event: PointerEvent) {
  if (dragged.value === null) return
  const { along, turned } = place(event)
  const to = { along: Math.round(along), height: level(dragged.value, turned) }
  props.routing.move(dragged.value, to, !event.altKey)
}
async function drop() {
  if (dragged.value === null) return
  dragged.value = null
  emit('hold', false)
  await props.routing.keep()
}
function give() {
  dragged.value = null
  emit('hold', false)
  props.routing.letGo()
}

/** A tape's step, and a large one with Shift. */
const step = (event: KeyboardEvent) => {
  const inch = unitsNow() === 'inch'
  if (event.shiftKey) return inch ? 25.4 : 25
  return inch ? 25.4 / 8 : 5
}
function key(event: KeyboardEvent, index: number) {
  const by = step(event)
  const ways: Record<string, () => unknown> = {
    ArrowUp: () => props.routing.nudge(index, 0, by),
    ArrowDown: () => props.routing.nudge(index, 0, -by),
    ArrowLeft: () => props.routing.nudge(index, -by, 0),
    ArrowRight: () => props.routing.nudge(index, by, 0),
    Insert: () => props.routing.addAfter(index),
    '+': () => props.routing.addAfter(index),
    Delete: () => props.routing.remove(index),
    Backspace: () => props.routing.remove(index),
    Escape: () => give(),
  }
  const way = ways[event.key]
  if (!way) return
  event.preventDefault()
  event.stopPropagation()
  void way()
}
const kindOf = (index: number) => {
  if (index === 0) return 'Master’s outlet'
  if (index === last.value) return 'Slave’s line port'
  const union = unionAt(props.installation.circuit, props.installation.route[index]!.along)
  return union < 0 ? `Point ${index + 1} of ${last.value + 1}` : 'Union'
}
const spoken = (index: number) => {
  const { along, height, clip } = props.installation.route[index]!
  return `${kindOf(index)}: ${millimetres(along)} along, ${millimetres(height)} over the master${clip ? ', clipped' : ''}`
}
const chosen = computed(() => props.routing.chosen.value)
</script>

<template>
  <g data-tool>
    <g v-for="(point, i) in drawing.points" :key="i">
      <circle
        :cx="point.x"
        :cy="point.y"
        r="22"
        class="grip"
        role="button"
        tabindex="0"
        :aria-label="spoken(i)"
        aria-describedby="route-keys"
        :aria-pressed="chosen === i"
        :data-point="i"
        @pointerdown="take($event, i)"
        @pointermove="drag"
        @pointerup="drop"
        @pointercancel="give"
        @keydown="key($event, i)"
        @focus="routing.choose(i)"
      />
      <circle :cx="point.x" :cy="point.y" r="8" class="knob" :class="{ chosen: chosen === i }" />
    </g>
    <text
      v-if="chosen !== null && drawing.points[chosen]"
      :x="drawing.points[chosen]!.x"
      :y="drawing.points[chosen]!.y + (drawing.points[chosen]!.y > drawing.base - 60 ? -16 : 30)"
      text-anchor="middle"
      class="figures"
      data-figure="point"
    >
      {{ millimetres(installation.route[chosen]!.along) }} ·
      {{ millimetres(installation.route[chosen]!.height) }}
    </text>
  </g>
</template>

<style scoped>
.grip {
  fill: transparent;
  cursor: grab;
  touch-action: none;
}
.grip:active {
  cursor: grabbing;
}
.grip:focus-visible {
  outline: 3px solid var(--amber);
  outline-offset: -8px;
}
.knob {
  fill: var(--ground);
  stroke: var(--amber);
  stroke-width: 3;
  pointer-events: none;
}
.knob.chosen {
  fill: var(--amber);
}
.figures {
  fill: var(--amber);
  font-size: 15px;
  font-weight: 650;
  pointer-events: none;
}
</style>
