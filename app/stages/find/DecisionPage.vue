<script setup lang="ts">
import { until } from '@vueuse/core'
import { decisionReasonWords, type WayWeighed } from '~~/core/journal'
import { faultKind, POLICY_FIGURES, USUAL_POLICY, type Policy, type Report } from '~~/core/diagnosis'
import { useJob } from '~/job/useJob'
import { useDiagnosis } from '~/job/useDiagnosis'
import { useShopStore } from '~/stores/shop'
import { onMounted, onBeforeUnmount, computed, ref, watch, useTemplateRef, nextTick } from 'vue'
import { useRoute } from '#imports'
import { chanceWords, SCOPE_WORDS, WAY_WORDS, FIRST_WORDS } from '~~/core/words'
import PolicyQuestion from '~/stages/find/PolicyQuestion.vue'
import { money } from '~/lib/delivery-words'

/** Both or one, replace or rebuild, bleed or part first: the schools with their costs, and the choice as an entry. */
const { id, state, file } = useJob()
const { told, waiting, problem, watched, weighing, evidence, priced } = useDiagnosis()
const shop = useShopStore()
onMounted(() => (watched.value = true))
onBeforeUnmount(() => {
  watched.value = false
  weighing.value = null
})

const preferred = computed(() => shop.settings?.school ?? USUAL_POLICY)
const standing = computed(() => state.value.decision)
/** What is being weighed; null until something is tapped. */
const draft = ref<Policy | null>(null)
const chosen = computed<Policy>(() => {
  if (draft.value) return draft.value
  if (standing.value) {
    const { scope, way, first } = standing.value.payload
    return { scope, way, first }
  }
  return preferred.value
})
/** Each answer is weighed with the others as they are chosen. */
watch(chosen, (school) => (weighing.value = school), { immediate: true, deep: true })
const pick = <K extends keyof Policy>(question: K) =>
  computed<Policy[K]>({
    get: () => chosen.value[question],
    set: (value) => (draft.value = { ...chosen.value, [question]: value }),
  })
const scope = pick('scope')
const way = pick('way')
const first = pick('first')
const leads = computed(() =>
  (told.value?.suspects ?? []).filter(({ chance }) => chance > 0.1).slice(0, 4),
)
const why = useTemplateRef<HTMLInputElement>('why')
/** Said on the say-line already. */
const words = ref(typeof useRoute().query.why === 'string' ? String(useRoute().query.why) : '')
watch(
  () => why.value,
  (field) => words.value && field?.focus(),
)
const QUESTIONS = ['scope', 'way', 'first'] as const
const filed = ref(false)

type Told = Report['schools']['first']['options']['part']
/** The ways that may be gone and are not: the customer reads what each costs, and how likely it comes back. */
function others(all: Report['schools'], school: Policy): WayWeighed[] {
  return QUESTIONS.flatMap((question) =>
    (Object.entries(all[question].options) as [WayWeighed['answer'], Told][])
      .filter(([answer, { refused }]) => answer !== school[question] && refused === null)
      .map(([answer, { repairs, minutes, money, comebackRisk }]) => ({
        answer,
        repairs,
        minutes,
        money,
        comebackRisk,
      })),
  )
}

async function decide() {
  // What was chosen last is weighed first: its figures are filed, and no others.
  await nextTick()
  await until(waiting).toBe(false)
  const all = told.value?.schools
  const school = chosen.value
  if (!all) return
  const option = all.first.options[school.first]
  const favoured = QUESTIONS.map((question) => {
    const { favoured, same } = all[question]
    return { question, favoured, same }
  })
  const suspected = leads.value.map(({ fault, chance }) => ({ fault, chance }))
  const why = words.value.trim().slice(0, 400)
  filed.value = await file('decision', {
    ...school,
    repairs: option.repairs,
    ...(why && { why }),
    reasons: [...favoured, ...suspected],
    minutes: option.minutes,
    money: option.money,
    comebackRisk: option.comebackRisk,
    options: others(all, school),
    ...(shop.settings && { hourlyRate: shop.settings.hourlyRate }),
  })
  if (filed.value) {
    draft.value = null
    words.value = ''
  }
}
const PRICED = {
  master: 'master',
  slave: 'slave',
  concentric: 'concentric slave',
  hose: 'hose',
} as const
const pricedWords = computed(() => {
  const all = priced.value
  if (!all) return ''
  const kits = (['master', 'slave'] as const).map(
    (one) => all.kits[one] !== undefined && `kit for the ${one} ${money(all.kits[one])}`,
  )
  const parts = (['master', 'slave', 'concentric', 'hose'] as const).map(
    (one) => all.prices[one] !== undefined && `${PRICED[one]} ${money(all.prices[one])}`,
  )
  return [...parts, ...kits].filter(Boolean).join(', ')
})
const pitted = computed(() => evidence.value.findings.borePitted)
/** A rejected bore leaves one way only. */
const barred = computed(() => pitted.value === 'present' && chosen.value.way === 'rebuild')
</script>

