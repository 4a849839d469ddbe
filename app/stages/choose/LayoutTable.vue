<script setup lang="ts">
import { compareLayouts, usualLayouts, type LayoutRow } from '~~/core/layout'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'
import { computed } from 'vue'
import { symbolOf, inUnits } from '~/units/units'

/** Ways to lay the line, side by side: joints, pieces, minutes, swell, spare length and what is left at the pedal. */
const { file, problem, state } = useJob()
const { kept } = useDesk()
const rows = computed(() => (kept.value ? compareLayouts(kept.value, usualLayouts(kept.value)) : []))
const best = (pick: (row: LayoutRow) => number, more = false) => {
  const all = rows.value.map(pick)
  return more ? Math.max(...all) : Math.min(...all)
}
const changes = computed(() => state.value.circuitPlan?.payload.changes ?? [])
const keep = (row: LayoutRow) =>
  file('circuitPlan', {
    changes: [
      ...changes.value.filter(({ change }) => change !== 'lines'),
      { change: 'lines', lines: row.lines },
    ],
  })
const isPlan = (row: LayoutRow) =>
  changes.value.some(
    (one) => one.change === 'lines' && JSON.stringify(one.lines) === JSON.stringify(row.lines),
  )
</script>

<template>
  <section v-if="rows.length > 1" aria-labelledby="layouts">
    <h2 id="layouts" class="text-[1.1rem]">Layouts side by side</h2>
    <div class="relative overflow-x-auto">
      <table class="w-full text-right" data-layouts>
        <thead class="text-[0.95rem] text-soft">
          <tr>
            <th scope="col" class="text-left font-normal">layout</th>
            <th scope="col" class="font-normal">joints</th>
            <th scope="col" class="font-normal">pieces</th>
            <th scope="col" class="font-normal">minutes</th>
            <th scope="col" class="font-normal">swell, {{ symbolOf('mm³/MPa') }}</th>
            <th scope="col" class="font-normal">spare, {{ symbolOf('mm') }}</th>
            <th scope="col" class="font-normal">reserve, {{ symbolOf('mm') }}</th>
            <th><span class="sr-only">Keep</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id" class="border-b border-hairline" :data-layout="row.id">
            <th scope="row" class="text-left font-normal">{{ row.name }}</th>
            <td :class="{ 'font-semibold': row.joints === best((one) => one.joints) }">
              {{ row.joints }}
            </td>
            <td>{{ row.pieces }}</td>
            <td :class="{ 'font-semibold': row.minutes === best((one) => one.minutes) }">
              {{ row.minutes }}
            </td>
            <td :class="{ 'font-semibold': row.swell === best((one) => one.swell) }">
              {{ inUnits(row.swell, 'mm³/MPa') }}
            </td>
            <td :class="{ 'text-rust': row.spare < 0 }">{{ inUnits(row.spare, 'mm', 0) }}</td>
            <td :class="{ 'font-semibold': row.reserve === best((one) => one.reserve, true) }">
              {{ inUnits(row.reserve, 'mm') }}
            </td>
            <td>
              <button
                v-if="row.id !== 'asItIs'"
                type="button"
                class="quiet"
                :disabled="isPlan(row)"
                :aria-label="`Plan: ${row.name}`"
                @click="keep(row)"
              >
                {{ isPlan(row) ? 'planned' : 'Plan' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="text-[0.95rem] text-soft">
      Minutes to make every joint, by where it is; spare is length over the way that was drawn and a
      hose’s least slack. A line’s swell is its kind’s until it was measured. Bold: the best of them.
    </p>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
  </section>
</template>
