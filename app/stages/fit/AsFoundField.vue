<script setup lang="ts">
import { asFoundFigure, type AsFoundKind } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { useId, ref, computed } from 'vue'
import { useTypedText, typedWithin, boundsIn, symbolOf, formatNow } from '~/units/units'
import { usePhotos } from '~/job/usePhotos'
import PhotoButton from '~/components/photo/PhotoButton.vue'
import PhotoStrip from '~/components/photo/PhotoStrip.vue'

/** One thing that is written down as found: a figure where it has one, words, a photograph. */
const props = defineProps<{ kind: AsFoundKind }>()
const job = useJob()
const { id: jobId, state, file, withdraw } = job
const id = useId()
const ruled = props.kind.unit === 'mm'
const figure = useTypedText(`mellow-found-${jobId}-${props.kind.item}`, () => (ruled ? 'mm' : ''))
const words = ref('')
const tried = ref(false)
const opened = ref(false)

const held = computed(() =>
  state.value.recorded.filter(({ payload }) => payload.item === props.kind.item),
)
const bounds = { min: 0, max: props.kind.max }
const value = computed(() => typedWithin(figure.value, ruled ? 'mm' : '', bounds))
const problem = computed(() =>
  figure.value.trim() !== '' && value.value === null ? boundsIn(bounds, ruled ? 'mm' : '') : '',
)
const symbol = computed(() => (ruled ? symbolOf('mm') : (props.kind.unit ?? '')))
const empty = computed(() => figure.value.trim() === '' && words.value.trim() === '')

async function submit() {
  tried.value = true
  if (problem.value || empty.value) return
  const said = words.value.trim().slice(0, 400)
  const done = await file('asFound', {
    item: props.kind.item,
    ...(value.value !== null && { value: value.value }),
    ...(value.value !== null && props.kind.unit && { unit: props.kind.unit }),
    ...(said && { words: said }),
  })
  if (done) {
    figure.value = ''
    words.value = ''
    tried.value = false
  }
}
const told = (one: (typeof held.value)[number]) =>
  [asFoundFigure(one.payload, formatNow()), one.payload.words].filter(Boolean).join(', ')
const { photos, setWords, takeBack } = usePhotos(
  job,
  ({ of }) => of !== undefined && held.value.some((one) => one.id === of),
)
</script>

<template>
  <form class="border-b border-hairline py-1" :data-found="kind.item" @submit.prevent="submit">
    <div class="flex flex-wrap items-center gap-x-2">
      <button
        type="button"
        class="min-h-11 min-w-0 grow basis-40 text-left leading-tight hover:underline"
        :aria-expanded="opened"
        @click="opened = !opened"
      >
        {{ kind.label }}
      </button>
      <span class="flex min-w-0 grow basis-72 items-center gap-1">
        <template v-if="kind.unit">
          <input
            :id="id"
            v-model="figure"
            class="field w-24"
            inputmode="decimal"
            autocomplete="off"
            :aria-label="`${kind.label}, ${symbol}`"
            :aria-invalid="problem !== '' && tried"
            :placeholder="symbol"
            @blur="tried = true"
          />
        </template>
        <input
          v-model="words"
          class="field min-w-0 grow"
          maxlength="400"
          autocomplete="off"
          :aria-label="`${kind.label}, in words`"
          placeholder="in words"
        />
        <button class="quiet" :disabled="empty">File</button>
      </span>
    </div>
    <p v-if="problem && tried" role="alert" class="font-semibold text-rust">
      {{ kind.label }}: {{ problem }}. What you typed is still here.
    </p>
    <p v-for="one in held" :key="one.id" class="flex min-h-11 items-center gap-2 font-semibold">
      <output class="grow">{{ told(one) }}</output>
      <PhotoButton :filing="job" :of="one.id" :label="kind.label" />
      <button
        type="button"
        class="tap font-normal underline underline-offset-4"
        :aria-label="`Take back: ${kind.label}`"
        @click="withdraw(one.id)"
      >
        take back
      </button>
    </p>
    <PhotoStrip
      :photos="photos"
      :label="`Photographs: ${kind.label}`"
      @words="setWords"
      @take-back="takeBack"
    />
    <p v-if="opened" class="pb-2 text-[0.95rem] text-soft">{{ kind.how }}</p>
  </form>
</template>
