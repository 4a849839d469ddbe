import type { Entry } from '~~/core/journal'

/**
 * Entries of one subject that the server has confirmed. What is missing is known: `upTo` is the last sequence up to which
 * nothing is, so that what another tablet filed in between is asked for, however late it is seen.
 */
export class KnownEntries {
  private readonly bySequence = new Map<number, Entry>()
  private readonly ids = new Set<string>()
  private through = 0
  private newest = 0
  private ordered: readonly Entry[] | null = null

  /** The last sequence up to which nothing is missing. */
  get upTo(): number {
    return this.through
  }
  /** True where a later entry is known while one before it is not. */
  get hasGap(): boolean {
    return this.newest > this.through
  }

  /** In sequence order. */
  get entries(): readonly Entry[] {
    this.ordered ??= [...this.bySequence.values()].sort((a, b) => a.sequence! - b.sequence!)
    return this.ordered
  }

  has(id: string): boolean {
    return this.ids.has(id)
  }

  /**
   * Takes entries in, in any order and as often as they come; says whether any was new.
   * @param through nothing up to this sequence is missing but what is fetched behind
   */
  take(entries: readonly Entry[], through = 0): boolean {
    let fresh = false
    for (const entry of entries) {
      if (entry.sequence === undefined || this.bySequence.has(entry.sequence)) continue
      this.bySequence.set(entry.sequence, entry)
      this.ids.add(entry.id)
      this.newest = Math.max(this.newest, entry.sequence)
      fresh = true
    }
    const before = this.through
    this.through = Math.max(this.through, through)
    while (this.bySequence.has(this.through + 1)) this.through += 1
    if (fresh) this.ordered = null
    return fresh || this.through !== before
  }
}
