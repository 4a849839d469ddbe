<script setup lang="ts">
import { fits, findingKind, NOISE_PLACES, type FindingId } from '~~/core/diagnosis'
import { useJob, useJobFigures } from '~/job/useJob'
import { useDiagnosis } from '~/job/useDiagnosis'
import { computed } from 'vue'
import PlaceCaution from '~/stages/find/PlaceCaution.vue'
import OnOff from '~/components/frame/OnOff.vue'

/** The hunt for a squeak or a rattle: place by place while a helper works the pedal; each is ringed on the line. */
const { state, file } = useJob()
const { installation } = useJobFigures()
const { conditions } = useDiagnosis()
const places = computed(() =>
  NOISE_PLACES.filter(
    ({ finding }) => !installation.value || fits(findingKind(finding).only, installation.value),
  ),
)
const said = (finding: FindingId) => state.value.found.asFound[finding]?.payload.state
/** Gone says more than loud: kept in words beside the finding. */
const goneWords = (label: string) => `Noise gone while the ${label.toLowerCase()} was held or oiled`
const gone = (label: string) =>
  state.value.notes.some(({ payload }) => payload.words === goneWords(label))
const HEARD = [
  { heard: 'louder', words: 'Louder' },
  { heard: 'same', words: 'Same' },
  { heard: 'gone', words: 'Gone' },
] as const
type Heard = (typeof HEARD)[number]['heard']
function isOn(finding: FindingId, label: string, heard: Heard): boolean {
  const is = said(finding)
  if (heard === 'same') return is === 'absent'
  return is === 'present' && gone(label) === (heard === 'gone')
}
async function say(finding: FindingId, label: string, heard: Heard) {
  const again = isOn(finding, label, heard)
  const next = again ? 'notLooked' : heard === 'same' ? 'absent' : 'present'
  if (!(await file('finding', { finding, state: next, phase: 'asFound' }))) return
  if (heard === 'gone' && !again && !gone(label)) await file('note', { words: goneWords(label) })
}
const loudest = computed(() => places.value.filter(({ finding }) => said(finding) === 'present'))
</script>

<template>
  <section aria-labelledby="noise-hunt">
    <h2 id="noise-hunt" class="sr-only">Where the noise is</h2>
    <PlaceCaution>
      Engine off. Nobody’s hands at rod or fork while the pedal moves; underneath only on rated stands.
    </PlaceCaution>
    <p class="py-1">
      The helper presses slowly, right down and right up, until told to stop. You go from place to place
      and listen with a hand on it. <strong>Louder</strong> here than elsewhere, the
      <strong>same</strong>, or <strong>gone</strong> while you hold or oil it: gone means it comes from
      there too.
    </p>
    <p v-if="!conditions.helper" class="font-semibold">
      Alone? Prop the pedal half way and rock it with a bar, so that your head can be at the place.
    </p>
    <ol class="border-t border-hairline">
      <li v-for="(place, i) in places" :key="place.finding" class="border-b border-hairline py-1">
        <div
          class="flex flex-wrap items-center gap-2"
          role="group"
          :aria-label="`Noise at the ${place.label.toLowerCase()}`"
        >
          <span class="min-w-0 grow basis-40">
            <strong>{{ i + 1 }}. {{ place.label }}</strong>
            <span class="block text-[0.95rem] leading-tight text-soft">{{ place.hand }}</span>
          </span>
          <span class="flex gap-2">
            <OnOff
              v-for="one in HEARD"
              :key="one.heard"
              :on="isOn(place.finding, place.label, one.heard)"
              :aria-label="`${place.label}: ${one.words}`"
              class="min-h-13"
              @click="say(place.finding, place.label, one.heard)"
            >
              {{ one.words }}
            </OnOff>
          </span>
        </div>
      </li>
    </ol>
    <p v-if="loudest.length" role="status" class="py-2" data-loudest>
      It comes from:
      <strong>{{ loudest.map(({ label }) => label.toLowerCase()).join(', ') }}</strong>. What that may
      be stands with the suspects.
    </p>
  </section>
</template>
