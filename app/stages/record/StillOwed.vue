<script setup lang="ts">
import { readingKind, READINGS, REPAIRS, type ReadingName, type RepairId } from '~~/core/diagnosis'
import { dueWords, ownPutOff } from '~~/core/due'
import { APPROVED_HOW, APPROVED_HOW_WORDS, type ApprovedHow } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { computed, ref, reactive } from 'vue'
import { typedWithin, boundsIn, formatNow, symbolOf } from '~/units/units'
import { describe } from '~/units/describe'
import { RULE_WORDS } from '~~/core/words'
import { when } from '~/units/format'
import OwedBefore from '~/components/job/OwedBefore.vue'

/** What this vehicle is still owed: looks again, repairs put off with what is watched, anything else; and what was agreed. */
const { state, file } = useJob()
const owed = computed(() =>
  Object.values(state.value.followUps).sort((a, b) =>
    (a.payload.due ?? '9').localeCompare(b.payload.due ?? '9'),
  ),
)
const put = computed(() => ownPutOff(state.value))
const rechecks = computed(() =>
  state.value.rechecks.filter(({ id }) => !state.value.rechecked.includes(id)),
)
const wrong = ref('')
const KM = { min: 0, max: 10_000_000 }

const next = reactive({ what: '', due: '', km: '' })
async function owe() {
  const what = next.what.trim()
  const km = next.km.trim() ? typedWithin(next.km, 'km', KM) : undefined
  if (!what || km === null) {
    wrong.value = what ? `Distance: ${boundsIn(KM, 'km')}` : 'Say what is owed.'
    return
  }
  wrong.value = ''
  if (
    await file('followUp', {
      what,
      ...(next.due && { due: next.due }),
      ...(km !== undefined && { atKm: km }),
    })
  )
    Object.assign(next, { what: '', due: '', km: '' })
}

const later = reactive({
  repair: '' as RepairId | '',
  watch: 'freeTravel' as ReadingName,
  limit: '',
  until: '',
  words: '',
})
const watched = computed(() => readingKind(later.watch))
async function putOff() {
  const limit = typedWithin(later.limit, watched.value.unit, watched.value)
  if (!later.repair || limit === null) {
    wrong.value = later.repair
      ? `${watched.value.label}: ${boundsIn(watched.value, watched.value.unit)}`
      : 'Say which repair is put off.'
    return
  }
  wrong.value = ''
  const words = later.words.trim()
  const done = await file('deferred', {
    repair: later.repair,
    watch: later.watch,
    limit,
    ...(later.until && { until: later.until }),
    ...(words && { words }),
  })
  if (done) Object.assign(later, { repair: '', limit: '', until: '', words: '' })
}

const agreed = reactive({ option: '', by: '', how: 'spoken' as ApprovedHow })
async function agree() {
  const [option, by] = [agreed.option.trim(), agreed.by.trim()]
  if (!option || !by) {
    wrong.value = 'Say what was agreed, and by whom.'
    return
  }
  wrong.value = ''
  if (await file('approval', { option, by, how: agreed.how }))
    Object.assign(agreed, { option: '', by: '' })
}
</script>

