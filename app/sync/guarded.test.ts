import 'fake-indexeddb/auto'
import type { DBSchema } from 'idb'
import { afterEach, expect, it, vi } from 'vitest'
import { GuardedStore } from './guarded'

interface Store extends DBSchema {
  things: { key: string; value: number }
}
afterEach(() => void vi.restoreAllMocks())
const store = (name: string) =>
  new GuardedStore<Store>(name, (database) => void database.createObjectStore('things'), 20)

it('a store that never answers is given up after its time, and used again once it does', async () => {
  const one = store('silent')
  let stuck = true
  const counted = () =>
    one.attempt((open) => (stuck ? new Promise<never>(() => {}) : open.count('things')))
  expect(await counted()).toBeNull()
  stuck = false
  expect(await counted()).toBe(0)
})

it('one that will not open, or fails at its work, gives nothing, and is tried anew', async () => {
  const one = store('failing')
  vi.spyOn(indexedDB, 'open').mockImplementationOnce(() => {
    throw new DOMException('no', 'SecurityError')
  })
  expect(await one.attempt((open) => open.count('things'))).toBeNull()
  expect(await one.attempt((open) => open.put('things', 7, 'a'))).toBe('a')
  expect(await one.attempt(() => Promise.reject(new Error('full')))).toBeNull()
  expect(await one.attempt((open) => open.get('things', 'a'))).toBe(7)
})
