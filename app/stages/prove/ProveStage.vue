<script setup lang="ts">
import { pedalReadings } from '~/job/stacks'
import type { Outcome } from '~~/core/journal'
import { faultKind, READINGS } from '~~/core/diagnosis'
import { isProven, readingsAsked, reasonWords, sameVerdict, touchedBy } from '~~/core/proof'
import { useJob, useJobFigures } from '~/job/useJob'
import { computed, ref } from 'vue'
import { useGoodPedal } from '~/job/useGoodPedal'
import { OUTCOME_WORDS, RULE_WORDS } from '~~/core/words'
import { dueDay } from '~/lib/due-days'
import { when } from '~/units/format'
import { formatNow } from '~/units/units'
import GradedResults from '~/stages/prove/GradedResults.vue'
import WorkDone from '~/components/job/WorkDone.vue'
import ReadingField from '~/components/job/ReadingField.vue'
import LooksAfter from '~/stages/prove/LooksAfter.vue'
import OnOff from '~/components/frame/OnOff.vue'
import AirFigure from '~/components/job/AirFigure.vue'
import LookAgain from '~/stages/prove/LookAgain.vue'
import CauseConfirmed from '~/stages/prove/CauseConfirmed.vue'
import CloseJob from '~/components/job/CloseJob.vue'

/** The same measurements again, the checks, and the verdict with its reasons and figures. */
const { id, state, file, vehicle, vehicleEntries } = useJob()
const { proof, installation } = useJobFigures()

const readings = computed(() => {
  const external = installation.value?.circuit.slave.type === 'external'
  return READINGS.filter(({ name, proves }) => proves && (name !== 'rodStroke' || external))
})
/** Asked of this job, or measured all the same; the rest can be measured if somebody wants to. */
const asked = computed(() => {
  const owed = readingsAsked(state.value)
  return readings.value.filter(({ name }) => owed.includes(name) || state.value.readings.after[name])
})
const more = computed(() => readings.value.filter((one) => !asked.value.includes(one)))
const narrowed = computed(() => touchedBy(state.value) !== null)
const verdict = computed(() => proof.value?.verdict)
const ORDER: Outcome[] = ['stop', 'notYet', 'pass']
const reasons = computed(() =>
  ORDER.flatMap(
    (outcome) => verdict.value?.reasons.filter((reason) => reason.outcome === outcome) ?? [],
  ),
)
const LOOK: Record<Outcome, string> = { pass: 'text-patina', notYet: 'text-ink', stop: 'text-rust' }
const MARK: Record<Outcome, string> = { pass: '✓', notYet: '·', stop: '■' }
const filed = computed(() => state.value.verdict)
/** A look again that is owed: whoever measures for it files the verdict as its answer. */
const pending = computed(
  () => state.value.rechecks.find(({ id: one }) => !state.value.rechecked.includes(one)) ?? null,
)
const SOON = 3 * 24 * 3600 * 1000
const chosen = ref<boolean | null>(null)
const answers = computed({
  get: () => {
    const due = pending.value?.payload.due
    return chosen.value ?? (due !== undefined && Date.parse(due) - SOON < Date.now())
  },
  set: (yes) => (chosen.value = yes),
})
async function fileVerdict() {
  if (!verdict.value) return
  const recheck = answers.value ? pending.value?.id : undefined
  if (await file('verdict', { ...verdict.value, ...(recheck && { recheck }) })) chosen.value = null
}
const goodPedal = useGoodPedal(
  computed(() => vehicle.value?.id ?? ''),
  vehicleEntries,
)
const after = computed(() => pedalReadings(state.value.readings.after))
const keptAfter = computed(
  () => JSON.stringify(goodPedal.held.value?.payload) === JSON.stringify(after.value),
)
const notKept = ref('')
async function keepGoodPedal() {
  notKept.value = await goodPedal.keep(after.value)
}
const changedSince = computed(
  () =>
    filed.value !== null &&
    (!sameVerdict(filed.value.payload, verdict.value!) ||
      (filed.value.payload.outcome === 'pass' && !isProven(state.value))),
)
</script>

