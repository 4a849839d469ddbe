import { DENSITY, G, P0 } from '../physics'
import type { Setting, Told } from './row'

export const KPA = 1000
export const MPA = 1e6
/** The pressure of the air around, in master, line and slave. */
export const ALL_P0 = [P0, P0, P0] as const

/** What the inlet of the master passes at a difference of pressure, ml/s. */
export function inletFlow(dp: number, { machine: { constants }, port }: Setting): number {
  if (dp <= 0) return 0
  const hole = constants.Cd * port * Math.sqrt((2 * dp) / DENSITY) * 1e6
  return hole + Math.max(0, dp - constants.cupCrack * KPA) / constants.cupR
}
/** The flow at which inlet and line take up the drive between them, ml/s, and what the inlet takes, Pa. */
export function steadyFlow(drive: number, resistance: number, of: Setting): { q: number; dp: number } {
  if (drive <= 0) return { q: 0, dp: 0 }
  const r = resistance + of.machine.constants.bleederR
  let [low, high] = [0, drive]
  for (let i = 0; i < 80; i++) {
    const dp = (low + high) / 2
    if (inletFlow(dp, of) < (drive - dp) / r) low = dp
    else high = dp
  }
  const dp = (low + high) / 2
  return { q: (drive - dp) / r, dp }
}

const STALLED = 1e-4
const STEP = 2

/** Flows by itself, under pressure or vacuum: until the batch is drawn or the time is up. */
export function steady(
  of: Setting,
  seconds: number,
  batch: number,
  over: number,
  vacuum: number,
): Told {
  const { machine } = of
  const { constants } = machine
  let [left, drawn, flowed] = [seconds, 0, 0]
  let moved = false
  while (left > 1e-9 && batch - drawn > 1e-9) {
    const drive = DENSITY * G * (of.level - machine.rise()) + over + vacuum
    const { q } = steadyFlow(drive, machine.resistance(), of)
    let dt = Math.min(STEP, left)
    if (q <= STALLED) {
      machine.wait(dt)
      left -= dt
      continue
    }
    moved = true
    dt = Math.min(dt, (batch - drawn) / q)
    machine.forward(q * dt, dt, 'reservoir', 'exit')
    drawn += q * dt
    flowed += dt
    if (vacuum > 0 && !machine.atUnion)
      machine.falseAirIn((constants.falseAir / 60) * constants.falseShare * (vacuum / (80 * KPA)) * dt)
    left -= dt
  }
  return { stalled: !moved, flow: flowed > 0 ? drawn / flowed : 0 }
}

/** Pressures that stand while it flows, fixed by the flow with no gas in the line. */
function phase(of: Setting, over: number, vacuum: number): [number, number, number] {
  const { machine } = of
  const full = { line: machine.line.slice(), far: machine.far.slice() }
  machine.line.fill(0)
  machine.far.fill(0)
  const drive = DENSITY * G * (of.level - machine.rise()) + over + vacuum
  const { q, dp } = steadyFlow(drive, machine.resistance(), of)
  machine.line.set(full.line)
  machine.far.set(full.far)
  const pm = P0 + over - dp
  const ps = P0 - vacuum + q * machine.constants.bleederR
  return [pm, (pm + ps) / 2, ps]
}

/** Drawn or pressed through for a batch, at a pressure over the reservoir and a vacuum at the screw, Pa. */
export function pull(of: Setting, over: number, vacuum: number): Told {
  const { machine } = of
  const { batch, handling } = machine.constants
  machine.ramp(phase(of, over, vacuum), vacuum > 0 ? 'exit' : 'master', 0)
  const told = steady(of, 60, batch, over, vacuum)
  machine.ramp(ALL_P0, 'master', 0)
  machine.count.time += handling
  return told
}
