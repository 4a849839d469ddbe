<script setup lang="ts">
import type { ModelPhoto } from '~~/contract'
import type { ShownPhoto } from './PhotoStrip.vue'

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
const shown = computed((): ShownPhoto[] =>
  found.value
    .filter(
      ({ place, file }) => (!props.place || place === props.place) && !props.except?.includes(file),
    )
    .map(({ file, place, words, vehicleName }) => ({
      file,
      words: [words ?? PLACE_WORDS(place), vehicleName].join(', '),
    })),
)
const PLACE_WORDS = (place: string) =>
  place.startsWith('line') && place !== 'linkage' ? 'line' : place
</script>

<template>
  <section v-if="shown.length" class="py-2" data-model-photos>
    <h3 class="text-[0.95rem] text-soft">Photographs of this model: {{ shown.length }}</h3>
    <PhotoStrip :photos="shown" label="Photographs of this model" />
  </section>
</template>
