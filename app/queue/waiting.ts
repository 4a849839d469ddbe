import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Entry } from '~~/core/journal'

interface Waiting extends DBSchema {
  entries: { key: string; value: Entry }
}

let opened: Promise<IDBPDatabase<Waiting>> | undefined

/** Entries that the server has not confirmed, in this browser's own database; keys are ULIDs, so order is kept. */
const store = () =>
  (opened ??= openDB<Waiting>('mellow-anchor', 1, {
    upgrade(database) {
      database.createObjectStore('entries', { keyPath: 'id' })
    },
  }))

export const keepWaiting = async (entry: Entry): Promise<void> => {
  // A reactive proxy cannot be cloned into the store.
  await (await store()).put('entries', JSON.parse(JSON.stringify(entry)) as Entry)
}
export const allWaiting = async (): Promise<Entry[]> => (await store()).getAll('entries')
export const noLongerWaiting = async (id: string): Promise<void> =>
  (await store()).delete('entries', id)
