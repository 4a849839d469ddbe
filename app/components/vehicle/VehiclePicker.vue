<script setup lang="ts">
import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
} from '@headlessui/vue'
import { ChevronDown } from '~/icons'
import type { Vehicle, WithEntries } from '~~/contract'
import { ref, computed, shallowRef, watch } from 'vue'
import { useSearch, usePages } from '~/asking/usePages'
import { api } from '~/sync/api'

/** One vehicle of however many: its name, plate or model is typed and it is picked from what is found. */
const id = defineModel<string>({ required: true })
const props = defineProps<{ label: string; except?: string; invalid?: boolean }>()
const emit = defineEmits<{ picked: [vehicle: Vehicle] }>()

const typed = ref('')
const search = useSearch(typed)
const { items, loading, error } = usePages<Vehicle>(() => `/vehicles?limit=12${search.value}`)
const found = computed(() => (items.value ?? []).filter((one) => one.id !== props.except))
const nameOf = ({ name, plate }: Vehicle) => (plate ? `${name}, ${plate}` : name)

const chosen = shallowRef<Vehicle | null>(null)
const picked = computed<Vehicle | null>({
  get: () => chosen.value,
  set: (vehicle) => {
    chosen.value = vehicle
    id.value = vehicle?.id ?? ''
    if (vehicle) emit('picked', vehicle)
  },
})
// Chosen elsewhere, by a link or an earlier draft: its name is fetched.
watch(
  id,
  async (now) => {
    if (now === (chosen.value?.id ?? '')) return
    chosen.value =
      now === ''
        ? null
        : await api<WithEntries<Vehicle>>(`/vehicles/${now}?entries=state`)
            .then(({ subject }) => subject)
            .catch(() => null)
  },
  { immediate: true },
)
</script>

<template>
  <Combobox v-model="picked" by="id" as="div" class="relative" nullable>
    <ComboboxInput
      class="field pr-12 text-[1.1rem]"
      :aria-label="label"
      :aria-invalid="invalid || undefined"
      :display-value="(one) => (one ? nameOf(one as Vehicle) : '')"
      placeholder="Name, plate or model …"
      autocomplete="off"
      maxlength="80"
      @change="typed = $event.target.value"
      @focus="$event.target.select()"
    />
    <ComboboxButton
      class="tap absolute top-0 right-0 h-full"
      :aria-label="`${label}: show all`"
      @click="typed = ''"
    >
      <ChevronDown :size="20" aria-hidden="true" />
    </ComboboxButton>
    <ComboboxOptions
      class="absolute z-20 max-h-80 w-full overflow-y-auto border border-ink bg-ground"
      :aria-label="label"
    >
      <ComboboxOption v-for="one in found" :key="one.id" v-slot="{ active }" as="template" :value="one">
        <li
          class="flex min-h-11 cursor-pointer items-center gap-4 px-3"
          :class="{ 'bg-raised': active }"
        >
          <span class="grow">{{ one.name }}</span>
          <span class="font-mono text-soft">{{ one.plate }}</span>
        </li>
      </ComboboxOption>
      <li v-if="found.length === 0" class="px-3 py-2 text-soft">
        {{ error ?? (loading ? 'Fetching …' : 'No vehicle has these words') }}
      </li>
    </ComboboxOptions>
  </Combobox>
</template>
