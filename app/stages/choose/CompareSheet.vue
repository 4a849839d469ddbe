<script setup lang="ts">
import type { Part } from '~~/contract'
import { COMPARED, COMPARED_WORDS, FIT_WORDS, type Compared } from '~~/core/side-by-side'
import { useComparison } from './useComparison'
import { useJob } from '~/job/useJob'
import { useDesk } from '~/job/useDesk'
import { useOrdersStore } from '~/stores/orders'
import { useRoute, navigateTo } from '#imports'
import { computed, shallowRef, watch, onMounted } from 'vue'
import { api } from '~/sync/api'
import { usePhotos } from '~/job/usePhotos'
import OnOff from '~/components/frame/OnOff.vue'
import KeptInput from '~/components/frame/KeptInput.vue'
import CompareRowField from '~/stages/choose/CompareRowField.vue'
import PhotoButton from '~/components/photo/PhotoButton.vue'
import PhotoStrip from '~/components/photo/PhotoStrip.vue'
import CompareLists from '~/stages/choose/CompareLists.vue'
import FilledSet from '~/stages/choose/FilledSet.vue'

/** The new part beside the old one, row by row, before anything comes off. */
const job = useJob()
const { state, problem } = job
const { kept } = useDesk()
const orders = useOrdersStore()
const route = useRoute()
const fits = computed(() => {
  const concentric = kept.value?.circuit.slave.type === 'concentric'
  return COMPARED.filter((one) => (concentric ? one !== 'slave' : one !== 'concentric'))
})
/** What is compared already, else what was decided to be renewed. */
const likeliest = computed(
  () =>
    fits.value.find((one) => state.value.comparisons[one]) ??
    fits.value.find((one) => state.value.decision?.payload.repairs.includes(one)) ??
    fits.value[0]!,
)
const of = computed<Compared>({
  get: () => fits.value.find((one) => one === route.query.of) ?? likeliest.value,
  set: (one) => void navigateTo({ query: { ...route.query, of: one } }, { replace: true }),
})
/** The part of the shelf that is compared, where there is one. */
const part = shallowRef<Part | null>(null)
const comparison = useComparison(of, part)
const { held, rows, verdict, missing } = comparison
watch(
  () => held.value?.part,
  async (id) => {
    if (!id) part.value = null
    else if (part.value?.id !== id)
      try {
        part.value = await api<Part>(`/parts/${id}`)
      } catch {
        // Off the shelf since, or the server away: what was filed of it stands.
        part.value = null
      }
  },
  { immediate: true },
)
watch(of, () => (part.value = null))
onMounted(() => void orders.load().catch(() => {}))
/** Lines of this job that name a part of the shelf. */
const lines = computed(() =>
  (orders.orders ?? []).flatMap(({ lines }) =>
    lines.filter((line) => line.jobId === job.id && line.partId !== null),
  ),
)
async function choosePart(id: string) {
  if (!id) return
  try {
    part.value = await api<Part>(`/parts/${id}`)
    await comparison.filing({ part: id, brought: false })
  } catch (failure) {
    problem.value = failure instanceof Error ? failure.message : String(failure)
  }
}
const brought = computed(
  () => held.value?.brought ?? state.value.goal?.payload.jobKind === 'partsBrought',
)
const words = computed(() => held.value?.words ?? '')
const setWords = (text: string) =>
  text.trim() && comparison.filing({ words: text.trim().slice(0, 120) })
const mark = (one: Compared) => {
  const made = state.value.comparisons[one]
  return made
    ? made.rows.filter(({ judged }) => judged === 'wontFit').length > 0
      ? '✕'
      : `${made.rows.length}`
    : ''
}
const photos = (side: 'old' | 'new') =>
  usePhotos(job, (photo) => photo.side === side && photo.place === of.value)
const shots = { old: photos('old'), new: photos('new') }
const COLOUR = {
  fits: 'border-ink',
  withChanges: 'border-amber',
  wontFit: 'border-rust text-rust',
  notKnown: 'border-hairline',
} as const
const count = computed(() => rows.value.filter(({ judged }) => judged !== 'notKnown').length)
</script>

