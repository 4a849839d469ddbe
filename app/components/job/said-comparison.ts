import type { FitCheck, JobState } from '~~/core/journal'
import { compareRow, contextOf, judgeRow, type Compared } from '~~/core/side-by-side'

/** Which part is meant where nobody said: the one that is compared already, else what was decided to be renewed. */
function partInHand({ comparisons, decision }: JobState, check: FitCheck): Compared {
  const fits = (of: Compared) => check.rows.every(({ what }) => compareRow(what).on.includes(of))
  const compared = Object.values(comparisons).map(({ of }) => of)
  const decided = (['master', 'slave', 'concentric', 'hose', 'pipe'] as const).filter((one) =>
    decision?.payload.repairs.includes(one),
  )
  return [...compared, ...decided].find(fits) ?? 'master'
}

/** A comparison as it was said, with what stands of its other side: the whole row is judged anew. */
export function completedCheck(check: FitCheck, state: JobState, rodThreadPitch?: number): FitCheck {
  const of = check.of ?? partInHand(state, check)
  const held = state.comparisons[of]
  const context = {
    ...contextOf(of, held?.rows ?? []),
    ...(rodThreadPitch !== undefined && { rodThreadPitch }),
  }
  return {
    ...check,
    of,
    brought: held?.brought ?? state.goal?.payload.jobKind === 'partsBrought',
    rows: check.rows.map(({ change: _, ...row }) => {
      const before = held?.rows.find(({ what }) => what === row.what)
      const sides = { old: row.old ?? before?.old ?? null, new: row.new ?? before?.new ?? null }
      const { judged, change } = judgeRow(row.what, sides, context)
      return { ...row, ...sides, judged, ...(change !== undefined && { change }) }
    }),
  }
}
