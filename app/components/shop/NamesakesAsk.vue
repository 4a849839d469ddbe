<script setup lang="ts">
import type { Namesakes } from '~~/contract'
import { usePersonStore } from '~/stores/person'
import { reactive, ref, computed } from 'vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'

/** Each person of a file who has the name of somebody here: the same one, or another who gets a mark. */
const props = defineProps<{ namesakes: Namesakes; file: string; busy: boolean }>()
const emit = defineEmits<{ decided: [{ same: string[]; mark: string }]; leave: [] }>()
const person = usePersonStore()
const chosen = reactive(new Map<string, 'same' | 'other'>())
const mark = ref(props.namesakes.shop ?? 'other shop')
const problem = ref('')
const people = computed(() => props.namesakes.people)
const others = computed(() => people.value.filter(({ id }) => chosen.get(id) === 'other'))
/** Written otherwise, with other capitals or accents, it is the same name. */
const nameHere = ({ here, name }: Namesakes['people'][number]) => person.names.get(here) ?? name
const choices = (name: string) =>
  [
    { id: 'same', name: `The same ${name}` },
    { id: 'other', name: 'Somebody else' },
  ] as const
function decide() {
  const open = people.value.filter(({ id }) => !chosen.has(id))
  problem.value = !person.current
    ? 'Pick who is at this device first, at the bench: it is kept who said so.'
    : open.length > 0
      ? `Say of ${open[0]!.name} whether it is the same person.`
      : others.value.length > 0 && mark.value.trim() === ''
        ? 'Give the mark that goes behind the name of somebody else.'
        : ''
  if (problem.value) return
  emit('decided', {
    same: people.value.filter(({ id }) => chosen.get(id) === 'same').map(({ id }) => id),
    mark: others.value.length > 0 ? mark.value.trim() : '',
  })
}
</script>

<template>
  <form
    class="mt-3 flex flex-col gap-3 border-l-4 border-ink pl-4"
    aria-labelledby="namesakes"
    data-namesakes
    @submit.prevent="decide"
  >
    <h3 id="namesakes" class="font-semibold">
      Nothing is read in yet: {{ people.length === 1 ? 'a name' : `${people.length} names` }} in
      {{ file }} {{ people.length === 1 ? 'is' : 'are' }} here already
    </h3>
    <p class="text-soft">
      Entries keep who made them. Somebody else is kept under the name with a mark of the other shop.
      Either choice can be undone under People.
    </p>
    <div v-for="one in people" :key="one.id" class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <span class="min-w-40 grow"
        >{{ one.name
        }}<span v-if="nameHere(one) !== one.name" class="text-soft">
          · here {{ nameHere(one) }}</span
        ></span
      >
      <ChoiceRow
        :model-value="chosen.get(one.id) ?? ''"
        :label="one.name"
        :choices="choices(one.name.split(' ')[0]!)"
        @update:model-value="(to) => chosen.set(one.id, to as 'same' | 'other')"
      />
    </div>
    <label v-if="others.length > 0">
      <span class="mb-1 block">Mark of the other shop</span>
      <input v-model="mark" class="field max-w-64" maxlength="40" autocomplete="off" />
      <span class="block text-soft">{{
        others.map(({ name }) => `${name} (${mark.trim() || '…'})`).join(', ')
      }}</span>
    </label>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <div class="flex flex-wrap gap-3">
      <button class="act" :disabled="busy">{{ busy ? 'Reading …' : 'Read it in' }}</button>
      <button type="button" class="quiet" :disabled="busy" @click="emit('leave')">Cancel</button>
    </div>
  </form>
</template>
