import {
  changesRun,
  drawsRun,
  filmRun,
  learnRun,
  pumpsRun,
  rankRun,
  restsOnOf,
  runsOf,
  type BleedOutcome,
  type BleedRun,
  type DrawsAsked,
  type RankAsked,
  type RankedEntry,
} from '~~/core/bleed'
import { coachPlanRun } from '~~/core/coach'
import type { Run } from '~~/core/run'

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
  learn: (outcomes: BleedOutcome[]) => learnRun(outcomes),
}