<template>
  <div class="max-w-5xl px-6 py-3" :aria-busy="waiting">
    <div class="flex flex-wrap items-baseline gap-x-4">
      <h1 class="text-[1.25rem] font-semibold">How to go about it</h1>
      <NuxtLink :to="`/jobs/${id}/find`" class="tap px-1 underline">Back to Find</NuxtLink>
      <NuxtLink to="/shop" class="tap px-1 underline">The shop’s prices and preferences</NuxtLink>
    </div>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <p v-else-if="!told" class="text-soft" role="status">Comparing the options…</p>
    <template v-else>
      <p class="py-1">
        As things stand:
        <template v-for="(one, i) in leads" :key="one.fault"
          ><template v-if="i > 0">; </template><strong>{{ faultKind(one.fault).label }}</strong>
          {{ chanceWords(one.chance) }}</template
        ><template v-if="leads.length === 0">no fault stands out</template>.
      </p>
      <p v-if="priced" class="py-1" data-priced>
        <template v-if="pricedWords"
          >Parts at the prices of this job’s basket and the shelf: {{ pricedWords }}.</template
        >
        <template v-else
          >This job has a basket, but no cylinder in it and none on the shelf: usual prices.</template
        >
        <NuxtLink :to="`/jobs/${id}/choose/order`" class="tap px-1 underline">To order</NuxtLink>
      </p>
      <p v-if="pitted === 'present'" class="font-semibold">
        The opened bore is pitted or worn: that cylinder is renewed, never rebuilt.
      </p>
      <PolicyQuestion
        v-model="scope"
        title="Both or one, and the hose?"
        :words="SCOPE_WORDS"
        :choice="told.schools.scope"
        :preferred="preferred.scope"
      />
      <PolicyQuestion
        v-model="way"
        title="Renew or rebuild?"
        :words="WAY_WORDS"
        :choice="told.schools.way"
        :preferred="preferred.way"
      />
      <PolicyQuestion
        v-model="first"
        title="Bleed first, or the part first?"
        :words="FIRST_WORDS"
        :choice="told.schools.first"
        :preferred="preferred.first"
      />
      <form class="flex flex-wrap items-center gap-3 py-3" @submit.prevent="decide">
        <input
          ref="why"
          v-model="words"
          class="field grow basis-72"
          maxlength="400"
          aria-label="Why, in your words"
          placeholder="Why, in your words (may stay empty)"
        />
        <button class="act" :disabled="barred">File the decision</button>
        <span v-if="barred" class="basis-full font-semibold text-rust"
          >Choose Renew above: a rejected bore is not rebuilt.</span
        >
      </form>
      <p v-if="standing" role="status" class="pb-2" data-decided>
        <strong>Decided:</strong> {{ SCOPE_WORDS[standing.payload.scope].toLowerCase() }},
        {{ WAY_WORDS[standing.payload.way].toLowerCase() }},
        {{ FIRST_WORDS[standing.payload.first].toLowerCase() }};
        {{ standing.payload.minutes.toFixed(0) }} min, parts {{ standing.payload.money.toFixed(0) }}.
        <template v-if="standing.payload.why"> “{{ standing.payload.why }}”</template>
        <span v-if="!standing.sent" class="text-soft"> Waiting to be sent.</span>
      </p>
      <details v-if="standing" class="pb-2">
        <summary class="min-h-11 text-soft">Reasons at the time</summary>
        <ul class="list-disc pl-6">
          <li v-for="reason in standing.payload.reasons" :key="decisionReasonWords(reason)">
            {{ decisionReasonWords(reason) }}
          </li>
        </ul>
      </details>
      <p class="text-[0.9rem] text-soft">
        Total: parts, labour at the shop’s rate, and the cost of a comeback times its chance.
        {{ POLICY_FIGURES.companionFails.reason }} {{ POLICY_FIGURES.rebuiltFails.reason }} All of it is
        judgement; a sound bore that was seen counts for more than any of it.
      </p>
    </template>
  </div>
</template>
