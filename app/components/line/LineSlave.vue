<script setup lang="ts">
import type { Installation } from '~~/core/installation'
import { pocketPath, type Pistons, type Point } from './line-geometry'
import { computed } from 'vue'

/** Slave from the side, its piston where the pad has pushed it, and beside it the same from its end, bleeder at its clock angle. */
const props = defineProps<{
  at: Point
  installation: Installation
  pistons: Pistons
  noseUp: number
}>()
const concentric = computed(() => props.installation.circuit.slave.type === 'concentric')
const bleeder = computed(() => props.installation.slave.bleeder)
const pocket = computed(() =>
  bleeder.value.kind === 'screw' ? pocketPath(15, bleeder.value.angle) : pocketPath(15, 90),
)
/** Drawn room for the stroke, px. */
const STROKE = 29
const face = computed(() => 38 + props.pistons.slave * STROKE)
const ring = computed(() => 34 + props.pistons.slave * 12)
const raised = computed(() => -props.installation.slave.endRaise - props.noseUp)
</script>

<template>
  <g :transform="`translate(${at.x} ${at.y})`">
    <g v-if="!concentric" :transform="`rotate(${raised})`">
      <path v-if="bleeder.kind === 'screw'" d="M12 -13v-11m-4 3h8" class="nipple" />
      <rect x="0" y="-13" width="78" height="26" class="full" />
      <rect :x="face" y="-13" :width="78 - face" height="26" class="hollow" />
      <rect
        :x="face"
        y="-13"
        width="9"
        height="26"
        class="piston"
        :class="{ end: pistons.slaveAtEnd }"
      />
      <rect x="0" y="-13" width="78" height="26" class="body" />
      <path d="M76 -13v6M76 13v-6" class="circlip" :class="{ stopped: pistons.slaveAtEnd }" />
      <path d="M78 -9l6 4 -4 5 5 5 -7 4" class="boot" />
      <path :d="`M${face + 9} 0H${face + 60}`" class="rod" />
      <path :d="`M${face + 58} -24q10 24 0 50`" class="fork" />
    </g>
    <g v-else>
      <path v-if="bleeder.kind === 'screw'" d="M14 -20v-13m-4 3h8" class="nipple" />
      <path d="M0 10H120" class="shaft" />
      <rect x="6" y="-20" width="50" height="22" class="full" />
      <rect x="6" y="18" width="50" height="22" class="full" />
      <rect :x="ring" y="-20" :width="56 - ring" height="22" class="hollow" />
      <rect :x="ring" y="18" :width="56 - ring" height="22" class="hollow" />
      <rect
        :x="ring"
        y="-20"
        width="9"
        height="22"
        class="piston"
        :class="{ end: pistons.slaveAtEnd }"
      />
      <rect
        :x="ring"
        y="18"
        width="9"
        height="22"
        class="piston"
        :class="{ end: pistons.slaveAtEnd }"
      />
      <path d="M56 -20H6v22H56M56 18H6v22H56" class="body" :class="{ stopped: pistons.slaveAtEnd }" />
      <path :d="`M${ring + 16} -26q-9 36 0 72`" class="fork" />
    </g>
    <!-- Seen along its bore: where the bleeder really points, and the air that stays above it. -->
    <g :transform="`translate(178 ${concentric ? 10 : 0})`">
      <circle r="17" class="body round" />
      <circle r="15" class="full" />
      <path v-if="pocket" :d="pocket" class="pocket" />
      <circle v-if="concentric" r="7" class="hub" />
      <path
        v-if="bleeder.kind === 'screw'"
        :transform="`rotate(${bleeder.angle})`"
        d="M0 -17v-10m-4 3h8"
        class="nipple"
      />
      <path :transform="`rotate(${installation.slave.linePort})`" d="M0 -17v-8" class="stub" />
    </g>
  </g>
</template>

<style scoped src="./line.css"></style>
