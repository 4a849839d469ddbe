<script setup lang="ts">
import { useCoach } from './useCoach'
import { ref } from 'vue'
import { useRetyping, typedWithin, boundsIn, symbolOf } from '~/units/units'

/** Free travel after a part, or the amount that was poured in; also what one may do where a call is held back. */
const { state, touch, move, unheard } = useCoach()
const travel = ref('')
const amount = ref('')
useRetyping(travel, () => 'mm')
useRetyping(amount, () => 'mm³')
const TRAVEL = { min: 0, max: 400 }
const AMOUNT = { min: 0, max: 2_000_000 }
const wrong = ref('')
function measure() {
  const mm = typedWithin(travel.value, 'mm', TRAVEL)
  if (mm === null) {
    wrong.value = `Free travel: ${boundsIn(TRAVEL, 'mm')}`
    return
  }
  wrong.value = travel.value = ''
  touch({ touch: 'travel', mm })
}
function pour() {
  const volume = typedWithin(amount.value, 'mm³', AMOUNT)
  if (volume === null) {
    wrong.value = `Poured in: ${boundsIn(AMOUNT, 'mm³')}`
    return
  }
  wrong.value = amount.value = ''
  touch({ touch: 'toppedUp', ml: volume / 1000 })
}
</script>

<template>
  <div v-if="state" class="px-5 pb-3 sm:px-8">
    <form
      v-if="state.asks && !move && !unheard"
      class="flex flex-wrap items-center gap-3"
      @submit.prevent="measure"
    >
      <label class="flex items-center gap-2 text-xl"
        >Free travel
        <input
          v-model="travel"
          class="field min-h-16 w-28 text-2xl"
          inputmode="decimal"
          autocomplete="off"
        />
        {{ symbolOf('mm') }}</label
      >
      <button class="act min-h-16 text-xl">Measured</button>
      <button type="button" class="quiet min-h-16" @click="touch({ touch: 'travel', mm: null })">
        Not now
      </button>
    </form>
    <div v-else-if="state.held && !state.paused && !unheard" class="flex flex-wrap items-center gap-2">
      <form
        v-if="state.held === 'low' && !move"
        class="flex items-center gap-2"
        aria-label="Poured in less"
        @submit.prevent="pour"
      >
        <label class="flex items-center gap-2"
          >or poured in
          <input v-model="amount" class="field w-20" inputmode="decimal" autocomplete="off" />
          {{ symbolOf('mm³') }}</label
        >
        <button class="quiet">Poured</button>
      </form>
      <button
        v-if="!move && (state.held === 'high' || !state.plan.shared)"
        type="button"
        class="quiet"
        @click="touch({ touch: 'override' })"
      >
        I have looked: call it all the same
      </button>
      <button type="button" class="quiet" @click="touch({ touch: 'didAnyway' })">
        It was done already
      </button>
    </div>
    <p v-else-if="state.unusual && !move && !unheard">
      <button type="button" class="quiet" @click="touch({ touch: 'nextPart' })">
        Leave out the rest of this part
      </button>
    </p>
    <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}</p>
  </div>
</template>
