<script setup lang="ts">
import { RUNS } from '~~/core/bleed'
import { useBleedLearntStore } from '~/stores/bleed-learnt'
/** What this shop's own bleeds say, counted, and that the ranking takes it in. */
const learnt = useBleedLearntStore()
const ROUTING_WORDS = { crest: 'over a crest', falls: 'falling' } as const
</script>

<template>
  <section v-if="learnt.counts.length" class="mt-4" aria-label="This shop’s bleeds" data-shop-bleeds>
    <h3 class="place-name">This shop’s bleeds</h3>
    <table class="w-full">
      <thead class="text-[0.95rem] text-soft">
        <tr>
          <th scope="col" class="text-left font-normal">method, line</th>
          <th scope="col" class="text-right font-normal">bleeds</th>
          <th scope="col" class="text-right font-normal">cycles</th>
          <th scope="col" class="text-right font-normal">air gone</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="one in learnt.counts"
          :key="`${one.method} ${one.routing}`"
          class="border-b border-hairline"
        >
          <th scope="row" class="text-left font-normal">
            {{ RUNS[one.method].words }}, {{ ROUTING_WORDS[one.routing] }}
          </th>
          <td class="text-right">{{ one.bleeds }}</td>
          <td class="text-right">{{ one.cycles }}</td>
          <td class="text-right">{{ Math.round(100 * one.gone) }} %</td>
        </tr>
      </tbody>
    </table>
    <p class="text-[0.95rem] text-soft">
      {{
        learnt.learned
          ? `The ranking takes ${learnt.learned.count} of them in: what it draws is moved by how they went.`
          : 'Being weighed …'
      }}
    </p>
  </section>
</template>
