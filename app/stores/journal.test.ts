import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Entry } from '../../core/journal'
import { JOB, PERSON, entry as made, reading, ulidOf } from '../../tests/arbitrary/entry'
import { EntryQueue } from '../sync/queue'
import { useJournalStore } from './journal'

/** A server as the contract has it: appends once by id, refuses what it is told to. */
class Bench {
  stored: Entry[] = []
  calls = 0
  mode: 'up' | 'away' | 'deaf' | 'database-away' = 'up'
  refuses: (entry: Entry) => boolean = () => false
  /** What it answers to an entry instead of taking it. */
  answers: (entry: Entry) => Response | null = () => null

  fetch = async (_: string, { body }: { body: string }): Promise<Response> => {
    this.calls += 1
    if (this.mode === 'away') throw new TypeError('failed to fetch')
    if (this.mode === 'database-away') return this.problem(503, 'The database does not answer.')
    const entry = JSON.parse(body) as Entry
    const instead = this.answers(entry)
    if (instead) return instead
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
/** What lies in the browser's own store. */
const stored = async () => (await new EntryQueue().all()).map((one) => one.entry)
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
  for (const { id } of await stored()) await new EntryQueue().remove(id)
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
    expect(await stored()).toEqual([])
    expect(journal.away).toBe(false)
  })

  it('refuses what the contract refuses, by field, and keeps nothing of it', async () => {
    const journal = open()
    await expect(file(journal, 900)).rejects.toThrow('Free travel at the pad must be 0 to 500 mm')
    const sink = journal.file(subject, PERSON, 'measurement', reading('sink', 4))
    await expect(sink).rejects.toThrow('duration Sink under a held foot needs its duration')
    await settle(journal)
    expect([bench.calls, await stored(), journal.entriesOf(subject).value]).toEqual([0, [], []])
  })
})

