import {
  changesRun,
  filmRun,
  Following,
  followRun,
  learnRun,
  rankRun,
  restsOnOf,
  runsOf,
  type BleedOutcome,
  type BleedRun,
  type Followed,
  type RankAsked,
  type RankedEntry,
} from '~~/core/bleed'
import type { Run } from '~~/core/run'

/** A bleed that is followed stays here, so that what is logged next is all that has to be gone through. */
let followed: { asked: string; lines: string[]; following: Following } | null = null
function follow({ asked, logged }: { asked: RankAsked; logged: Followed[] }) {
  const key = JSON.stringify(asked)
  const lines = logged.map((one) => JSON.stringify(one))
  const goesOn =
    followed?.asked === key && followed.lines.every((line, i) => line === lines[i]) ? followed : null
  const taken = goesOn?.lines.length ?? 0
  const following = goesOn?.following ?? new Following(asked)
  // Half a line taken in is no state to go on from: it is kept only once the run has ended.
  followed = null
  const run = followRun(following, logged.slice(taken))
  return {
    total: run.total,
    step: run.step.bind(run),
    result: () => {
      followed = { asked: key, lines, following }
      return run.result()
    },
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
