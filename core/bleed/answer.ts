import type { BleedAsked } from './asked'
import { DENSITY, filmFactor, G, viscosity } from './physics'
import { readBleed } from './read'
import { Bleed, bleedRun, type BleedCycleTold } from './run'
import { steadyFlow } from './methods'

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
/** ml/s and fluid's net ml of a cycle, for the carry number of a method. */
function throughput(bleed: Bleed): { net: number; seconds: number; flow: number } {
  const { machine, setting, asked } = bleed
  const { constants } = asked
  const { stroke } = machine.chambers
  const { tPush, tValve, tLift, tPump, tHold, pumps, strokeShare, tripTime, letOut } = constants
  const steady = (over: number, vacuum: number) => {
    const { q } = steadyFlow(
      DENSITY * G * (setting.level - machine.rise()) + over + vacuum,
      machine.resistance(),
      setting,
    )
    return { net: q, seconds: 1, flow: q }
  }
  switch (asked.method) {
    case 'openPush':
    case 'hang':
      return { net: stroke, seconds: tPush + 2 * tValve + tLift, flow: stroke / tPush }
    case 'prop':
      return {
        net: strokeShare * stroke,
        seconds: 2 + 2 * tValve + tLift + 2 * tripTime,
        flow: (strokeShare * stroke) / 2,
      }
    case 'pumpHold':
      return {
        net: letOut * stroke,
        seconds: (pumps - 0.5) * tPump + tHold + 2 * tValve + tLift,
        flow: stroke / (tPump / 2),
      }
    case 'submerged':
    case 'checkValve':
      return { net: stroke, seconds: tPush + tLift + 0.5, flow: stroke / tPush }
    case 'gravity':
      return steady(0, 0)
    case 'pressure':
      return steady(1000 * constants.overPressure, 0)
    case 'vacuum':
      return steady(
        0,
        1000 * constants.vacuum * Math.max(0, 1 - constants.falseAir / constants.vacuumCapacity),
      )
    case 'inject':
      return { net: constants.injectQ, seconds: 1, flow: constants.injectQ }
    default:
      return { net: 0, seconds: 1, flow: 0 }
  }
}

/** Carry numbers of every stretch against which gas has to be carried. */
export function carryOf(asked: BleedAsked): Carry[] {
  const bleed = new Bleed({ ...asked, start: 'clean' })
  const { cells } = bleed.machine
  const { net, seconds, flow } = throughput(bleed)
  const mu = viscosity(asked.temperature)
  // Injected from the far end, gas has to be carried up against what falls towards the master.
  const against = asked.method === 'inject' ? 1 : -1
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
