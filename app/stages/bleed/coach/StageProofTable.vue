<script setup lang="ts">
import { airBehind, PROOF_STAGES } from '~~/core/circuit'
import { useJob, useJobFigures } from '~/job/useJob'
import { computed } from 'vue'
import { PROOF_STAGE_WORDS } from '~~/core/words'
import { withUnits } from '~/units/units'

/** Proof in stages: the air behind each plug by its free travel, and so in each place. */
const { state } = useJob()
const { kept } = useJobFigures()
const rows = computed(() => {
  const circuit = kept.value?.circuit
  if (!circuit) return []
  return PROOF_STAGES.flatMap((stage) => {
    const held = state.value.bleed.stages[stage]
    if (!held) return []
    const { travel } = held.payload
    return [{ stage, travel, air: Math.max(0, airBehind(circuit, stage, travel)) }]
  })
})
/** A stage holds what the one before holds, and its own place. */
const PLACE = { master: 'master', masterAndLine: 'line', whole: 'slave' } as const
const grown = (i: number) => Math.max(0, rows.value[i]!.air - (rows.value[i - 1]?.air ?? 0))
</script>

<template>
  <section v-if="rows.length" aria-label="Proof in stages" data-stage-proof>
    <h2 class="place-name">Proof in stages</h2>
    <table class="w-full border-t border-hairline text-left">
      <thead class="text-[0.9rem] text-soft">
        <tr>
          <th class="font-normal">Plugged behind</th>
          <th class="text-right font-normal">Free travel</th>
          <th class="text-right font-normal">Air in it</th>
          <th class="text-right font-normal">Of that, here</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(row, i) in rows"
          :key="row.stage"
          class="border-t border-hairline"
          :data-stage="row.stage"
        >
          <th class="py-1 font-normal">{{ PROOF_STAGE_WORDS[row.stage] }}</th>
          <td class="text-right">{{ withUnits(row.travel, 'mm') }}</td>
          <td class="text-right">
            <strong>{{ withUnits(row.air, 'mm³') }}</strong>
          </td>
          <td class="text-right text-soft">{{ PLACE[row.stage] }} {{ withUnits(grown(i), 'mm³') }}</td>
        </tr>
      </tbody>
    </table>
    <p class="text-[0.95rem] text-soft">
      By a light foot, {{ withUnits(20, 'N') }}. With the outlet plugged nothing moves but air, swell
      and slack.
    </p>
  </section>
</template>
