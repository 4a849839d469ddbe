<script setup lang="ts">
import { faultKind, findingKind, readingKind, type SuspectTold } from '~~/core/diagnosis'
import { useDiagnosis } from '~/job/useDiagnosis'
import { ref, computed } from 'vue'
import { chanceWords } from '~~/core/words'
import { observationLabel, seconds } from '~/units/describe'
import { millimetres } from '~/units/format'

/** The suspects as they move with each entry; each opens to what speaks for it and against. */
const { told, before, pooled } = useDiagnosis()
const opened = ref<string | null>(null)
const all = ref(false)
/** Fewer than this and it is no suspect, until all are asked for. */
const LEAST = 0.04
const MOST = 5

const list = computed(() => {
  const suspects = told.value?.suspects ?? []
  return all.value ? suspects : suspects.filter(({ chance }) => chance >= LEAST).slice(0, MOST)
})
/** How it moved with the last entry, in words; nothing where it hardly did. */
function moved({ fault, chance }: SuspectTold): string {
  const was = before.value.get(fault)
  if (was === undefined || Math.abs(chance - was) < 0.03) return ''
  return `${chance > was ? 'up' : 'down'} from ${chanceWords(was)}`
}
/** Its chance before anything was known, and how far this shop’s own jobs have moved it. */
function prior({ fault }: SuspectTold): string {
  const table = faultKind(fault).prior[0]
  const now = pooled.value.priors[fault] ?? table
  const percent = (chance: number) => `${(100 * chance).toFixed(1)} %`
  return Math.abs(Math.log(now / table)) < 0.02
    ? percent(table)
    : `${percent(now)}; ${percent(table)} before this shop’s ${pooled.value.jobs} closed jobs`
}
type Reason = SuspectTold['reasons'][number]
function reasonWords(reason: Reason): string {
  if (reason.kind === 'complaint') return observationLabel(reason.id)
  if (reason.kind === 'finding') {
    const kind = findingKind(reason.id)
    return `${kind.label}: ${kind[reason.state]}`
  }
  const over = reason.duration === undefined ? '' : ` in ${seconds(reason.duration)}`
  return `${readingKind(reason.id).label} ${millimetres(reason.value)}${over}`
}
/** How many times likelier with the fault than without it. */
const times = ({ weight }: Reason) => {
  const ratio = Math.exp(Math.abs(weight))
  return ratio > 99 ? 'over 99' : ratio < 9.5 ? ratio.toFixed(1) : ratio.toFixed(0)
}
const speaking = (suspect: SuspectTold) =>
  suspect.reasons.filter(({ weight }) => Math.abs(weight) > 0.1)
</script>

<template>
  <section aria-labelledby="suspects">
    <div class="flex items-baseline gap-2">
      <h2 id="suspects" class="grow text-[1.1rem]">Suspects</h2>
      <button type="button" class="tap text-[0.95rem] underline" @click="all = !all">
        {{ all ? 'Only the likely' : 'All' }}
      </button>
    </div>
    <ol>
      <li
        v-for="suspect in list"
        :key="suspect.fault"
        class="border-b border-hairline"
        :data-suspect="suspect.fault"
      >
        <button
          type="button"
          class="flex min-h-11 w-full items-center gap-x-3 text-left leading-tight"
          :aria-expanded="opened === suspect.fault"
          @click="opened = opened === suspect.fault ? null : suspect.fault"
        >
          <span class="min-w-0 grow py-1"
            >{{ faultKind(suspect.fault).label
            }}<span v-if="suspect.severity && suspect.chance > 0.3" class="text-soft"
              >, {{ suspect.severity.label }}</span
            >
            <span v-if="moved(suspect)" class="text-[0.9rem] text-soft">&#32;{{ moved(suspect) }}</span>
          </span>
          <span class="relative h-3 w-14 shrink-0 border sm:w-24 border-edge" aria-hidden="true">
            <span
              class="absolute inset-y-0 left-0 bg-ink"
              :style="{ width: `${100 * suspect.chance}%` }"
            />
          </span>
          <strong class="w-22 shrink-0 text-right" data-chance>{{
            chanceWords(suspect.chance)
          }}</strong>
        </button>
        <div v-if="opened === suspect.fault" class="pb-2 text-[0.95rem]">
          <p v-if="speaking(suspect).length === 0" class="text-soft">
            Nothing found so far speaks for it or against it. {{ faultKind(suspect.fault).prior[1] }}
          </p>
          <ul v-else>
            <li
              v-for="reason in speaking(suspect)"
              :key="`${reason.kind}${reason.id}`"
              class="flex items-baseline gap-2"
            >
              <span
                class="w-28 shrink-0 text-right font-semibold"
                :class="{ 'text-soft': reason.weight < 0 }"
                >{{ times(reason) }} × {{ reason.weight > 0 ? 'for' : 'against' }}</span
              >
              <span class="min-w-0">{{ reasonWords(reason) }}</span>
            </li>
          </ul>
          <p class="pt-1 text-soft">
            Before anything was known: {{ prior(suspect) }}.
            {{ faultKind(suspect.fault).hydraulic ? 'Hydraulic.' : 'Not hydraulic.' }}
          </p>
        </div>
      </li>
    </ol>
    <p v-if="list.length === 0" class="py-1 text-soft">No fault stands out yet.</p>
  </section>
</template>
