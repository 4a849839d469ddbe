<script setup lang="ts">
import { InputError, LOAD_POINT, readCircuit } from '~~/core/circuit'
import { numberIn, stored } from '~~/core/quantity'
import { useDesk } from '~/job/useDesk'
import { computed, ref } from 'vue'
import { asTyped, unitsNow, symbolOf, inUnits } from '~/units/units'

/** The cover's load over the bearing's travel, point by point: assumed as a shape, typed where somebody knows it. */
const { kept, filing } = useDesk()
const points = computed(() => kept.value?.circuit.cover.releaseLoad ?? [])
const assumed = computed(() => kept.value?.assumed.includes('load') ?? false)
const rows = ref<[string, string][] | null>(null)
const problem = ref('')

function edit() {
  rows.value = points.value.map(([travel, load]) => [asTyped(travel, 'mm'), asTyped(load, 'N')])
  problem.value = ''
}
async function keep() {
  const now = kept.value
  if (!now || !rows.value) return
  const read = rows.value.map(([travel, load]) => [numberIn(travel), numberIn(load)])
  const bad = read.findIndex(([travel, load]) => travel === null || load === null)
  if (bad >= 0) {
    problem.value = `Row ${bad + 1} is not a number`
    return
  }
  const releaseLoad = read.map(([travel, load]): [number, number] => [
    stored(travel!, 'mm', unitsNow()),
    stored(load!, 'N', unitsNow()),
  ])
  const next = {
    ...now,
    circuit: { ...now.circuit, cover: { ...now.circuit.cover, releaseLoad } },
    assumed: now.assumed.filter((path) => path !== 'load'),
  }
  try {
    readCircuit(next.circuit)
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    const row = /releaseLoad\/(\d+)/.exec(error.path)
    problem.value = row ? `Row ${Number(row[1]) + 1}: ${error.message}` : error.message
    return
  }
  if (await filing.file('installation', next)) rows.value = null
}
</script>

<template>
  <section class="mt-4" aria-label="Load of the cover">
    <h3 class="place-name">
      Load of the cover over bearing travel<template v-if="assumed">, its shape assumed</template>
    </h3>
    <table class="mt-1">
      <thead class="text-left text-soft">
        <tr>
          <th scope="col" class="pr-6 font-normal">Bearing, {{ symbolOf('mm') }}</th>
          <th scope="col" class="font-normal">Load, {{ symbolOf('N') }}</th>
        </tr>
      </thead>
      <tbody v-if="rows">
        <tr v-for="(row, i) in rows" :key="i">
          <td class="pr-2">
            <input
              v-model="row[0]"
              class="field w-28"
              inputmode="decimal"
              :aria-label="`Bearing travel, row ${i + 1}`"
            />
          </td>
          <td class="flex gap-1">
            <input
              v-model="row[1]"
              class="field w-28"
              inputmode="decimal"
              :aria-label="`Load, row ${i + 1}`"
            />
            <button
              type="button"
              class="quiet"
              :disabled="rows.length <= LOAD_POINT.least"
              :aria-label="`Take row ${i + 1} out`"
              @click="rows.splice(i, 1)"
            >
              −
            </button>
          </td>
        </tr>
      </tbody>
      <tbody v-else>
        <tr v-for="([travel, load], i) in points" :key="i" class="border-b border-hairline">
          <td class="py-1 pr-6 text-right">{{ inUnits(travel, 'mm') }}</td>
          <td class="py-1 text-right">{{ inUnits(load, 'N') }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="problem" role="alert" class="mt-1 font-semibold text-rust">{{ problem }}.</p>
    <p class="mt-2 flex gap-2">
      <template v-if="rows">
        <button type="button" class="act" @click="keep">Keep these loads</button>
        <button
          type="button"
          class="quiet"
          :disabled="rows.length >= LOAD_POINT.most"
          @click="rows.push(['', ''])"
        >
          Add a row
        </button>
        <button type="button" class="quiet" @click="rows = null">Leave as it was</button>
      </template>
      <button v-else type="button" class="quiet" @click="edit">Type the loads</button>
    </p>
  </section>
</template>
