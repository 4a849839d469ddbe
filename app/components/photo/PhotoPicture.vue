<script setup lang="ts">
import { ref, watch, onBeforeUnmount, computed } from 'vue'
/** A photograph from the server, or from this browser while it waits to be sent. */
const props = defineProps<{ file: string; waits: boolean; alt: string; size: 'full' | 'small' }>()
const own = ref('')
async function look() {
  if (!props.waits) return
  const { waitingPhotos } = await import('~/sync/photos')
  const photo = await waitingPhotos.get(props.file)
  if (photo) own.value = URL.createObjectURL(photo)
}
watch(() => [props.file, props.waits], look, { immediate: true })
onBeforeUnmount(() => own.value && URL.revokeObjectURL(own.value))
const source = computed(
  () => own.value || (props.waits ? '' : `/api/files/${props.file}?size=${props.size}`),
)
</script>

<template>
  <img
    v-if="source"
    :src="source"
    :alt="alt"
    loading="lazy"
    :class="size === 'small' ? 'size-20 object-cover' : 'max-h-[70vh] max-w-full object-contain'"
  />
</template>
