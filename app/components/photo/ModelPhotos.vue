<script setup lang="ts">
import type { ShownPhoto } from '~/job/usePhotos'
import type { ModelPhoto } from '~~/contract'
import { shallowRef, watch, computed } from 'vue'
import { api } from '~/sync/api'
import PhotoStrip from '~/components/photo/PhotoStrip.vue'

/** What others have photographed on this model: where a part hides, what it looks like. */
const props = defineProps<{ model: string | null; place?: string; except?: readonly string[] }>()
const found = shallowRef<ModelPhoto[]>([])
watch(
  () => props.model,
  async (model) => {
    found.value = []
    if (!model) return
    try {
      const photos = await api<ModelPhoto[]>(`/models/photos?model=${encodeURIComponent(model)}`)
      if (props.model === model) found.value = photos
    } catch {
      // The server is away: then there is nothing to show, and the page says so anyway.
    }
  },
  { immediate: true },
)
/** Lines have numbers of their own on each vehicle. */
const placeWords = (place: string) => (/^line\d/.test(place) ? 'line' : place)
const shown = computed((): ShownPhoto[] =>
  found.value
    .filter(
      ({ place, file }) => (!props.place || place === props.place) && !props.except?.includes(file),
    )
    .map(({ file, place, words, vehicleName }) => ({
      file,
      words: [words ?? placeWords(place), vehicleName].join(', '),
    })),
)
</script>

<template>
  <details v-if="shown.length" data-model-photos>
    <summary class="min-h-11 content-center">Photographs of this model: {{ shown.length }}</summary>
    <PhotoStrip :photos="shown" label="Photographs of this model" />
  </details>
</template>
