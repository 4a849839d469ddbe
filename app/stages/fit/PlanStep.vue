<script setup lang="ts">
import { SURPRISES, surpriseWords, type Step, type SurpriseKind } from '~~/core/plan'
import { usePlan } from './usePlan'

/** The step that is next, large enough for gloves and bad light: done, left out with a reason, or something turned up. */
const props = defineProps<{ step: Step }>()
const { file } = usePlan()
const minutes = ref('')
const leaving = ref(false)
const reason = ref('')
watch(
  () => props.step.id,
  () => {
    minutes.value = ''
    leaving.value = false
    reason.value = ''
  },
)
const MINUTES = { min: 0, max: 10_000 }
const wrong = computed(() => minutes.value.trim() !== '' && readWithin(minutes.value, MINUTES) === null)
async function done() {
  const value = readWithin(minutes.value, MINUTES)
  await file('step', {
    step: props.step.id,
    act: 'done',
    ...(minutes.value.trim() !== '' && value !== null && { minutes: value }),
  })
}
const skip = () =>
  file('step', { step: props.step.id, act: 'skipped', reason: reason.value.trim().slice(0, 400) })
const turnedUp = (kind: string) =>
  kind && file('surprise', { at: props.step.id, kind: kind as SurpriseKind })
const CAUTION_WORDS: Record<string, string> = {
  fluid: 'Fluid: eyes, skin, paint; water at hand.',
  eyes: 'Glasses on.',
  jack: 'Never under it on a jack alone.',
  hot: 'Hot exhaust beside it.',
  clutchDust: 'Clutch dust: wiped wet, never blown.',
  asbestos: 'Old dust may hold asbestos.',
  spring: 'A piston under its spring flies.',
  pedalNobody: 'Nobody at the pedal.',
  air: 'Air only at a whisper, into a rag, nobody in line.',
  battery: 'Negative off first, on last.',
  engineRunning: 'Nobody under or in front; brake on, out of gear.',
  brakes: 'A brake job too: local codes and a licensed hand decide.',
  heavy: 'Heavy: two hands or a jack.',
  sharp: 'Sharp edges.',
  startInGear: 'Expect a start in gear.',
}
</script>

<template>
  <section class="border-l-4 border-amber pl-4" aria-labelledby="next-step" data-next-step>
    <h2 id="next-step" class="text-[1.7rem] leading-tight font-semibold">{{ step.title }}</h2>
    <p class="mt-1 text-[1.2rem]">{{ step.does }}</p>
    <p class="text-soft">{{ step.why }}</p>
    <p v-for="one in step.cautions" :key="one" class="font-semibold" data-caution>
      {{ CAUTION_WORDS[one] ?? one }}
    </p>
    <p v-if="step.tools.length || step.torque" class="text-[0.95rem] text-soft">
      {{ step.tools.map(({ name, size }) => (size ? `${name}, ${size}` : name)).join('; ')
      }}<template v-if="step.torque">; tightened {{ step.torque }}</template>
    </p>
    <p v-if="step.recalls.length" class="text-[0.95rem]">
      Bring back what was written down: {{ step.recalls.join(', ') }}.
    </p>
    <div class="mt-2 flex flex-wrap items-center gap-2">
      <button type="button" class="act min-h-14 px-8 text-[1.15rem]" :disabled="wrong" @click="done">
        Done
      </button>
      <label class="flex items-center gap-2">
        <input
          v-model="minutes"
          class="field w-20"
          inputmode="decimal"
          :placeholder="String(step.minutes[1])"
          :aria-invalid="wrong"
          aria-label="Minutes it took"
        />
        min
      </label>
      <button type="button" class="quiet" :aria-expanded="leaving" @click="leaving = !leaving">
        Leave it out
      </button>
      <select
        class="field w-auto"
        aria-label="Something turned up"
        value=""
        @change="turnedUp(($event.target as HTMLSelectElement).value)"
      >
        <option value="">something turned up …</option>
        <option v-for="{ kind } in SURPRISES" :key="kind" :value="kind">
          {{ surpriseWords(kind) }}
        </option>
      </select>
    </div>
    <p v-if="wrong" role="alert" class="font-semibold text-rust">
      Minutes: 0 to 10 000. What you typed is still here.
    </p>
    <form v-if="leaving" class="mt-2 flex flex-wrap gap-2" @submit.prevent="skip">
      <input
        v-model="reason"
        class="field grow basis-60"
        maxlength="400"
        aria-label="Why it is left out"
        placeholder="why; whoever files it answers for it"
      />
      <button class="quiet" :disabled="reason.trim() === ''">Leave it out</button>
    </form>
  </section>
</template>
