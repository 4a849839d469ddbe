<script setup lang="ts">
import type { Role } from '~~/core/coach'
import { useCoach } from './useCoach'
import { usePersonStore } from '~/stores/person'
import { computed } from 'vue'

/** A place that somebody asks for, or took: whoever holds it is asked first, and both are told. */
const { told, device, ask, roles } = useCoach()
const person = usePersonStore()
const nameOf = (by: string) => person.names.get(by) ?? 'Somebody'
const placesOf = (list: readonly Role[]) =>
  list.map((role) => (role === 'pedal' ? 'the pedal' : 'the screw')).join(' and ')
const asked = computed(() => {
  const now = told.value?.asked
  return now?.roles.some((role) => roles.value.includes(role)) && now.seat.device !== device
    ? now
    : null
})
const asking = computed(() => {
  const now = told.value?.asked
  return now?.seat.device === device ? now : null
})
const took = computed(() => {
  const now = told.value?.took
  return now && (now.from.device === device || now.to.device === device) ? now : null
})
const kept = computed(() => (told.value?.kept?.to.device === device ? told.value.kept : null))
</script>

<template>
  <div v-if="asked || asking || took || kept" role="alert" data-places>
    <p v-if="asked" class="flex flex-wrap items-center gap-3 border-b border-amber px-5 py-1 sm:px-8">
      <span class="grow"
        >{{ nameOf(asked.seat.by) }} asks for {{ placesOf(asked.roles) }}, on another device. Without an
        answer it goes there in ten seconds.</span
      >
      <button type="button" class="act" @click="ask('keep')">I stay</button>
      <button type="button" class="quiet" @click="ask('give')">Give it over</button>
    </p>
    <p v-if="asking" class="border-b border-hairline px-5 py-2 sm:px-8">
      Asked for {{ placesOf(asking.roles) }}: whoever is there has ten seconds to answer.
    </p>
    <p v-if="took" class="flex flex-wrap items-center gap-3 border-b border-amber px-5 py-1 sm:px-8">
      <template v-if="took.from.device === device">
        <span class="grow"
          >{{ nameOf(took.to.by) }} has taken {{ placesOf(took.roles) }} on another device: you said
          nothing for ten seconds.</span
        >
        <button type="button" class="act" @click="ask('takeBack')">Take it back</button>
      </template>
      <span v-else class="grow"
        >You have {{ placesOf(took.roles) }} now: {{ nameOf(took.from.by) }} did not answer.</span
      >
      <button type="button" class="quiet" @click="ask('seen')">Seen</button>
    </p>
    <p v-if="kept" class="flex flex-wrap items-center gap-3 border-b border-hairline px-5 py-1 sm:px-8">
      <span class="grow">{{ nameOf(kept.by.by) }} stays there.</span>
      <button type="button" class="quiet" @click="ask('seen')">Seen</button>
    </p>
  </div>
</template>
