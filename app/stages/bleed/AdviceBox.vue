<script setup lang="ts">
import { useBleeding } from '~/job/useBleeding'
import { useJob } from '~/job/useJob'
/** What to do next in this bleed: go on, change, measure, look for something else. */
const { advice, following } = useBleeding()
const { id } = useJob()
</script>

<template>
  <section v-if="advice.length" aria-label="What to do next" data-advice :data-code="advice[0]!.code">
    <div
      v-for="(one, i) in advice"
      :key="one.code"
      class="border-l-4 py-1 pl-3"
      :class="
        one.code === 'finished'
          ? 'border-patina'
          : one.code === 'nothing' || one.code === 'checks'
            ? 'border-rust'
            : 'border-amber'
      "
    >
      <p :class="i === 0 ? 'text-[1.05rem] leading-snug' : 'leading-snug'" role="status">
        {{ one.words }}
        <NuxtLink
          v-if="one.code === 'change'"
          :to="`/jobs/${id}/bleed/methods`"
          class="whitespace-nowrap underline underline-offset-4"
          >Methods</NuxtLink
        >
        <NuxtLink
          v-else-if="one.code === 'finished'"
          :to="`/jobs/${id}/prove`"
          class="whitespace-nowrap underline underline-offset-4"
          >Take the last measurements</NuxtLink
        >
      </p>
      <ol v-if="one.checks" class="list-decimal pl-6">
        <li v-for="check in one.checks" :key="check">{{ check }}</li>
      </ol>
    </div>
    <p v-if="following !== null" class="pl-4 text-[0.95rem] text-soft">Reckoning what is left …</p>
  </section>
</template>
