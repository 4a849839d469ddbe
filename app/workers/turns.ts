import type { Run } from '~~/core/run'

/** ms of work before the thread is given back, so that it can be told something. */
const SLICE = 12
/** Pieces between two looks at the clock. */
const PIECES = 10

/** How far it is; what is known so far comes with it where that is worth a look. */
export type HowFar<R> = (done: number, total: number, soFar?: R) => void
/** What comes of a question: its answer, or that it was stopped, by its asker or by the asker's next question. */
export type Ended<R> = { ended: true; result: R } | { ended: false }

/** ms between two looks at what is known so far. */
const BETWEEN = 300

interface Turn {
  asker: string
  run: Run<unknown> | null
  finished: boolean
  begin: () => Run<unknown>
  told: HowFar<unknown>
  /** When what is known so far was last told, ms. */
  toldAt: number
  done: (answer: { ended: boolean; result?: unknown }) => void
  fail: (error: unknown) => void
}

/**
 * Runs that share one thread. Each asker has one question at a time and a newer one takes its place; of several askers the
 * newest question goes first. Between slices the thread is given back.
 *
 * @param giveBack resolves when what waits for the thread has had its turn
 * @param now ms
 */
export class Turns {
  private readonly open: Turn[] = []
  private working = false

  constructor(
    private readonly giveBack: () => Promise<void>,
    private readonly now: () => number,
  ) {}

  ask<R>(asker: string, begin: () => Run<R>, told: HowFar<R>): Promise<Ended<R>> {
    this.stop(asker)
    return new Promise((resolve, reject) => {
      const done = (answer: { ended: boolean; result?: unknown }) => resolve(answer as Ended<R>)
      const tell = told as HowFar<unknown>
      const toldAt = -Infinity
      this.open.push({
        asker,
        run: null,
        finished: false,
        begin,
        told: tell,
        toldAt,
        done,
        fail: reject,
      })
      if (!this.working) void this.work()
    })
  }

  /** Ends what an asker has asked; nothing where that is nothing. */
  stop(asker: string): void {
    const at = this.open.findIndex((turn) => turn.asker === asker)
    if (at >= 0) this.open.splice(at, 1)[0]!.done({ ended: false })
  }

  private async work(): Promise<void> {
    this.working = true
    // A question that is replaced at once never begins.
    await this.giveBack()
    for (let turn = this.open.at(-1); turn; turn = this.open.at(-1)) {
      try {
        this.slice(turn)
      } catch (error) {
        this.open.splice(this.open.indexOf(turn), 1)
        turn.fail(error)
      }
      await this.giveBack()
    }
    this.working = false
  }

  /** Beginning, pieces and result each have a slice of their own. */
  private slice(turn: Turn): void {
    const { run } = turn
    if (run === null) {
      turn.run = turn.begin()
    } else if (turn.finished) {
      this.open.splice(this.open.indexOf(turn), 1)
      turn.done({ ended: true, result: run.result() })
    } else {
      const until = this.now() + SLICE
      let done: number
      do done = run.step(PIECES)
      while (done < run.total && this.now() < until)
      turn.finished = done >= run.total
      const now = this.now()
      const isWorth =
        run.tellsFrom !== undefined && done >= run.tellsFrom && now >= turn.toldAt + BETWEEN
      if (isWorth) turn.toldAt = now
      turn.told(done, run.total, isWorth ? run.result() : undefined)
    }
  }
}
