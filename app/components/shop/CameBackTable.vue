<script setup lang="ts">
import { shareOf, type CameBackCount } from '~~/core/learnt'

/** Of so many jobs, how many came back, with the range that so few jobs leave open. */
defineProps<{ head: string; rows: ({ name: string } & CameBackCount)[] }>()
const percent = (share: number) => `${Math.round(100 * share)} %`
</script>

<template>
  <table v-if="rows.length" class="mt-2 w-full">
    <thead>
      <tr class="border-b border-ink text-left">
        <th scope="col" class="py-1 font-semibold">{{ head }}</th>
        <th scope="col" class="w-16 py-1 pl-3 text-right font-semibold">Jobs</th>
        <th scope="col" class="w-28 py-1 pl-3 text-right font-semibold">Came back</th>
        <th scope="col" class="w-36 py-1 pl-3 text-right font-semibold">Share, 90 %</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.name" class="border-b border-hairline" :data-back="row.name">
        <th scope="row" class="py-1 text-left font-normal">{{ row.name }}</th>
        <td class="py-1 pl-3 text-right">{{ row.jobs }}</td>
        <td class="py-1 pl-3 text-right font-semibold">{{ row.back }}</td>
        <td class="py-1 pl-3 text-right whitespace-nowrap text-soft">
          {{ percent(shareOf(row).low) }} to {{ percent(shareOf(row).high) }}
        </td>
      </tr>
    </tbody>
  </table>
</template>
