<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { reformPipe, reformWords, type MadePipe } from '~~/core/layout'
import { useJob } from '~/job/useJob'
import { readWithin } from '~/lib/number'
import { formatNow, symbolOf, typedWithin, useTypedText } from '~/units/units'

/** Whether the old pipe can be formed anew into this one, turned at its outlet. */
const props = defineProps<{ pipe: MadePipe }>()
const { id } = useJob()
const old = reactive({
  length: useTypedText(`mellow-old-pipe-${id}`, () => 'mm'),
  was: ref(''),
  is: ref(''),
})
const ANGLE = { min: -360, max: 360 }
const OLD = { min: 10, max: 20_000 }
const reformed = computed(() => {
  const length = typedWithin(old.length, 'mm', OLD)
  const [was, is] = [readWithin(old.was || '0', ANGLE), readWithin(old.is || '0', ANGLE)]
  if (length === null || was === null || is === null) return null
  return reformPipe({ length, outletWas: was, outletIs: is }, props.pipe)
})
</script>

<template>
  <section class="mt-3" aria-labelledby="reform">
    <h3 id="reform" class="place-name">Or form the old one anew</h3>
    <div class="flex flex-wrap items-center gap-2 py-1">
      <label class="flex items-center gap-2"
        >Old pipe, along it, {{ symbolOf('mm') }}
        <input v-model="old.length" class="field w-24" inputmode="decimal"
      /></label>
      <label class="flex items-center gap-2"
        >Outlet was at, °
        <input v-model="old.was" class="field w-20" inputmode="decimal" placeholder="0"
      /></label>
      <label class="flex items-center gap-2"
        >is at, ° <input v-model="old.is" class="field w-20" inputmode="decimal" placeholder="0"
      /></label>
    </div>
    <p
      v-if="reformed"
      class="border-l-4 pl-3"
      :class="reformed.does ? 'border-patina' : 'border-rust'"
      data-reform
    >
      {{ reformWords(reformed, formatNow()) }}
    </p>
  </section>
</template>
