<script setup lang="ts">
import { Droplet, PanelTopOpen } from '~/icons'
import { FLUIDS } from '~~/core/fluid'
import type { SuspectTold } from '~~/core/diagnosis'
import type { Found } from '~~/core/journal'
import { stripParts, type Place } from './found-marks'
import { bleederWords, type PartId } from './part-words'
import { useDesk } from '~/job/useDesk'
import { useFluid } from '~/job/useFluid'
import { computed } from 'vue'
import { withUnits } from '~/units/units'
import { millilitres } from '~/units/format'
import { chanceWords } from '~~/core/words'

/** The line folded to one row, so that a stage has room: level, wet spots, suspects and air stay readable on it. */
const props = defineProps<{
  found?: Found
  suspects?: readonly SuspectTold[]
  air?: number | null
}>()
const emit = defineEmits<{ unfold: []; pick: [part: PartId] }>()
const { shown } = useDesk()
const { inside, age } = useFluid()
/** What is in it and how old, where somebody said so. */
const fluid = computed(() =>
  [
    inside.value.kind === 'unknown' ? '' : FLUIDS[inside.value.kind].name,
    age.value === null ? '' : withUnits(age.value, 'months'),
  ]
    .filter(Boolean)
    .join(', '),
)

const NAMES: Record<Place, string> = {
  reservoir: 'Reservoir',
  master: 'Master',
  line: 'Line',
  slave: 'Slave',
  bleeder: 'Bleeder',
}
const PARTS: Record<Place, PartId> = {
  reservoir: 'reservoir',
  master: 'master',
  line: 'line0',
  slave: 'slave',
  bleeder: 'slave',
}
const parts = computed(() => stripParts(props.found, props.suspects ?? []))
/** What is said of a part where nothing was found at it. */
const quiet = (place: Place): string => {
  if (place === 'reservoir') return fluid.value
  if (place === 'line' && props.air) return `air ${millilitres(props.air)}`
  if (place === 'bleeder' && shown.value) return bleederWords(shown.value).replace('bleeder ', '')
  return ''
}
</script>

<template>
  <div class="no-print flex h-[56px] items-stretch overflow-x-auto lg:overflow-x-visible" data-strip>
    <button
      type="button"
      class="tap w-14 shrink-0"
      aria-label="Show the line"
      title="l"
      aria-expanded="false"
      @click="emit('unfold')"
    >
      <PanelTopOpen :size="20" aria-hidden="true" />
    </button>
    <button
      v-for="({ place, wet, chance }, i) in parts"
      :key="place"
      type="button"
      class="relative flex flex-none flex-col justify-center px-3 text-left leading-tight whitespace-nowrap lg:min-w-0 lg:flex-auto"
      :data-part="place"
      @click="emit('pick', PARTS[place])"
    >
      <span v-if="i > 0" class="absolute top-1/2 left-0 h-1.5 w-2 bg-fluid" aria-hidden="true" />
      <span class="flex items-baseline gap-2">
        <span class="truncate">{{ NAMES[place] }}</span>
        <strong v-if="chance !== null">{{ chanceWords(chance) }}</strong>
      </span>
      <span v-if="wet.length" class="flex items-center gap-1 text-[0.95rem] text-rust">
        <Droplet :size="14" aria-hidden="true" />
        <span class="truncate">{{ wet.join(', ') }}</span>
      </span>
      <span v-else class="truncate text-[0.95rem] text-soft">{{ quiet(place) }}</span>
    </button>
  </div>
</template>
