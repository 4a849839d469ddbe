<script setup lang="ts">
import { ref, watch } from 'vue'
/**
 * A text field over a value that may change under the hand: while somebody types, what was typed stays, whatever comes in
 * from elsewhere.
 */
const props = defineProps<{ value: string }>()
const emit = defineEmits<{ change: [text: string] }>()
const text = ref(props.value)
const busy = ref(false)
watch(
  () => props.value,
  (value) => {
    if (!busy.value) text.value = value
  },
)
</script>

<template>
  <input v-model="text" @focus="busy = true" @blur="busy = false" @change="emit('change', text)" />
</template>
