<script setup lang="ts">
/** What always stands at a place, over what is looked at there. */
</script>

<template>
  <p class="mt-2 border-l-4 border-amber pl-3 text-[0.95rem] leading-snug" data-caution><slot /></p>
</template>
