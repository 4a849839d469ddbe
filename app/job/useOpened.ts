import { ref, shallowRef } from 'vue'
import type { Page, WithEntries } from '~~/contract'
import { keptAnswers, shownAsOf } from '~/sync/kept'
import type { Entry, Subject } from '~~/core/journal'
import { useJournalStore } from '~/stores/journal'
import { api } from '~/sync/api'

/** Entries fetched behind in one go. */
const PAGE = 1000

/**
 * A subject opened by the entries that bear its state; older ones are fetched behind, newest first, while it is worked on.
 */
export function useOpened<T extends { id: string; lastSequence: number }>(type: Subject['type']) {
  const journal = useJournalStore()
  const value = shallowRef<T | null>(null)
  /** Older entries are still to come: the journal's list is not whole yet. */
  const fetchingOlder = ref(false)

  async function load(id: string): Promise<T> {
    const subject = { type, id } as const
    // What filing needs is here before anything can be filed: the server may be gone by then.
    const [found] = await Promise.all([
      api<WithEntries<T>>(`/${type}s/${id}?entries=state`),
      import('~/sync/check').catch(() => null),
    ])
    void import('~/sync/photos').then(({ waitingPhotos }) => waitingPhotos.ready()).catch(() => {})
    journal.take(subject, found.entries, found.subject.lastSequence)
    // Away, what came since that answer is known from the browser; else the answer has all of it.
    if (shownAsOf.value !== null) journal.take(subject, await keptAnswers.entries(subject))
    else keptAnswers.forgetEntries(subject, found.subject.lastSequence)
    value.value = found.subject
    if (found.partial) void fetchOlder(subject, found.subject.lastSequence + 1)
    return found.subject
  }

  async function fetchOlder(subject: Subject, before: number): Promise<void> {
    fetchingOlder.value = true
    const from = `/${subject.type}s/${subject.id}/entries?limit=${PAGE}`
    try {
      for (let at: string | null = String(before); at !== null;) {
        const page: Page<Entry> = await api<Page<Entry>>(`${from}&before=${at}`)
        journal.take(subject, page.items)
        at = page.next
      }
      fetchingOlder.value = false
    } catch {
      // Away: asked for again with the next look.
      setTimeout(() => void fetchOlder(subject, before), 5000)
    }
  }

  /** What was filed elsewhere since; everything after the last sequence up to which nothing is missing. */
  async function look(): Promise<void> {
    if (!value.value) return
    const subject = { type, id: value.value.id } as const
    const from = `/${type}s/${subject.id}/entries?limit=${PAGE}`
    for (let after: string | null = String(journal.upTo(subject)); after !== null;) {
      const page: Page<Entry> = await api<Page<Entry>>(`${from}&after=${after}`)
      journal.take(subject, page.items)
      keptAnswers.keepEntries(page.items)
      after = page.next
    }
  }
  return { value, fetchingOlder, load, look }
}
