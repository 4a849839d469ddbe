import { airFromFreeTravel, isImplausible } from '../circuit'
import type { BleedCycle } from '../entries'
import { crestsOf, type Installation } from '../installation'
import { normalQuantile, evenDraws } from '../chance'
import type { Run } from '../run'
import { startOfAir } from './asked-rank'
import { tellsOn } from './sensitivities'
import { BLEED_CONSTANTS, type ConstantName } from './constants'
import { constantsAt, type Learned } from './draw-constants'
import { laidOut, type LaidCircuit } from './laid'
import { cycleFollowed } from './logged'
import { cycleOf, runOfEntry, type BleedRun } from './methods'
import { askedOf } from './rank'
import { Bleed } from './run'
import { sharedOut } from './share-out'

/** How a line lies, as outcomes are counted by it. */
export const ROUTING = ['crest', 'falls'] as const
export type Routing = (typeof ROUTING)[number]

/** A bleed of this shop as it went: what one may learn from; air in ml. */
export interface BleedOutcome {
  laid: LaidCircuit
  routing: Routing
  cycles: BleedCycle[]
  before: number
  after: number
}

/** mm that a crest stands over both ends, to count. */
const HIGH = 5
export function routingOf(installation: Installation): Routing {
  const { route } = installation
  const ends = Math.max(route[0]?.height ?? 0, route.at(-1)?.height ?? 0)
  return crestsOf(installation).some(({ height }) => height > ends + HIGH) ? 'crest' : 'falls'
}

/**
 * What a job's bleed says, from its cycles and free travel before and after, mm; null where that is missing or cannot be of this circuit.
 */
export function outcomeOf(
  installation: Installation,
  cycles: readonly BleedCycle[],
  before: number | null,
  after: number | null,
): BleedOutcome | null {
  if (cycles.length === 0 || before === null || after === null) return null
  const air = (travel: number): number | null => {
    const found = airFromFreeTravel(installation.circuit, travel)
    return isImplausible(found) ? null : Math.max(0, found.air) / 1000
  }
  const [a, b] = [air(before), air(after)]
  if (a === null || b === null) return null
  return {
    laid: laidOut(installation),
    routing: routingOf(installation),
    cycles: [...cycles],
    before: a,
    after: b,
  }
}

/** One method over one kind of routing, counted. */
export interface OutcomeCount {
  method: BleedRun
  routing: Routing
  bleeds: number
  /** Cycles in the middle, and share of the air that went. */
  cycles: number
  gone: number
}
const mainMethod = ({ cycles }: BleedOutcome): BleedRun | null => {
  const counts = new Map<BleedRun, number>()
  for (const { method } of cycles) {
    const run = runOfEntry(method)
    if (run) counts.set(run, (counts.get(run) ?? 0) + 1)
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null
}
const middle = (values: number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0
export function countOutcomes(outcomes: readonly BleedOutcome[]): OutcomeCount[] {
  const groups = new Map<string, BleedOutcome[]>()
  for (const one of outcomes) {
    const method = mainMethod(one)
    if (!method) continue
    const key = `${method} ${one.routing}`
    groups.set(key, [...(groups.get(key) ?? []), one])
  }
  return [...groups]
    .map(([key, list]) => {
      const [method, routing] = key.split(' ') as [BleedRun, Routing]
      return {
        method,
        routing,
        bleeds: list.length,
        cycles: middle(list.map(({ cycles }) => cycles.length)),
        gone: middle(list.map(({ before, after }) => (before > 0 ? 1 - after / before : 0))),
      }
    })
    .sort((a, b) => b.bleeds - a.bleeds)
}

/** Circuits tried beside each outcome. */
const TRIED = 48
/** A shop's reading of the air, ml, and as a share of it. */
const SIGMA = 0.15
const SIGMA_SHARE = 0.2
/** No constant becomes surer than this, in its own spread, however many bleeds there are: the model itself is not that good. */
const SUREST = 0.35
/** Strokes of one bleed that are gone through. */
const MOST = 60

/**
 * What the outcomes say of the constants: for each where its draws lie now and how wide, in standard deviations of its usual ones.
 * One piece is one circuit tried.
 */
export function learnRun(outcomes: readonly BleedOutcome[], seed = 1): Run<Learned> {
  const learned: Learned = { count: 0, of: {} }
  const draw = evenDraws(seed)
  const normal = () => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, draw())))
  let tried: { z: Partial<Record<ConstantName, number>>; weight: number }[] = []
  let done = 0
  const methodsOf = ({ cycles }: BleedOutcome) => [
    ...new Set(cycles.flatMap(({ method }) => runOfEntry(method) ?? [])),
  ]
  const settle = (outcome: BleedOutcome) => {
    const sum = tried.reduce((total, { weight }) => total + weight, 0)
    learned.count += 1
    if (sum <= 0) return
    const runs = methodsOf(outcome)
    for (const { name, low } of BLEED_CONSTANTS) {
      const known = name as ConstantName
      if (low === undefined || !tellsOn(known, runs)) continue
      const before = learned.of[known] ?? { mean: 0, sd: 1 }
      const mean = tried.reduce((m, { z, weight }) => m + (weight / sum) * z[known]!, 0)
      const square = tried.reduce((m, { z, weight }) => m + (weight / sum) * z[known]! ** 2, 0)
      const effective = sum ** 2 / tried.reduce((m, { weight }) => m + weight ** 2, 0)
      // Few circuits that fit say little: the move is taken by as much as they are worth.
      const worth = Math.min(1, effective / (effective + 8))
      const spread = Math.sqrt(Math.max(0, square - mean ** 2))
      learned.of[known] = {
        mean: before.mean + worth * (mean - before.mean),
        sd: Math.max(SUREST, before.sd + worth * (Math.min(before.sd, spread) - before.sd)),
      }
    }
  }
  return {
    total: outcomes.length * TRIED,
    step(count) {
      for (const end = Math.min(this.total, done + count); done < end;) {
        const outcome = outcomes[Math.floor(done / TRIED)]!
        if (done % TRIED === 0) tried = []
        const z = Object.fromEntries(
          BLEED_CONSTANTS.map(({ name }) => {
            const { mean, sd } = learned.of[name as ConstantName] ?? { mean: 0, sd: 1 }
            return [name, mean + sd * normal()]
          }),
        ) as Record<ConstantName, number>
        tried.push({ z, weight: likelihood(outcome, z, draw) })
        done += 1
        if (done % TRIED === 0) settle(outcome)
      }
      return done
    },
    result: () => learned,
  }
}
function likelihood(
  outcome: BleedOutcome,
  z: Record<ConstantName, number>,
  draw: () => number,
): number {
  const constants = constantsAt(z)
  const { laid, before, after } = outcome
  const start = sharedOut(startOfAir(laid, before, constants), draw)
  const asked = askedOf({ laid, start, noseUp: 0 }, constants, 40)
  const bleed = new Bleed(asked)
  let strokes = 0
  for (const cycle of outcome.cycles) {
    const one = cycleFollowed(cycle)
    if (!one || !('method' in one)) continue
    for (let i = 0; i < (one.strokes ?? 1) && strokes < MOST; i++, strokes++)
      cycleOf(one.method, bleed.setting)
  }
  const sigma = SIGMA + SIGMA_SHARE * after
  return Math.exp(-0.5 * ((bleed.machine.total - after) / sigma) ** 2)
}
