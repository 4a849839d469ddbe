import type { BleedAsked } from './asked'
import { DENSITY, filmFactor, G, viscosity } from './physics'
import { readBleed } from './read'
import { Bleed, bleedRun, type BleedCycleTold } from './run'
import { RUNS, type Rate } from './methods'
import { steadyFlow } from './methods/flow'

/** A stretch that falls towards the exit: under 1 its air never leaves, over 1 it is carried. */
export interface Carry {
  /** mm along the line. */
  from: number
  to: number
  k: number
}
export type Where = 'none' | 'line' | 'slave' | 'master' | 'bleedLine'
export interface BleedAnswer {
  /** Volumes mm³ at the pressure of the air around, time s. */
  cycles: BleedCycleTold[]
  carry: Carry[]
  where: Where
}

/** Where nothing rises, everything is carried: as much as this. */
const ALWAYS = 1000
/** What a method sends through, for its carry number; nothing where it sends nothing. */
function throughput(bleed: Bleed): Rate {
  const { machine, setting, asked } = bleed
  const steady = (over: number, vacuum: number): Rate => {
    const { q } = steadyFlow(
      DENSITY * G * (setting.level - machine.rise()) + over + vacuum,
      machine.resistance(),
      setting,
    )
    return { net: q, seconds: 1, flow: q }
  }
  const { constants } = asked
  const rate = RUNS[asked.method].rate({ constants, stroke: machine.chambers.stroke, steady })
  return rate ?? { net: 0, seconds: 1, flow: 0 }
}

/** Carry numbers of every stretch against which gas has to be carried. */
export function carryOf(asked: BleedAsked): Carry[] {
  const bleed = new Bleed({ ...asked, start: 'clean' })
  const { cells } = bleed.machine
  const { net, seconds, flow } = throughput(bleed)
  const mu = viscosity(asked.temperature)
  // Injected from the far end, gas has to be carried up against what falls towards the master.
  const against = RUNS[asked.method].carries === 'up' ? 1 : -1
  const carry: Carry[] = []
  let open: Carry | null = null
  for (let i = 0; i < cells.n; i++) {
    const slope = cells.slope[i + 1]!
    const begins = i === 0 ? 0 : (cells.along[i - 1]! + cells.along[i]!) / 2
    const ends =
      i + 1 < cells.n ? (cells.along[i]! + cells.along[i + 1]!) / 2 : 2 * cells.along[i]! - begins
    if (Math.sign(slope) !== against) {
      open = null
      continue
    }
    const area = cells.faceArea[i + 1]!
    const speed = Math.abs(cells.slug[i + 1]!) / (area * 1e6)
    const c0 = flow > 0 ? filmFactor((flow * 1e-6) / area, mu) : 1
    const moved = (c0 * net * 1e-6) / seconds
    const k = speed > 0 ? Math.min(ALWAYS, moved / (speed * area)) : ALWAYS
    if (open) {
      // One stretch is as hard as its hardest piece.
      open.to = ends
      open.k = Math.min(open.k, k)
      continue
    }
    open = { from: begins, to: ends, k }
    carry.push(open)
  }
  return carry
}

/** Less than this anywhere is no place to name, ml. */
const NOTHING = 0.05
export function whereIs({ line, slave, master, bleedLine }: BleedCycleTold): Where {
  const places = { line, slave, master, bleedLine }
  const [place, most] = Object.entries(places).reduce((a, b) => (b[1] > a[1] ? b : a))
  return most <= NOTHING * 1.001 ? 'none' : (place as Where)
}

const VOLUMES = [
  'line',
  'slave',
  'master',
  'bleedLine',
  'total',
  'drawn',
  'returned',
  'injected',
  'liquidOut',
  'gasOut',
  'portGas',
  'falseAir',
  'balance',
] as const
const inMm3 = (told: BleedCycleTold): BleedCycleTold => {
  const next = { ...told }
  for (const name of VOLUMES) next[name] = 1000 * told[name]
  return next
}

/** What the `bleed` verb is asked: one run, with nothing drawn. @throws InputError with the path of what is wrong */
export function answerBleed(input: unknown): BleedAnswer {
  const asked = readBleed(input)
  const { cycles } = bleedRun(asked)
  return { cycles: cycles.map(inMm3), carry: carryOf(asked), where: whereIs(cycles.at(-1)!) }
}
