import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Entry } from '../../core/journal'
import { JOB, PERSON, entry as made, reading, ulidOf } from '../../tests/arbitrary/entry'
import { allWaiting, noLongerWaiting } from '../queue/waiting'
import { useJournalStore } from './journal'

/** A server as the contract has it: appends once by id, refuses what it is told to. */
class Bench {
  stored: Entry[] = []
  calls = 0
  mode: 'up' | 'away' | 'deaf' | 'database-away' = 'up'
  refuses: (entry: Entry) => boolean = () => false

  fetch = async (_: string, { body }: { body: string }): Promise<Response> => {
    this.calls += 1
    if (this.mode === 'away') throw new TypeError('failed to fetch')
    if (this.mode === 'database-away') return this.problem(503, 'The database does not answer.')
    const entry = JSON.parse(body) as Entry
    if (this.refuses(entry)) return this.problem(422, 'Refused: /by is not a person here')
    let known = this.stored.find((one) => one.id === entry.id)
    if (!known) {
      known = { ...entry, sequence: this.stored.length + 1 }
      this.stored.push(known)
    }
    // Stored, but the answer never arrives.
    if (this.mode === 'deaf') throw new TypeError('connection reset')
    return new Response(JSON.stringify(known), { status: 201 })
  }
  problem = (status: number, detail: string) =>
    new Response(JSON.stringify({ status, detail, type: '', title: '' }), { status })
}

const subject = { type: 'job', id: JOB } as const
let bench: Bench
/** Opens the application anew, as a reload does. */
const open = () => {
  setActivePinia(createPinia())
  return useJournalStore()
}
const settle = async (journal: ReturnType<typeof open>) => {
  await journal.restored
  await journal.send()
}
const file = (journal: ReturnType<typeof open>, value: number) =>
  journal.file(subject, PERSON, 'measurement', reading('freeTravel', value))
const values = (entries: Entry[]) => entries.map((one) => (one.payload as { value: number }).value)

beforeEach(async () => {
  for (const { id } of await allWaiting()) await noLongerWaiting(id)
  bench = new Bench()
  vi.stubGlobal('fetch', bench.fetch)
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('filing', () => {
  it('shows an entry at once, sends it, and then knows its place', async () => {
    const journal = open()
    const entry = await file(journal, 42)
    expect(journal.entriesOf(subject).value.map((one) => one.id)).toEqual([entry.id])
    await settle(journal)
    expect(bench.stored.map((one) => one.id)).toEqual([entry.id])
    expect(journal.entriesOf(subject).value).toEqual([{ ...entry, sequence: 1 }])
    expect(await allWaiting()).toEqual([])
    expect(journal.away).toBe(false)
  })

  it('refuses what the contract refuses, by field, and keeps nothing of it', async () => {
    const journal = open()
    await expect(file(journal, 900)).rejects.toThrow('value must be at most 500')
    const sink = journal.file(subject, PERSON, 'measurement', reading('sink', 4))
    await expect(sink).rejects.toThrow('duration Sink under a held foot needs its duration')
    await settle(journal)
    expect([bench.calls, await allWaiting(), journal.entriesOf(subject).value]).toEqual([0, [], []])
  })
})

describe('while the server is away', () => {
  it('entries wait in the browser in their order and arrive later, once', async () => {
    const journal = open()
    bench.mode = 'away'
    for (const value of [1, 2, 3]) await file(journal, value)
    await settle(journal)
    expect(journal.away).toBe(true)
    expect(values(await allWaiting())).toEqual([1, 2, 3])
    expect(values(journal.entriesOf(subject).value)).toEqual([1, 2, 3])
    bench.mode = 'up'
    await settle(journal)
    expect(values(bench.stored)).toEqual([1, 2, 3])
    expect(journal.away).toBe(false)
    expect(await allWaiting()).toEqual([])
  })

  it('tries again by itself, more and more seldom, at most every 20 s', async () => {
    const journal = open()
    bench.mode = 'database-away'
    await file(journal, 1)
    await settle(journal)
    const pauses: number[] = []
    for (let i = 0; i < 6; i++) {
      const before = bench.calls
      let waited = 0
      while (bench.calls === before) {
        await vi.advanceTimersByTimeAsync(500)
        waited += 500
      }
      await journal.send().catch(() => undefined)
      pauses.push(waited)
    }
    expect(Math.max(...pauses)).toBeLessThanOrEqual(20_500)
    expect(pauses[0]!).toBeLessThan(pauses.at(-1)!)
    bench.mode = 'up'
    await settle(journal)
    expect(values(bench.stored)).toEqual([1])
  })

  it('a stored entry whose answer was lost is sent again under its id and stands once', async () => {
    const journal = open()
    bench.mode = 'deaf'
    const entry = await file(journal, 7)
    await settle(journal)
    expect(bench.stored).toHaveLength(1)
    expect(await allWaiting()).toHaveLength(1)
    bench.mode = 'up'
    await settle(journal)
    expect(bench.stored).toHaveLength(1)
    expect(journal.entriesOf(subject).value).toEqual([{ ...entry, sequence: 1 }])
  })

  it('a reload loses nothing: what waits is shown again and sent', async () => {
    bench.mode = 'away'
    const before = open()
    await file(before, 5)
    await settle(before)
    const after = open()
    await settle(after)
    expect(values(after.entriesOf(subject).value)).toEqual([5])
    expect(after.waiting).toHaveLength(1)
    bench.mode = 'up'
    await settle(after)
    expect(values(bench.stored)).toEqual([5])
  })
})

describe('what the server refuses for good', () => {
  it('is shown with its content, is out of the way, and does not hold up the rest', async () => {
    const journal = open()
    bench.refuses = (entry) => (entry.payload as { value: number }).value === 2
    bench.mode = 'away'
    for (const value of [1, 2, 3]) await file(journal, value)
    await settle(journal)
    bench.mode = 'up'
    await settle(journal)
    expect(values(bench.stored)).toEqual([1, 3])
    expect(journal.refused.map(({ entry, detail }) => [values([entry])[0], detail])).toEqual([
      [2, 'Refused: /by is not a person here'],
    ])
    expect(values(journal.entriesOf(subject).value)).toEqual([1, 3])
    expect(await allWaiting()).toEqual([])
  })
})

describe('entries from the server', () => {
  it('come together with what this browser still has to send', async () => {
    const journal = open()
    bench.mode = 'away'
    const own = await file(journal, 9)
    await settle(journal)
    const theirs = made(1, 'measurement', reading('freeTravel', 40))
    journal.take(subject, [theirs])
    expect(journal.entriesOf(subject).value.map((one) => one.id)).toEqual([theirs.id, own.id])
    journal.take(subject, [theirs, { ...own, sequence: 2 }])
    expect(journal.entriesOf(subject).value).toHaveLength(2)
    expect(journal.entriesOf({ type: 'job', id: ulidOf(99) }).value).toEqual([])
  })
})
