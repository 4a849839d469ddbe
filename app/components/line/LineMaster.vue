<script setup lang="ts">
import type { Pistons, Point } from './line-geometry'
import { computed } from 'vue'

/** Master from the side: barrel, piston where the pad has pushed it, compensating port over its cup. */
const props = defineProps<{ at: Point; tilt: number; pistons: Pistons; stop: boolean }>()
/** Drawn room for the stroke, px. */
const STROKE = 40
const front = computed(() => -49 + props.pistons.master * STROKE)
/** Held in at rest: drawn just past the port, where it does its harm. */
const face = computed(() => (props.stop ? Math.max(front.value, -41) : front.value))
</script>

<template>
  <g :transform="`translate(${at.x} ${at.y}) rotate(${-tilt})`">
    <path :d="`M${face - 9} 0H${face - 79}`" class="rod" />
    <rect x="-76" y="-11" width="76" height="22" class="full" />
    <rect x="-76" y="-11" :width="face + 67" height="22" class="hollow" />
    <rect
      :x="face - 9"
      y="-11"
      width="9"
      height="22"
      class="piston"
      :class="{ end: pistons.masterAtEnd }"
    />
    <path :d="`M${face} -11l3 3M${face} 11l3 -3`" class="cup" />
    <rect
      x="-76"
      y="-11"
      width="76"
      height="22"
      class="body"
      :class="{ stopped: stop || pistons.masterAtEnd }"
    />
    <path d="M-48 -14v6" class="port" :class="{ stopped: stop }" />
  </g>
</template>

<style scoped src="./line.css"></style>
