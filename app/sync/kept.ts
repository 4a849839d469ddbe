import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { ref } from 'vue'
import type { Entry, Subject } from '~~/core/journal'

interface KeptAnswer {
  path: string
  answer: unknown
  at: number
}
interface Store extends DBSchema {
  answers: { key: string; value: KeptAnswer; indexes: { at: number } }
  entries: { key: [string, number]; value: { of: string; sequence: number; entry: Entry } }
}

/** Answers that are kept; the least lately given go first. */
const MOST_ANSWERS = 400

/** When what is shown was last known to be so; null while the server answers. */
export const shownAsOf = ref<number | null>(null)

/**
 * What this browser knows of the server's data: the last answer to each question, and entries that came since. A page that is
 * opened while the server is away shows that. Where the browser keeps nothing it is as if nothing were known.
 */
class KeptAnswers {
  private opened: Promise<IDBPDatabase<Store> | null> | undefined

  private open(): Promise<IDBPDatabase<Store> | null> {
    this.opened ??= openDB<Store>('mellow-anchor-known', 1, {
      upgrade(database) {
        database.createObjectStore('answers', { keyPath: 'path' }).createIndex('at', 'at')
        database.createObjectStore('entries', { keyPath: ['of', 'sequence'] })
      },
    }).catch(() => null)
    return this.opened
  }
  private async attempt<T>(work: (store: IDBPDatabase<Store>) => Promise<T>): Promise<T | null> {
    try {
      const store = await this.open()
      return store && (await work(store))
    } catch {
      return null
    }
  }

  keep(path: string, answer: unknown): void {
    void this.attempt(async (store) => {
      await store.put('answers', { path, answer, at: Date.now() })
      if ((await store.count('answers')) <= MOST_ANSWERS) return
      const writing = store.transaction('answers', 'readwrite')
      const oldest = await writing.store.index('at').openCursor()
      await oldest?.delete()
      await writing.done
    })
  }
  answer(path: string): Promise<KeptAnswer | null> {
    return this.attempt(async (store) => (await store.get('answers', path)) ?? null)
  }

  /** Entries that the server has confirmed; one that came with an answer need not be kept a second time. */
  keepEntries(entries: readonly Entry[]): void {
    const own = entries.filter(({ sequence }) => sequence !== undefined)
    if (own.length === 0) return
    void this.attempt(async (store) => {
      const writing = store.transaction('entries', 'readwrite')
      for (const entry of own)
        await writing.store.put({ of: keyOf(entry.subject), sequence: entry.sequence!, entry })
      await writing.done
    })
  }
  async entries(subject: Subject): Promise<Entry[]> {
    const of = keyOf(subject)
    const all = await this.attempt((store) =>
      store.getAll('entries', IDBKeyRange.bound([of, 0], [of, Infinity])),
    )
    return (all ?? []).map(({ entry }) => entry)
  }
  /** An answer holds everything up to there: what was kept beside it goes. */
  forgetEntries(subject: Subject, upTo: number): void {
    const of = keyOf(subject)
    void this.attempt((store) => store.delete('entries', IDBKeyRange.bound([of, 0], [of, upTo])))
  }

  /** Another shop is in the place of the one that this is about. */
  async forgetAll(): Promise<void> {
    await this.attempt(async (store) => {
      await store.clear('answers')
      await store.clear('entries')
    })
  }
}
const keyOf = ({ type, id }: Subject): string => `${type}:${id}`

export const keptAnswers = new KeptAnswers()
