<script setup lang="ts">
import { useRafFn, useStorage } from '@vueuse/core'
import { ref, onBeforeUnmount } from 'vue'
import OnOff from '~/components/frame/OnOff.vue'

/** A stopwatch that a knuckle can start and stop, and that counts aloud for whoever is at the pedal. */
const props = defineProps<{
  /** What is timed, for who hears it. */
  label: string
  /** Usual length, s: said when it is reached. */
  usual?: number | undefined
}>()
const emit = defineEmits<{ stopped: [seconds: number] }>()

const speech = typeof speechSynthesis === 'undefined' ? null : speechSynthesis
const aloud = useStorage('mellow-count-aloud', true)
const startedAt = ref<number | null>(null)
const elapsed = ref(0)
let said = 0

/** Every second to ten, then each ten; and the usual length. */
const isSaid = (second: number) => second <= 10 || second % 10 === 0 || second === props.usual
const say = (words: string) => {
  if (!aloud.value || !speech) return
  speech.cancel()
  speech.speak(Object.assign(new SpeechSynthesisUtterance(words), { lang: 'en' }))
}
const { pause, resume } = useRafFn(
  () => {
    if (startedAt.value === null) return
    elapsed.value = (performance.now() - startedAt.value) / 1000
    const second = Math.floor(elapsed.value)
    if (second <= said) return
    said = second
    if (isSaid(second)) say(second === props.usual ? `${second}. That is the time.` : String(second))
  },
  { immediate: false },
)
function press() {
  if (startedAt.value === null) {
    elapsed.value = 0
    said = 0
    startedAt.value = performance.now()
    say('Now')
    resume()
    return
  }
  elapsed.value = (performance.now() - startedAt.value) / 1000
  startedAt.value = null
  pause()
  say('Stop')
  emit('stopped', Math.round(elapsed.value * 10) / 10)
}
onBeforeUnmount(() => speech?.cancel())
</script>

<template>
  <div class="flex flex-wrap items-stretch gap-2 py-2" data-stopwatch>
    <button
      type="button"
      class="flex min-h-20 grow basis-64 items-center justify-center gap-4 rounded-sm border-2 border-ink text-[1.4rem] font-semibold"
      :class="startedAt === null ? '' : 'bg-ink text-ground'"
      :aria-label="`${startedAt === null ? 'Start' : 'Stop'} the watch: ${label}`"
      @click="press"
    >
      <span>{{ startedAt === null ? 'Start' : 'Stop' }}</span>
      <span class="min-w-24 text-right font-mono" data-figure="watch">{{ elapsed.toFixed(1) }} s</span>
    </button>
    <OnOff v-if="speech" :on="aloud" @click="aloud = !aloud">Count aloud</OnOff>
    <p v-if="usual" class="basis-full text-[0.95rem] text-soft">
      Usually {{ usual % 3600 === 0 ? `${usual / 3600} h: then a clock serves better` : `${usual} s` }}.
      Stopping it fills in the time.
    </p>
  </div>
</template>
