<script setup lang="ts">
import { InputError } from '~~/core/circuit'
import { boreReasonWords, judgeBore, NOMINAL_BORE, type Rebuilt, type Surface } from '~~/core/rebuild'
import { useJob, useJobFigures } from '~/job/useJob'
import { computed, ref } from 'vue'
import { useTypedText, inUnits, unitsNow, typedValue, formatNow } from '~/units/units'
import { when } from '~/units/format'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'
import NumberField from '~/components/frame/NumberField.vue'

/** Whether a bore is fit to be rebuilt: by look, by nail, and by figures where in doubt. */
const props = defineProps<{ cylinder: Rebuilt }>()
const { id: jobId, state, file, withdraw } = useJob()
const { kept } = useJobFigures()
const fits = computed(() => {
  const circuit = kept.value?.circuit
  if (props.cylinder === 'master') return circuit?.master.bore ?? null
  return circuit?.slave.type === 'external' ? circuit.slave.bore : null
})
const typedNominal = useTypedText(`mellow-nominal-${jobId}-${props.cylinder}`, () => 'mm')
const nominal = computed({
  get: () =>
    typedNominal.value ||
    (fits.value === null ? '' : inUnits(fits.value, 'mm', unitsNow() === 'inch' ? 4 : 2)),
  set: (text) => (typedNominal.value = text),
})
const bore = useTypedText(`mellow-bore-${jobId}-${props.cylinder}`, () => 'mm')
const piston = useTypedText(`mellow-piston-${jobId}-${props.cylinder}`, () => 'mm')
const surface = ref<Surface | ''>('')
const swept = ref(true)
const wipesOff = ref<'' | 'yes' | 'no'>('')
const SURFACES = [
  { id: 'clean', name: 'clean' },
  { id: 'stain', name: 'a stain' },
  { id: 'step', name: 'a step' },
  { id: 'pit', name: 'pits' },
  { id: 'rust', name: 'rust' },
] as const
const WIPES = [
  { id: 'yes', name: 'wipes off' },
  { id: 'no', name: 'stays' },
] as const
const SWEPT = [
  { id: true, name: 'where the cup runs' },
  { id: false, name: 'where none runs' },
] as const
const NAMES: Record<string, string> = { '/nominal': 'Nominal', '/bore': 'Bore', '/piston': 'Piston' }
const asked = computed(() => {
  const at = typedValue(nominal.value, 'mm')
  if (surface.value === '' || at === null) return null
  const [wide, small] = [typedValue(bore.value, 'mm'), typedValue(piston.value, 'mm')]
  return {
    nominal: at,
    ...(wide !== null && { bore: wide }),
    ...(small !== null && { piston: small }),
    surface: surface.value,
    ...(surface.value === 'stain' && wipesOff.value !== '' && { wipesOff: wipesOff.value === 'yes' }),
    ...(!swept.value && surface.value !== 'clean' && { swept: false }),
  }
})
const judged = computed(() => {
  if (!asked.value) return null
  try {
    return { ...judgeBore(asked.value), wrong: '' }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return {
      verdict: 'notTold' as const,
      reasons: [],
      wrong: `${NAMES[error.path] ?? ''}: ${error.message}`,
    }
  }
})
const diameter = (mm: number) => formatNow().diameter(mm)
const VERDICTS = { pass: 'Fit to rebuild', reject: 'Rejected: renew it', notTold: 'Cannot be told yet' }
const LOOK = { pass: 'text-patina', reject: 'text-rust', notTold: '' }
const held = computed(() => state.value.bores[props.cylinder])
async function keep() {
  if (!asked.value || !judged.value || judged.value.wrong) return
  await file('boreCheck', {
    cylinder: props.cylinder,
    ...asked.value,
    verdict: judged.value.verdict,
  })
}
</script>

<template>
  <form :aria-label="`Bore of the ${cylinder}`" data-bore @submit.prevent="keep">
    <h2 class="text-[1.1rem]">Its bore</h2>
    <p class="text-soft">
      Wiped clean, a lamp down it, a fingernail across. The maker’s data decides. A coated or aluminium
      bore is never honed.
    </p>
    <ChoiceRow
      :model-value="surface"
      class="py-1"
      label="What the bore looks like"
      :choices="SURFACES"
      @update:model-value="(one) => (surface = one as Surface)"
    />
    <ChoiceRow
      v-if="surface === 'stain'"
      v-model="wipesOff"
      class="py-1"
      label="The stain"
      :choices="WIPES"
    />
    <ChoiceRow
      v-if="surface !== '' && surface !== 'clean'"
      v-model="swept"
      class="py-1"
      label="Where the mark is"
      :choices="SWEPT"
    />
    <div class="grid grid-cols-1 gap-2 sm:grid-cols-3">
      <NumberField
        v-model="nominal"
        label="Nominal"
        unit="mm"
        :min="NOMINAL_BORE.min"
        :max="NOMINAL_BORE.max"
      />
      <NumberField v-model="bore" label="Bore at its widest" unit="mm" optional :min="6" :max="82" />
      <NumberField v-model="piston" label="Piston" unit="mm" optional :min="6" :max="82" />
    </div>
    <p v-if="judged?.wrong" role="alert" class="font-semibold text-rust">{{ judged.wrong }}.</p>
    <div v-else-if="judged" aria-live="polite" data-judged>
      <p class="text-[1.25rem] font-semibold" :class="LOOK[judged.verdict]">
        {{ VERDICTS[judged.verdict] }}
      </p>
      <p v-for="one in judged.reasons" :key="one.code">{{ boreReasonWords(one, diameter) }}</p>
    </div>
    <button class="act mt-1" :disabled="!judged || judged.wrong !== ''">Keep this</button>
    <div v-if="held" class="mt-2 border-t border-hairline pt-1" data-bore-held>
      <p class="flex items-center gap-2">
        <span class="grow"
          >Kept {{ when(held.at) }}:
          <strong :class="LOOK[held.payload.verdict]">{{
            VERDICTS[held.payload.verdict]
          }}</strong></span
        >
        <button
          type="button"
          class="tap underline underline-offset-4"
          :aria-label="`Take back: bore of the ${cylinder}`"
          @click="withdraw(held.id)"
        >
          take back
        </button>
      </p>
      <p v-if="held.payload.verdict === 'reject'">
        This cylinder is not rebuilt.
        <NuxtLink :to="`/jobs/${jobId}/decision`" class="tap px-1 font-semibold underline"
          >Decide again</NuxtLink
        >
        with this in hand; until then the job is stopped where it would be rebuilt.
      </p>
    </div>
  </form>
</template>
