<script setup lang="ts">
import { HEXES, hexesNear, THREADS_IN_USE, WRENCHES } from '~~/core/fitting'
import { ref, computed } from 'vue'
import { typedWithin, symbolOf, boundsIn } from '~/units/units'

/** Which wrench fits a hex, which other also goes on, which must not; and the threads that lines are found with. */
const text = ref('')
const FLATS = { min: 5, max: 40 }
const flats = computed(() => typedWithin(text.value, 'mm', FLATS))
const shown = computed(() => (flats.value === null ? HEXES : hexesNear(flats.value)))
const wrong = computed(() => text.value.trim() !== '' && flats.value === null)
</script>

<template>
  <div>
    <details>
      <summary class="min-h-11 py-2">Wrenches for a hex</summary>
      <label class="flex items-center gap-2">
        Measured across the flats, {{ symbolOf('mm') }}
        <input v-model="text" class="field w-24" inputmode="decimal" :aria-invalid="wrong" />
      </label>
      <p v-if="wrong" role="alert" class="font-semibold text-rust">Give {{ boundsIn(FLATS, 'mm') }}.</p>
      <p v-else-if="shown.length === 0">
        None of the usual ones: measure again across two other flats, and clean them first.
      </p>
      <div class="relative overflow-x-auto">
        <table v-if="shown.length" class="w-full text-left text-[0.95rem]" data-hexes>
          <thead class="text-soft">
            <tr>
              <th scope="col" class="font-normal">hex</th>
              <th scope="col" class="font-normal">fits</th>
              <th scope="col" class="font-normal">also goes on</th>
              <th scope="col" class="font-normal">must not</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="hex in shown" :key="hex.name" class="border-b border-hairline align-top">
              <th scope="row" class="pr-2 font-semibold">
                {{ hex.name }}<span class="block font-normal text-soft">{{ hex.on }}</span>
              </th>
              <td class="pr-2">{{ hex.fits }}</td>
              <td class="pr-2">{{ hex.alsoGoesOn ?? 'none' }}</td>
              <td>
                {{ hex.mustNot }}<span class="block text-soft">{{ hex.reason }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <dl class="mt-2 text-[0.95rem]">
        <template v-for="one in WRENCHES" :key="one.id">
          <dt class="font-semibold">{{ one.label }}</dt>
          <dd class="pb-1">{{ one.needs }}</dd>
        </template>
      </dl>
    </details>
    <details>
      <summary class="min-h-11 py-2">Threads that lines are found with</summary>
      <ul class="text-[0.95rem]">
        <li v-for="one in THREADS_IN_USE" :key="one.thread" class="border-b border-hairline py-1">
          <strong>{{ one.thread }}</strong> {{ one.where }}.
          <span class="text-soft">{{ one.reason }}</span>
        </li>
      </ul>
    </details>
  </div>
</template>