<template>
  <div class="px-6 py-3">
    <div class="flex flex-wrap items-center gap-1.5">
      <div class="flex flex-wrap gap-1.5" role="group" aria-label="Which part">
        <button
          v-for="one in fits"
          :key="one"
          type="button"
          class="quiet"
          :class="{ 'bg-ink text-ground': one === of }"
          :aria-pressed="one === of"
          @click="of = one"
        >
          {{ COMPARED_WORDS[one] }}<span v-if="mark(one)" aria-hidden="true">{{ mark(one) }}</span>
        </button>
      </div>
      <OnOff :on="brought" @click="comparison.filing({ brought: !brought })"
        >The customer brought it</OnOff
      >
    </div>
    <div class="flex flex-wrap items-center gap-2 py-2">
      <label class="flex grow basis-72 items-center gap-2"
        ><span class="whitespace-nowrap">New one</span>
        <KeptInput
          class="field grow"
          maxlength="120"
          :value="words"
          placeholder="what it says on it"
          @change="setWords"
      /></label>
      <select
        v-if="lines.length"
        class="field w-auto"
        aria-label="A part of this job’s orders"
        :value="held?.part ?? ''"
        @change="choosePart(($event.target as HTMLSelectElement).value)"
      >
        <option value="">from this job’s orders …</option>
        <option v-for="line in lines" :key="line.id" :value="line.partId ?? ''">
          {{ line.words }}
        </option>
      </select>
      <span v-if="part" class="text-[0.95rem] text-soft">{{ part.supplier }} {{ part.number }}</span>
    </div>
    <p
      class="border-l-4 pl-3 text-[1.1rem]"
      :class="COLOUR[verdict]"
      role="status"
      data-fit-verdict
      :data-verdict="verdict"
    >
      <strong>{{ FIT_WORDS[verdict] }}</strong>{{ ' ' }}
      <template v-if="verdict === 'wontFit'">
        Keep the vehicle together: it goes back to whoever brought or sold it.
      </template>
      <template v-else-if="missing.length">
        Still to look at before anything comes off:
        {{ missing.map(({ label }) => label.toLowerCase()).join(', ') }}.
      </template>
      <span class="text-[0.95rem] text-soft">{{ count }} of {{ rows.length }} rows judged.</span>
    </p>
    <div
      class="mt-2 hidden grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)_minmax(0,1fr)_minmax(0,1.7fr)] items-end gap-x-3 border-b-2 border-ink pb-1 md:grid"
    >
      <span class="text-[0.95rem] text-soft">Both in the same state</span>
      <span class="font-semibold">Old, in the vehicle</span>
      <span class="font-semibold">New, on the bench</span>
      <span class="font-semibold">Judged</span>
    </div>
    <CompareRowField
      v-for="row in rows"
      :key="`${of} ${row.kind.id}`"
      :row="row"
      :needed="missing.some(({ id }) => id === row.kind.id)"
      @side="(side, value) => comparison.setRow(row.kind.id, side, value)"
      @judge="(judged) => comparison.overrule(row.kind.id, judged)"
    />
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <div class="grid gap-4 py-2 sm:grid-cols-2">
      <div v-for="side in ['old', 'new'] as const" :key="side">
        <p class="place-name">
          {{ side === 'old' ? 'Photographs of the old one' : 'Photographs of the new one' }}
        </p>
        <PhotoButton
          :filing="job"
          :label="`${side} ${COMPARED_WORDS[of].toLowerCase()}`"
          :place="of"
          :side="side"
        />
        <PhotoStrip
          :photos="shots[side].photos.value"
          :label="`${side} ${COMPARED_WORDS[of].toLowerCase()}`"
          @words="shots[side].setWords"
          @take-back="shots[side].takeBack"
        />
      </div>
    </div>
    <p class="text-[0.95rem] text-soft">
      Tolerances are judgement; the part’s drawing and the vehicle’s maker decide. A part that does not
      match is not forced: a wrong rod burns the clutch, a wrong thread lets go under pressure.
    </p>
    <CompareLists :of="of" :comparison="comparison" />
    <FilledSet v-if="of === 'master' || of === 'slave' || of === 'concentric'" />
  </div>
</template>
