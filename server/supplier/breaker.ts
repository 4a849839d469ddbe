/** When a supplier that does not answer is left alone, and when it is asked again. */
export interface BreakerSettings {
  /** Failures in a row after which nothing is asked any more. */
  after: number
  /** ms until one is let through again. */
  rest: number
}
export const USUAL_BREAKER: BreakerSettings = { after: 3, rest: 15_000 }

/** Counts failures in a row; open, it says no at once, so that nobody waits for what does not come. */
export class Breaker {
  private failures = 0
  private failedAt = 0
  /** ms since the epoch of the first failure in this row; null while it answers. */
  since: number | null = null

  constructor(
    private readonly settings: BreakerSettings = USUAL_BREAKER,
    private readonly now: () => number = Date.now,
  ) {}

  /** Whether it may be asked just now; after its rest one is let through. */
  lets(): boolean {
    return this.failures < this.settings.after || this.now() - this.failedAt >= this.settings.rest
  }
  answered(): void {
    this.failures = 0
    this.since = null
  }
  failed(): void {
    this.failures += 1
    this.failedAt = this.now()
    this.since ??= this.failedAt
  }
}
