<script setup lang="ts">
import { findingKind, type FindingId } from '~~/core/diagnosis'
import type { Entry, Phase } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { computed, ref } from 'vue'
import { usePhotos } from '~/job/usePhotos'
import LateEntries from '~/components/job/LateEntries.vue'
import PhotoStrip from '~/components/photo/PhotoStrip.vue'
import PhotoButton from '~/components/photo/PhotoButton.vue'

/** One finding: present, absent or not looked at, in one tap. */
const props = defineProps<{ finding: FindingId; phase: Phase; owed?: string }>()
const job = useJob()
const { state, file } = job
const kind = computed(() => findingKind(props.finding))
const said = computed(() => state.value.found[props.phase][props.finding]?.payload.state ?? 'notLooked')
const opened = ref(false)
const held = computed(() => state.value.found[props.phase][props.finding])
/** Of this finding, also as it was before it was said again. */
const isOfThis = (entry: Entry) =>
  entry.kind === 'finding' &&
  entry.payload.finding === props.finding &&
  entry.payload.phase === props.phase
const { photos, setWords, takeBack } = usePhotos(
  job,
  ({ of }) => of !== undefined && job.entries.value.some((entry) => entry.id === of && isOfThis(entry)),
)

const choices = computed(() => [
  { state: 'present' as const, words: kind.value.present },
  { state: 'absent' as const, words: kind.value.absent },
])
function say(choice: 'present' | 'absent') {
  // The same tap again takes the answer back to not looked at.
  const state = said.value === choice ? 'notLooked' : choice
  void file('finding', { finding: props.finding, state, phase: props.phase })
}
</script>

<template>
  <div class="border-b border-hairline" role="group" :aria-label="kind.label">
    <div class="flex min-h-12 flex-wrap items-center gap-x-2">
      <button
        type="button"
        class="min-h-11 min-w-0 grow basis-32 text-left leading-tight hover:underline"
        :aria-expanded="opened"
        @click="opened = !opened"
      >
        {{ owed ?? kind.label }}
      </button>
      <span class="ml-auto flex gap-x-2">
        <button
          v-for="choice in choices"
          :key="choice.state"
          type="button"
          class="tap min-w-20 shrink-0 border px-2 leading-tight"
          :class="
            said !== choice.state
              ? 'border-hairline text-soft'
              : choice.state === 'present'
                ? 'border-ink bg-ink font-semibold text-ground'
                : 'border-ink font-semibold'
          "
          :aria-pressed="said === choice.state"
          @click="say(choice.state)"
        >
          {{ choice.words }}
        </button>
      </span>
    </div>
    <LateEntries v-if="held?.late" :late="held.late" kind="finding" />
    <PhotoStrip
      :photos="photos"
      :label="`Photographs: ${kind.label}`"
      @words="setWords"
      @take-back="takeBack"
    />
    <p v-if="opened && held && said !== 'notLooked'" class="pb-1">
      <PhotoButton :filing="job" :of="held.id" :label="kind.label" />
    </p>
    <div v-if="opened" class="pb-2 text-[0.95rem] text-soft">
      <p>{{ kind.how }} {{ kind.reason }}</p>
      <p>{{ kind.minutes }} min, {{ kind.tools }}.</p>
      <p v-if="kind.caution" class="font-semibold text-ink">{{ kind.caution }}</p>
    </div>
  </div>
</template>
