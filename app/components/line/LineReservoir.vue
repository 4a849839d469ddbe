<script setup lang="ts">
import type { Point } from './line-geometry'
import { computed } from 'vue'

/** Reservoir with its level and marks, and the feed down to the master's port; shared, also the brakes' own outlet. */
const props = defineProps<{ at: Point; level: number; low: boolean; shared: boolean }>()
const left = computed(() => props.at.x - (props.shared ? 92 : 72))
const wide = computed(() => (props.shared ? 68 : 48))
/** The level is to scale; on a steep line the body is drawn shorter, so that it stays clear of the master. */
const below = computed(() => Math.max(6, Math.min(22, props.at.y - props.level - 18)))
</script>

<template>
  <g>
    <path :d="`M${at.x - 48} ${level + below}V${at.y - 10}`" class="bore" />
    <path :d="`M${at.x - 48} ${level + below}V${at.y - 10}`" class="fluid" />
    <template v-if="shared">
      <path :d="`M${left} ${level + below / 2}h-16`" class="bore" />
      <path :d="`M${left} ${level + below / 2}h-16`" class="fluid" />
      <text :x="left - 20" :y="level + below / 2 + 5" text-anchor="end">brakes</text>
    </template>
    <rect
      :x="left"
      :y="level + (low ? below / 2 : 0)"
      :width="wide"
      :height="low ? below / 2 : below"
      class="full"
    />
    <rect :x="left" :y="level - 14" :width="wide" :height="14 + below" rx="5" class="body" />
    <!-- The wall that keeps the brakes' share when the clutch draws its own down. -->
    <path v-if="shared" :d="`M${left + 26} ${level + below}v${-0.7 * below}`" class="body" />
    <path
      :d="`M${left + wide + 7} ${level}h-14M${left + wide + 7} ${level + 0.65 * below}h-10`"
      class="mark"
    />
    <text v-if="low" :x="left + wide + 14" :y="level + 8" class="wet">low</text>
  </g>
</template>

<style scoped src="./line.css"></style>
