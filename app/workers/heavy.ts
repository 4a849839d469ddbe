import { expose } from 'comlink'
import { InputError, type Circuit, type Line } from '~~/core/circuit'
import { estimateRun, type Known } from '~~/core/estimate'
import type { Installation } from '~~/core/installation'
import type { WorkPlan } from '~~/core/journal'
import type { PlanAnswer } from '~~/core/plan'
import { jobPlan, type ShopPlans } from '~~/core/proof'
import type { Run } from '~~/core/run'
import { sizeRun, type SizingChoice, type SizingLimits } from '~~/core/sizing'
import { bandRun, type BandOptions } from '~~/core/whatif'
import { BLEED_HEAVY } from './bleed-runs'
import { Turns, type Ended, type HowFar } from './turns'

interface PlanQuestion {
  told: Parameters<typeof jobPlan>[0]
  chosen: WorkPlan
  installation: Installation
  shop: ShopPlans
  draws: number
}
/** Why there is no plan is an answer too: what was chosen cannot be done together, or what is left has no order. */
export type PlanMade = { plan: PlanAnswer; wrong: null } | { plan: null; wrong: string }
function planRun({ told, chosen, installation, shop, draws }: PlanQuestion): Run<PlanMade> {
  let made: PlanMade | null = null
  return {
    total: 1,
    step() {
      try {
        made = { plan: jobPlan(told, chosen, installation, shop, draws), wrong: null }
      } catch (error) {
        if (!(error instanceof InputError)) throw error
        made = { plan: null, wrong: error.message }
      }
      return 1
    },
    result: () => made!,
  }
}
interface SizeQuestion {
  circuit: Circuit
  choices: SizingChoice[]
  lines: Line[][]
  limits: SizingLimits
}

/** Heavy computation by name: from a question, in plain data, to a run. */
const RUNS = {
  ...BLEED_HEAVY,
  band: ({ installation, options }: { installation: Installation; options: BandOptions }) =>
    bandRun(installation, options),
  estimate: (known: Known) => estimateRun(known),
  plan: planRun,
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
    told: HowFar<HeavyResult<N>>,
  ): Promise<Ended<HeavyResult<N>>> =>
    turns.ask(asker, () => RUNS[name](question as never) as Run<unknown> as Run<HeavyResult<N>>, told),
  stop: (asker: string): void => turns.stop(asker),
}
export type Heavy = typeof heavy
expose(heavy)
