<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import type { Vehicle, VehicleNamesBody } from '~~/contract'
import { reactive, ref, watch } from 'vue'
import { useSaving } from '~/frame/useSaving'
import { api } from '~/sync/api'

/** Name, plate and model of a vehicle, put right. */
const props = defineProps<{ vehicle: Vehicle }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ renamed: [] }>()

const typed = reactive({ name: '', plate: '', model: '' })
const tried = ref(false)
const { busy, problem, save } = useSaving()
watch(
  open,
  (now) => {
    if (!now) return
    const { name, plate, model } = props.vehicle
    Object.assign(typed, { name, plate: plate ?? '', model: model ?? '' })
    tried.value = false
    problem.value = ''
  },
  { immediate: true },
)

function saveNames() {
  tried.value = true
  const [name, plate, model] = [typed.name.trim(), typed.plate.trim(), typed.model.trim()]
  if (!name) return
  const body: VehicleNamesBody = { name, plate: plate || null, model: model || null }
  void save(async () => {
    await api<Vehicle>(`/vehicles/${props.vehicle.id}`, body, 'PUT')
    open.value = false
    emit('renamed')
  })
}
</script>

<template>
  <Dialog :open="open" class="relative z-30" @close="open = false">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-y-0 right-0 flex w-full max-w-xl">
      <DialogPanel class="flex grow flex-col overflow-y-auto bg-ground">
        <div class="flex items-center border-b border-ink px-5 py-2">
          <DialogTitle class="grow text-xl font-semibold">Name and plate</DialogTitle>
          <button type="button" class="quiet" @click="open = false">Close</button>
        </div>
        <form class="flex flex-col gap-4 px-5 py-4" @submit.prevent="saveNames">
          <label>
            <span class="mb-1 block">Name, as the workshop says it</span>
            <input
              v-model="typed.name"
              class="field"
              maxlength="120"
              autocomplete="off"
              :aria-invalid="tried && !typed.name.trim()"
            />
            <span v-if="tried && !typed.name.trim()" role="alert" class="font-semibold text-rust"
              >Give it a name.</span
            >
          </label>
          <label>
            <span class="mb-1 block">Plate</span>
            <input v-model="typed.plate" class="field" maxlength="20" autocomplete="off" />
          </label>
          <label>
            <span class="mb-1 block"
              >Model <span class="text-soft">as the shop calls it; its record is kept by it</span></span
            >
            <input v-model="typed.model" class="field" maxlength="80" autocomplete="off" />
          </label>
          <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
          <div><button class="act" :disabled="busy">Save</button></div>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>
