<script setup lang="ts">
import type { Problem } from '~~/contract'
import { ref } from 'vue'

/** A file of the server's to keep: that it is being written is said, and so is why it is not. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{ from: string; name: string }>()
const busy = ref(false)
const problem = ref('')
async function save() {
  busy.value = true
  problem.value = ''
  try {
    const response = await fetch(props.from)
    if (!response.ok) {
      const refused = (await response.json().catch(() => null)) as Problem | null
      problem.value = refused?.detail ?? `The server answered ${response.status}.`
      return
    }
    const link = document.createElement('a')
    link.href = URL.createObjectURL(await response.blob())
    link.download = props.name
    link.click()
    URL.revokeObjectURL(link.href)
  } catch {
    problem.value = `${props.name} did not come: the server does not answer. Try again.`
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <button v-bind="$attrs" type="button" :disabled="busy" @click="save">
    <template v-if="busy">Writing it …</template>
    <slot v-else />
  </button>
  <p v-if="problem" role="alert" class="basis-full font-semibold text-rust">{{ problem }}</p>
</template>
