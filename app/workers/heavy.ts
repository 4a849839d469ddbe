import { expose } from 'comlink'
import { estimateRun, type Estimate, type Known } from '~~/core/estimate'
import type { Installation } from '~~/core/installation'
import { bandRun, type Band, type BandOptions } from '~~/core/whatif'

/** Draws between two words about how far it is. */
const PIECE = 250

type Told = (done: number, draws: number) => void

/** Heavy computation, off the thread that draws. A run is stopped by ending the worker. */
const heavy = {
  band(installation: Installation, options: BandOptions, told: Told): Band {
    const run = bandRun(installation, options)
    for (let done = 0; done < run.draws;) told((done = run.step(PIECE)), run.draws)
    return run.result()
  },
  estimate(known: Known, told: Told): Estimate | null {
    const run = estimateRun(known)
    for (let done = 0; done < run.draws;) told((done = run.step(PIECE)), run.draws)
    return run.result()
  },
}
export type Heavy = typeof heavy
expose(heavy)
