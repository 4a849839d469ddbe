import {
  bleedRun,
  BLEED_RUNS,
  RUNS as BLEED,
  changesRun,
  Following,
  rankRun,
  restsOnOf,
  runsOf,
  usualAsked,
  USUAL_MASTER,
  USUAL_SLAVE,
  type BleedPath,
  type RankAsked,
} from '../core/bleed'
import { KIT } from '../core/entries'
import { whole } from '../core/run'
import { falling, overCrest } from '../tests/arbitrary/bleed-routes'
import { simulated } from '../tests/arbitrary/simulated-bleed'
import type { Row } from './measure'

const CYCLES = 40
/** Methods of which forty cycles are what somebody would ask for; the others are single tricks. */
const METHODS = BLEED_RUNS.filter((one) => !BLEED[one].finishes)
const ROUTES: readonly BleedPath[] = [overCrest(4.9), overCrest(3.35), falling(6)]

const timed = (work: () => unknown): number => {
  const began = performance.now()
  work()
  return performance.now() - began
}
const asked = (line: BleedPath, more: Partial<RankAsked> = {}): RankAsked => ({
  laid: { line, master: USUAL_MASTER, slave: USUAL_SLAVE, shared: false },
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  target: { value: 0.3, from: 'given', reachable: true },
  people: 2,
  kit: KIT,
  set: {},
  noseUp: 0,
  draws: 32,
  seed: 1,
  ...more,
})

/** One method; a whole ranking with what follows it; and a bleed that is followed, over hundreds of simulated ones. */
export function benchBleed(): Row[] {
  const times = METHODS.flatMap((method) =>
    ROUTES.map((line) => {
      const run = () => bleedRun({ ...usualAsked(line), method, cycles: CYCLES })
      run()
      return timed(run)
    }),
  )
  const mean = times.reduce((a, b) => a + b, 0) / times.length
  const question = asked(overCrest(4.9))
  const run = rankRun(question)
  const first = timed(() => {
    run.step(run.tellsFrom!)
    run.result()
  })
  let list = run.result()
  const rest = timed(() => (list = whole(run)))
  const open = list.filter(({ ruledOut }) => ruledOut === null)
  const follows = timed(() => {
    for (const one of open.slice(0, 3)) restsOnOf(one, question)
    whole(changesRun(runsOf(open[0]!), question, 16))
  })
  return [
    row(`a method, ${CYCLES} cycles, 80 cells, mean of ${times.length}`, mean, 30),
    row(`first order of ${open.length} ways`, first, 500),
    row('all of them with 32 draws', first + rest, 12_000),
    row('on what the first three hang, and what would change the best', follows, 12_000),
    ...following(),
  ]
}
const row = (name: string, value: number, may: number): Row => ({
  name,
  value,
  unit: 'ms',
  ratio: value / may,
  of: `the ${may} ms that it may take`,
})

const RUNS = 300
/** Simulated bleeds with hidden constants over crests of several bores, logged with one grade in ten misread. */
function following(): Row[] {
  let held = 0
  const narrowed: number[] = []
  for (let seed = 1; seed <= RUNS; seed++) {
    const bore = [4.9, 5.2, 5.6, 6][seed % 4]!
    const question = asked(overCrest(bore), { draws: 1, seed })
    const { logged, left } = simulated(question, 8, 9000 + seed)
    const [seen, blind] = [new Following(question), new Following(question)]
    for (const one of logged) {
      seen.take(one)
      const { method, strokes } = one
      blind.take({ method, ...(strokes !== undefined && { strokes }) })
    }
    const [now, before] = [seen.now().total, blind.now().total]
    if (left >= now.low - 0.005 && left <= now.high + 0.005) held += 1
    narrowed.push((now.high - now.low) / Math.max(0.01, before.high - before.low))
  }
  narrowed.sort((a, b) => a - b)
  return [
    {
      name: `followed over ${RUNS} bleeds: the 90 % range holds the truth in`,
      value: (100 * held) / RUNS,
      unit: '%',
    },
    {
      name: 'median width of that range after 8 cycles',
      value: narrowed[RUNS / 2]!,
      unit: '×',
      ratio: narrowed[RUNS / 2]! / 0.5,
      of: 'half of what nobody looking knows',
    },
  ]
}
