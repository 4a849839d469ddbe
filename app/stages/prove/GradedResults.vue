<script setup lang="ts">
import {
  COMPLAINTS,
  faultKind,
  FINDINGS,
  REPAIRS,
  type ComplaintId,
  type FaultId,
  type FindingId,
} from '~~/core/diagnosis'
import { GRADES, type Grade } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { useDiagnosis } from '~/job/useDiagnosis'
import { onMounted, onBeforeUnmount, computed } from 'vue'
import { GRADE_WORDS } from '~~/core/words'
import OnOff from '~/components/frame/OnOff.vue'
import KeptInput from '~/components/frame/KeptInput.vue'

/** What was felt or heard, and how it is now: gone, less or the same; a partial cure keeps its remaining cause. */
const { state, file } = useJob()
const { left: after, watched } = useDiagnosis()
onMounted(() => (watched.value = true))
onBeforeUnmount(() => (watched.value = false))

type Felt = { id: ComplaintId | FindingId; label: string }
const felt = computed((): Felt[] => [
  ...state.value.complaints.map(({ complaint }) => ({
    id: complaint,
    label: COMPLAINTS.find((one) => one.id === complaint)!.label,
  })),
  ...FINDINGS.filter(
    (one) =>
      'felt' in one && one.felt && state.value.found.asFound[one.id]?.payload.state === 'present',
  ).map(({ id, label, present }) => ({ id, label: `${label}: ${present}` })),
])
const graded = (id: Felt['id']) => state.value.graded[id]?.payload
/** What may be left, likeliest first, by what was felt and seen after the work; not what that rules out, or the work cured. */
const MOST_LEFT = 8
const LEAST_CHANCE = 0.02
const cured = computed(() => {
  const done = new Set<string>(state.value.workDone.map(({ payload }) => payload.operation))
  return new Set(REPAIRS.filter(({ id }) => done.has(id)).flatMap(({ cures }) => cures))
})
const left = computed(() =>
  (after.value?.suspects ?? [])
    .filter(({ fault, chance }) => chance >= LEAST_CHANCE && !cured.value.has(fault))
    .slice(0, MOST_LEFT)
    .map(({ fault }) => fault),
)
const offered = (id: Felt['id']) => {
  const chosen = graded(id)?.remaining
  return chosen && !left.value.includes(chosen) ? [chosen, ...left.value] : left.value
}
function grade(id: Felt['id'], value: Grade) {
  const before = graded(id)
  void file('graded', {
    of: id,
    grade: value,
    ...(value !== 'gone' && before?.remaining && { remaining: before.remaining }),
    ...(value !== 'gone' && before?.words && { words: before.words }),
  })
}
function remaining(id: Felt['id'], fault: string) {
  const { words } = graded(id)!
  void file('graded', {
    of: id,
    grade: graded(id)!.grade,
    ...(fault && { remaining: fault as FaultId }),
    ...(words && { words }),
  })
}
function note(id: Felt['id'], words: string) {
  const before = graded(id)!
  const text = words.trim().slice(0, 400)
  void file('graded', {
    of: id,
    grade: before.grade,
    ...(before.remaining && { remaining: before.remaining }),
    ...(text && { words: text }),
  })
}
</script>

<template>
  <section v-if="felt.length" aria-labelledby="graded" class="mb-2">
    <h2 id="graded" class="place-name">Felt and heard, now</h2>
    <div v-for="one in felt" :key="one.id" class="border-b border-hairline py-1" :data-graded="one.id">
      <div class="flex flex-wrap items-center gap-2">
        <span class="min-w-0 grow basis-40">{{ one.label }}</span>
        <span class="ml-auto flex shrink-0 gap-2">
          <OnOff
            v-for="value in GRADES"
            :key="value"
            :on="graded(one.id)?.grade === value"
            :aria-label="`${one.label}: ${GRADE_WORDS[value]}`"
            @click="grade(one.id, value)"
          >
            {{ GRADE_WORDS[value] }}
          </OnOff>
        </span>
      </div>
      <div v-if="graded(one.id) && graded(one.id)!.grade !== 'gone'" class="flex flex-wrap gap-2 pt-1">
        <select
          class="field w-auto grow basis-60"
          :aria-label="`What is left of: ${one.label}`"
          :value="graded(one.id)!.remaining ?? ''"
          @change="remaining(one.id, ($event.target as HTMLSelectElement).value)"
        >
          <option value="">Remaining cause not known yet</option>
          <option v-for="fault in offered(one.id)" :key="fault" :value="fault">
            {{ faultKind(fault).label }}
          </option>
        </select>
        <KeptInput
          class="field grow basis-60"
          maxlength="400"
          :value="graded(one.id)!.words ?? ''"
          :aria-label="`What is done about it: ${one.label}`"
          placeholder="part ordered, look again on …"
          @change="note(one.id, $event)"
        />
      </div>
    </div>
  </section>
</template>
