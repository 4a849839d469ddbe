<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { stillOff, stillOn } from '~~/core/journal'
import {
  PUT_ON,
  PUT_ON_ITEMS,
  REMOVED,
  REMOVED_ITEMS,
  type PutOnItem,
  type RemovedItem,
} from '~~/core/plan'
import { useJob } from '~/job/useJob'
import { usePlan } from '~/job/usePlan'
import { computed, ref } from 'vue'
import { when } from '~/units/format'

/** Both halves of the ledger: what was put on, what was taken off. Hand-over waits until both are empty. */
const { id: jobId, state, file } = useJob()
const { ledger } = usePlan()
const byWork = computed(() => ledger.value.filter(({ entry }) => entry === null))
const on = computed(() => stillOn(state.value))
const off = computed(() => stillOff(state.value))
const onItem = ref<PutOnItem>('clamp')
const offItem = ref<RemovedItem>('fastener')
const onPlace = useSessionStorage(`mellow-on-${jobId}`, '')
const offPlace = useSessionStorage(`mellow-off-${jobId}`, '')
const bag = ref('')
const cut = (text: string, most: number) => text.trim().slice(0, most)

async function putOn() {
  const place = cut(onPlace.value, 120)
  if (place && (await file('putOn', { item: onItem.value, place }))) onPlace.value = ''
}
async function remove() {
  const place = cut(offPlace.value, 120)
  const lies = cut(bag.value, 80)
  if (!place) return
  if (await file('removed', { item: offItem.value, place, ...(lies && { bag: lies }) })) {
    offPlace.value = ''
    bag.value = ''
  }
}
</script>

<template>
  <div class="grid grid-cols-1 gap-x-8 px-6 py-4 lg:grid-cols-2" data-ledger-sheet>
    <section aria-labelledby="put-on">
      <h2 id="put-on" class="text-[1.1rem]">Put on, and off again before it spoils anything</h2>
      <ul>
        <li
          v-for="one in on"
          :key="one.id"
          class="flex min-h-12 items-center gap-3 border-b border-hairline"
          :data-on="one.payload.item"
        >
          <span class="grow leading-tight"
            ><strong>{{ PUT_ON[one.payload.item].words }}</strong
            >, {{ one.payload.place }}
            <span class="block text-[0.9rem] text-soft">{{ when(one.at) }}</span></span
          >
          <button
            type="button"
            class="quiet"
            :aria-label="`Off: ${PUT_ON[one.payload.item].words}, ${one.payload.place}`"
            @click="file('takenOff', { of: one.id })"
          >
            Off
          </button>
        </li>
      </ul>
      <p v-if="on.length === 0" class="text-soft">Nothing beside what the plan’s steps put on.</p>
      <form class="flex flex-wrap gap-2 py-2" @submit.prevent="putOn">
        <select v-model="onItem" class="field w-auto" aria-label="What was put on">
          <option v-for="one in PUT_ON_ITEMS" :key="one" :value="one">{{ PUT_ON[one].words }}</option>
        </select>
        <input
          v-model="onPlace"
          class="field grow basis-40"
          maxlength="120"
          autocomplete="off"
          aria-label="Where it was put on"
          placeholder="where"
        />
        <button class="act" :disabled="onPlace.trim() === ''">Put on</button>
      </form>
    </section>
    <section aria-labelledby="taken-off">
      <h2 id="taken-off" class="text-[1.1rem]">Taken off or unplugged, and back again</h2>
      <ul>
        <li
          v-for="one in off"
          :key="one.id"
          class="flex min-h-12 items-center gap-3 border-b border-hairline"
          :data-off="one.payload.item"
        >
          <span class="grow leading-tight"
            ><strong>{{ REMOVED[one.payload.item] }}</strong
            >, {{ one.payload.place
            }}<span class="block text-[0.9rem] text-soft"
              ><template v-if="one.payload.bag">{{ one.payload.bag }}, </template
              >{{ when(one.at) }}</span
            ></span
          >
          <button
            type="button"
            class="quiet"
            :aria-label="`Back: ${REMOVED[one.payload.item]}, ${one.payload.place}`"
            @click="file('refitted', { of: one.id })"
          >
            Back
          </button>
        </li>
      </ul>
      <p v-if="off.length === 0" class="text-soft">Nothing beside what the plan’s steps take off.</p>
      <form class="flex flex-wrap gap-2 py-2" @submit.prevent="remove">
        <select v-model="offItem" class="field w-auto" aria-label="What was taken off">
          <option v-for="one in REMOVED_ITEMS" :key="one" :value="one">{{ REMOVED[one] }}</option>
        </select>
        <input
          v-model="offPlace"
          class="field grow basis-40"
          maxlength="120"
          autocomplete="off"
          aria-label="Where it was taken off"
          placeholder="how many, from where"
        />
        <input
          v-model="bag"
          class="field w-28"
          maxlength="80"
          autocomplete="off"
          aria-label="In which bag it lies"
          placeholder="bag"
        />
        <button class="act" :disabled="offPlace.trim() === ''">Taken off</button>
      </form>
    </section>
    <section v-if="byWork.length" class="lg:col-span-2" aria-labelledby="by-work">
      <h2 id="by-work" class="place-name mt-3">By the steps that are done</h2>
      <p>
        {{ byWork.map(({ words }) => words).join(', ') }}. Each has its step in the plan; one that was
        left out stays here until it is done.
      </p>
    </section>
    <p class="text-soft lg:col-span-2">
      The vehicle is not handed over before both halves are empty.
      <template v-if="ledger.length === 0">They are.</template>
    </p>
  </div>
</template>
