import {
  changesRun,
  drawsRun,
  filmRun,
  Following,
  followRun,
  learnRun,
  pumpsRun,
  rankRun,
  restsOnOf,
  runsOf,
  type BleedOutcome,
  type BleedRun,
  type DrawsAsked,
  type Followed,
  type RankAsked,
  type RankedEntry,
} from '~~/core/bleed'
import { coachPlanRun } from '~~/core/coach'
import type { Run } from '~~/core/run'

/**
 * A bleed that is followed stays here with how far it has got, so that what is logged next is all that has to be gone through, also where
 * the question before was given up halfway.
 */
let followed: { asked: string; lines: string[]; following: Following; done: number } | null = null
function follow({ asked, logged }: { asked: RankAsked; logged: Followed[] }) {
  const key = JSON.stringify(asked)
  const lines = logged.map((one) => JSON.stringify(one))
  const begun = followed ? Math.ceil(followed.done / followed.following.size) : 0
  const goesOn =
    followed?.asked === key &&
    begun <= lines.length &&
    followed.lines.slice(0, begun).every((line, i) => line === lines[i])
  const mine = goesOn
    ? { ...followed!, lines }
    : { asked: key, lines, following: new Following(asked), done: 0 }
  followed = mine
  const run = followRun(mine.following, logged, mine.done)
  return {
    total: run.total,
    step(count) {
      mine.done = run.step(count)
      return mine.done
    },
    result: () => run.result(),
  } satisfies Run<ReturnType<typeof run.result>>
}

/** On which constants the first ways of a ranking hang; one piece is one way. */
function rests({ asked, entries }: { asked: RankAsked; entries: RankedEntry[] }): Run<string[][]> {
  const found: string[][] = []
  return {
    total: entries.length,
    step(count) {
      const end = Math.min(entries.length, found.length + Math.min(1, count))
      while (found.length < end) found.push(restsOnOf(entries[found.length]!, asked))
      return found.length
    },
    result: () => found,
  }
}

export const BLEED_HEAVY = {
  coachPlan: (asked: Parameters<typeof coachPlanRun>[0]) => coachPlanRun(asked),
  draws: (asked: DrawsAsked) => drawsRun(asked),
  pumps: (asked: Parameters<typeof pumpsRun>[0]) => pumpsRun(asked),
  rank: (asked: RankAsked) => rankRun(asked),
  rests,
  changes: ({ asked, entry, draws }: { asked: RankAsked; entry: RankedEntry; draws: number }) =>
    changesRun(runsOf(entry), asked, draws, entry.atUnion),
  film: ({
    asked,
    steps,
    atUnion,
  }: {
    asked: RankAsked
    steps: { method: BleedRun; cycles: number }[]
    atUnion: boolean
  }) => filmRun(asked, steps, undefined, atUnion),
  follow,
  learn: (outcomes: BleedOutcome[]) => learnRun(outcomes),
}
