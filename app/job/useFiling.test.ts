import { beforeEach, describe, expect, it } from 'vitest'
import { computed, nextTick, shallowRef } from 'vue'
import type { Entry, Kind, Payloads, Subject } from '../../core/journal'
import { fold, timeline } from '../../core/journal'
import { JOB, PERSON, ulidOf } from '../../tests/arbitrary/entry'
import { useFiling } from './useFiling'
import { withStores } from '../../tests/harness/stores'

const subject: Subject = { type: 'job', id: JOB }
const OTHER = ulidOf(11)
const MERGED = ulidOf(12)
const entries = shallowRef<Entry[]>([])
const person = {
  id: PERSON,
  current: { id: PERSON, name: 'Wren' } as { id: string; name: string } | null,
  // MERGED is another record of the same person.
  isMine: (by: string) => by === PERSON || by === MERGED,
}

/** The store as filing uses it: what is filed is there at once, in its place. */
const store = {
  entriesOf: () => computed(() => entries.value),
  refuses: '',
  async file<K extends Kind>(
    of: Subject,
    by: string,
    kind: K,
    payload: Payloads[K],
    acts: { corrects?: string; withdraws?: string } = {},
  ): Promise<Entry> {
    await Promise.resolve()
    if (store.refuses) throw new Error(store.refuses)
    const sequence = entries.value.length + 1
    const at = `2026-11-24T08:00:${String(sequence).padStart(2, '0')}.000Z`
    const entry = {
      id: ulidOf(2000 + sequence),
      subject: of,
      kind,
      at,
      by,
      payload,
      sequence,
      ...acts,
    } as Entry
    entries.value = [...entries.value, entry]
    return entry
  },
}

const goal = { jobKind: 'fault', wanted: '' } as const
const free = (value: number) => ({ reading: 'freeTravel', value, phase: 'asFound' }) as const
const freeNow = () => fold(entries.value).readings.asFound.freeTravel?.payload.value

beforeEach(async () => {
  entries.value = []
  store.refuses = ''
  person.current = { id: PERSON, name: 'Wren' }
  withStores({ journal: store, person })
  await store.file(subject, PERSON, 'goal', goal)
})

describe('filing', () => {
  it('keeps what was filed last, and says what is wrong', async () => {
    const filing = useFiling(subject)
    expect(await filing.file('measurement', free(42))).toBe(true)
    expect(filing.lastFiled.value!.payload).toEqual(free(42))
    store.refuses = 'value must be at most 500'
    expect(await filing.file('measurement', free(900))).toBe(false)
    expect(filing.problem.value).toBe('value must be at most 500')
    expect(filing.lastFiled.value!.payload).toEqual(free(42))
    store.refuses = ''
    await filing.file('measurement', free(43))
    expect(filing.problem.value).toBe('')
  })

  it('needs a name', async () => {
    person.current = null
    const filing = useFiling(subject)
    expect(await filing.file('note', { words: 'x' })).toBe(false)
    expect(filing.problem.value).toMatch(/Pick your name/)
    expect(entries.value).toHaveLength(1)
  })
})

describe('undo and redo', () => {
  it('take back and put again, step by step, and nothing is erased', async () => {
    const filing = useFiling(subject)
    for (const value of [40, 41, 42]) await filing.file('measurement', free(value))
    await filing.undo()
    expect(freeNow()).toBe(41)
    await filing.undo()
    expect(freeNow()).toBe(40)
    await filing.redo()
    expect(freeNow()).toBe(41)
    await filing.redo()
    expect(freeNow()).toBe(42)
    expect(entries.value).toHaveLength(8)
    await filing.redo()
    expect(filing.problem.value).toMatch(/Nothing was taken back/)
  })

  it('a new entry ends what could be put again', async () => {
    const filing = useFiling(subject)
    await filing.file('measurement', free(40))
    await filing.undo()
    expect(filing.undone.value).toHaveLength(1)
    await filing.file('measurement', free(50))
    expect(filing.undone.value).toEqual([])
    await filing.redo()
    expect(freeNow()).toBe(50)
  })

  it('leave the goal, and what somebody else filed', async () => {
    const filing = useFiling(subject)
    await store.file(subject, OTHER, 'measurement', free(60))
    await filing.undo()
    expect(filing.problem.value).toMatch(/Nothing of yours/)
    expect(freeNow()).toBe(60)
    expect(timeline(entries.value).standing).toHaveLength(2)
    await filing.file('note', { words: 'mine' })
    await filing.undo()
    expect(timeline(entries.value).standing.map(({ origin }) => origin.kind)).toEqual([
      'goal',
      'measurement',
    ])
    await store.file(subject, MERGED, 'note', { words: 'mine, before the names were merged' })
    await filing.undo()
    expect(timeline(entries.value).standing).toHaveLength(2)
  })

  it('stays with what is in sight, or was filed while that page was open, and says what it takes', async () => {
    const page = shallowRef<Kind>('measurement')
    const filing = useFiling(subject, () => ({
      name: page.value,
      shows: ({ kind }) => kind === page.value,
    }))
    await filing.file('measurement', free(40))
    await filing.file('note', { words: 'said here' })
    expect(filing.undoable.value!.payload).toEqual({ words: 'said here' })
    page.value = 'topUp'
    await nextTick()
    expect(filing.undoable.value).toBeNull()
    await filing.undo()
    expect(filing.problem.value).toMatch(/on this page/)
    expect(freeNow()).toBe(40)
    page.value = 'measurement'
    await nextTick()
    // The note is out of sight by now; the reading is not.
    expect(filing.undoable.value!.payload).toEqual(free(40))
    await filing.undo()
    expect(freeNow()).toBeUndefined()
    expect(timeline(entries.value).standing.map(({ origin }) => origin.kind)).toEqual(['goal', 'note'])
  })

  it('a vehicle keeps its first installation', async () => {
    const filing = useFiling({ type: 'vehicle', id: JOB })
    entries.value = []
    await store.file(subject, PERSON, 'note', { words: 'stands first, as an installation does' })
    await filing.undo()
    expect(timeline(entries.value).standing).toHaveLength(1)
  })

  it('a withdrawal that cannot be filed leaves everything as it was', async () => {
    const filing = useFiling(subject)
    await filing.file('measurement', free(40))
    store.refuses = 'server says no'
    await filing.undo()
    expect(filing.undone.value).toEqual([])
    expect(freeNow()).toBe(40)
  })
})