<template>
  <div class="grid grid-cols-[minmax(0,1fr)] gap-x-8 lg:grid-cols-[minmax(0,1.08fr)_minmax(0,1fr)]">
    <div class="border-hairline px-6 py-4 lg:border-r">
      <GradedResults />
      <WorkDone />
      <p v-if="narrowed" class="text-[0.95rem] text-soft" data-narrowed>
        Asked below: only what this work can have touched.
      </p>
      <template v-if="asked.length">
        <h2 class="place-name mt-4">Measure again</h2>
        <ReadingField
          v-for="reading in asked"
          :key="reading.name"
          :reading="reading.name"
          phase="after"
          :before="state.readings.asFound[reading.name]?.payload.value ?? null"
        />
      </template>
      <details v-if="more.length">
        <summary class="min-h-11 content-center text-soft">
          Measure more: {{ more.map(({ label }) => label.toLowerCase()).join(', ') }}
        </summary>
        <ReadingField
          v-for="reading in more"
          :key="reading.name"
          :reading="reading.name"
          phase="after"
          :before="state.readings.asFound[reading.name]?.payload.value ?? null"
        />
      </details>
      <LooksAfter />
      <p class="mt-3 border-l-4 border-amber pl-3 text-[0.95rem]">
        With the engine running: brake on, out of gear, nobody under it or in front. Expect a start in
        gear after work on the switch. The maker’s data decides.
      </p>
    </div>
    <div v-if="verdict" class="px-6 py-4 lg:pl-0">
      <section aria-label="Verdict" aria-live="polite">
        <div class="flex flex-wrap items-center gap-3">
          <p class="grow text-3xl font-bold" :class="LOOK[verdict.outcome]" data-figure="verdict">
            {{ OUTCOME_WORDS[verdict.outcome] }}
          </p>
          <button type="button" class="act" @click="fileVerdict">File this verdict</button>
        </div>
        <p v-if="pending" class="mt-1 flex flex-wrap items-center gap-2" data-pending-look>
          <OnOff :on="answers" @click="answers = !answers"
            >It is the look again{{
              pending.payload.due ? ` due ${dueDay(pending.payload.due)}` : ''
            }}</OnOff
          >
          <span class="text-[0.95rem] text-soft"
            >Measure {{ pending.payload.rules.map((rule) => RULE_WORDS[rule]).join(', ') }} anew
            first.</span
          >
        </p>
        <p v-if="filed" class="mt-1 text-soft">
          Filed {{ when(filed.at) }}: {{ OUTCOME_WORDS[filed.payload.outcome]
          }}<template v-if="changedSince">; things have changed since</template
          ><template v-if="!filed.sent">, waiting to be sent</template>.
        </p>
        <div v-if="isProven(state)" class="mt-2">
          <p v-if="keptAfter" class="text-soft">
            These readings are kept as this vehicle’s good pedal, for the day it is soft again.
          </p>
          <button v-else type="button" class="quiet" @click="keepGoodPedal">
            Keep as this vehicle’s good pedal
          </button>
          <p v-if="notKept" role="alert" class="font-semibold text-rust">{{ notKept }}</p>
        </div>
        <ul class="mt-3 border-t border-hairline">
          <li
            v-for="reason in reasons"
            :key="`${reason.rule} ${reason.code ?? reason.outcome} ${reason.note ?? reason.cause ?? ''}`"
            class="flex gap-3 border-b border-hairline py-2"
          >
            <span
              class="w-5 shrink-0 text-center font-bold"
              :class="LOOK[reason.outcome]"
              aria-hidden="true"
              >{{ MARK[reason.outcome] }}</span
            >
            <span :class="reason.outcome === 'stop' ? 'font-semibold text-rust' : ''">
              <span class="sr-only">{{ OUTCOME_WORDS[reason.outcome] }}: </span
              >{{ reasonWords(reason, formatNow()) }}
              <span
                v-if="reason.cause && reason.outcome !== 'pass' && reason.rule !== 'cause'"
                class="block"
                data-cause-of
                >Likely: {{ faultKind(reason.cause).label.toLowerCase() }}.
                <NuxtLink :to="`/jobs/${id}/find?at=measured`" class="underline underline-offset-4"
                  >Back to Find</NuxtLink
                ></span
              >
            </span>
          </li>
        </ul>
      </section>
      <AirFigure v-if="proof?.after.air" class="mt-5" :figures="proof.after" heading="Air after" />
      <LookAgain />
      <CauseConfirmed />
      <CloseJob />
    </div>
  </div>
</template>
