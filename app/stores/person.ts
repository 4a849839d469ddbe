import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { Person } from '~~/contract'

/** Who works here, and who is at this device. Picking a name is no sign-in. */
export const usePersonStore = defineStore('person', () => {
  const people = ref<Person[]>([])
  const id = useStorage<string>('mellow-person', '')
  const current = computed(() => people.value.find((person) => person.id === id.value) ?? null)
  const names = computed(() => new Map(people.value.map((person) => [person.id, person.name])))

  async function load(): Promise<void> {
    people.value = await api<Person[]>('/people')
  }
  async function add(name: string): Promise<void> {
    const person = await api<Person>('/people', { id: newId(), name })
    people.value = [...people.value, person].sort((a, b) => a.name.localeCompare(b.name))
    id.value = person.id
  }
  return { people, id, current, names, load, add }
})
