import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** ms; a store that has failed once is not waited for as long again. */
const IMPATIENCE = 400

/** A database of this browser that may be switched off, full or silent: what it does not do in time it has not done. */
export class GuardedStore<S extends DBSchema> {
  private opened: Promise<IDBPDatabase<S>> | undefined
  private failed = false

  /** @param patience ms that one thing may take */
  constructor(
    private readonly name: string,
    private readonly upgrade: (database: IDBPDatabase<S>) => void,
    private readonly patience: number,
  ) {}

  /** What the store gives; null where it fails or does not answer. */
  async attempt<T>(work: (store: IDBPDatabase<S>) => Promise<T>): Promise<T | null> {
    let timer: ReturnType<typeof setTimeout> | undefined
    const late = new Promise<null>((resolve) => {
      timer = setTimeout(() => resolve(null), this.failed ? IMPATIENCE : this.patience)
    })
    try {
      const done = await Promise.race([this.open().then(work), late])
      this.failed = done === null
      return done
    } catch {
      this.failed = true
      return null
    } finally {
      clearTimeout(timer)
    }
  }

  private open(): Promise<IDBPDatabase<S>> {
    this.opened ??= openDB<S>(this.name, 1, { upgrade: this.upgrade }).catch((error: unknown) => {
      // One failed opening is not the end of it: the next may succeed.
      this.opened = undefined
      throw error
    })
    return this.opened
  }
}
