<script setup lang="ts">
import type { Layout } from '~~/core/layout'
import type { SizingOption } from '~~/core/sizing'
import { ref, computed } from 'vue'
import { inUnits, symbolOf } from '~/units/units'
import { ADVICE_WORDS } from '~~/core/words'
import OnOff from '~/components/frame/OnOff.vue'

/** Every combination with its figures: what nothing beats first, then the rest by force. */
const props = defineProps<{
  options: SizingOption[]
  present: SizingOption
  layouts: readonly Layout[]
  picked: number | null
  compared: readonly number[]
  only: ReadonlySet<number> | null
  label: (option: SizingOption) => string
}>()
defineEmits<{ pick: [at: number]; compare: [at: number]; all: [] }>()
const ROWS = 12
const whole = ref(false)
const rows = computed(() =>
  props.options
    .map((option, at) => ({ option, at }))
    .filter(({ at }) => !props.only || props.only.has(at))
    .sort(
      (a, b) =>
        Number(b.option.front) - Number(a.option.front) ||
        a.option.padForcePeak - b.option.padForcePeak,
    ),
)
const shown = computed(() => (whole.value ? rows.value : rows.value.slice(0, ROWS)))
const reach = ({ releases, reserve }: { releases: boolean; reserve: number }) =>
  releases ? inUnits(reserve, 'mm') : `${inUnits(reserve, 'mm')} ✕`
const severalLines = computed(() => props.options.some(({ lines }) => lines !== null))
const severalRatios = computed(() => new Set(props.options.map(({ ratio }) => ratio)).size > 1)
const hasRoom = computed(() => props.present.roomLeft !== null)
</script>

<template>
  <section aria-label="Combinations">
    <p v-if="only" class="flex items-center gap-3">
      {{ only.size }} in the marked area.
      <button type="button" class="tap underline" @click="$emit('all')">Show all</button>
    </p>
    <div class="relative overflow-x-auto">
      <table class="w-full text-right" data-sizing>
        <caption class="sr-only">
          Combinations of master and slave: pad force, reserve in each state, advice
        </caption>
        <thead class="text-[0.95rem] text-soft">
          <tr>
            <th scope="col" class="text-left font-normal">master : slave</th>
            <th v-if="severalRatios" scope="col" class="font-normal">ratio</th>
            <th v-if="severalLines" scope="col" class="text-left font-normal">line</th>
            <th scope="col" class="font-normal">force, {{ symbolOf('N') }}</th>
            <th scope="col" class="font-normal">reserve, {{ symbolOf('mm') }}</th>
            <th scope="col" class="font-normal">new disc</th>
            <th scope="col" class="font-normal">worst</th>
            <th v-if="hasRoom" scope="col" class="font-normal">room</th>
            <th scope="col" class="pl-3 text-left font-normal">advice</th>
            <th scope="col"><span class="sr-only">On the ladder</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ option, at } in shown"
            :key="at"
            class="border-b border-hairline"
            :class="at === picked ? 'bg-raised font-semibold' : ''"
            :data-option="label(option)"
          >
            <th scope="row" class="text-left font-normal">
              <button
                type="button"
                class="min-h-11 w-full text-left whitespace-nowrap"
                :class="at === picked ? 'font-semibold' : ''"
                :aria-pressed="at === picked"
                @click="$emit('pick', at)"
              >
                <span aria-hidden="true">{{ option.front ? '● ' : '' }}</span>{{ label(option)
                }}<span v-if="option.front" class="sr-only">, none better</span>
              </button>
            </th>
            <td v-if="severalRatios">{{ option.ratio }}</td>
            <td v-if="severalLines" class="text-left text-[0.95rem]">
              {{ layouts[option.lines ?? 0]?.name }}
            </td>
            <td data-figure="force">{{ inUnits(option.padForcePeak, 'N') }}</td>
            <td data-figure="reserve">{{ reach(option) }}</td>
            <td data-figure="newDisc">{{ reach(option.newDisc) }}</td>
            <td data-figure="worst">{{ reach(option.worst) }}</td>
            <td v-if="hasRoom">{{ option.roomLeft === null ? '' : inUnits(option.roomLeft, 'mm') }}</td>
            <td class="pl-3 text-left text-[0.95rem] leading-tight" data-advice>
              {{ ADVICE_WORDS[option.advice] }}
            </td>
            <td>
              <OnOff
                :on="compared.includes(at)"
                :aria-label="`${label(option)} on the ladder`"
                @click="$emit('compare', at)"
                >ladder</OnOff
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <button
      v-if="rows.length > ROWS"
      type="button"
      class="tap underline"
      :aria-expanded="whole"
      @click="whole = !whole"
    >
      {{ whole ? 'Fewer' : `All ${rows.length}` }}
    </button>
    <p class="text-[0.95rem] text-soft">
      ✕ does not free the disc in that state. Up to three stand beside each other on the ladder.
    </p>
  </section>
</template>
