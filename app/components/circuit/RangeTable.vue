<script setup lang="ts">
import type { CoreUnit } from '~~/core/quantity'
import { symbolOf, inUnits } from '~/units/units'

/** Figures as far as they are known: nine cases in ten lie between from and to. */
defineProps<{
  rows: {
    name: string
    label: string
    unit: CoreUnit
    range: { low: number; middle: number; high: number }
  }[]
  /** What the figures are called in `data-range`, for those who look them up. */
  of: string
}>()
</script>

<template>
  <table class="w-full text-right">
    <caption class="sr-only">
      Nine cases in ten
    </caption>
    <thead class="text-soft">
      <tr>
        <th scope="col" class="text-left font-normal">nine cases in ten</th>
        <th scope="col" class="font-normal">from</th>
        <th scope="col" class="font-normal">middle</th>
        <th scope="col" class="font-normal">to</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.name" class="border-b border-hairline">
        <th scope="row" class="py-1 text-left font-normal">
          {{ row.label }}, {{ symbolOf(row.unit) }}
        </th>
        <td :data-range="`${of}-${row.name}-low`">{{ inUnits(row.range.low, row.unit) }}</td>
        <td class="font-semibold">{{ inUnits(row.range.middle, row.unit) }}</td>
        <td :data-range="`${of}-${row.name}-high`">{{ inUnits(row.range.high, row.unit) }}</td>
      </tr>
    </tbody>
  </table>
</template>
