import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { Page, Person } from '~~/contract'
import type { UnitSystem } from '~~/core/quantity'

/** Who works here, and who is at this device. Picking a name is no sign-in. */
export const usePersonStore = defineStore('person', () => {
  const people = ref<Person[]>([])
  const id = useStorage<string>('mellow-person', '')
  /** What this device knows of the person's units, until the server has said. */
  const known = useStorage<Record<string, UnitSystem>>('mellow-units', {})
  const current = computed(() => people.value.find((person) => person.id === id.value) ?? null)
  const names = computed(() => new Map(people.value.map((person) => [person.id, person.name])))
  const units = computed<UnitSystem>(() => known.value[id.value] ?? current.value?.units ?? 'metric')

  /** Counts what was set here, so that an answer that was asked for before does not turn it back. */
  let turn = 0
  const setAt = new Map<string, number>()

  /** The header and a page both ask when they open: once is enough. */
  let loading: Promise<void> | null = null
  const load = (): Promise<void> => (loading ??= loadAll().finally(() => (loading = null)))
  async function loadAll(): Promise<void> {
    const asked = turn
    const all: Person[] = []
    for (let after = ''; ;) {
      const page = await api<Page<Person>>(`/people?limit=200${after}`)
      all.push(...page.items)
      if (page.next === null) break
      after = `&after=${page.next}`
    }
    people.value = all
    known.value = Object.fromEntries(
      all.map(({ id: whose, units: theirs }) => [
        whose,
        (setAt.get(whose) ?? 0) > asked ? (known.value[whose] ?? theirs) : theirs,
      ]),
    )
  }
  async function add(name: string): Promise<void> {
    const person = await api<Person>('/people', { id: newId(), name })
    people.value = [...people.value, person].sort((a, b) => a.name.localeCompare(b.name))
    id.value = person.id
  }
  /** The person's units, at once on this device and then on all; back again where the server cannot be told. */
  async function setUnits(system: UnitSystem): Promise<void> {
    const before = units.value
    if (!current.value || system === before) return
    const whose = id.value
    known.value = { ...known.value, [whose]: system }
    const mark = () => setAt.set(whose, ++turn)
    mark()
    try {
      await api<Person>(`/people/${whose}`, { units: system }, 'PUT')
      // What was asked for until now may still tell of before.
      mark()
    } catch (error) {
      known.value = { ...known.value, [whose]: before }
      throw error
    }
  }
  return { people, id, current, names, units, load, add, setUnits }
})
