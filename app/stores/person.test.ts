import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Person } from '../../contract'
import { usePersonStore } from './person'

type Ask = (path: string, body: unknown, method: string) => Promise<unknown>
/** What the server answers, as each test has it. */
const server: { ask: Ask } = { ask: () => Promise.reject(new Error('nobody asked for this')) }
const fetched = async (url: string, { method = 'GET', body }: RequestInit = {}) => {
  const told = await server.ask(url, body, method)
  return new Response(JSON.stringify(told ?? null), {
    headers: { 'content-type': 'application/json' },
  })
}

const ANNE: Person = { id: '01ARZ3NDEKTSV4RRFFQ69G5FAV', name: 'Anne', units: 'inch', also: [] }

beforeEach(() => {
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (name: string) => kept.get(name) ?? null,
    setItem: (name: string, value: string) => kept.set(name, value),
    removeItem: (name: string) => kept.delete(name),
  })
  vi.stubGlobal('fetch', fetched)
  setActivePinia(createPinia())
})
afterEach(() => vi.unstubAllGlobals())

describe('units that were changed', () => {
  it.each(['before it was told', 'while it was told'])(
    'are not turned back by an answer that was asked for %s',
    async (when) => {
      const person = usePersonStore()
      const answers: ((people: Person[]) => void)[] = []
      let told = () => {}
      server.ask = (_path, _body, method) =>
        method === 'PUT'
          ? new Promise<void>((resolve) => (told = resolve))
          : new Promise((resolve) => answers.push((items) => resolve({ items, next: null })))
      const first = person.load()
      answers.shift()!([{ ...ANNE }])
      await first
      person.id = ANNE.id
      expect(person.units).toBe('inch')

      let late = when === 'before it was told' ? person.load() : null
      const setting = person.setUnits('metric')
      late ??= person.load()
      told()
      await setting
      // The server read it before the change came in.
      answers.shift()!([{ ...ANNE }])
      await late
      expect(person.units).toBe('metric')

      const again = person.load()
      answers.shift()!([{ ...ANNE }])
      await again
      expect(person.units).toBe('inch')
    },
  )
})

describe('who works here', () => {
  it('is asked for once, whoever asks while it is asked for', async () => {
    const person = usePersonStore()
    const asked: string[] = []
    server.ask = (path: string) => {
      asked.push(path)
      return Promise.resolve({ items: [{ ...ANNE }], next: null })
    }
    await Promise.all([person.load(), person.load()])
    expect([asked.length, person.people.map(({ name }) => name)]).toEqual([1, ['Anne']])
    await person.load()
    expect(asked.length).toBe(2)
  })
})

describe('a person with another record that was merged', () => {
  it('is who is at this device, whichever of the two was picked; entries of both are by that name', async () => {
    const other = '01ARZ3NDEKTSV4RRFFQ69G5FAW'
    const person = usePersonStore()
    server.ask = () => Promise.resolve({ items: [{ ...ANNE, also: [other] }], next: null })
    person.id = other
    await person.load()
    expect([person.id, person.current?.name]).toEqual([ANNE.id, 'Anne'])
    expect([person.names.get(other), person.names.get(ANNE.id)]).toEqual(['Anne', 'Anne'])
    expect([other, ANNE.id, '01ARZ3NDEKTSV4RRFFQ69G5FAX'].map((by) => person.isMine(by))).toEqual([
      true,
      true,
      false,
    ])
  })
})
