<script setup lang="ts">
import type { Point } from './line-geometry'

/** Reservoir with its level and marks, and the feed down to the master's port. */
defineProps<{ at: Point; level: number; low: boolean; shared: boolean }>()
</script>

<template>
  <g>
    <path :d="`M${at.x - 48} ${level + 22}V${at.y - 10}`" class="bore" />
    <path :d="`M${at.x - 48} ${level + 22}V${at.y - 10}`" class="fluid" />
    <template v-if="shared">
      <path :d="`M${at.x - 82} ${level + 20}v14h-26`" class="bore" />
      <path :d="`M${at.x - 82} ${level + 20}v14h-26`" class="fluid" />
    </template>
    <rect
      :x="at.x - (shared ? 92 : 72)"
      :y="level + (low ? 10 : 0)"
      :width="shared ? 68 : 48"
      :height="low ? 12 : 22"
      class="full"
    />
    <rect
      :x="at.x - (shared ? 92 : 72)"
      :y="level - 14"
      :width="shared ? 68 : 48"
      height="36"
      rx="5"
      class="body"
    />
    <!-- The wall that keeps the brakes' share when the clutch draws its own down. -->
    <path v-if="shared" :d="`M${at.x - 66} ${level + 22}v-18`" class="body" />
    <path
      :d="`M${at.x - (shared ? 99 : 79)} ${level}h14M${at.x - (shared ? 99 : 79)} ${level + 14}h10`"
      class="mark"
    />
    <text v-if="shared" :x="at.x - 112" :y="level + 39" text-anchor="end">brakes</text>
    <text v-if="low" :x="at.x - (shared ? 106 : 86)" :y="level + 16" text-anchor="end" class="wet">
      low
    </text>
  </g>
</template>

<style scoped src="./line.css"></style>
