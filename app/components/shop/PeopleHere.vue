<script setup lang="ts">
import type { Page, PeopleChange, Person } from '~~/contract'
import { usePersonStore } from '~/stores/person'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { useSaving } from '~/frame/useSaving'
import { watch, ref } from 'vue'
import { when } from '~/units/format'
import LoadState from '~/components/frame/LoadState.vue'

/** Who works here: another name, two records made one, and each of it taken back; with who and when. */
const person = usePersonStore()
const loaded = useLoaded(() => person.load())
const changes = useLoaded(() => api<Page<PeopleChange>>('/people/changes?limit=20'))
const { busy, problem, save } = useSaving()
// A file that was read in may bring some, too.
watch(
  () => person.people,
  () => void changes.load(),
)
const said = ref('')
/** Whose row is open, and for what. */
const open = ref<{ id: string; for: 'name' | 'merge' } | null>(null)
const typed = ref('')
const into = ref('')
const undoing = ref<PeopleChange | null>(null)
const others = (id: string) => person.people.filter((one) => one.id !== id)

function begin(one: Person, what: 'name' | 'merge') {
  open.value = { id: one.id, for: what }
  typed.value = one.name
  into.value = ''
  undoing.value = null
  problem.value = ''
  said.value = ''
}
const done = (words: string, change: Parameters<typeof person.change>[0]) =>
  save(async () => {
    await person.change(change)
    open.value = null
    undoing.value = null
    said.value = words
  })
function rename(one: Person) {
  const name = typed.value.trim()
  if (name === '') problem.value = 'Give a name, 1 to 80 letters.'
  else if (name === one.name) open.value = null
  else
    void done(`${one.name} is ${name} from now on, in what was filed before as well.`, {
      personId: one.id,
      kind: 'renamed',
      name,
    })
}
function merge(one: Person) {
  const stands = person.people.find(({ id }) => id === into.value)
  if (!stands) problem.value = `Choose who ${one.name} is.`
  else
    void done(`What ${one.name} filed now bears the name of ${stands.name}.`, {
      personId: one.id,
      kind: 'merged',
      into: stands.id,
    })
}
/** Where the name is somebody else’s by now, another one is asked for first. */
const isTaken = (name: string) =>
  person.people.some((one) => one.name.toLowerCase() === name.toLowerCase())
function undo(change: PeopleChange) {
  problem.value = ''
  said.value = ''
  const { personId, kind, from, to } = change
  if (kind === 'renamed')
    return void done(`${to} is ${from} again.`, { personId, kind: 'renamed', name: from })
  if (isTaken(from) && undoing.value?.id !== change.id) {
    open.value = null
    undoing.value = change
    typed.value = `${from} 2`
    return
  }
  const name = undoing.value ? typed.value.trim() : from
  if (name === '') problem.value = 'Give a name, 1 to 80 letters.'
  else void done(`${name} stands alone again.`, { personId, kind: 'parted', name })
}
const WORDS = {
  renamed: ({ from, to }: PeopleChange) => `${from} is now called ${to}`,
  merged: ({ from, to }: PeopleChange) => `${from} was merged with ${to}`,
  parted: ({ to }: PeopleChange) => `${to} was parted again`,
} as const
</script>

<template>
  <section aria-labelledby="people-here" data-people>
    <h2 id="people-here" class="text-[1.1rem]">People</h2>
    <p class="text-soft">
      Entries keep who made them, so nobody is taken out. A new name holds for all that was filed
      before. One person under two names is merged.
    </p>
    <LoadState
      :loading="loaded.loading.value && person.people.length === 0"
      :error="loaded.error.value"
      @again="loaded.load"
    />
    <p v-if="!loaded.loading.value && person.people.length === 0" class="text-soft">
      Nobody yet: a name is added at the bench.
    </p>
    <ul>
      <li
        v-for="one in person.people"
        :key="one.id"
        class="flex min-h-12 flex-wrap items-center gap-x-3 border-b border-hairline"
        :data-person="one.name"
      >
        <span class="grow"
          >{{ one.name
          }}<span v-if="one.id === person.id" class="text-soft"> · at this device</span></span
        >
        <button
          type="button"
          class="tap px-1 underline"
          :aria-label="`Rename ${one.name}`"
          @click="begin(one, 'name')"
        >
          rename
        </button>
        <button
          v-if="person.people.length > 1"
          type="button"
          class="tap px-1 underline"
          :aria-label="`Merge ${one.name}`"
          @click="begin(one, 'merge')"
        >
          merge
        </button>
        <form
          v-if="open?.id === one.id"
          class="flex basis-full flex-wrap items-end gap-2 pb-2"
          @submit.prevent="open.for === 'name' ? rename(one) : merge(one)"
        >
          <label v-if="open.for === 'name'" class="grow"
            ><span class="mb-1 block">Name</span>
            <input v-model="typed" class="field" maxlength="80" autocomplete="off"
          /></label>
          <label v-else class="grow"
            ><span class="mb-1 block">{{ one.name }} is the same person as</span>
            <select v-model="into" class="field">
              <option value="" disabled>choose</option>
              <option v-for="other in others(one.id)" :key="other.id" :value="other.id">
                {{ other.name }}
              </option>
            </select></label
          >
          <button class="act" :disabled="busy">
            {{ open.for === 'name' ? 'Keep' : 'Merge' }}
          </button>
          <button type="button" class="quiet" @click="open = null">Cancel</button>
        </form>
      </li>
    </ul>
    <p v-if="problem" role="alert" class="mt-1 font-semibold text-rust">{{ problem }}</p>
    <p v-else-if="said" role="status" class="mt-1">{{ said }}</p>
    <template v-if="changes.value.value?.items.length">
      <h3 class="mt-3">What was changed</h3>
      <ul>
        <li
          v-for="change in changes.value.value.items"
          :key="change.id"
          class="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-hairline"
        >
          <span class="grow leading-tight"
            >{{ WORDS[change.kind](change)
            }}<span class="block text-[0.9rem] text-soft"
              >{{ change.by }}, {{ when(change.at) }}</span
            ></span
          >
          <button
            v-if="change.stands"
            type="button"
            class="tap px-1 underline"
            :aria-label="`Undo: ${WORDS[change.kind](change)}`"
            :disabled="busy"
            @click="undo(change)"
          >
            undo
          </button>
          <form
            v-if="undoing?.id === change.id"
            class="flex basis-full flex-wrap items-end gap-2 pb-2"
            @submit.prevent="undo(change)"
          >
            <label class="grow"
              ><span class="mb-1 block">Somebody is called {{ change.from }} now: another name</span>
              <input v-model="typed" class="field" maxlength="80" autocomplete="off"
            /></label>
            <button class="act" :disabled="busy">Part them</button>
            <button type="button" class="quiet" @click="undoing = null">Cancel</button>
          </form>
        </li>
      </ul>
    </template>
  </section>
</template>
