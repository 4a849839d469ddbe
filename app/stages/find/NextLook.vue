<script setup lang="ts">
import { faultKind, findingKind, GUIDES, readingKind, type Report } from '~~/core/diagnosis'
import { useDiagnosis } from '~/job/useDiagnosis'
import { useJob } from '~/job/useJob'
import { ref, computed } from 'vue'
import { chanceWords } from '~~/core/words'
import { useSettled } from '~/frame/useSettled'
import { inUnits, unitsNow, symbolOf } from '~/units/units'
import ReadingField from '~/components/job/ReadingField.vue'

/** The best look now: how it is done, what each answer would change, and its answer in one tap. */
const { told, openGuide } = useDiagnosis()
const { file } = useJob()
type ShownLook = Report['looks'][number]
const OFFERED = 4

/** A look that was asked for instead of the first, until it is answered. */
const asked = ref<string | null>(null)
/** A look is wanted although the advice is to act. */
const wanted = ref(false)
const all = computed(() => told.value?.looks ?? [])
const looks = computed(() => all.value.slice(0, OFFERED))
const byId = (wanted: string | null) => all.value.find(({ id }) => id === wanted)
const look = computed(() => byId(written.value) ?? byId(asked.value) ?? all.value[0] ?? null)
/** The field that somebody writes in stays, whatever is reckoned meanwhile. */
const written = ref<string | null>(null)
function left({ target }: FocusEvent) {
  if ((target as HTMLInputElement).value === '') written.value = null
}
const others = computed(() => looks.value.filter((one) => one !== look.value))
const label = (one: ShownLook) =>
  one.kind === 'finding' ? findingKind(one.id).label : readingKind(one.id).label
const about = computed(() => {
  if (!look.value) return null
  return look.value.kind === 'finding' ? findingKind(look.value.id) : readingKind(look.value.id)
})
const guide = computed(() => GUIDES.find(({ id }) => id === look.value?.guide) ?? null)
const caution = computed(() =>
  about.value && 'caution' in about.value ? about.value.caution : undefined,
)
const needs = computed(() =>
  [
    `${look.value?.minutes} min`,
    about.value?.tools,
    about.value?.needs.includes('helper') ? 'a helper' : '',
  ]
    .filter(Boolean)
    .join(', '),
)
const leads = (answer: { leads: string | null; chanceThen: number }) =>
  answer.leads === null
    ? `probably nothing, ${chanceWords(answer.chanceThen)}`
    : `${faultKind(answer.leads as Parameters<typeof faultKind>[0]).label}, ${chanceWords(answer.chanceThen)}`

const choices = computed(() => {
  const one = look.value
  if (one?.kind !== 'finding') return []
  const kind = findingKind(one.id)
  return (['present', 'absent'] as const).map((state) => ({
    state,
    words: kind[state],
    then: one.answers?.find(({ says }) => says === state),
  }))
})
/** Figures in spans that lead to the same fault, put together. */
const spans = computed(() => {
  const one = look.value
  if (one?.kind !== 'reading' || !one.answers) return []
  const list: { from: number; to: number; leads: string; chance: number }[] = []
  for (const answer of one.answers) {
    const says = Math.max(0, Number(answer.says))
    const fault = answer.leads === null ? 'probably nothing' : faultKind(answer.leads).label
    const last = list.at(-1)
    if (last?.leads === fault) {
      last.to = says
      last.chance += answer.chance
    } else list.push({ from: says, to: says, leads: fault, chance: answer.chance })
  }
  return list
})
/** The next look comes by itself, where the last one’s answers stood. */
const settled = useSettled(() => look.value?.id)
const roughly = (mm: number) => `${inUnits(mm, 'mm', unitsNow() === 'inch' ? 1 : 0)} ${symbolOf('mm')}`
async function say(state: 'present' | 'absent') {
  const one = look.value
  if (one?.kind !== 'finding' || !settled.value) return
  if (await file('finding', { finding: one.id, state, phase: 'asFound' })) asked.value = null
}
</script>

