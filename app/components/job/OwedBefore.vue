<script setup lang="ts">
import { dueWords } from '~~/core/due'
import { useOwedBefore } from '~/job/useOwedBefore'
import { formatNow } from '~/units/units'

/** What the vehicle’s other jobs left owed, what is due first, each with the way to its job. */
const { owed, whenOf } = useOwedBefore()
</script>

<template>
  <ul v-if="owed.length" aria-label="Owed from before" data-owed-before>
    <li v-for="one in owed" :key="`${one.jobId} ${one.id}`">
      <NuxtLink
        :to="`/jobs/${one.jobId}/${one.kind === 'recheck' ? 'prove' : 'record'}`"
        class="block min-h-11 content-center py-1 hover:bg-raised"
      >
        <strong v-if="one.isDue" class="text-rust">Due.</strong>
        <span v-else class="text-soft">Owed from before.</span>{{ ' ' }}
        <span class="underline underline-offset-4">{{ dueWords(one, formatNow()) }}</span><span
          v-if="whenOf(one)"
          class="text-soft"
          >, {{ whenOf(one) }}</span
        >
      </NuxtLink>
    </li>
  </ul>
</template>
