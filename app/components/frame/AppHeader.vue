<script setup lang="ts">
import { Lamp, Sun } from '~/icons'
import { useTheme } from '~/frame/useTheme'
import { useJournalStore } from '~/stores/journal'
import { usePersonStore } from '~/stores/person'
import { onMounted, ref, computed } from 'vue'

defineProps<{ title: string; sub?: string }>()
const { look, turn } = useTheme()
const journal = useJournalStore()
const person = usePersonStore()

// Whoever comes by a link has no page before this one that knows who works here.
onMounted(() => person.people.length === 0 && void person.load().catch(() => {}))

const unitsProblem = ref('')
async function changeUnits() {
  unitsProblem.value = ''
  try {
    await person.setUnits(person.units === 'inch' ? 'metric' : 'inch')
  } catch (error) {
    unitsProblem.value = `Units could not be saved: ${error instanceof Error ? error.message : error}`
  }
}

const sent = computed(() => {
  const count = journal.unsent
  if (count === 0) return journal.refused.length ? 'the rest is sent' : 'all sent'
  const where = journal.kept ? 'kept here' : 'in this page alone'
  if (journal.away) return `${count} ${where}, server away`
  return journal.held ? `${count} ${where}, not taken yet` : `sending ${count}`
})
</script>

<template>
  <header class="no-print flex min-h-13 flex-wrap items-stretch border-b border-ink lg:flex-nowrap">
    <NuxtLink
      to="/"
      class="flex w-14 shrink-0 lg:w-19 items-center justify-center"
      aria-label="Mellow Anchor, to the bench"
    >
      <img src="/anchor.svg" alt="" class="h-7" />
    </NuxtLink>
    <div
      class="flex min-w-0 max-w-[calc(100%-3.5rem)] grow basis-60 flex-wrap items-baseline lg:basis-40 xl:basis-60 gap-x-4 self-center px-4 py-1"
    >
      <h1 class="truncate text-[1.1rem] font-semibold">{{ title }}</h1>
      <p v-if="sub" class="truncate text-soft">{{ sub }}</p>
    </div>
    <nav aria-label="Pages" class="flex flex-wrap items-center gap-1 px-2">
      <slot name="nav">
        <NuxtLink to="/" class="tap" active-class="font-semibold underline underline-offset-4"
          >Bench</NuxtLink
        >
        <NuxtLink to="/vehicles" class="tap" active-class="font-semibold underline underline-offset-4">
          Vehicles
        </NuxtLink>
        <NuxtLink to="/due" class="tap" active-class="font-semibold underline underline-offset-4"
          >Due</NuxtLink
        >
        <NuxtLink to="/shelf" class="tap" active-class="font-semibold underline underline-offset-4"
          >Shelf</NuxtLink
        >
        <NuxtLink to="/shop" class="tap" active-class="font-semibold underline underline-offset-4"
          >Shop</NuxtLink
        >
        <NuxtLink to="/search" class="tap" active-class="font-semibold underline underline-offset-4"
          >Search</NuxtLink
        >
      </slot>
      <p
        role="status"
        class="px-2 text-[0.9rem]"
        :class="journal.away ? 'font-semibold text-rust' : 'text-soft'"
      >
        {{ unitsProblem || sent }}
      </p>
      <NuxtLink
        v-if="person.current"
        to="/?who"
        class="tap"
        :aria-label="`At this device: ${person.current.name}`"
      >
        {{ person.current.name }}
      </NuxtLink>
      <button
        v-if="person.current"
        type="button"
        class="tap"
        :aria-label="`Units: ${person.units === 'inch' ? 'inch' : 'metric'}. Change`"
        @click="changeUnits"
      >
        {{ person.units === 'inch' ? 'in' : 'mm' }}
      </button>
      <button type="button" class="tap" :aria-label="look === 'paper' ? 'Lamp' : 'Paper'" @click="turn">
        <component :is="look === 'paper' ? Lamp : Sun" :size="20" aria-hidden="true" />
        <span class="hidden xl:inline">{{ look === 'paper' ? 'Lamp' : 'Paper' }}</span>
      </button>
    </nav>
  </header>
</template>
