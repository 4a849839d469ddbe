<script setup lang="ts">
import { useOrdersStore } from '~/stores/orders'
import { computed } from 'vue'
import { clock } from '~/lib/delivery-words'
/** Whether the supplier that is reached by wire answers, and since when it does not. */
const orders = useOrdersStore()
const state = computed(() => orders.supplier)
</script>

<template>
  <p v-if="state?.name" role="status" class="no-print py-1 text-[0.95rem]" data-supplier-state>
    <template v-if="state.answering"
      ><strong>{{ state.name }}</strong> answers: its orders go by themselves.</template
    >
    <template v-else
      ><strong class="text-rust"
        >{{ state.name }}: not answering since {{ clock(state.since) }}.</strong
      >
      Orders wait here and are sent once it answers, each of them once. The jobs go on.</template
    >
  </p>
</template>
