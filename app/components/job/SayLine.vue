<script setup lang="ts">
import { Mic, MicOff } from '~/icons'
import { useEventListener, useSessionStorage, useSpeechRecognition } from '@vueuse/core'
import { sink } from '~~/core/circuit'
import { readingKind } from '~~/core/diagnosis'
import { completions, lastStatement, WITHOUT_STROKES, type Payloads } from '~~/core/journal'
import type { LineUnderstood, Statement } from '~~/core/jotting'
import { phaseFigures } from '~~/core/proof'
import { completedCheck } from './said-comparison'
import { isReferring, meantByWork } from './said-work'
import { useJournalStore } from '~/stores/journal'
import { useJob, useJobFigures } from '~/job/useJob'
import { usePlan } from '~/job/usePlan'
import { useTemplateRef, ref, computed, shallowRef, onMounted, watch } from 'vue'
import { useBleedSetting } from '~/job/useBleedSetting'
import { unitsNow, formatNow } from '~/units/units'
import { describe } from '~/units/describe'
import { millilitres } from '~/units/format'
import { navigateTo } from '#imports'
import { isTyping } from '~/lib/keys'
import UndoButton from '~/components/frame/UndoButton.vue'

/** One input that takes what a technician would jot down; it says what it understood before it is filed. */
const journal = useJournalStore()
const { id, phase, state, vehicle, file, undo, undoable, redo, lastFiled, problem } = useJob()
const { installation } = useJobFigures()
const { next } = usePlan()
const text = useSessionStorage(`mellow-say-${id}`, '')
const input = useTemplateRef<HTMLInputElement>('input')
const refused = ref('')
const cycle = useBleedSetting(id, state)

const context = computed(() => ({
  phase: phase.value,
  units: unitsNow(),
  installation: installation.value,
  model: vehicle.value?.model ?? null,
}))
/** What understands a line comes with its first use. */
const jotting = shallowRef<typeof import('~~/core/jotting') | null>(null)
const loadJotting = async () => (jotting.value ??= await import('~~/core/jotting'))
const understood = computed((): LineUnderstood | null =>
  text.value.trim() && jotting.value ? jotting.value.understandLine(text.value, context.value) : null,
)
/** As soon as the page stands: the server may be gone by the time that something is said. */
onMounted(() => void loadJotting().catch(() => (refused.value = 'The say-line could not be loaded.')))
/** As it may be said, in the person’s own unit. */
const EXAMPLES = {
  metric: 'free 42 · boot wet · sink 6 in 60 s',
  inch: 'free 1 3/4 · boot wet · sink 1/4 in in 60 s',
}
const begun = computed(() => lastStatement(text.value))
const offers = computed(() => completions(begun.value.last, 5))

/** As it would be filed: a cycle takes method and strokes from what is set where nobody said them. */
type Said = { [K in keyof Payloads]: { kind: K; payload: Payloads[K] } }[keyof Payloads]
function asFiled(one: Exclude<Statement, { kind: 'withdrawal' }>): Said | string {
  if (isReferring(one)) return meantByWork(one, state.value, next.value?.id ?? null)
  if (one.kind === 'fitCheck')
    return {
      ...one,
      payload: completedCheck(one.payload, state.value, installation.value?.rodThreadPitch),
    }
  if (one.kind !== 'bleedCycle') return one
  const { method, strokes } = cycle.value
  const spoken = one.payload.method ?? method
  return {
    ...one,
    payload: { method, ...(!WITHOUT_STROKES.has(spoken) && { strokes }), ...one.payload },
  }
}
const words = (one: Statement): string => {
  if (one.kind === 'withdrawal') return 'Undo'
  const said = asFiled(one)
  if (typeof said === 'string') return said
  return [describe(said), consequence(said)].filter(Boolean).join(' → ')
}
/** Deciding takes its figures from the page where the options stand: the line leads there, with its reason. */
const decides = computed(() => /^\s*(?:decide|decision)\b[:,\s]*(.*)$/is.exec(text.value))
/** Why what was understood cannot be filed as it was said. */
const wanting = computed(() => {
  const found = understood.value
  if (!found) return ''
  if (found.problem) return found.problem
  for (const one of found.statements) {
    const said = one.kind === 'withdrawal' ? null : asFiled(one)
    if (typeof said === 'string') return said
  }
  const short = found.statements.find(
    (one) =>
      one.kind === 'measurement' &&
      readingKind(one.payload.reading).over !== undefined &&
      one.payload.duration === undefined,
  )
  return short?.kind === 'measurement'
    ? `${readingKind(short.payload.reading).label}: say over how long, as in “3 in 2 h”`
    : ''
})
const preview = computed(() => {
  if (decides.value) return 'Goes to the options, to decide'
  const found = understood.value
  if (!found) return ''
  if (wanting.value) return wanting.value
  if (found.ask?.length) return 'Which of these?'
  if (found.statements.length === 0)
    return (
      found.hint ??
      `“${text.value.trim()}” is not understood: a place and how it is, a reading and its figure, or a complaint`
    )
  return found.statements.map(words).join('; ')
})
/** What may be kept as it was said, for nothing else was made of it. */
const noteworthy = computed(() => {
  const found = understood.value
  return !!found && !wanting.value && found.statements.length === 0 && !found.ask?.length
})

