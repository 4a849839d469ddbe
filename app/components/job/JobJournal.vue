<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import type { Entry } from '~~/core/journal'
import { readingKind } from '~~/core/diagnosis'
import { useJob } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { ref, computed } from 'vue'
import { describe } from '~/units/describe'
import { asTyped, typedWithin, boundsIn } from '~/units/units'
import { when } from '~/units/format'

/** Everything that was filed, newest first: nothing is erased, each entry can be taken back or put right. */
const open = defineModel<boolean>({ required: true })
const { entries, state, file, withdraw, problem, fetchingOlder } = useJob()
const person = usePersonStore()
const editing = ref<string | null>(null)
const text = ref('')
const wrong = ref('')

const withdrawals = computed(
  () => new Map(entries.value.filter((e) => e.withdraws).map((e) => [e.withdraws!, e])),
)
/** So many at a time: a long job has thousands. */
const STEP = 150
const most = ref(STEP)
const all = computed(() =>
  open.value ? entries.value.filter((entry) => entry.kind !== 'withdrawal').reverse() : [],
)
const list = computed(() =>
  all.value.slice(0, most.value).map((entry) => ({
    entry,
    withdrawn: state.value.withdrawn.has(entry.id),
    words: describe(entry),
  })),
)
/** Taking back a withdrawal lets the entry stand again. */
function restore(id: string) {
  const withdrawal = withdrawals.value.get(id)
  if (withdrawal) void withdraw(withdrawal.id)
}
function edit(entry: Entry) {
  if (entry.kind !== 'measurement') return
  editing.value = entry.id
  text.value = asTyped(entry.payload.value, readingKind(entry.payload.reading).unit)
  wrong.value = ''
}
async function correct(entry: Entry) {
  if (entry.kind !== 'measurement') return
  const kind = readingKind(entry.payload.reading)
  const value = typedWithin(text.value, kind.unit, kind)
  if (value === null) {
    wrong.value = `${kind.label}: ${boundsIn(kind, kind.unit)}`
    return
  }
  if (await file('measurement', { ...entry.payload, value }, { corrects: entry.id }))
    editing.value = null
}
</script>

<template>
  <Dialog :open="open" class="relative z-30" @close="open = false">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-y-0 right-0 flex w-full max-w-2xl">
      <DialogPanel class="flex grow flex-col bg-ground">
        <div class="flex items-center border-b border-ink px-5 py-2">
          <DialogTitle class="grow text-xl font-semibold">Journal</DialogTitle>
          <button type="button" class="quiet" @click="open = false">Close</button>
        </div>
        <p v-if="problem" role="alert" class="px-5 py-2 font-semibold text-rust">{{ problem }}</p>
        <ol class="min-h-0 grow overflow-y-auto px-5" aria-label="Entries, newest first" tabindex="0">
          <li
            v-for="{ entry, withdrawn, words } in list"
            :key="entry.id"
            class="border-b border-hairline py-2"
          >
            <div class="flex items-center gap-3">
              <div class="min-w-0 grow">
                <p :class="withdrawn ? 'text-soft line-through' : ''">{{ words }}</p>
                <p class="text-[0.9rem] text-soft">
                  {{ when(entry.at) }}, {{ person.names.get(entry.by) ?? 'somebody' }}
                  <template v-if="entry.corrects">, corrects an earlier entry</template>
                  <template v-if="entry.sequence === undefined">, waiting to be sent</template>
                  <template v-if="withdrawn">, taken back</template>
                </p>
              </div>
              <template
                v-if="
                  entry.kind !== 'goal' &&
                  !(entry.kind === 'order' && entry.payload.happened === 'placed')
                "
              >
                <button v-if="withdrawn" type="button" class="quiet" @click="restore(entry.id)">
                  Restore
                </button>
                <template v-else>
                  <button
                    v-if="entry.kind === 'measurement'"
                    type="button"
                    class="quiet"
                    @click="edit(entry)"
                  >
                    Correct
                  </button>
                  <button type="button" class="quiet" @click="withdraw(entry.id)">Take back</button>
                </template>
              </template>
            </div>
            <form
              v-if="editing === entry.id"
              class="mt-2 flex items-center gap-2"
              @submit.prevent="correct(entry)"
            >
              <input
                v-model="text"
                class="field w-28"
                inputmode="decimal"
                :aria-label="`${words}, corrected`"
              />
              <button class="act">Save correction</button>
              <button type="button" class="quiet" @click="editing = null">Cancel</button>
              <span v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}</span>
            </form>
          </li>
        </ol>
        <p v-if="all.length > most" class="px-5 py-2">
          <button type="button" class="quiet" @click="most += STEP">
            Show {{ Math.min(STEP, all.length - most) }} more of {{ all.length - most }}
          </button>
        </p>
        <p v-if="fetchingOlder" role="status" class="px-5 py-2 text-soft">
          Older entries are being fetched …
        </p>
      </DialogPanel>
    </div>
  </Dialog>
</template>
