<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { contactsOf, join, type End, type Joint, type Seal } from '~~/core/fitting'
import { jointAt, jointPlaces, type JointPlace } from '~~/core/installation'
import { endWords, VERDICT_OF_JOINT } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'
import { useRoute, navigateTo } from '#imports'
import { computed } from 'vue'
import { formatNow } from '~/units/units'
import { jointWords } from '~~/core/words'
import EndForm from '~/components/fitting/EndForm.vue'
import KeptInput from '~/components/frame/KeptInput.vue'
import JointSection from '~/stages/choose/JointSection.vue'
import JointVerdict from '~/stages/choose/JointVerdict.vue'
import ChainPanel from '~/stages/choose/ChainPanel.vue'
import HowTightened from '~/stages/choose/HowTightened.vue'
import WrenchTable from '~/stages/choose/WrenchTable.vue'

/** Joint by joint, new against old: two ends side by side, what meets and what does not, before anything comes off. */
const { id, state, file, problem } = useJob()
const { kept } = useDesk()
const route = useRoute()
const places = computed(() => (kept.value ? jointPlaces(kept.value) : []))
const at = computed<JointPlace>({
  get: () => places.value.find((one) => one === route.query.at) ?? 'slavePort',
  set: (place) => void navigateTo({ query: { ...route.query, at: place } }, { replace: true }),
})
const known = computed(() => (kept.value ? jointAt(kept.value, at.value) : null))
const checked = computed(() => state.value.joints[at.value] ?? null)

const NAMES: Partial<Record<JointPlace, [string, string]>> = {
  feed: ['Feed hose', 'Master’s inlet'],
  masterOutlet: ['Master’s outlet', 'End of the line there'],
  slavePort: ['End of the line there', 'Slave’s port'],
  bleeder: ['Slave’s bleed port', 'Bleed screw'],
}
const names = computed<[string, string]>(() => {
  const fixed = NAMES[at.value]
  if (fixed) return fixed
  const before = Number(at.value.slice(5)) + 1
  return [`End of line ${before}`, `Start of line ${before + 1}`]
})
/** What is most often there, so that a new joint is not typed from nothing. */
function usual(place: JointPlace, side: 'a' | 'b'): End {
  if (place === 'feed')
    return { thread: null, gender: side === 'a' ? 'none' : 'male', seat: 'hoseBarb' }
  const female = (place === 'slavePort' && side === 'b') || (place !== 'slavePort' && side === 'a')
  if (place === 'bleeder')
    return { thread: 'M8x1', gender: female ? 'female' : 'male', seat: 'washerFace' }
  return { thread: null, gender: female ? 'female' : 'male', seat: 'doubleFlare' }
}
interface Draft {
  a: End
  b: End
  missing: Seal[]
}
const drafts = useSessionStorage<Partial<Record<JointPlace, Draft>>>(`mellow-joints-${id}`, {})
const draft = computed<Draft>(() => {
  const own = drafts.value[at.value]
  if (own) return own
  const held = checked.value?.payload
  return {
    a: held?.a ?? known.value?.a ?? usual(at.value, 'a'),
    b: held?.b ?? known.value?.b ?? usual(at.value, 'b'),
    missing: [],
  }
})
const change = (part: Partial<Draft>) =>
  (drafts.value = { ...drafts.value, [at.value]: { ...draft.value, ...part } })
const side = (name: 'a' | 'b') =>
  computed<End>({ get: () => draft.value[name], set: (end) => change({ [name]: end }) })
const a = side('a')
const b = side('b')

const needs = computed(() => join(a.value, b.value).needs)
const atHand = computed(() =>
  draft.value.missing.length === 0
    ? undefined
    : needs.value.filter(
        (one, i) => !draft.value.missing.includes(one) || needs.value.indexOf(one) !== i,
      ),
)
const joint = computed((): Joint => join(a.value, b.value, atHand.value))
const contacts = computed(() => contactsOf(a.value, b.value, joint.value, formatNow()))
const told = computed(
  () =>
    a.value.thread !== null ||
    b.value.thread !== null ||
    a.value.seat !== 'doubleFlare' ||
    !!checked.value,
)
const toggleSeal = (seal: Seal) => {
  const { missing } = draft.value
  change({
    missing: missing.includes(seal) ? missing.filter((one) => one !== seal) : [...missing, seal],
  })
}
async function keepCheck() {
  const { verdict, reasons } = joint.value
  const done = await file('joint', {
    at: at.value,
    a: a.value,
    b: b.value,
    verdict,
    reasons: reasons.map(({ code, figure, limit }) => ({
      code,
      ...(figure !== undefined && { figure }),
      ...(limit !== undefined && { limit }),
    })),
    ...(atHand.value && { atHand: atHand.value }),
  })
  if (done) forget()
}
const readOff = (name: 'a' | 'b') =>
  file('joint', {
    at: at.value,
    a: name === 'a' ? a.value : null,
    b: name === 'b' ? b.value : null,
    verdict: null,
    reasons: [],
  })
