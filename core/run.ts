/**
 * Work that is done in pieces, so that whoever does it can say how far it is, and can be told to stop or to begin with
 * something else in between.
 */
export interface Run<R> {
  /** Pieces in all; it may grow while the work is under way, as it turns out what is needed. */
  readonly total: number
  /** Does so many more pieces at the most; how many are done now. It is finished when as many as the total are. */
  step: (count: number) => number
  /** What comes of the pieces done so far. */
  result: () => R
  /** What is known so far is worth a look before it is finished, from so many pieces on. */
  readonly tellsFrom?: number
}

/** All of a run at once. */
export function whole<R>(run: Run<R>): R {
  while (run.step(run.total) < run.total);
  return run.result()
}

/** Work that is one piece, as a run. */
export function onePiece<R>(work: () => R): Run<R> {
  let made: { result: R } | null = null
  return {
    total: 1,
    step: () => {
      made ??= { result: work() }
      return 1
    },
    result: () => (made ??= { result: work() }).result,
  }
}
