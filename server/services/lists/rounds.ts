import type { Database } from '../../database/database'
import { isCrowded } from './crowd'

/** Subjects whose history has gone on that are worth waiting for. */
const WORTH_WAITING = 8

interface Running {
  now: Promise<number> | null
  next: Promise<number> | null
}

/**
 * Work that many ask for, done in rounds that all of them share: nothing is worked out twice at once.
 *
 * @param work one round; says how much it has done
 * @param left how much there is to do, counted no further than the given number
 */
export function sharedRounds(
  work: (database: Database) => Promise<number>,
  left: (database: Database, most: number) => Promise<number>,
) {
  const all = new WeakMap<Database, Running>()

  /** A round that begins after it was asked for: the one that runs may have passed by what was filed meanwhile. */
  function round(database: Database): Promise<number> {
    const running = all.get(database) ?? { now: null, next: null }
    all.set(database, running)
    if (!running.now) return begin(database, running)
    running.next ??= running.now
      .catch(() => 0)
      .then(() => {
        running.next = null
        return begin(database, running)
      })
    return running.next
  }
  function begin(database: Database, running: Running): Promise<number> {
    const now = work(database).finally(() => {
      if (running.now === now) running.now = null
    })
    running.now = now
    return now
  }

  /**
   * What was filed a moment ago is in what is kept. Where so many ask at once, or so much is filed, that it would be waited
   * for long, it is not: then what is shown is as old as the last round, and the rest is worked out behind.
   */
  async function caughtUp(database: Database): Promise<void> {
    if (isCrowded()) return
    const waiting = await left(database, WORTH_WAITING + 1)
    if (waiting > 0 && waiting <= WORTH_WAITING) await round(database)
  }
  return { round, caughtUp }
}