describe('while the server is away', () => {
  it('entries wait in the browser in their order and arrive later, once', async () => {
    const journal = open()
    bench.mode = 'away'
    for (const value of [1, 2, 3]) await file(journal, value)
    await settle(journal)
    expect(journal.away).toBe(true)
    expect(values(await stored())).toEqual([1, 2, 3])
    expect(values(journal.entriesOf(subject).value)).toEqual([1, 2, 3])
    bench.mode = 'up'
    await settle(journal)
    expect(values(bench.stored)).toEqual([1, 2, 3])
    expect(journal.away).toBe(false)
    expect(await stored()).toEqual([])
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
    expect(await stored()).toHaveLength(1)
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

describe('what the server does not take', () => {
  const refusing = async (journal: ReturnType<typeof open>) => {
    bench.refuses = (entry) => (entry.payload as { value: number }).value === 2
    bench.mode = 'away'
    for (const value of [1, 2, 3]) await file(journal, value)
    await settle(journal)
    bench.mode = 'up'
    await settle(journal)
  }
  const aside = (journal: ReturnType<typeof open>) =>
    journal.refused.map(({ entry, detail }) => [values([entry])[0], detail])

  it('is set aside with its content, does not hold up the rest, and is there after a reload', async () => {
    const journal = open()
    await refusing(journal)
    expect(values(bench.stored)).toEqual([1, 3])
    expect(aside(journal)).toEqual([[2, 'Refused: /by is not a person here']])
    expect(values(journal.entriesOf(subject).value)).toEqual([1, 3])
    const again = open()
    await settle(again)
    expect(aside(again)).toEqual([[2, 'Refused: /by is not a person here']])
    expect(values(await stored())).toEqual([2])
  })

  it('can be sent again, or given up', async () => {
    const journal = open()
    await refusing(journal)
    bench.refuses = () => false
    await journal.sendAgain(journal.refused[0]!.entry.id)
    expect(values(bench.stored)).toEqual([1, 3, 2])
    expect(aside(journal)).toEqual([])

    bench.refuses = () => true
    const { id } = await file(journal, 9)
    await settle(journal)
    await journal.giveUp(id)
    expect([aside(journal), await stored()]).toEqual([[], []])
  })

  it('because the server fails on it is tried three times, then set aside, and tried anew by the next page', async () => {
    const journal = open()
    bench.answers = (entry) =>
      values([entry])[0] === 2 ? bench.problem(500, 'The server failed on this request.') : null
    for (const value of [1, 2, 3]) await file(journal, value)
    await settle(journal)
    expect(values(bench.stored)).toEqual([1])
    expect(journal.away).toBe(false)
    expect(journal.held).toBe('The server failed on this request.')
    for (let i = 0; i < 2; i++) await settle(journal)
    expect(aside(journal)).toEqual([[2, 'The server failed on this request.']])
    expect(values(bench.stored)).toEqual([1, 3])
    bench.answers = () => null
    await settle(open())
    expect(values(bench.stored)).toEqual([1, 3, 2])
  })

  it('of one job holds up that job alone', async () => {
    const journal = open()
    const other = { type: 'job', id: ulidOf(8) } as const
    bench.answers = (entry) => (entry.subject.id === JOB ? bench.problem(404, 'no such job') : null)
    await file(journal, 1)
    await file(journal, 2)
    await journal.file(other, PERSON, 'measurement', reading('freeTravel', 3))
    await settle(journal)
    expect(values(bench.stored)).toEqual([3])
    expect(values(await stored())).toEqual([1, 2])
    bench.answers = () => null
    await settle(journal)
    expect(values(bench.stored)).toEqual([3, 1, 2])
  })

  it.each(Array.from({ length: 105 }, (_, i) => 400 + i))(
    'with %i is never lost: it is stored later, or stands aside with its content',
    async (status) => {
      const journal = open()
      bench.answers = () => new Response('<html>proxy</html>', { status })
      await file(journal, 5)
      await settle(journal)
      expect(values(await stored())).toEqual([5])
      bench.answers = () => null
      const after = open()
      await settle(after)
      if ([400, 409, 413, 415, 422].includes(status)) {
        expect(aside(after)).toEqual([[5, `The server answered ${status}.`]])
        expect(bench.stored).toEqual([])
      } else {
        expect(values(bench.stored)).toEqual([5])
        expect(await stored()).toEqual([])
      }
    },
  )

  it.each([
    ['a log-in page', new Response('<html>log in</html>', { status: 200 })],
    ['somebody else’s JSON', new Response('{"ok":true}', { status: 200 })],
  ])('because a network answers with %s waits', async (_, response) => {
    const journal = open()
    bench.answers = () => response.clone()
    await file(journal, 6)
    await settle(journal)
    expect(journal.away).toBe(true)
    expect(values(await stored())).toEqual([6])
    bench.answers = () => null
    await settle(journal)
    expect(values(bench.stored)).toEqual([6])
  })
})

describe('a browser that keeps nothing', () => {
  it.each([
    ['has no store', { indexedDB: undefined }],
    ['does not let its store be opened', { indexedDB: { open: () => fail('SecurityError') } }],
    ['never answers', { indexedDB: { open: () => new EventTarget() } }],
  ])(
    'and %s files and sends all the same, and says that it keeps nothing',
    async (_, globals) => {
      vi.useRealTimers()
      for (const [name, value] of Object.entries(globals)) vi.stubGlobal(name, value)
      bench.mode = 'away'
      const journal = open()
      await journal.restored
      await file(journal, 4)
      await journal.send()
      expect(journal.kept).toBe(false)
      expect(values(journal.entriesOf(subject).value)).toEqual([4])
      bench.mode = 'up'
      await journal.send()
      expect(values(bench.stored)).toEqual([4])
      expect(journal.kept).toBe(true)
    },
    20_000,
  )

  it('for a moment shows what it last knew, and never that all is sent', async () => {
    const journal = open()
    bench.mode = 'away'
    await file(journal, 1)
    await settle(journal)
    const read = vi.spyOn(IDBObjectStore.prototype, 'getAll').mockImplementation(() => {
      throw new DOMException('The store is busy.', 'UnknownError')
    })
    await settle(journal)
    expect(values(journal.waiting)).toEqual([1])
    read.mockRestore()
    bench.mode = 'up'
    await settle(journal)
    expect(values(bench.stored)).toEqual([1])
  })

  it('because it is full keeps what it can, in the order in which it was made', async () => {
    const journal = open()
    bench.mode = 'away'
    await file(journal, 1)
    await settle(journal)
    const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('Quota exceeded.', 'QuotaExceededError')
    })
    await file(journal, 2)
    expect(journal.kept).toBe(false)
    put.mockRestore()
    await file(journal, 3)
    bench.mode = 'up'
    await settle(journal)
    expect(values(bench.stored)).toEqual([1, 2, 3])
  })
})
function fail(name: string): never {
  throw new DOMException(name, name)
}

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

  it('are never skipped: another tablet’s that came in between is known to be missing', async () => {
    const journal = open()
    const [one, two, three] = [1, 2, 3].map((n) => made(n, 'measurement', reading('freeTravel', n)))
    journal.take(subject, [one!])
    journal.take(subject, [three!])
    expect([journal.upTo(subject), journal.hasGap(subject)]).toEqual([1, true])
    journal.take(subject, [two!, three!])
    expect([journal.upTo(subject), journal.hasGap(subject)]).toEqual([3, false])
    expect(values(journal.entriesOf(subject).value)).toEqual([1, 2, 3])
  })

  it('do not undo what was confirmed while they were asked for', async () => {
    const journal = open()
    journal.take(subject, [made(1, 'measurement', reading('freeTravel', 1))], 1)
    bench.stored = [made(1, 'measurement', reading('freeTravel', 1))]
    const own = await file(journal, 2)
    await settle(journal)
    // The answer to a look that was under way before.
    journal.take(subject, [])
    expect(journal.entriesOf(subject).value.map(({ id }) => id)).toContain(own.id)
  })
})
