<script setup lang="ts">
import {
  faultKind,
  FINDING_IDS,
  findingKind,
  readingKind,
  repairWords,
  SAID_PLAINLY,
} from '~~/core/diagnosis'
import { useDiagnosis } from '~/job/useDiagnosis'
import { useJob } from '~/job/useJob'
import { computed } from 'vue'
import { chanceWords } from '~~/core/words'

/** What it adds up to: not the hydraulics, what cannot both be true, and whether to look on or to act. */
const { told } = useDiagnosis()
const { id } = useJob()
const money = (amount: number) => amount.toFixed(0)
const now = computed(() => told.value?.advice.now ?? null)
const doing = computed(() => repairWords(now.value?.repairs ?? []))
const lead = computed(() => told.value?.suspects[0] ?? null)
/** Less likely than this, a lead alone is no reason to stop. */
const LIKELY = 0.6
/** Less likely than this, nothing leads. */
const LEADS = 0.15
const plainly = computed(() => (told.value?.notHydraulic ?? 0) >= SAID_PLAINLY)
/** What the same repairs may come back for within a year besides: counted here as where it is decided, so that a plan has one price. */
const besides = computed(() =>
  told.value
    ? told.value.schools.scope.options.proven.expectedCost - told.value.advice.now.expectedCost
    : 0,
)
const inAll = (expectedCost: number) => money(expectedCost + besides.value)
/** Why looking on does not pay, in words: it may be so with no cause at all that is likelier than not. */
const why = computed(() => {
  const next = told.value?.advice.after
  if (!next) return 'Nothing more can be looked at as things are.'
  const cures =
    (lead.value?.chance ?? 0) < LIKELY ? 'The same repairs cure most of what it may be: ' : ''
  const left = `${nameOf(next.look.id).toLowerCase()} would still leave it at ${inAll(next.expectedCost)}.`
  return cures ? `${cures}${left}` : left.charAt(0).toUpperCase() + left.slice(1)
})
const nameOf = (what: string) =>
  (FINDING_IDS as readonly string[]).includes(what)
    ? findingKind(what as Parameters<typeof findingKind>[0]).label
    : readingKind(what as Parameters<typeof readingKind>[0]).label
</script>

<template>
  <div v-if="told && now">
    <p v-if="plainly" class="border-y border-ink py-2 text-[1.1rem]" data-verdict="not-hydraulic">
      <strong>This is not the hydraulics</strong>, {{ chanceWords(told.notHydraulic!) }}. Neither
      bleeding nor a new cylinder will cure it.
    </p>
    <p v-else-if="told.decides" class="text-[0.95rem]" data-undecided>
      Not plain yet whether it is the hydraulics. {{ nameOf(told.decides.id) }} would tell most.
    </p>
    <p
      v-if="lead && lead.chance >= LEADS"
      class="flex items-baseline gap-3 text-[1.2rem] leading-tight"
      data-lead
    >
      <span class="grow">{{ faultKind(lead.fault).label }}</span>
      <strong class="whitespace-nowrap">{{ chanceWords(lead.chance) }}</strong>
    </p>
    <p v-else class="text-[1.1rem]" data-lead>No fault stands out yet.</p>
    <p class="pt-1" data-advice :data-decide="told.advice.decide">
      <template v-if="told.advice.decide"
        ><strong>Stop looking.</strong> {{ now.repairs.length ? doing : 'Leave it as it is' }}: parts
        and labour about {{ money(now.price) }}, {{ inAll(now.expectedCost) }} with comebacks counted
        in. {{ why }}</template
      >
      <template v-else-if="told.advice.after"
        ><strong>Keep looking:</strong> acting now ({{
          now.repairs.length ? doing.toLowerCase() : 'nothing'
        }}) costs about {{ inAll(now.expectedCost) }} with comebacks counted in; looking first ({{
          nameOf(told.advice.after.look.id).toLowerCase()
        }}) brings that to {{ inAll(told.advice.after.expectedCost)
        }}<template v-if="told.advice.after.stops >= 1">, and it may show what stops work</template
        >.</template
      >
      <NuxtLink :to="`/jobs/${id}/decision`" class="tap px-1 font-semibold underline"
        >Decide how</NuxtLink
      >
    </p>
    <p v-for="one in told.ignored" :key="one.id" class="pt-1 text-[0.95rem]" data-ignored>
      Not weighed. {{ one.why }}.
    </p>
    <div
      v-if="told.contradictions.length"
      role="status"
      class="border-l-4 border-ink pl-3"
      data-contradictions
    >
      <p v-for="one in told.contradictions" :key="one.between.join()" class="py-1">
        <strong>{{ one.between.map(nameOf).join(' and ') }}</strong> cannot both be so. {{ one.why }}
      </p>
    </div>
  </div>
</template>
