<script setup lang="ts">
import { MOST_HEAT, type HeatSource } from '~~/core/installation'
import { useDesk } from '~/job/useDesk'
import { computed, reactive, ref } from 'vue'
import { typedWithin, boundsIn, symbolOf } from '~/units/units'
import { millimetres } from '~/units/format'
import OnOff from '~/components/frame/OnOff.vue'

/** What is hot beside one of the lines, and whether it is sleeved there. */
const props = defineProps<{ index: number }>()
const { kept, filing } = useDesk()
const start = computed(() =>
  (kept.value?.circuit.lines ?? []).slice(0, props.index).reduce((sum, one) => sum + one.length, 0),
)
const length = computed(() => kept.value?.circuit.lines[props.index]?.length ?? 0)
const all = computed(() => kept.value?.heat ?? [])
const own = computed(() =>
  all.value
    .map((one, i) => ({ ...one, i }))
    .filter(({ along }) => along >= start.value - 0.5 && along <= start.value + length.value + 0.5),
)
const set = (heat: HeatSource[]) => kept.value && filing.file('installation', { ...kept.value, heat })
const hot = reactive({ along: '', distance: '', sleeved: false })
const DISTANCE = { min: 0, max: 2000 }
const wrong = ref('')
async function add() {
  const reach = { min: 0, max: length.value }
  const along = typedWithin(hot.along, 'mm', reach)
  const distance = typedWithin(hot.distance, 'mm', DISTANCE)
  wrong.value =
    along === null
      ? `Along this line: ${boundsIn(reach, 'mm')}`
      : distance === null
        ? `Away from it: ${boundsIn(DISTANCE, 'mm')}`
        : ''
  if (along === null || distance === null) return
  if (await set([...all.value, { along: start.value + along, distance, sleeved: hot.sleeved }]))
    Object.assign(hot, { along: '', distance: '', sleeved: false })
}
</script>

<template>
  <section aria-labelledby="hot" class="mt-3">
    <h3 id="hot" class="place-name">Hot beside it</h3>
    <p v-for="one in own" :key="one.i" class="flex flex-wrap items-center gap-2">
      <span class="grow"
        >At {{ millimetres(one.along - start) }}: {{ millimetres(one.distance) }} away</span
      >
      <OnOff
        :on="one.sleeved"
        @click="
          set(all.map((other, k) => (k === one.i ? { ...other, sleeved: !other.sleeved } : other)))
        "
        >sleeved</OnOff
      >
      <button type="button" class="quiet" @click="set(all.filter((_, k) => k !== one.i))">
        Remove
      </button>
    </p>
    <form class="flex flex-wrap items-center gap-2 py-1" @submit.prevent="add">
      <label class="flex items-center gap-1"
        >along
        <input v-model="hot.along" class="field w-20" inputmode="decimal" :placeholder="symbolOf('mm')"
      /></label>
      <label class="flex items-center gap-1"
        >away
        <input
          v-model="hot.distance"
          class="field w-20"
          inputmode="decimal"
          :placeholder="symbolOf('mm')"
      /></label>
      <OnOff :on="hot.sleeved" @click="hot.sleeved = !hot.sleeved">sleeved</OnOff>
      <button class="quiet" :disabled="!hot.along || !hot.distance || all.length >= MOST_HEAT">
        Add what is hot
      </button>
    </form>
    <p v-if="wrong" role="alert" class="font-semibold text-rust">
      {{ wrong }}. What you typed is still here.
    </p>
  </section>
</template>
