import { defineStore } from 'pinia'
import { computed, ref, shallowReactive } from 'vue'
import { validateEntry } from '#build/entry-validator.mjs'
import { checkEntry, fieldProblems, type FieldProblem } from '~~/contract'
import type { Entry, Kind, Payloads, Subject } from '~~/core/journal'
import { api, ApiError } from '~/composables/useApi'
import { newId } from '~/composables/useIds'
import { allWaiting, keepWaiting, noLongerWaiting } from '~/queue/waiting'

/** An entry that the server refused for good, and why; shown until it is dealt with. */
export interface Refused {
  entry: Entry
  detail: string
}

const key = ({ type, id }: Subject) => `${type}:${id}`
const SOON = 1500
const LATEST = 20_000

/**
 * Entries of every subject that was opened, and those that wait to be sent. An entry is kept in the browser's own
 * database before it is shown as filed, and leaves it only when the server has confirmed it.
 */
export const useJournalStore = defineStore('journal', () => {
  const bySubject = shallowReactive(new Map<string, Entry[]>())
  const waiting = ref<Entry[]>([])
  const refused = ref<Refused[]>([])
  const away = ref(false)
  const restored = restore()
  let pause = SOON
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined

  async function restore(): Promise<void> {
    for (const entry of await allWaiting()) {
      add(entry)
      waiting.value.push(entry)
    }
    if (waiting.value.length > 0) void send()
  }

  const entriesOf = (subject: Subject) => computed(() => bySubject.get(key(subject)) ?? [])

  /** Entries from the server, and this browser's own that it does not have yet. */
  function take(subject: Subject, entries: Entry[]): void {
    const there = new Set(entries.map((entry) => entry.id))
    const own = waiting.value.filter(
      (entry) => key(entry.subject) === key(subject) && !there.has(entry.id),
    )
    bySubject.set(key(subject), [...entries, ...own])
  }

  function add(entry: Entry): void {
    const list = bySubject.get(key(entry.subject)) ?? []
    const rest = list.filter((known) => known.id !== entry.id)
    bySubject.set(key(entry.subject), [...rest, entry])
  }

  /** What is wrong with an entry before it is filed; nothing where it may be. */
  function check(entry: Entry): FieldProblem[] {
    return validateEntry(entry) ? checkEntry(entry) : fieldProblems(validateEntry.errors)
  }

  /** Files an entry: checked, kept here, shown, sent. */
  async function file<K extends Kind>(
    subject: Subject,
    by: string,
    kind: K,
    payload: Payloads[K],
    acts: { corrects?: string; withdraws?: string } = {},
  ): Promise<Entry> {
    const entry = makeEntry(subject, by, kind, payload, acts)
    const problem = check(entry)[0]
    if (problem) throw new Error(`${problem.path.split('/').at(-1)} ${problem.message}`)
    await keepWaiting(entry)
    add(entry)
    waiting.value.push(entry)
    void send()
    return entry
  }

  /** Sends what waits, one by one and in order. An answer that is lost is asked for again: the id makes that harmless. */
  function send(): Promise<void> {
    sending ??= sendAll().finally(() => (sending = undefined))
    return sending
  }

  async function sendAll(): Promise<void> {
    clearTimeout(timer)
    while (waiting.value.length > 0) {
      const entry = waiting.value[0]!
      const { type, id } = entry.subject
      try {
        add(await api<Entry>(`/${type}s/${id}/entries`, entry))
        away.value = false
        pause = SOON
      } catch (error) {
        if (!(error instanceof ApiError) || error.away) {
          away.value = true
          timer = setTimeout(() => void send(), pause)
          pause = Math.min(2 * pause, LATEST)
          return
        }
        refused.value.push({ entry, detail: error.message })
        drop(entry)
      }
      waiting.value.shift()
      await noLongerWaiting(entry.id)
    }
  }

  function drop(entry: Entry): void {
    const list = bySubject.get(key(entry.subject)) ?? []
    bySubject.set(
      key(entry.subject),
      list.filter((known) => known.id !== entry.id),
    )
  }

  if (import.meta.client) {
    // Back on the network, or back in front of somebody: do not wait for the pause to end.
    addEventListener('online', () => void send())
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'visible' && waiting.value.length > 0) void send()
    })
  }

  return { waiting, refused, away, restored, entriesOf, take, check, file, send }
})

export function makeEntry<K extends Kind>(
  subject: Subject,
  by: string,
  kind: K,
  payload: Payloads[K],
  acts: { corrects?: string; withdraws?: string } = {},
): Entry {
  const at = new Date().toISOString()
  // The store clones and sends plain data only.
  return JSON.parse(JSON.stringify({ id: newId(), subject, kind, at, by, payload, ...acts })) as Entry
}
