<script setup lang="ts">
import { Camera } from '~/icons'
import type { useFiling } from '~/job/useFiling'
import { useTemplateRef, ref } from 'vue'
import { useJournalStore } from '~/stores/journal'

/** Takes a photograph, with the camera where there is one, and files it where it belongs. */
const props = defineProps<{
  filing: Pick<ReturnType<typeof useFiling>, 'file' | 'problem'>
  /** What it is of, for who hears it. */
  label: string
  of?: string
  place?: string
  /** Of two parts that are compared. */
  side?: 'old' | 'new'
}>()
const input = useTemplateRef<HTMLInputElement>('input')
const problem = ref('')
const busy = ref(false)

async function taken() {
  const photo = input.value?.files?.[0]
  if (!photo || !input.value) return
  problem.value = ''
  busy.value = true
  try {
    const { waitingPhotos } = await import('~/sync/photos')
    const file = await waitingPhotos.keep(photo)
    const { of, place, side } = props
    const filed = await props.filing.file('photo', {
      file,
      ...(of && { of }),
      ...(place && { place }),
      ...(side && { side }),
    })
    if (!filed) await useJournalStore().letGo([file])
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
    // The same photograph can be chosen again after a problem.
    input.value.value = ''
  }
}
</script>

<template>
  <span class="no-print">
    <label class="tap inline-flex cursor-pointer items-center gap-2 border border-hairline px-3">
      <Camera :size="20" aria-hidden="true" />
      <span aria-hidden="true">{{ busy ? 'Keeping it …' : 'Photo' }}</span>
      <input
        ref="input"
        type="file"
        accept="image/*"
        capture="environment"
        class="sr-only"
        :aria-label="`Photograph: ${label}`"
        :disabled="busy"
        @change="taken"
      />
    </label>
    <span v-if="problem" role="alert" class="ml-2 font-semibold text-rust">{{ problem }}</span>
  </span>
</template>
