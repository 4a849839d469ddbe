import { effectiveSize, evenDraws, normalQuantile, weightedQuantiles } from '../core/chance'
import {
  estimate,
  LEAST_EFFECTIVE,
  simulateVehicle,
  type PedalReadings,
  type SimulateOptions,
} from '../core/estimate'
import { Cases } from '../core/estimate/cases'
import { branchAt } from '../core/estimate/branches'
import { ARCHETYPES, fromArchetype } from '../core/installation'
import type { Row } from './measure'

type Name = keyof PedalReadings
/** What of a vehicle is read, in turn. */
const SETS: readonly (readonly Name[])[] = [
  ['freeTravel'],
  ['takeUpHeight'],
  ['rodStroke'],
  ['freeTravel', 'takeUpHeight'],
  ['freeTravel', 'rodStroke'],
  ['takeUpHeight', 'rodStroke'],
  ['freeTravel', 'takeUpHeight', 'rodStroke'],
  ['rodStroke', 'takesUp'],
]
const VEHICLES = 960
const FEWER = 160
/** Draws of the pool of plain weighting, and how many vehicles are held against it. */
const POOL = 200_000
const AGAINST_POOL = 8

interface Tried {
  set: readonly Name[]
  kind: string
  readings: PedalReadings
  air: boolean
  reserve: boolean
  width: number
  effective: number
  ms: number
}
interface Group {
  tried: Tried[]
  none: number
}

/** Vehicles of known truth, each with one set of readings: does the 90 % range hold it. */
function tryAll(options: SimulateOptions, count: number): Group {
  const tried: Tried[] = []
  let none = 0
  let seed = 90_000
  for (let n = 0; n < count; n++) {
    const set = SETS[n % SETS.length]!
    // A kind without a rod, or a vehicle without a take-up, cannot have every set: the next one is taken.
    for (;;) {
      seed += 1
      const kind = ARCHETYPES[seed % ARCHETYPES.length]!.id
      const installation = fromArchetype(kind)
      const truth = simulateVehicle(installation, seed, options)
      if (set.some((name) => truth.readings[name] === undefined)) continue
      const readings = Object.fromEntries(set.map((name) => [name, truth.readings[name]]))
      const started = performance.now()
      const found = estimate({ installation, readings }, { seed })
      const ms = performance.now() - started
      if ('implausible' in found) {
        none += 1
        break
      }
      const holds = ({ low, high }: { low: number; high: number }, value: number) =>
        low <= value && value <= high
      tried.push({
        set,
        kind,
        readings,
        air: holds(found.air, truth.circuit.air),
        reserve: holds(found.reserve, truth.reserve),
        width: found.air.high - found.air.low,
        effective: found.effective,
        ms,
      })
      break
    }
  }
  return { tried, none }
}

const share = (list: readonly Tried[], of: 'air' | 'reserve') =>
  (100 * list.filter((one) => one[of]).length) / list.length
const sorted = (values: number[]) => [...values].sort((a, b) => a - b)
const middle = (values: number[]) => sorted(values)[values.length >> 1]!

/** Coverage by set of readings and by kind, also where the ranges of the kinds are not quite the true ones, and the width beside plain weighting. */
export function benchEstimates(): Row[] {
  const { tried, none } = tryAll({}, VEHICLES)
  const rows: Row[] = []
  const covered = (name: string, list: readonly Tried[]) =>
    rows.push(
      { name: `${name}: air held, of ${list.length}`, value: share(list, 'air'), unit: '%' },
      { name: `${name}: reserve held`, value: share(list, 'reserve'), unit: '%' },
    )
  covered('estimate', tried)
  for (const set of SETS)
    covered(
      `estimate by ${set.join(' + ')}`,
      tried.filter((one) => one.set === set),
    )
  for (const { id } of ARCHETYPES)
    covered(
      `estimate of ${id}`,
      tried.filter(({ kind }) => kind === id),
    )
  covered('estimate, figures evenly in their ranges', tryAll({ spread: 'even' }, FEWER).tried)
  for (const moved of [-0.3, 0.3])
    covered(
      `estimate, every range ${moved < 0 ? 'down' : 'up'} by 30 % of its width`,
      tryAll({ moved }, FEWER).tried,
    )
  const effective = sorted(tried.map((one) => one.effective))
  const times = sorted(tried.map(({ ms }) => ms))
  rows.push(
    { name: 'estimate: said not to fit, of the vehicles', value: none, unit: `of ${VEHICLES}` },
    {
      name: `estimate: under ${LEAST_EFFECTIVE} effective draws and not said so`,
      value: effective.filter((one) => one < LEAST_EFFECTIVE).length,
      unit: 'vehicles',
    },
    { name: 'estimate: effective draws, median', value: middle(effective), unit: 'draws' },
    { name: 'estimate: one vehicle, median', value: middle(times), unit: 'ms' },
    {
      name: 'estimate: one vehicle, 95th percentile',
      value: times[Math.floor(0.95 * times.length)]!,
      unit: 'ms',
    },
    { name: 'estimate: one vehicle, longest', value: times.at(-1)!, unit: 'ms' },
    widthBesidePool(tried),
  )
  return rows
}

/** Width of the air's range beside that of a plainly weighted pool of blind draws from the same prior. */
function widthBesidePool(tried: readonly Tried[]): Row {
  const ratios: number[] = []
  for (let n = 0; n < AGAINST_POOL; n++) {
    const one = tried[Math.floor((n * tried.length) / AGAINST_POOL)]!
    const cases = new Cases({ installation: fromArchetype(one.kind), readings: one.readings })
    const next = evenDraws(n + 1)
    const air: number[] = []
    const weights: number[] = []
    for (let i = 0; i < POOL; i++) {
      const z = Float64Array.from({ length: cases.dimensions }, () =>
        normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, next()))),
      )
      const branch = cases.branches[branchAt(cases, next())]!
      const { circuit, logWeight } = cases.at(z, branch)
      air.push(circuit.air)
      weights.push((Math.exp(logWeight) * branch.share) / branch.blind)
    }
    if (effectiveSize(weights) < LEAST_EFFECTIVE) continue
    const [low, high] = weightedQuantiles(air, weights, [0.05, 0.95])
    ratios.push(one.width / (high! - low!))
  }
  return {
    name: `estimate: width beside plain weighting, median of ${ratios.length}`,
    value: middle(ratios),
    unit: 'times',
  }
}
