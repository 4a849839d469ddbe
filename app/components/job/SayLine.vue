<script setup lang="ts">
import { useEventListener, useSessionStorage } from '@vueuse/core'
import { sink } from '~~/core/circuit'
import { completions, corrected, lastStatement, understandAll, type Said } from '~~/core/journal'
import { phaseFigures } from '~~/core/proof'

/** One input that takes what a technician would jot down; it says what it understood before it is filed. */
const journal = useJournalStore()
const { id, phase, state, file, undo, redo, lastFiled, problem } = useJob()
const { installation } = useJobFigures()
const text = useSessionStorage(`mellow-say-${id}`, '')
const input = useTemplateRef<HTMLInputElement>('input')
const refused = ref('')
const cycle = useBleedSetting(id, state)

const context = computed(() => ({
  phase: phase.value,
  units: unitsNow(),
  cycle: cycle.value,
  installation: installation.value,
}))
const understood = computed(() => (text.value.trim() ? understandAll(text.value, context.value) : null))
const begun = computed(() => lastStatement(text.value))
const offers = computed(() => completions(begun.value.last, 5))
/** What was probably meant, where it is not understood. */
const meant = computed(() =>
  understood.value && 'problem' in understood.value && offers.value.length === 0
    ? corrected(text.value, context.value)
    : null,
)
const preview = computed(() => {
  const found = understood.value
  if (!found) return ''
  if ('problem' in found) return found.problem
  return found.said
    .map((one) => [describe(one), consequence(one)].filter(Boolean).join(' → '))
    .join('; ')
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

async function submit() {
  const found = understood.value
  if (!found) return
  if ('problem' in found) {
    refused.value = found.problem
    return
  }
  refused.value = ''
  for (const one of found.said) if (!(await file(one.kind, one.payload))) return
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
  <form class="no-print border-t border-ink bg-ground px-4 py-2 lg:px-6" @submit.prevent="submit">
    <p v-if="problem" role="alert" class="pb-1 font-semibold text-rust">{{ problem }}</p>
    <p v-if="meant" class="pb-1">
      Did you mean
      <button type="button" class="tap px-1 font-semibold underline" @click="text = meant!">
        {{ meant }}</button>?
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
    <div class="flex items-center gap-3">
      <kbd class="rounded-sm border border-edge px-2 font-mono" aria-hidden="true">/</kbd>
      <input
        ref="input"
        v-model="text"
        class="min-h-11 min-w-0 grow bg-transparent text-[1.15rem]"
        aria-label="Say what was seen, felt or measured"
        aria-describedby="understood"
        placeholder="free 42 · boot wet · sink 6 in 60 s"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        maxlength="400"
        @keydown.right="acceptFirst"
      />
      <p
        id="understood"
        role="status"
        class="max-w-[55%] text-right"
        :class="refused ? 'font-semibold text-rust' : 'text-soft'"
      >
        {{ refused || preview || (filed ? `Filed: ${describe(filed)}` : '') }}
      </p>
      <button class="act" :disabled="!understood || 'problem' in understood">File</button>
      <button type="button" class="quiet" title="Ctrl Z" @click="undo">Undo</button>
    </div>
  </form>
</template>
