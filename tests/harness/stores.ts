import { createPinia, setActivePinia, type Pinia } from 'pinia'

/**
 * Stands objects in for stores, by their ids. Modules are shared by the files of a worker, so that a mocked module would stay for
 * whoever comes next; a store is looked up anew in the pinia that is active.
 */
export function withStores(stand: Record<string, object>): Pinia {
  const pinia = createPinia()
  const stores = (pinia as Pinia & { _s: Map<string, object> })._s
  for (const [id, store] of Object.entries(stand)) stores.set(id, store)
  setActivePinia(pinia)
  return pinia
}
