<script setup lang="ts">
import { AS_FOUND_KINDS } from '~~/core/journal'

/** What is written down before it comes apart, and what was done. */
</script>

<template>
  <div class="grid gap-x-8 lg:grid-cols-2">
    <section class="border-hairline px-6 py-4 lg:border-r" aria-labelledby="as-found">
      <h2 id="as-found" class="place-name">Before it comes apart</h2>
      <p class="text-[0.95rem] text-soft">
        What nobody can measure afterwards. Pad height, free travel and rod stroke are on Find.
      </p>
      <AsFoundField v-for="kind in AS_FOUND_KINDS" :key="kind.item" :kind="kind" />
    </section>
    <div class="px-6 py-4 lg:pl-0">
      <WorkDone />
      <p class="mt-3 border-l-4 border-amber pl-3 text-[0.95rem]">
        Tag the pedal before the slave comes off its fork: its piston flies out if anybody presses. The
        maker’s data gives torque.
      </p>
    </div>
  </div>
</template>
