<script setup lang="ts">
import { CAME_OUT, WITHOUT_STROKES, type BleedCycle, type Held } from '~~/core/journal'
import { WORKSHOP_VOLUME } from '~~/core/quantity'
import { useJob } from '~/job/useJob'
import { ref } from 'vue'
import { asTyped, typedWithin, boundsIn, symbolOf } from '~/units/units'
import { readWithin } from '~/lib/number'
import { CAME_OUT_WORDS } from '~~/core/words'

/** A cycle that was logged wrong, said again: it takes the place of the first. */
const props = defineProps<{ held: Held<BleedCycle> }>()
const emit = defineEmits<{ done: [] }>()
const { file } = useJob()
const was = props.held.payload
const strokes = ref(was.strokes === undefined ? '' : String(was.strokes))
const cameOut = ref(was.cameOut)
const bottle = ref(was.bottle === undefined ? '' : asTyped(was.bottle, 'mm³'))
const counted = !WITHOUT_STROKES.has(was.method)
const wrong = ref('')

async function save() {
  const number = readWithin(strokes.value, { min: 1, max: 200 })
  const volume = bottle.value.trim() ? typedWithin(bottle.value, 'mm³', WORKSHOP_VOLUME) : undefined
  if (counted && (number === null || !Number.isInteger(number))) {
    wrong.value = 'Strokes: a whole number, 1 to 200'
    return
  }
  if (volume === null) {
    wrong.value = `In the bottle: ${boundsIn(WORKSHOP_VOLUME, 'mm³')}`
    return
  }
  const { method, colour, seconds, phase } = was
  const said = {
    method,
    ...(counted && { strokes: number! }),
    cameOut: cameOut.value,
    ...(colour && { colour }),
    ...(volume !== undefined && { bottle: volume }),
    ...(seconds !== undefined && { seconds }),
    ...(phase && { phase }),
  }
  if (await file('bleedCycle', said, { corrects: props.held.id })) emit('done')
}
</script>

<template>
  <form
    class="flex flex-wrap items-center gap-2 py-1"
    aria-label="Correct this cycle"
    @submit.prevent="save"
  >
    <label v-if="counted" class="flex items-center gap-1"
      >Strokes <input v-model="strokes" class="field w-16" inputmode="numeric" autocomplete="off"
    /></label>
    <select v-model="cameOut" class="field w-auto" aria-label="What came out">
      <option v-for="one in CAME_OUT" :key="one" :value="one">{{ CAME_OUT_WORDS[one] }}</option>
      <option value="notSeen">Nobody looked</option>
    </select>
    <label class="flex items-center gap-1"
      >Bottle <input v-model="bottle" class="field w-20" inputmode="decimal" autocomplete="off" />
      {{ symbolOf('mm³') }}</label
    >
    <button class="act">Save correction</button>
    <button type="button" class="quiet" @click="emit('done')">Cancel</button>
    <p v-if="wrong" role="alert" class="basis-full font-semibold text-rust">{{ wrong }}</p>
  </form>
</template>
