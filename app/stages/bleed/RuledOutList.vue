<script setup lang="ts">
import { ruledOutWords, runsOf, sequenceWords } from '~~/core/bleed'
import { useBleeding } from '~/job/useBleeding'
import { computed, ref } from 'vue'

/** What cannot be done here, each with its reason; what the brakes rule out can be let in on somebody's word. */
const { out, setup, set, keyOf } = useBleeding()
const isShared = computed(() => out.value.some(({ ruledOut }) => ruledOut === 'shared'))
const by = ref('')
const words = ref('')
const override = computed(() => setup.value.override ?? null)
const say = () =>
  set({ override: { by: by.value.trim(), words: words.value.trim() } }).then((done) => {
    if (done) by.value = words.value = ''
  })
const take = () => set({ override: undefined })
</script>

<template>
  <details class="mt-2" :open="isShared">
    <summary class="min-h-11 py-2">Cannot be done here ({{ out.length }})</summary>
    <ul class="border-t border-hairline">
      <li
        v-for="one in out"
        :key="keyOf(one)"
        class="border-b border-hairline py-1"
        :data-out="keyOf(one)"
      >
        {{ sequenceWords(one) }}
        <span class="block text-[0.95rem] text-soft">{{
          ruledOutWords(one.ruledOut!, runsOf(one), setup.kit)
        }}</span>
      </li>
    </ul>
    <form v-if="isShared" class="mt-2 grid gap-2 sm:grid-cols-2" @submit.prevent="say">
      <p class="border-l-4 border-amber pl-3 sm:col-span-2" data-caution>
        Pressure or vacuum on a reservoir that the brakes share can reach the brakes. The maker’s data
        and whoever answers for the brakes decide; bleed and prove the brakes after it.
      </p>
      <label
        >Who says that it may be done
        <input v-model="by" class="field" maxlength="80" autocomplete="off"
      /></label>
      <label
        >In his or her words <input v-model="words" class="field" maxlength="300" autocomplete="off"
      /></label>
      <div>
        <button class="quiet" :disabled="!by.trim() || !words.trim()">Allow it on this word</button>
      </div>
    </form>
  </details>
  <p v-if="override" class="border-l-4 border-amber pl-3">
    Reservoir shared with the brakes: allowed by {{ override.by }}, “{{ override.words }}”.
    <button type="button" class="tap underline underline-offset-4" @click="take">take back</button>
  </p>
</template>
