import type { DBSchema } from 'idb'
import { upcast, type Entry } from '~~/core/journal'
import { GuardedStore } from './guarded'

/** Why an entry was set aside, and whether it is worth sending again by itself when the page is opened anew. */
export interface Aside {
  detail: string
  again: boolean
}
/** An entry that the server has not confirmed. */
export interface Queued {
  entry: Entry
  /** Place in the queue: the order in which entries were made, whatever the clock said. */
  order: number
  /** Times that the server failed on it. */
  tries: number
  aside: Aside | null
}

/** As it lies in the store: the entry itself with the queue's own figures beside it, so that the store needs no new version. */
type Stored = Entry & { order?: number; tries?: number; aside?: Aside | null }
interface Store extends DBSchema {
  entries: { key: string; value: Stored }
}

const NAME = 'mellow-anchor'
/** ms that the store may take. */
const PATIENCE = 3000

/**
 * Entries that wait to be sent, in this browser's own database, shared by all its tabs. Where that database is not there, is
 * full or does not answer, they are kept in this page alone, and `kept` says so.
 */
export class EntryQueue {
  private readonly store = new GuardedStore<Store>(
    NAME,
    (database) => void database.createObjectStore('entries', { keyPath: 'id' }),
    PATIENCE,
  )
  /** All that this page knows of, as it was last read or changed: what holds while the store does not answer. */
  private seen = new Map<string, Queued>()
  /** Ids of those that are in this page alone. */
  private readonly loose = new Set<string>()

  /** False while something is kept in this page alone. */
  get kept(): boolean {
    return this.loose.size === 0
  }

  /** Everything that is queued, in the order in which it was made. */
  async all(): Promise<Queued[]> {
    const stored = await this.store.attempt((store) => store.getAll('entries'))
    if (stored) {
      const own = [...this.loose].flatMap((id) => this.seen.get(id) ?? [])
      this.seen = new Map([...stored.map(queuedFrom), ...own].map((one) => [one.entry.id, one]))
    }
    return [...this.seen.values()].sort((a, b) =>
      // Those of an earlier version have no order but their ids'.
      a.order === b.order ? (a.entry.id < b.entry.id ? -1 : 1) : a.order - b.order,
    )
  }

  /** Puts an entry at the end. Resolves once it is kept, in the browser or else in this page. */
  async add(entry: Entry): Promise<Queued> {
    // A reactive proxy cannot be cloned into the store.
    const plain = JSON.parse(JSON.stringify(entry)) as Entry
    const queued: Queued = { entry: plain, order: this.lastOrder() + 1, tries: 0, aside: null }
    const done = await this.store.attempt(async (store) => {
      const writing = store.transaction('entries', 'readwrite')
      for (const { order = 0 } of await writing.store.getAll())
        queued.order = Math.max(queued.order, order + 1)
      await writing.store.put({ ...plain, order: queued.order, tries: 0, aside: null })
      await writing.done
      return true
    })
    this.seen.set(entry.id, queued)
    if (!done) this.loose.add(entry.id)
    return queued
  }

  async change(id: string, change: Partial<Pick<Queued, 'tries' | 'aside'>>): Promise<void> {
    const known = this.seen.get(id)
    if (known) this.seen.set(id, { ...known, ...change })
    await this.store.attempt(async (store) => {
      const writing = store.transaction('entries', 'readwrite')
      const stored = await writing.store.get(id)
      if (stored) await writing.store.put({ ...stored, ...change })
      await writing.done
      return true
    })
  }

  async remove(id: string): Promise<void> {
    this.seen.delete(id)
    this.loose.delete(id)
    await this.store.attempt(async (store) => {
      await store.delete('entries', id)
      return true
    })
  }

  /** The last place that this page knows of. */
  private lastOrder(): number {
    return Math.max(0, ...[...this.seen.values()].map(({ order }) => order))
  }
}

function queuedFrom({ order = 0, tries = 0, aside = null, ...entry }: Stored): Queued {
  // A page of an older version may have left it.
  return { entry: upcast(entry as Entry), order, tries, aside }
}
