import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { Entry } from '../../core/journal'
import { JOB, PERSON } from '../../tests/arbitrary/entry'
import { useJournalStore } from '../stores/journal'
import { loosePhotos } from './loose-photos'
import { waitingPhotos } from './photos'

const subject = { type: 'job', id: JOB } as const
const put = IDBObjectStore.prototype.put
let shade = 0
/** One that was not taken before. */
const photograph = () => new Blob([new Uint8Array([1, 2, ++shade])], { type: 'image/jpeg' })
/** Refuses what is large and takes what is small, as a tablet does that is nearly full; or takes all. */
let room = false
let server: 'up' | 'away'
let taken: string[]
beforeEach(() => {
  room = false
  server = 'away'
  taken = []
  vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (
    this: IDBObjectStore,
    ...given
  ) {
    if (!(given[0] instanceof Blob)) return put.apply(this, given)
    if (!room) throw new DOMException('Quota exceeded.', 'QuotaExceededError')
    // The store of these tests cannot clone one.
    return put.call(this, { size: given[0].size }, given[1])
  })
  vi.stubGlobal('fetch', async (url: string, { body }: { body: Blob | string }) => {
    if (server === 'away') throw new TypeError('failed to fetch')
    taken.push(url)
    if (body instanceof Blob) {
      const [id] = loosePhotos.value
      return Promise.resolve(new Response(JSON.stringify({ id }), { status: 201 }))
    }
    const entry = { ...(JSON.parse(body) as Entry), sequence: 1 }
    return new Response(JSON.stringify(entry), { status: 201 })
  })
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})
const open = async () => {
  setActivePinia(createPinia())
  const journal = useJournalStore()
  await journal.restored
  return journal
}

it('a photograph without room is said not to be kept, though its entry is, until it is sent', async () => {
  const journal = await open()
  const file = await waitingPhotos.keep(photograph())
  await journal.file(subject, PERSON, 'photo', { file })
  await journal.send()
  expect([journal.kept, journal.entriesKept, journal.waiting.length]).toEqual([false, true, 1])
  expect((await waitingPhotos.get(file))!.size).toBe(3)
  server = 'up'
  await journal.send()
  expect(taken.map((url) => url.split('/').at(-1))).toEqual(['files', 'entries'])
  expect([journal.kept, journal.waiting.length]).toEqual([true, 0])
})

it('is let go once its entry was given up, but not while another entry shows it', async () => {
  const journal = await open()
  const file = await waitingPhotos.keep(photograph())
  const first = await journal.file(subject, PERSON, 'photo', { file })
  const second = await journal.file(subject, PERSON, 'photo', { file, place: 'slave' })
  await journal.giveUp(first.id)
  expect(journal.kept).toBe(false)
  await journal.giveUp(second.id)
  expect(journal.kept).toBe(true)
  expect(await waitingPhotos.get(file)).toBeUndefined()
})

it('one failed opening of the store does not put every later photograph into the page alone', async () => {
  room = true
  vi.resetModules()
  const { waitingPhotos: fresh } = await import('./photos')
  const { loosePhotos: loose } = await import('./loose-photos')
  const opening = vi.spyOn(indexedDB, 'open').mockImplementationOnce(() => {
    throw new DOMException('not now', 'UnknownError')
  })
  const first = await fresh.keep(photograph())
  expect([...loose.value]).toEqual([first])
  const second = await fresh.keep(photograph())
  expect(opening).toHaveBeenCalledTimes(2)
  expect([...loose.value]).toEqual([first])
  expect((await fresh.get(second))!.size).toBe(3)
  await fresh.forget(first)
  expect(loose.value.size).toBe(0)
})
