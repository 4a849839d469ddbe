import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef } from 'vue'
import { filesOf, type Entry, type Kind, type Payloads, type Subject } from '~~/core/journal'
import { api, ApiError } from '~/sync/api'
import { newId } from '~/lib/ids'
import { keptAnswers } from '~/sync/kept'
import { loosePhotos } from '~/sync/loose-photos'
import { KnownEntries } from '~/sync/known'
import { EntryQueue, type Queued } from '~/sync/queue'
import { answerOf, Sender, type Answer } from '~/sync/sender'
import { betweenTabs } from '~/sync/tabs'

/** An entry that was set aside, and why; shown until it is dealt with. */
export interface SetAside {
  entry: Entry
  detail: string
}

const key = ({ type, id }: Subject) => `${type}:${id}`
const pathOf = ({ type, id }: Subject) => `/${type}s/${id}/entries`

/**
 * Entries of every subject that was opened, and those that wait to be sent. An entry is kept in the browser's own
 * database before it is shown as filed, and leaves it only when the server has confirmed it.
 */
export const useJournalStore = defineStore('journal', () => {
  const queue = new EntryQueue()
  const known = new Map<string, KnownEntries>()
  /** Raised with each change of a subject's known entries. */
  const versions = shallowReactive(new Map<string, number>())
  const queued = shallowRef<Queued[]>([])
  const waiting = computed(() => queued.value.filter(({ aside }) => !aside).map(({ entry }) => entry))
  const refused = computed<SetAside[]>(() =>
    queued.value.flatMap(({ aside, entry }) => (aside ? [{ entry, detail: aside.detail }] : [])),
  )
  /** Entries that are just being kept: made, but not among those that wait yet. */
  const keeping = ref(0)
  const unsent = computed(() => waiting.value.length + keeping.value)
  const away = ref(false)
  /** Why something waits although the server answers. */
  const held = ref('')
  /** False where this browser could not keep an entry, or a photograph: then it lasts only as long as the page. */
  const entriesKept = ref(true)
  const kept = computed(() => entriesKept.value && loosePhotos.value.size === 0)
  const goes = (now: { away: boolean; detail: string }) => {
    away.value = now.away
    held.value = now.detail
  }
  const tabs = betweenTabs({
    queue: () => void refresh(),
    confirmed: (entry) => learn([entry]),
    state: goes,
  })
  const sender = new Sender({
    queue,
    post,
    alone: tabs.alone,
    changed: async () => {
      await refresh()
      tabs.tell({ news: 'queue' })
    },
    confirmed: (entry) => {
      learn([entry])
      tabs.tell({ news: 'confirmed', entry })
    },
    state: (now) => {
      goes(now)
      tabs.tell({ news: 'state', ...now })
    },
  })
  const restored = restore()

  /** What an earlier page has left; what the server only failed on is sent once more. */
  async function restore(): Promise<void> {
    for (const { entry, aside } of await queue.all())
      if (aside?.again) await queue.change(entry.id, { aside: null })
    await refresh()
    if (waiting.value.length > 0) void send()
  }
  async function refresh(): Promise<void> {
    queued.value = await queue.all()
    entriesKept.value = queue.kept
  }

  function knownOf(subject: Subject): KnownEntries {
    const of = key(subject)
    let entries = known.get(of)
    if (!entries) known.set(of, (entries = new KnownEntries()))
    return entries
  }
  function touch(subject: Subject): void {
    versions.set(key(subject), (versions.get(key(subject)) ?? 0) + 1)
  }

  /** Entries of a subject as this browser knows them: the server's, then those that wait. */
  const entriesOf = (subject: Subject) =>
    computed(() => {
      void versions.get(key(subject))
      const there = knownOf(subject)
      const own = waiting.value.filter(
        (entry) => key(entry.subject) === key(subject) && !there.has(entry.id),
      )
      return own.length > 0 ? [...there.entries, ...own] : [...there.entries]
    })

  /** Entries from the server; `upTo`: nothing is missing up to there but what is fetched behind. */
  function take(subject: Subject, entries: readonly Entry[], upTo = 0): void {
    if (knownOf(subject).take(entries, upTo)) touch(subject)
  }
  /** Entries of whatever subject, as they come one by one. */
  function learn(entries: readonly Entry[]): void {
    for (const entry of entries) take(entry.subject, [entry])
    keptAnswers.keepEntries(entries)
  }
  const upTo = (subject: Subject): number => knownOf(subject).upTo
  const hasGap = (subject: Subject): boolean => knownOf(subject).hasGap

  /** Files an entry: checked, kept here, shown, sent. */
  async function file<K extends Kind>(
    subject: Subject,
    by: string,
    kind: K,
    payload: Payloads[K],
    acts: Acts = {},
  ): Promise<Entry> {
    keeping.value += 1
    try {
      return await checkedAndKept(makeEntry(subject, by, kind, payload, acts))
    } finally {
      keeping.value -= 1
    }
  }

  async function checkedAndKept(entry: Entry): Promise<Entry> {
    // Where the check cannot be fetched the entry is kept all the same: the server checks it too.
    const checks = await import('~/sync/check').catch(() => null)
    const problem = checks?.problemsOf(entry)[0]
    if (problem) throw new Error(`${problem.path.split('/').at(-1)} ${problem.message}`)
    const added = await queue.add(entry)
    queued.value = [...queued.value, added]
    entriesKept.value = queue.kept
    tabs.tell({ news: 'queue' })
    void send()
    return entry
  }

  async function post(entry: Entry): Promise<Answer> {
    // What an entry shows goes before it.
    for (const file of filesOf(entry)) {
      const { waitingPhotos } = await import('~/sync/photos')
      const { status, detail } = await waitingPhotos.deliver(file)
      if (status < 200 || status >= 300) return answerOf(entry, status, null, detail)
    }
    try {
      return answerOf(entry, 200, await api<unknown>(pathOf(entry.subject), entry), '')
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      return answerOf(entry, error.status, null, error.message)
    }
  }
  const send = (): Promise<void> => sender.send()

  /** An entry that was set aside goes back into the queue, as it is. */
  async function sendAgain(id: string): Promise<void> {
    await queue.change(id, { aside: null, tries: 0 })
    await refresh()
    await send()
  }
  /** An entry that was set aside is given up, by somebody who has read it. */
  async function giveUp(id: string): Promise<void> {
    const given = queued.value.find(({ entry }) => entry.id === id)
    await queue.remove(id)
    await refresh()
    tabs.tell({ news: 'queue' })
    if (given) await letGo(filesOf(given.entry))
  }
  /** Photographs that were to be shown by an entry which is not filed: those that no other entry shows are let go. */
  async function letGo(files: readonly string[]): Promise<void> {
    const named = new Set(queued.value.flatMap(({ entry }) => filesOf(entry)))
    const free = files.filter((file) => !named.has(file))
    if (free.length === 0) return
    const { waitingPhotos } = await import('~/sync/photos')
    for (const file of free) await waitingPhotos.forget(file)
  }

  if (import.meta.client) {
    // Back on the network, or back in front of somebody: do not wait for the pause to end.
    addEventListener('online', () => void send())
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'visible' && waiting.value.length > 0) void send()
    })
    // What is kept in this page alone would go with it.
    addEventListener('beforeunload', (event) => {
      if (!queue.kept || loosePhotos.value.size > 0) event.preventDefault()
    })
  }

  return {
    waiting,
    unsent,
    refused,
    away,
    held,
    kept,
    entriesKept,
    restored,
    entriesOf,
    take,
    learn,
    upTo,
    hasGap,
    file,
    send,
    sendAgain,
    giveUp,
    letGo,
  }
})

/** What an entry corrects or withdraws; and its id, where that is known before it is filed. */
export interface Acts {
  corrects?: string
  withdraws?: string
  id?: string
}

export function makeEntry<K extends Kind>(
  subject: Subject,
  by: string,
  kind: K,
  payload: Payloads[K],
  acts: Acts = {},
): Entry {
  const at = new Date().toISOString()
  // The store clones and sends plain data only.
  return JSON.parse(JSON.stringify({ id: newId(), subject, kind, at, by, payload, ...acts })) as Entry
}