function forget() {
  const { [at.value]: _, ...rest } = drafts.value
  drafts.value = rest
}
const access = computed<string>({
  get: () => known.value?.access ?? '',
  set: (words) => void setAccess(words),
})
async function setAccess(words: string) {
  if (!kept.value) return
  const said = words.trim().slice(0, 200)
  const joints = (kept.value.joints ?? []).filter((one) => one.at !== at.value)
  const { access: _, ...rest } = jointAt(kept.value, at.value)
  await file('installation', {
    ...kept.value,
    joints: [...joints, { ...rest, ...(said && { access: said }) }],
  })
}
const mark = (place: JointPlace) => {
  const verdict = state.value.joints[place]?.payload.verdict
  return verdict === 'refused' ? '✕' : verdict === 'joinsWith' ? '◐' : verdict === 'joins' ? '✓' : ''
}
</script>

<template>
  <div v-if="kept" class="px-6 py-3">
    <div class="flex flex-wrap gap-1.5" role="group" aria-label="Joints">
      <button
        v-for="place in places"
        :key="place"
        type="button"
        class="quiet"
        :class="{ 'bg-ink text-ground': place === at }"
        :aria-pressed="place === at"
        @click="at = place"
      >
        {{ jointWords(place) }}<span v-if="mark(place)" aria-hidden="true">{{ mark(place) }}</span
        ><span v-if="mark(place)" class="sr-only"
          >, {{ VERDICT_OF_JOINT[state.joints[place]!.payload.verdict!] }}</span
        >
      </button>
    </div>
    <div class="mt-2 grid grid-cols-1 gap-x-8 gap-y-3 xl:grid-cols-2">
      <div>
        <div class="grid gap-4 sm:grid-cols-2">
          <EndForm v-model="a" :label="names[0]" :old="known?.a ?? null" @keep="readOff('a')" />
          <EndForm v-model="b" :label="names[1]" :old="known?.b ?? null" @keep="readOff('b')" />
        </div>
        <p class="text-[0.95rem] text-soft">
          In the vehicle:
          {{ known?.a ? endWords(known.a) : 'not known' }} to
          {{ known?.b ? endWords(known.b) : 'not known' }}. Measure the new part on the bench: thread
          gauge, rule, and a look at the seat.
        </p>
        <label class="mt-1 flex items-center gap-2 text-[0.95rem]">
          Access
          <KeptInput
            class="field grow"
            maxlength="200"
            :value="access"
            placeholder="how a wrench gets at it"
            @change="access = $event"
          />
        </label>
      </div>
      <div class="order-first xl:order-none">
        <JointSection :a="a" :b="b" :joint="joint" :contacts="contacts" />
        <JointVerdict
          :told="told"
          :joint="joint"
          :contacts="contacts"
          :needs="needs"
          :missing="draft.missing"
          @toggle="toggleSeal"
        />
        <p class="mt-2 flex flex-wrap items-center gap-2">
          <button type="button" class="act" :disabled="!told" @click="keepCheck">File the check</button>
          <button v-if="drafts[at]" type="button" class="quiet" @click="forget">Start again</button>
        </p>
        <p v-if="checked" role="status" class="mt-1" data-checked>
          Filed: {{ VERDICT_OF_JOINT[checked.payload.verdict!] }},
          {{ checked.payload.a ? endWords(checked.payload.a) : '' }} to
          {{ checked.payload.b ? endWords(checked.payload.b) : '' }}.
          <span v-if="!checked.sent" class="text-soft">Waiting to be sent.</span>
        </p>
        <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
        <ChainPanel v-if="joint.verdict === 'refused' && told" class="mt-3" :from="a" :to="b" />
        <HowTightened v-else :seat="b.seat" class="mt-2" />
        <WrenchTable class="mt-1" />
      </div>
    </div>
  </div>
</template>
