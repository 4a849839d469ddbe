<script setup lang="ts">
import { tell, type Entry } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { computed } from 'vue'
import { countOf } from '~~/core/words'
import { formatNow } from '~/units/units'
import { when } from '~/units/format'

/** The job as a story, day by day, of what stands: what was taken back or put right is told as it is now. */
const { state } = useJob()
const person = usePersonStore()
/** Small talk of the log is counted, not told line by line. */
const COUNTED = new Set<Entry['kind']>(['bleedCycle', 'step'])
const day = new Intl.DateTimeFormat('en-GB', {
  weekday: 'long',
  day: 'numeric',
  month: 'long',
  year: 'numeric',
})
interface Line {
  key: string
  words: string
  by: string
  /** By the workshop’s clock, where the device’s said another time. */
  filedAt?: string
}
const days = computed(() => {
  const list: { day: string; lines: Line[] }[] = []
  let cycles = 0
  let steps = 0
  let last: { lines: Line[] } | null = null
  const flush = () => {
    if (last && cycles > 0)
      last.lines.push({
        key: `c${last.lines.length}`,
        words: `Bled in ${countOf(cycles, 'cycle')}`,
        by: '',
      })
    if (last && steps > 0)
      last.lines.push({
        key: `s${last.lines.length}`,
        words: `${countOf(steps, 'step')} of the plan`,
        by: '',
      })
    cycles = steps = 0
  }
  for (const { holds } of state.value.history) {
    if (holds.kind === 'withdrawal') continue
    const name = day.format(new Date(holds.at))
    if (list.at(-1)?.day !== name) {
      flush()
      list.push({ day: name, lines: [] })
    }
    last = list.at(-1)!
    if (COUNTED.has(holds.kind)) {
      if (holds.kind === 'step') steps += 1
      else cycles += 1
      continue
    }
    flush()
    last.lines.push({
      key: holds.id,
      words: tell(holds, formatNow()),
      filedAt: holds.filedAt,
      by: person.names.get(holds.by) ?? '',
    })
  }
  flush()
  return list
})
</script>

<template>
  <section aria-labelledby="story" data-story>
    <h2 id="story" class="text-[1.1rem]">What happened</h2>
    <p v-if="days.length === 0" class="text-soft">Nothing has been filed yet.</p>
    <div v-for="one in days" :key="one.day" class="mt-2">
      <h3 class="place-name">{{ one.day }}</h3>
      <ul class="border-t border-hairline">
        <li v-for="line in one.lines" :key="line.key" class="flex gap-3 border-b border-hairline py-1">
          <span class="grow"
            >{{ line.words
            }}<span v-if="line.filedAt" class="text-soft"
              >, filed {{ when(line.filedAt) }} by the workshop’s clock</span
            ></span
          >
          <span class="shrink-0 text-[0.9rem] text-soft">{{ line.by }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>