/** Enter does nothing while the button rests; what is said before the line can be understood waits for that. */
const nothingToFile = computed(() => {
  if (text.value.trim() === '') return true
  if (decides.value || !jotting.value) return false
  return !understood.value || (understood.value.statements.length === 0 && !noteworthy.value)
})

/** What a reading would mean, before it is filed. */
function consequence(said: Said): string {
  if (said.kind !== 'measurement' || !installation.value) return ''
  const { reading, value, duration } = said.payload
  if (reading === 'sink' && duration) {
    const { flow } = sink(installation.value.circuit, value / duration)
    return `${formatNow().flow(flow)} past the cup or out`
  }
  if (reading === 'freeTravel') {
    const held = { payload: said.payload, id: '', at: '', by: '', sent: false, corrections: [] }
    const { air } = phaseFigures(installation.value, { freeTravel: held })
    if (air && !('implausible' in air))
      return air.low <= 0
        ? `no air to be seen, at most ${millilitres(Math.max(0, air.high))}`
        : `${millilitres(air.air)} of air`
    return 'does not fit the geometry'
  }
  return ''
}

/** The last entry, unless the server has refused it since. */
const filed = computed(() =>
  journal.refused.some(({ entry }) => entry.id === lastFiled.value?.id) ? null : lastFiled.value,
)

/** British or American as the browser is set: millimetres and mills are heard either way. */
const SPOKEN = /^en/i.test(navigator.language) ? navigator.language : 'en-GB'
/** Spoken into the line, never filed by itself. */
const speech = useSpeechRecognition({ lang: SPOKEN, continuous: false, interimResults: true })
const { isSupported: hears, isListening: listening, result: heard } = speech
const NOT_HEARD: Record<string, string> = {
  'not-allowed': 'This browser may not use the microphone: allow it for this page, or type.',
  'service-not-allowed': 'This browser’s speech service is switched off: type it.',
  'audio-capture': 'No microphone was found: type it.',
  network: 'The browser’s speech service does not answer: type it.',
  'no-speech': 'Nothing was heard. Tap the microphone and say it again, or type.',
}
watch(heard, (words) => words && (text.value = words))
watch(
  () => speech.error.value,
  (error) => {
    if (!error) return
    const code = 'error' in error ? String(error.error) : ''
    refused.value = NOT_HEARD[code] ?? 'That could not be heard: type it.'
  },
)
function listen() {
  refused.value = ''
  if (listening.value) speech.stop()
  else speech.start()
}

