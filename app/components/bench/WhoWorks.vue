<script setup lang="ts">
import { usePersonStore } from '~/stores/person'
import { ref } from 'vue'
import { navigateTo } from '#imports'
/** Who is at this device. A name is picked, not proved: sign-in comes later. */
const person = usePersonStore()
const name = ref('')
const problem = ref('')
const busy = ref(false)

async function add() {
  if (busy.value) return
  problem.value = name.value.trim() === '' ? 'Give a name, 1 to 80 letters' : ''
  if (problem.value) return
  busy.value = true
  try {
    await person.add(name.value.trim())
    name.value = ''
    await navigateTo('/')
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
function pick(id: string) {
  person.id = id
  void navigateTo('/')
}
</script>

<template>
  <section aria-labelledby="who" class="max-w-3xl p-6">
    <h2 id="who" class="text-xl">Who is at this device?</h2>
    <p class="mt-1 text-soft">Each entry keeps the name of who made it.</p>
    <ul class="mt-4 flex flex-wrap gap-3">
      <li v-for="one in person.people" :key="one.id">
        <button type="button" class="quiet min-h-14 px-6 text-lg" @click="pick(one.id)">
          {{ one.name }}
        </button>
      </li>
    </ul>
    <form class="mt-6 flex max-w-md items-end gap-3" @submit.prevent="add">
      <label class="grow">
        <span class="mb-1 block">Somebody new</span>
        <input
          v-model="name"
          class="field"
          maxlength="80"
          autocomplete="off"
          :aria-invalid="problem !== ''"
        />
      </label>
      <button class="act" :disabled="busy">Add</button>
    </form>
    <p v-if="problem" role="alert" class="mt-2 font-semibold text-rust">{{ problem }}</p>
  </section>
</template>