<template>
  <section aria-labelledby="owed" class="mt-4" data-still-owed>
    <h2 id="owed" class="text-[1.1rem]">Still owed to this vehicle</h2>
    <OwedBefore />
    <ul class="border-t border-hairline">
      <li v-for="one in rechecks" :key="one.id" class="border-b border-hairline py-1">
        {{ describe({ kind: 'recheck', payload: one.payload }) }}:
        {{ one.payload.rules.map((rule) => RULE_WORDS[rule]).join(', ') }}
      </li>
      <li v-for="one in put" :key="one.id" class="border-b border-hairline py-1">
        {{ dueWords(one, formatNow()) }}
      </li>
      <li
        v-for="one in owed"
        :key="one.id"
        class="flex min-h-11 items-center gap-3 border-b border-hairline py-1"
        :class="one.payload.done ? 'text-soft' : ''"
      >
        <span class="min-w-0 flex-1">{{ describe({ kind: 'followUp', payload: one.payload }) }}</span>
        <button
          type="button"
          class="tap underline underline-offset-4"
          @click="file('followUp', { ...one.payload, done: !one.payload.done })"
        >
          {{ one.payload.done ? 'not done' : 'done' }}
        </button>
      </li>
    </ul>
    <p v-if="rechecks.length + put.length + owed.length === 0" class="py-1 text-soft">
      This job leaves nothing owed. A repair that is put off, or a part on order, is kept here and on
      the customer’s sheet.
    </p>
    <form class="mt-2 flex flex-wrap items-end gap-2" @submit.prevent="owe">
      <label class="grow basis-52"
        ><span class="block">What is owed</span>
        <input v-model="next.what" class="field" maxlength="200" autocomplete="off"
      /></label>
      <label
        ><span class="block">By</span> <input v-model="next.due" type="date" class="field w-auto"
      /></label>
      <label
        ><span class="block">or at, {{ symbolOf('km') }}</span>
        <input v-model="next.km" class="field w-28" inputmode="numeric" autocomplete="off"
      /></label>
      <button class="quiet">Keep as owed</button>
    </form>
    <details class="mt-2">
      <summary class="min-h-11 content-center text-soft">A repair that is put off</summary>
      <form class="flex flex-wrap items-end gap-2" @submit.prevent="putOff">
        <label class="basis-52"
          ><span class="block">Repair</span>
          <select v-model="later.repair" class="field">
            <option value="" disabled>which</option>
            <option v-for="one in REPAIRS" :key="one.id" :value="one.id">{{ one.label }}</option>
          </select></label
        >
        <label class="basis-52"
          ><span class="block">Watched by</span>
          <select v-model="later.watch" class="field">
            <option v-for="one in READINGS" :key="one.name" :value="one.name">{{ one.label }}</option>
          </select></label
        >
        <label
          ><span class="block">ends at, {{ symbolOf(watched.unit) }}</span>
          <input v-model="later.limit" class="field w-24" inputmode="decimal" autocomplete="off"
        /></label>
        <label
          ><span class="block">or by</span>
          <input v-model="later.until" type="date" class="field w-auto"
        /></label>
        <label class="grow basis-40"
          ><span class="block">Why</span>
          <input v-model="later.words" class="field" maxlength="300" autocomplete="off"
        /></label>
        <button class="quiet">Put it off</button>
      </form>
    </details>
    <h2 class="mt-4 text-[1.1rem]">Agreed with the customer</h2>
    <ul class="border-t border-hairline">
      <li v-for="one in state.approvals" :key="one.id" class="border-b border-hairline py-1">
        {{ describe({ kind: 'approval', payload: one.payload }) }}
        <span class="text-[0.9rem] text-soft">{{ when(one.at) }}</span>
      </li>
    </ul>
    <form class="mt-2 flex flex-wrap items-end gap-2" @submit.prevent="agree">
      <label class="grow basis-52"
        ><span class="block">What was agreed</span>
        <input v-model="agreed.option" class="field" maxlength="300" autocomplete="off"
      /></label>
      <label class="basis-36"
        ><span class="block">By whom</span>
        <input v-model="agreed.by" class="field" maxlength="80" autocomplete="off"
      /></label>
      <label
        ><span class="block">How</span>
        <select v-model="agreed.how" class="field w-auto">
          <option v-for="one in APPROVED_HOW" :key="one" :value="one">
            {{ APPROVED_HOW_WORDS[one] }}
          </option>
        </select></label
      >
      <button class="quiet">Keep it</button>
    </form>
    <p v-if="wrong" role="alert" class="mt-1 font-semibold text-rust">{{ wrong }}</p>
  </section>
</template>
