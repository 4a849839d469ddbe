import { useStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { NewPeopleChangeBody, Page, PeopleChange, Person } from '~~/contract'
import type { UnitSystem } from '~~/core/quantity'
import { api } from '~/sync/api'
import { newId } from '~/lib/ids'

/** Who works here, and who is at this device. Picking a name is no sign-in. */
export const usePersonStore = defineStore('person', () => {
  const people = ref<Person[]>([])
  const id = useStorage<string>('mellow-person', '')
  /** What this device knows of the person's units, until the server has said. */
  const known = useStorage<Record<string, UnitSystem>>('mellow-units', {})
  const current = computed(() => people.value.find((person) => person.id === id.value) ?? null)
  /** By every id that entries name: also by those that were merged into another. */
  const names = computed(
    () =>
      new Map(people.value.flatMap(({ id, also, name }) => [id, ...also].map((one) => [one, name]))),
  )
  /** Whether an entry that names this id was made by who is at this device. */
  const isMine = (by: string) => by === id.value || (current.value?.also.includes(by) ?? false)
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
      // What an older version answered, and this browser kept, lacks it.
      all.push(...page.items.map((one) => ({ ...one, also: one.also ?? [] })))
      if (page.next === null) break
      after = `&after=${page.next}`
    }
    people.value = all
    // Merged into another since this device last asked: it is that one who is here.
    const stands = all.find(({ also }) => also.includes(id.value))
    if (stands) id.value = stands.id
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
  /** Another name, two records made one, or parted again: kept with who and when, and everybody’s names read anew. */
  async function change(
    change: Pick<NewPeopleChangeBody, 'personId' | 'kind' | 'name' | 'into'>,
  ): Promise<void> {
    if (!current.value) throw new Error('Pick who is at this device first, at the bench')
    const by = current.value.id
    const at = new Date().toISOString()
    await api<PeopleChange>('/people/changes', { id: newId(), by, at, ...change })
    await load()
  }
  return { people, id, current, names, isMine, units, load, add, setUnits, change }
})
