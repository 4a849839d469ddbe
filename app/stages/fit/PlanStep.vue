<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { asFoundKind } from '~~/core/journal'
import {
  notePlaces,
  SURPRISES,
  surpriseWords,
  type RecordName,
  type Step,
  type SurpriseKind,
} from '~~/core/plan'
import { isRecorded, RECALLED_AS, recalled, RECORD_WORDS } from '~~/core/proof'
import { useJob, useJobFigures } from '~/job/useJob'
import { usePlan } from '~/job/usePlan'
import { useModelNotes } from '~/job/useModelNotes'
import { ref, watch, computed } from 'vue'
import { readWithin } from '~/lib/number'
import { isTyping } from '~/lib/keys'
import { formatNow } from '~/units/units'
import { cautionWords } from '~~/core/words'
import ReadingField from '~/components/job/ReadingField.vue'
import AsFoundField from '~/stages/fit/AsFoundField.vue'
import ParameterField from '~/components/circuit/ParameterField.vue'

/** The step that is next, large enough for gloves and bad light: done, left out with a reason, or something turned up. */
const props = defineProps<{ step: Step; large?: boolean }>()
const job = useJob()
const { state } = job
const { kept } = useJobFigures()
const { file, stopped } = usePlan()
const { model, own, earlier } = useModelNotes()
const minutes = ref('')
const leaving = ref(false)
const reason = ref('')
const noting = ref(false)
const note = ref('')
watch(
  () => props.step.id,
  () => {
    minutes.value = ''
    leaving.value = false
    reason.value = ''
  },
)
const MINUTES = { min: 0, max: 10_000 }
const wrong = computed(() => minutes.value.trim() !== '' && readWithin(minutes.value, MINUTES) === null)
/** Something that is on would be spoiled, or would spoil this: it comes off first. */
const waits = computed(() => stopped(props.step))
async function done() {
  if (wrong.value || waits.value.length > 0) return
  const value = readWithin(minutes.value, MINUTES)
  await file('step', {
    step: props.step.id,
    act: 'done',
    ...(minutes.value.trim() !== '' && value !== null && { minutes: value }),
  })
}
const skip = () =>
  file('step', { step: props.step.id, act: 'skipped', reason: reason.value.trim().slice(0, 400) })
const turnedUp = (kind: string) =>
  kind && file('surprise', { at: props.step.id, kind: kind as SurpriseKind })
useEventListener('keydown', (event: KeyboardEvent) => {
  if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'd') void done()
  if (event.key === 'x') leaving.value = !leaving.value
})

/** What this step writes down, in the form in which each is filed. */
const records = computed(() =>
  props.step.records.flatMap((name) => {
    const as = RECALLED_AS[name as RecordName]
    return as ? [{ name: name as RecordName, as, told: isRecorded(state.value, name) }] : []
  }),
)
const brought = computed(() =>
  props.step.recalls.map((name) => ({
    name,
    label: RECORD_WORDS[name as RecordName] ?? name,
    was: recalled(state.value, kept.value, name as RecordName, formatNow()),
  })),
)
/** What earlier jobs found out about this model, where this step is about it. */
const notes = computed(() => {
  const places = notePlaces(props.step)
  return [
    ...own.value.map(({ id, payload }) => ({
      id,
      place: payload.place,
      words: payload.words,
      from: '',
    })),
    ...earlier.value.map(({ id, place, words, vehicleName }) => ({
      id,
      place,
      words,
      from: vehicleName,
    })),
  ].filter(({ place }) => places.includes(place))
})
async function keepNote() {
  const words = note.value.trim().slice(0, 400)
  if (!model.value || !words) return
  const place = notePlaces(props.step)[0]!
  if (await file('modelNote', { model: model.value, place, words })) {
    note.value = ''
    noting.value = false
  }
}
/** Where what this step finds out is written down. */
const leads = computed(() => {
  const { id, package: pack } = props.step
  if (/\.(?:strip|bore|assemble|bench\w*)$/.test(id)) {
    const cylinder = /Master$/.test(pack) ? 'master' : 'slave'
    return { to: `/jobs/${job.id}/fit/bench?cylinder=${cylinder}`, words: 'Pieces, bore and new part' }
  }
  if (/^adjust/.test(pack)) return { to: `/jobs/${job.id}/fit/adjust`, words: 'Turns and threads' }
  if (props.step.fills && /^bleed\.(?:strokes|union)/.test(id))
    return { to: `/jobs/${job.id}/bleed`, words: 'Cycles of the bleed' }
  return null
})
const learnt = computed(() => {
  const known = props.step.learnt
  if (!known) return ''
  const jobs = `${known.count} ${known.count === 1 ? 'time' : 'times'}`
  return `taken here ${jobs}, ${known.factor >= 1 ? 'longer' : 'shorter'} than planned by ${Math.round(100 * Math.abs(known.factor - 1))} %`
})
</script>

