import { expose } from 'comlink'
import { estimateRun, type Known } from '~~/core/estimate'
import type { Installation } from '~~/core/installation'
import { planRun } from '~~/core/proof'
import type { Run } from '~~/core/run'
import { sizeRun, type SizingAsked } from '~~/core/sizing'
import { bandRun, type BandOptions } from '~~/core/whatif'
import { BLEED_HEAVY } from './bleed-runs'
import { followText, type FollowAsked } from './follow'
import { Turns, type Ended, type HowFar } from './turns'

/** Heavy computation by name: from a question, in plain data, to a run. */
const RUNS = {
  ...BLEED_HEAVY,
  band: ({ installation, options }: { installation: Installation; options: BandOptions }) =>
    bandRun(installation, options),
  estimate: (known: Known) => estimateRun(known),
  plan: planRun,
  size: ({ circuit, choices, lines, limits }: SizingAsked) => sizeRun(circuit, choices, lines, limits),
} satisfies Record<string, (question: never) => Run<unknown>>

/** A question that is read here but for one, which is told from the one before by its text. */
const BY_TEXT = { follow: followText } satisfies Record<string, (text: string) => Run<unknown>>

interface Questions {
  follow: FollowAsked
}
type Runs = typeof RUNS & typeof BY_TEXT
export type HeavyName = keyof Runs
export type HeavyQuestion<N extends HeavyName> = N extends keyof typeof RUNS
  ? Parameters<(typeof RUNS)[N]>[0]
  : N extends keyof Questions
    ? Questions[N]
    : never
export type HeavyResult<N extends HeavyName> = ReturnType<ReturnType<Runs[N]>['result']>
const runOf = (name: HeavyName, text: string): Run<unknown> =>
  name in BY_TEXT
    ? BY_TEXT[name as keyof typeof BY_TEXT](text)
    : RUNS[name as keyof typeof RUNS](JSON.parse(text) as never)

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
    text: string,
    told: HowFar<HeavyResult<N>>,
  ): Promise<Ended<HeavyResult<N>>> =>
    turns.ask(asker, () => runOf(name, text) as Run<HeavyResult<N>>, told),
  stop: (asker: string): void => turns.stop(asker),
}
export type Heavy = typeof heavy
expose(heavy)
