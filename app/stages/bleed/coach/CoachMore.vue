<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useCoach } from './useCoach'
import { ref, onMounted } from 'vue'

/** What is done seldom while it is called: places, the lead, the next part, sound, the end. */
defineProps<{ fullScreen: boolean }>()
const emit = defineEmits<{ close: []; hush: []; fullScreen: []; putAway: [] }>()
const { state, roles, leads, ask, touch } = useCoach()
const panel = ref<HTMLElement>()
onMounted(() => panel.value?.querySelector('button')?.focus())
useEventListener(
  'keydown',
  (event: KeyboardEvent) => {
    if (event.key !== 'Escape') return
    event.stopPropagation()
    emit('close')
  },
  { capture: true },
)
const does = (work: () => void) => {
  work()
  emit('close')
}
</script>

<template>
  <section
    ref="panel"
    class="flex flex-wrap gap-2 border-t border-hairline bg-raised px-5 py-3 sm:px-8"
    aria-label="More"
    data-more
  >
    <button
      v-if="roles.length !== 1 || roles[0] !== 'pedal'"
      type="button"
      class="quiet"
      @click="does(() => ask('pedal'))"
    >
      I am at the pedal
    </button>
    <button
      v-if="roles.length !== 1 || roles[0] !== 'bleeder'"
      type="button"
      class="quiet"
      @click="does(() => ask('bleeder'))"
    >
      I am at the screw
    </button>
    <button v-if="roles.length !== 2" type="button" class="quiet" @click="does(() => ask('both'))">
      I do both
    </button>
    <button v-if="!leads" type="button" class="quiet" @click="does(() => ask('lead'))">
      Lead here
    </button>
    <button
      v-if="state && !state.done"
      type="button"
      class="quiet"
      aria-keyshortcuts="n"
      @click="does(() => touch({ touch: 'nextPart' }))"
    >
      Leave out the rest of this part
    </button>
    <button
      v-if="state && !state.done"
      type="button"
      class="quiet"
      @click="does(() => touch({ touch: 'oneMore' }))"
    >
      One more cycle
    </button>
    <button type="button" class="quiet" @click="does(() => emit('hush'))">Silent</button>
    <button type="button" class="quiet" @click="does(() => emit('fullScreen'))">
      {{ fullScreen ? 'End full screen' : 'Full screen' }}
    </button>
    <button v-if="leads" type="button" class="quiet" @click="does(() => emit('putAway'))">
      Put this bleed away
    </button>
    <button type="button" class="quiet" @click="emit('close')">Close</button>
  </section>
</template>