<template>
  <section class="border-l-4 border-amber pl-4" aria-labelledby="next-step" :data-next-step="step.id">
    <h2
      id="next-step"
      class="leading-tight font-semibold"
      :class="large ? 'text-[2.4rem]' : 'text-[1.7rem]'"
    >
      {{ step.title }}
    </h2>
    <p class="mt-1" :class="large ? 'text-[1.6rem] leading-snug' : 'text-[1.2rem]'">{{ step.does }}</p>
    <p class="text-soft" :class="large ? 'text-[1.2rem]' : ''">{{ step.why }}</p>
    <p
      v-for="one in step.cautions"
      :key="one"
      class="font-semibold"
      :class="large ? 'text-[1.3rem]' : ''"
      data-caution
    >
      {{ cautionWords(one) }}
    </p>
    <p v-if="step.tools.length || step.torque" :class="large ? 'text-[1.2rem]' : 'text-[0.95rem]'">
      {{ step.tools.map(({ name, size }) => (size ? `${name}, ${size}` : name)).join('; ')
      }}<template v-if="step.torque">; tightened {{ step.torque }}</template>
    </p>
    <p
      v-for="one in brought"
      :key="one.name"
      :class="large ? 'text-[1.3rem]' : ''"
      :data-brought="one.name"
    >
      <template v-if="one.was !== null"
        >You wrote, {{ one.label }}: <strong>{{ one.was }}</strong></template
      >
      <span v-else class="font-semibold">{{ one.label }}: not written down</span>
    </p>
    <p v-for="one in notes" :key="one.id" class="border-l-4 border-hairline pl-3" data-model-note>
      <strong>This model, {{ one.place }}:</strong> {{ one.words
      }}<span v-if="one.from" class="text-soft"> ({{ one.from }})</span>
    </p>
    <div v-if="records.length" class="my-1" data-records>
      <p class="place-name">Write down before it is lost</p>
      <template v-for="one in records" :key="one.name">
        <ReadingField v-if="'reading' in one.as" :reading="one.as.reading" phase="asFound" />
        <AsFoundField v-else-if="'item' in one.as" :kind="asFoundKind(one.as.item)" />
        <ParameterField v-else-if="'field' in one.as" :path="one.as.field" />
        <p v-else>
          <NuxtLink :to="`/jobs/${job.id}/fit/ledger`" class="tap px-1 underline"
            >Fasteners, by place and bag: on the sheet On and off</NuxtLink
          >
        </p>
      </template>
    </div>
    <div v-if="waits.length" role="alert" class="my-1 border-y-2 border-rust py-1" data-waits>
      <p
        v-for="one in waits"
        :key="one.what"
        class="flex flex-wrap items-center gap-3 font-semibold text-rust"
      >
        <span class="grow">Not yet: {{ one.what }} is still on; {{ one.words }}.</span>
        <button
          v-if="one.entry"
          type="button"
          class="quiet"
          :aria-label="`Off: ${one.what}`"
          @click="file('takenOff', { of: one.entry })"
        >
          It is off
        </button>
      </p>
    </div>
    <div class="mt-2 flex flex-wrap items-center gap-2">
      <button
        type="button"
        class="act px-8"
        :class="large ? 'min-h-20 min-w-52 text-[1.5rem]' : 'min-h-14 text-[1.15rem]'"
        :disabled="wrong || waits.length > 0"
        title="d"
        @click="done"
      >
        Done
      </button>
      <label class="flex items-center gap-2">
        <input
          v-model="minutes"
          class="field w-20"
          inputmode="decimal"
          :placeholder="String(Math.round(step.minutes[1]))"
          :aria-invalid="wrong"
          aria-label="Minutes it took"
        />
        min
      </label>
      <button
        type="button"
        class="quiet"
        :aria-expanded="leaving"
        title="x"
        @click="leaving = !leaving"
      >
        Leave it out
      </button>
      <select
        class="field w-auto"
        aria-label="Something turned up"
        value=""
        @change="turnedUp(($event.target as HTMLSelectElement).value)"
      >
        <option value="">something turned up …</option>
        <option v-for="{ kind } in SURPRISES" :key="kind" :value="kind">
          {{ surpriseWords(kind) }}
        </option>
      </select>
      <button
        v-if="model"
        type="button"
        class="tap px-1 underline"
        :aria-expanded="noting"
        @click="noting = !noting"
      >
        note for this model
      </button>
    </div>
    <p v-if="leads">
      <NuxtLink :to="leads.to" class="tap px-1 font-semibold underline">{{ leads.words }}</NuxtLink>
    </p>
    <p v-if="learnt" class="text-[0.95rem] text-soft" data-learnt>{{ learnt }}</p>
    <p v-if="wrong" role="alert" class="font-semibold text-rust">
      Minutes: 0 to 10 000. What you typed is still here.
    </p>
    <form v-if="leaving" class="mt-2 flex flex-wrap gap-2" @submit.prevent="skip">
      <input
        v-model="reason"
        class="field grow basis-60"
        maxlength="400"
        aria-label="Why it is left out"
        placeholder="why; whoever files it answers for it"
      />
      <button class="quiet" :disabled="reason.trim() === ''">Leave it out</button>
    </form>
    <form v-if="noting" class="mt-2 flex flex-wrap gap-2" @submit.prevent="keepNote">
      <input
        v-model="note"
        class="field grow basis-60"
        maxlength="400"
        aria-label="What the next one with this model should know"
        placeholder="a hidden nut, an odd size, a way to reach it"
      />
      <button class="quiet" :disabled="note.trim() === ''">Keep for this model</button>
    </form>
  </section>
</template>
