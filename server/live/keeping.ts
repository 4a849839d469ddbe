import { setTimeout as wait } from 'node:timers/promises'
import { QueryTypes } from 'sequelize'
import { currentDatabase } from '../database/current'
import type { Database } from '../database/database'
import { isCrowded } from '../services/lists/crowd'
import { forgetOldRules, refreshStale } from '../services/journal/standing'
import { refreshWords } from '../services/journal/words-kept'
import { committed, onCommitted } from './news'

/** ms after a commit: several entries in a row are worked out once. */
const SOON = 120
/** ms between looks for what another process, or one that was killed, has left stale. */
const LATER = 2000
/** ms between rounds. */
const PAUSE = 5

let restored: string | undefined
/** When another shop was put in the place of this one, or `never`; undefined until it was looked at. */
export const restoredAt = (): string | undefined => restored
/** A restore puts another history under the same names: what was read before it is forgotten. */
async function seeRestored(database: Database): Promise<void> {
  const [row] = await database.sequelize.query<{ at: Date }>('SELECT at FROM pulse WHERE id = 2', {
    type: QueryTypes.SELECT,
  })
  const at = row?.at.toISOString() ?? 'never'
  const isNews = restored !== undefined && at !== restored
  restored = at
  if (isNews) committed('restored')
}

/** One round, and then a pause: as long as the round where many are waiting for answers. */
async function politely(round: () => Promise<number>): Promise<number> {
  const began = performance.now()
  const done = await round()
  if (done > 0) await wait(isCrowded() ? performance.now() - began : PAUSE)
  return done
}

/**
 * Keeps what lists show of jobs up to date behind the answers: soon after this process has filed something, and now and then
 * for what others have.
 */
export function keepJobsFresh(): { stop: () => void } {
  let stopped = false
  let wake = () => {}
  const forget = onCommitted((news) => news === 'entries' && wake())
  void (async () => {
    let rulesChecked = false
    while (!stopped) {
      try {
        const database = currentDatabase()
        await seeRestored(database)
        if (!rulesChecked) await forgetOldRules(database)
        rulesChecked = true
        // In pieces, so that answers come in between.
        while (!stopped && (await politely(() => refreshStale(database))) > 0);
        while (!stopped && (await politely(() => refreshWords(database))) > 0);
      } catch {
        // The database is away or not set up yet: health says so, and the next look finds it back.
      }
      await Promise.race([
        wait(LATER, undefined, { ref: false }),
        new Promise<void>((resolve) => (wake = resolve)).then(() => wait(SOON)),
      ])
    }
  })()
  return {
    stop: () => {
      stopped = true
      forget()
      wake()
    },
  }
}
