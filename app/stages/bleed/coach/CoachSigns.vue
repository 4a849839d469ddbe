<script setup lang="ts">
import { SIGN_SAYS } from '~~/core/coach'
import { BLEED_SIGNS, type BleedSign } from '~~/core/journal'
import { useCoach } from './useCoach'
import { computed, ref } from 'vue'
import { BLEED_SIGN_WORDS } from '~~/core/words'

/** Hose off, thread wet, bubbles heard: what it means, and what to do now. */
const { state, touch } = useCoach()
const signs = computed(() => [
  ...new Set([...(state.value?.signs ?? []), ...(state.value?.last.signs ?? [])]),
])
const answered = ref('')
const askKey = computed(() => `${state.value?.filed} ${signs.value.join()}`)
function sign(one: BleedSign, event: MouseEvent) {
  touch({ touch: 'sign', sign: one }, 'bleeder')
  if (event.detail > 0) (event.currentTarget as HTMLElement).blur()
}
function oneMore() {
  answered.value = askKey.value
  touch({ touch: 'oneMore' })
}
</script>

<template>
  <section class="border-t border-hairline" aria-label="What goes wrong" data-signs>
    <div v-if="signs.length" class="px-5 py-2 sm:px-8">
      <p
        v-for="one in signs"
        :key="one"
        class="border-l-4 border-rust pl-3 leading-snug"
        role="status"
        :data-sign="one"
      >
        <strong>{{ BLEED_SIGN_WORDS[one] }}.</strong> {{ SIGN_SAYS[one] }}
        <span
          v-if="one === 'hoseOff' && answered !== askKey"
          class="mt-1 flex flex-wrap items-center gap-2"
        >
          Did the pedal come up while it was off?
          <button type="button" class="quiet" @click="oneMore">It did: one more cycle</button>
          <button type="button" class="quiet" @click="answered = askKey">No</button>
        </span>
      </p>
    </div>
    <div class="grid grid-cols-3">
      <button
        v-for="one in BLEED_SIGNS"
        :key="one"
        type="button"
        class="min-h-12 border-r border-hairline px-2"
        :class="{ 'bg-rust font-semibold text-ground': signs.includes(one) }"
        :aria-pressed="signs.includes(one)"
        @click="sign(one, $event)"
      >
        {{ BLEED_SIGN_WORDS[one] }}
      </button>
    </div>
  </section>
</template>
