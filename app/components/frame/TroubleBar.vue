<script setup lang="ts">
/**
 * What the server refused, or failed on again and again: said plainly, with what was entered, so that nothing is lost unseen;
 * and where this browser can keep nothing.
 */
import { useIntervalFn } from '@vueuse/core'
import { shownAsOf } from '~/sync/kept'
import { loosePhotos } from '~/sync/loose-photos'
import { useJournalStore } from '~/stores/journal'
import { computed, ref, defineAsyncComponent } from 'vue'
import { api } from '~/sync/api'
import { when } from '~/units/format'
import PutBackBar from '~/components/frame/PutBackBar.vue'

const AsideEntry = defineAsyncComponent(() => import('./AsideEntry.vue'))

const journal = useJournalStore()
const photographs = computed(() =>
  loosePhotos.value.size === 1 ? 'A photograph is' : `${loosePhotos.value.size} photographs are`,
)
/** While what is shown is what this browser remembers, the server is asked whether it is back. */
useIntervalFn(() => {
  if (shownAsOf.value !== null) void api('/health').catch(() => {})
}, 5000)
/** Asked before an entry is given up. */
const givingUp = ref<string | null>(null)
function giveUp(id: string) {
  if (givingUp.value === id) void journal.giveUp(id)
  givingUp.value = givingUp.value === id ? null : id
}
</script>

<template>
  <PutBackBar />
  <p
    v-if="shownAsOf !== null"
    role="status"
    class="no-print border-b border-hairline px-4 py-2"
    data-as-of
  >
    <strong>The server is away.</strong> Shown is what this browser knew at
    {{ when(new Date(shownAsOf).toISOString()) }}, with what was filed here since. What you file is kept
    and sent later.
  </p>
  <p v-if="!journal.kept" role="alert" class="border-b border-rust px-4 py-2" data-not-kept>
    <strong class="text-rust">{{
      journal.entriesKept ? 'This browser has no room for a photograph.' : 'This browser keeps nothing.'
    }}</strong>
    Its store is full, or switched off.
    {{
      journal.entriesKept
        ? `${photographs} not sent yet, and would be lost if this page were closed or loaded again`
        : 'Entries are sent at once, but what is not sent yet is lost when this page is closed'
    }}: leave it open until it says “all sent”.
  </p>
  <p
    v-if="journal.held && journal.waiting.length"
    role="status"
    class="border-b border-hairline px-4 py-2"
    data-held
  >
    {{ journal.kept ? 'Saved here, trying again' : 'Not sent yet, trying again' }}: {{ journal.held }}
  </p>
  <div
    v-for="{ entry, detail } in journal.refused"
    :key="entry.id"
    role="alert"
    class="flex flex-wrap items-center gap-x-3 border-b border-rust px-4 py-1"
    data-aside
  >
    <p class="min-w-0 grow py-1">
      <strong class="text-rust">Not accepted:</strong> {{ detail }}{{ ' ' }}
      <AsideEntry :entry="entry" />
    </p>
    <button type="button" class="quiet" @click="journal.sendAgain(entry.id)">Send again</button>
    <button type="button" class="quiet" @click="giveUp(entry.id)">
      {{ givingUp === entry.id ? 'Yes, discard it' : 'Discard' }}
    </button>
  </div>
</template>
