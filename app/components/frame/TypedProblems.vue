<script setup lang="ts">
/** What is wrong with fields of a form, by field; what was typed stays in them. */
defineProps<{ problems: Readonly<Record<string, string>> }>()
</script>

<template>
  <p
    v-for="(words, name) in problems"
    v-show="words"
    :key="name"
    role="alert"
    class="font-semibold text-rust"
  >
    {{ words }}. What you typed is still here.
  </p>
</template>