<template>
  <p v-if="told?.advice.decide && !wanted && looks.length" class="flex flex-wrap items-center gap-x-2">
    <span class="text-soft">Still worth checking:</span>
    <button
      v-for="one in looks.slice(0, 2)"
      :key="one.id"
      type="button"
      class="tap px-1 underline"
      @click="((asked = one.id), (wanted = true))"
    >
      <span
        >{{ label(one) }}, {{ one.minutes }} min{{
          one.saves + one.stops >= 0.5 ? `, saves about ${(one.saves + one.stops).toFixed(0)}` : ''
        }}</span
      >
    </button>
  </p>
  <section v-else-if="look && about" aria-labelledby="next-look" class="border-l-4 border-amber pl-4">
    <div class="flex flex-wrap items-baseline gap-x-3">
      <h2 id="next-look" class="grow text-[1.1rem]">
        <span class="font-normal text-soft">Look next: </span
        ><span data-next-look :data-id="look.id">{{ label(look) }}</span>
      </h2>
      <p
        class="text-[0.95rem] text-soft"
        title="What it is expected to save in wrong parts and comebacks, and what it teaches, in the shop’s money"
        data-worth
      >
        {{ needs }}; worth about {{ look.worth < 9.5 ? look.worth.toFixed(1) : look.worth.toFixed(0) }}
      </p>
    </div>
    <p v-if="look.again" class="font-semibold">
      The figure on file does not fit the rest of what is known. Measure it again.
    </p>
    <p>{{ about.how }}</p>
    <p v-if="guide">
      It is the next step of a guide:
      <button type="button" class="tap px-1 font-semibold underline" @click="openGuide(guide.id)">
        {{ guide.label }}
      </button>
    </p>
    <p v-if="caution" class="font-semibold">{{ caution }}</p>
    <div v-if="look.kind === 'finding'" class="mt-1 grid gap-2 sm:grid-cols-2">
      <button
        v-for="choice in choices"
        :key="choice.state"
        type="button"
        class="quiet flex-col items-start justify-start gap-0 border-ink py-1 text-left leading-tight"
        :aria-label="`${label(look)}: ${choice.words}`"
        :aria-disabled="!settled"
        @click="say(choice.state)"
      >
        <strong>{{ choice.words }}</strong>
        <span v-if="choice.then" class="text-[0.9rem]">then {{ leads(choice.then) }}</span>
        <span v-else class="text-[0.9rem] text-soft">unlikely</span>
      </button>
    </div>
    <template v-else>
      <ReadingField
        :key="look.id"
        :reading="look.id"
        phase="asFound"
        @focusin="written = look.id"
        @focusout="left"
        @filed="written = asked = null"
      />
      <ul v-if="spans.length > 1" class="text-[0.95rem] text-soft">
        <li v-for="(span, i) in spans" :key="i">
          {{
            i === spans.length - 1
              ? `${roughly(span.from)} and more`
              : `about ${roughly(span.from)} to ${roughly(span.to)}`
          }}: {{ span.leads }}
        </li>
      </ul>
      <p v-else-if="spans.length === 1" class="text-[0.95rem] text-soft">
        Whatever it shows, {{ spans[0]!.leads }} stays the likeliest; the figure tells how sure.
      </p>
    </template>
    <div v-if="others.length" class="flex flex-wrap items-center gap-x-2 pt-1 text-[0.95rem]">
      <span class="text-soft">or</span>
      <button
        v-for="one in others"
        :key="one.id"
        type="button"
        class="tap px-1 underline"
        @click="((asked = one.id), (written = null))"
      >
        <span>{{ label(one) }}, {{ one.minutes }} min</span>
      </button>
    </div>
  </section>
  <p v-else-if="told" class="border-l-4 border-hairline pl-4" data-no-look>
    Nothing that can be checked now would tell more. Say what else can be done here, or decide.
  </p>
</template>