async function submit() {
  if (decides.value) {
    const why = decides.value[1]!.trim()
    text.value = ''
    await navigateTo({ path: `/jobs/${id}/decision`, query: why ? { why } : {} })
    return
  }
  await loadJotting().catch(() => {})
  const found = understood.value
  if (!found) return
  if (wanting.value || found.statements.length === 0) {
    refused.value = preview.value
    return
  }
  await fileAll(found.statements)
}
async function fileAll(statements: readonly Statement[]) {
  refused.value = ''
  for (const one of statements) {
    if (one.kind === 'withdrawal') await undo()
    else {
      const said = asFiled(one)
      if (typeof said === 'string') {
        refused.value = said
        return
      }
      if (!(await file(said.kind, said.payload))) return
    }
  }
  text.value = ''
}
function take(offer: string) {
  text.value = `${begun.value.before}${offer} `
  input.value?.focus()
}
function acceptFirst(event: KeyboardEvent) {
  const offer = offers.value[0]
  const atEnd = input.value?.selectionStart === text.value.length
  if (!offer || !atEnd) return
  event.preventDefault()
  take(offer)
}
watch(text, () => (refused.value = ''))
useEventListener('keydown', (event: KeyboardEvent) => {
  if (isTyping(event)) return
  if (event.key === '/') {
    event.preventDefault()
    input.value?.focus()
  } else if (event.key.toLowerCase() === 'z' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault()
    void (event.shiftKey ? redo() : undo())
  }
})
</script>

<template>
  <form
    class="no-print sticky bottom-0 z-10 border-t border-ink bg-ground px-4 py-2 lg:px-6"
    @submit.prevent="submit"
  >
    <p v-if="problem" role="alert" class="pb-1 font-semibold text-rust">{{ problem }}</p>
    <!-- Above the line, so that what is understood never narrows what is typed. -->
    <p
      id="understood"
      role="status"
      class="pb-1 empty:hidden"
      :class="refused ? 'font-semibold text-rust' : 'text-soft'"
    >
      {{
        refused ||
        preview ||
        (listening
          ? 'Listening. What is spoken may leave this device: the browser’s maker may turn it into words.'
          : filed
            ? `Filed: ${describe(filed)}`
            : '')
      }}
    </p>
    <div v-if="understood?.ask?.length" class="flex flex-wrap gap-2 pb-2" aria-label="Which of these">
      <button
        v-for="(one, i) in understood.ask"
        :key="i"
        type="button"
        class="quiet border-ink py-0 text-[0.95rem]"
        data-ask
        @click="fileAll(one)"
      >
        {{ one.map(words).join('; ') }}
      </button>
    </div>
    <p v-else-if="noteworthy && refused" class="pb-1">
      <button
        type="button"
        class="tap px-1 font-semibold underline"
        @click="fileAll([{ kind: 'note', payload: { words: text.trim() } }])"
      >
        Keep it as a note
      </button>
    </p>
    <div v-if="offers.length" class="flex flex-wrap gap-2 pb-1" aria-label="Goes on as">
      <button
        v-for="offer in offers"
        :key="offer"
        type="button"
        class="quiet py-0 text-[0.95rem]"
        @click="take(offer)"
      >
        {{ offer }}
      </button>
    </div>
    <div class="flex flex-wrap items-center gap-x-3 sm:flex-nowrap">
      <kbd class="hidden rounded-sm border border-edge px-2 font-mono sm:inline" aria-hidden="true"
        >/</kbd
      >
      <input
        ref="input"
        v-model="text"
        class="min-h-11 min-w-0 grow basis-full bg-transparent text-[1.15rem] sm:basis-0"
        aria-label="Say what was seen, felt or measured"
        aria-describedby="understood"
        :placeholder="EXAMPLES[unitsNow()]"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        maxlength="400"
        @keydown.right="acceptFirst"
      />
      <button
        v-if="hears"
        type="button"
        class="tap px-0"
        :aria-pressed="listening"
        :aria-label="listening ? 'Stop listening' : 'Say it by voice'"
        title="By voice; it may leave this device"
        @click="listen"
      >
        <component :is="listening ? MicOff : Mic" :size="22" aria-hidden="true" />
      </button>
      <button class="act" :disabled="nothingToFile">File</button>
      <UndoButton :entry="undoable" @undo="undo" />
    </div>
  </form>
</template>
