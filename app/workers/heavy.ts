import { expose } from 'comlink'
import type { Circuit, Line } from '~~/core/circuit'
import { estimateRun, type Known } from '~~/core/estimate'
import type { Installation } from '~~/core/installation'
import type { Run } from '~~/core/run'
import { sizeRun, type SizingChoice, type SizingLimits } from '~~/core/sizing'
import { bandRun, type BandOptions } from '~~/core/whatif'
import { Turns, type Ended, type HowFar } from './turns'

interface SizeQuestion {
  circuit: Circuit
  choices: SizingChoice[]
  lines: Line[][]
  limits: SizingLimits
}

/** Heavy computation by name: from a question, in plain data, to a run. */
const RUNS = {
  band: ({ installation, options }: { installation: Installation; options: BandOptions }) =>
    bandRun(installation, options),
  estimate: (known: Known) => estimateRun(known),
  size: ({ circuit, choices, lines, limits }: SizeQuestion) => sizeRun(circuit, choices, lines, limits),
} satisfies Record<string, (question: never) => Run<unknown>>

export type HeavyName = keyof typeof RUNS
export type HeavyQuestion<N extends HeavyName> = Parameters<(typeof RUNS)[N]>[0]
export type HeavyResult<N extends HeavyName> = ReturnType<ReturnType<(typeof RUNS)[N]>['result']>

/** A message to oneself comes after the messages that others have sent. */
const { port1, port2 } = new MessageChannel()
const waiting: (() => void)[] = []
port2.onmessage = () => waiting.shift()!()
const giveBack = () =>
  new Promise<void>((resolve) => {
    waiting.push(resolve)
    port1.postMessage(null)
  })
const turns = new Turns(giveBack, () => performance.now())

/** Off the thread that draws, one run at a time in slices: it can be told to stop, or something else, while it works. */
const heavy = {
  ask: <N extends HeavyName>(
    asker: string,
    name: N,
    question: HeavyQuestion<N>,
    told: HowFar,
  ): Promise<Ended<HeavyResult<N>>> =>
    turns.ask(asker, () => RUNS[name](question as never) as Run<unknown> as Run<HeavyResult<N>>, told),
  stop: (asker: string): void => turns.stop(asker),
}
export type Heavy = typeof heavy
expose(heavy)
