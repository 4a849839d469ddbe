<script setup lang="ts">
import { MOST_SWITCHES, SWITCH_DOES, type PedalSwitch } from '~~/core/installation'
import { useDesk } from '~/job/useDesk'
import { computed, ref } from 'vue'
import { readWithin } from '~/lib/number'
import KeptInput from '~/components/frame/KeptInput.vue'

/** Switches that the pedal or the master works, with the threads that showed as they were found. */
const props = defineProps<{ at: 'pedal' | 'master' }>()
const { kept, filing } = useDesk()
const DOES = { start: 'starting', cruise: 'cruise control', other: 'another' } as const
const all = computed(() => kept.value?.switches ?? [])
const own = computed(() =>
  all.value.map((one, i) => ({ ...one, i })).filter(({ at }) => at === props.at),
)
const set = (switches: PedalSwitch[]) =>
  kept.value && filing.file('installation', { ...kept.value, switches })
const THREADS = { min: 0, max: 60 }
const wrong = ref('')
function setThreads(i: number, text: string) {
  wrong.value = ''
  const value = text.trim() === '' ? undefined : readWithin(text, THREADS)
  if (value === null) {
    wrong.value = 'Threads showing: 0 to 60'
    return
  }
  void set(
    all.value.map(({ threads: _, ...rest }, k) =>
      k === i ? { ...rest, ...(value !== undefined && { threads: value }) } : all.value[k]!,
    ),
  )
}
</script>

<template>
  <section aria-labelledby="switches" class="mt-3">
    <h3 id="switches" class="place-name">Switches</h3>
    <p v-if="own.length === 0" class="text-soft">None is noted.</p>
    <p
      v-for="one in own"
      :key="one.i"
      class="flex flex-wrap items-center gap-2 border-b border-hairline py-0.5"
    >
      <select
        class="field w-auto"
        aria-label="What the switch does"
        :value="one.does"
        @change="
          set(
            all.map((other, k) =>
              k === one.i
                ? { ...other, does: ($event.target as HTMLSelectElement).value as PedalSwitch['does'] }
                : other,
            ),
          )
        "
      >
        <option v-for="does in SWITCH_DOES" :key="does" :value="does">{{ DOES[does] }}</option>
      </select>
      <label class="flex grow items-center gap-2"
        >threads showing
        <KeptInput
          class="field w-20"
          inputmode="numeric"
          :value="one.threads === undefined ? '' : String(one.threads)"
          @change="setThreads(one.i, $event)"
      /></label>
      <button type="button" class="quiet" @click="set(all.filter((_, k) => k !== one.i))">
        Remove
      </button>
    </p>
    <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}.</p>
    <button
      type="button"
      class="tap underline"
      :disabled="all.length >= MOST_SWITCHES"
      @click="set([...all, { does: 'start', at }])"
    >
      Add a switch
    </button>
  </section>
</template>
