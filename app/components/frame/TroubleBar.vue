<script setup lang="ts">
/** What the server refused for good: said plainly, with what was entered, so that nothing is lost unseen. */
const journal = useJournalStore()
</script>

<template>
  <div
    v-for="{ entry, detail } in journal.refused"
    :key="entry.id"
    role="alert"
    class="border-b border-rust px-4 py-2"
  >
    <span class="font-semibold text-rust">Not taken:</span> {{ detail }}
    <code class="ml-2 font-mono text-[0.9rem]"
      >{{ entry.kind }} {{ JSON.stringify(entry.payload) }}</code
    >
    <button
      type="button"
      class="quiet ml-2"
      @click="journal.refused = journal.refused.filter((one) => one.entry.id !== entry.id)"
    >
      Seen
    </button>
  </div>
</template>
