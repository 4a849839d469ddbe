<script setup lang="ts">
import { entryWords, sequenceWords, type RankedEntry } from '~~/core/bleed'
import type { Method } from '~~/core/journal'
import { CHANGE_WORDS, CONSTANT_WORDS } from './way-words'
import { useBleeding } from '~/job/useBleeding'
import { useJob } from '~/job/useJob'
import { useBleedSetting } from '~/job/useBleedSetting'
import { computed } from 'vue'
import { formatNow } from '~/units/units'

/** One way looked at closely: its figures as ranges, what they hang on, and what would change them. */
const props = defineProps<{ entry: RankedEntry }>()
const { asked, asIf, changes, changesProgress, choose, keyOf, restsOf, laid } = useBleeding()
const { id, state } = useJob()
const setting = useBleedSetting(id, state)
const format = computed(() => formatNow())
const words = computed(() => (asked.value ? entryWords(props.entry, asked.value, format.value) : ''))
const rests = computed(() => restsOf.value[keyOf(props.entry)] ?? null)
const usable = computed(() => laid.value?.master.usable ?? 60)
const span = ({ low, middle, high }: RankedEntry['cycles'], digits = 0) =>
  low.toFixed(digits) === high.toFixed(digits)
    ? middle.toFixed(digits)
    : `${low.toFixed(digits)} to ${high.toFixed(digits)}`
const volume = ({ low, high }: RankedEntry['fluid']) => {
  const [a, b] = [format.value.volume(1000 * low), format.value.volume(1000 * high)]
  return a === b ? a : `${a} to ${b}`
}
const rows = computed(() => {
  const { cycles, minutes, fluid, topUps, spill, residual } = props.entry
  return [
    ['Cycles', span(cycles)],
    ['Minutes, with setting up', span(minutes)],
    ['Fluid', `${volume(fluid)}, ${(fluid.middle / usable.value).toFixed(1)} reservoirs`],
    ['Top-ups', span(topUps)],
    ['Spilled, about', volume(spill)],
    ['Stays in the line', volume(residual.line)],
    ['Stays in the slave', volume(residual.slave)],
    ['Stays in the master', volume(residual.master)],
  ] as const
})
async function take() {
  const method: Method | null = await choose(props.entry)
  if (method) setting.value = { ...setting.value, method }
}
</script>

<template>
  <section aria-label="This way" data-way-detail>
    <h2 class="text-[1.15rem] leading-snug font-semibold">{{ sequenceWords(entry) }}</h2>
    <p class="mt-1">{{ words }}</p>
    <table class="mt-2 w-full">
      <caption class="sr-only">
        {{
          sequenceWords(entry)
        }}: ranges over what is not known for sure, eight of ten such circuits
      </caption>
      <tbody>
        <tr v-for="[name, value] in rows" :key="name" class="border-b border-hairline">
          <th scope="row" class="py-0.5 text-left font-normal text-soft">{{ name }}</th>
          <td class="text-right" :data-figure="name">{{ value }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="rests?.length" class="mt-2 border-l-4 border-amber pl-3" data-rests>
      Its place hangs on {{ rests.map((one) => CONSTANT_WORDS[one] ?? one).join('; on ') }}.
    </p>
    <p v-else-if="rests" class="mt-2 text-soft">Its place hangs on no one guess alone.</p>
    <div class="mt-3 flex flex-wrap gap-3">
      <button type="button" class="act" @click="take">Bleed it this way</button>
      <NuxtLink :to="`/jobs/${id}/bleed/inside`" class="quiet">Look inside</NuxtLink>
    </div>
    <section class="mt-4" aria-label="What would change it">
      <h3 class="place-name">What would change it</h3>
      <p v-if="changesProgress !== null && !changes" class="text-soft">Rerunning it otherwise …</p>
      <ul v-else-if="changes?.length" class="border-t border-hairline">
        <li v-for="one in changes" :key="one.change">
          <button
            type="button"
            class="flex min-h-11 w-full items-center gap-3 border-b border-hairline py-1 text-left hover:bg-raised"
            :aria-pressed="asIf === one.change"
            :class="asIf === one.change ? 'border-l-4 border-l-amber pl-2' : ''"
            :data-change="one.change"
            @click="asIf = asIf === one.change ? null : one.change"
          >
            <span class="min-w-0 grow leading-tight"
              >{{ CHANGE_WORDS[one.change].name }}
              <span class="block text-[0.9rem] text-soft">{{
                CHANGE_WORDS[one.change].how
              }}</span></span
            >
            <span class="shrink-0 text-right leading-tight whitespace-nowrap"
              ><strong>{{ Math.round(10 * one.chance) }}</strong> of 10
              <span class="block text-[0.9rem] text-soft"
                >{{ one.minutes.toFixed(0) }} min; now {{ Math.round(10 * one.before.chance) }},
                {{ one.before.minutes.toFixed(0) }} min</span
              ></span
            >
          </button>
        </li>
      </ul>
      <p class="text-[0.95rem] text-soft">
        Touch one, and everything is ranked as if it were so. Or drag the line above.
      </p>
    </section>
  </section>
</template>
