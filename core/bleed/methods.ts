import type { Machine } from './machine'
import { DENSITY, G, P0 } from './physics'
import type { Chambers } from './state'

export const BLEED_RUNS = [
  'openPush',
  'pumpHold',
  'prop',
  'checkValve',
  'submerged',
  'gravity',
  'pressure',
  'vacuum',
  'inject',
  'dryVacuum',
  'hang',
  'slavePush',
  'shortStrokes',
  'bottom',
  'tap',
  'overnight',
] as const
export type BleedRun = (typeof BLEED_RUNS)[number]

/** What a method needs to know of the circuit beside the machine. */
export interface Setting {
  machine: Machine
  /** Reservoir's level over the master, m. */
  level: number
  /** Area of the compensating port, m². */
  port: number
  /** Bore of the slave, m, and ml of its chamber from rest to the bottom. */
  slaveBore: number
  slaveTravel: number
  /** Chambers with the slave shortened to a length, from 1 (at rest) to 0 (bottomed). */
  shortened: (share: number) => Chambers
  /** No bleed screw: a hung line is bled by the slave itself. */
  screw: boolean
}
/** What a cycle says beside what it moved. */
export interface Told {
  stalled: boolean
  /** ml/s through the screw, on the average of what flowed. */
  flow: number
}

const KPA = 1000
const MPA = 1e6

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
function steady(
  of: Setting,
  seconds: number,
  batch: number,
  over: number,
  vacuum: number,
): { told: Told; drawn: number } {
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
  return { told: { stalled: !moved, flow: flowed > 0 ? drawn / flowed : 0 }, drawn }
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
const ALL_P0 = [P0, P0, P0] as const

function lift(machine: Machine, seconds: number): void {
  machine.rest(seconds)
  machine.refill()
}

function openPush({ machine }: Setting, share = 1, push?: number, trip = 0): void {
  const { tValve, tPush, tLift } = machine.constants
  if (trip > 0) machine.wait(trip)
  machine.wait(tValve)
  machine.burp()
  machine.forward(share * machine.chambers.stroke, push ?? tPush, 'piston', 'exit')
  if (trip > 0) machine.rest(trip)
  machine.rest(tValve)
  lift(machine, tLift)
}

function pumpHold({ machine }: Setting): void {
  const { pumps, tPump, tHold, tValve, tLift, holdPressure, letOut } = machine.constants
  const stroke = machine.chambers.stroke
  const half = tPump / 2
  const count = Math.max(1, Math.round(pumps))
  let squeezed = 0
  for (let i = 0; i < count; i++) {
    machine.burp()
    const gas = machine.total
    const hold = holdPressure * MPA
    const p = gas * (1 - P0 / hold) > stroke ? (P0 * gas) / (gas - 0.999 * stroke) : hold
    squeezed = gas * (1 - P0 / p)
    const share = Math.min(1, squeezed / stroke)
    machine.ramp([p, p, p], 'piston', half * share, stroke / half)
    const rest = Math.max(0, 1 - machine.x) * stroke
    machine.forward(rest, half * (1 - share), 'piston', 'slavePiston', stroke / half)
    if (i === count - 1) break
    machine.backward(machine.extra, half * (1 - share), 'slavePiston', 'piston')
    machine.ramp(ALL_P0, 'piston', half * share, stroke / half)
    machine.refill()
  }
  machine.rest(tHold)
  if (letOut <= 0) {
    machine.ramp(ALL_P0, 'piston', tValve / 2)
  } else {
    machine.ramp(ALL_P0, 'exit', tValve / 2)
    machine.letOut(Math.min(machine.extra, Math.max(0, letOut * stroke - squeezed)))
    // The screw stands open for as long again: what could drift has just been carried past.
    machine.count.time += tValve / 2
    machine.rest(tValve)
  }
  machine.backward(machine.extra, tLift, 'slavePiston', 'piston')
  machine.extra = 0
  machine.refill()
}

/** Share of a lifted stroke that comes back by the hose. */
export function backShare(of: Setting): number {
  const { machine } = of
  const { constants } = machine
  const q = machine.chambers.stroke / constants.tLift
  const height = -machine.rise()
  const r = machine.resistance() + constants.bleederR
  const back = (u: number) => Math.max(0, (u - DENSITY * G * height) / r)
  const inlet = (u: number) =>
    Math.max(0, (u + DENSITY * G * of.level - constants.cupCrack * KPA) / constants.cupR)
  let [low, high] = [0, 1e7]
  for (let i = 0; i < 100; i++) {
    const u = (low + high) / 2
    if (back(u) + inlet(u) < q) low = u
    else high = u
  }
  return Math.min(1, back((low + high) / 2) / q)
}
function submerged(of: Setting, fixed?: number): void {
  const { machine } = of
  const { tPush, tLift, falseBack } = machine.constants
  machine.burp()
  machine.forward(machine.chambers.stroke, tPush, 'piston', 'exit')
  const share = fixed ?? backShare(of)
  const v = share * machine.chambers.stroke
  machine.backward(v, tLift, 'exit', 'piston')
  if (!machine.atUnion) machine.falseAirIn(falseBack * v)
  machine.refill()
  machine.wait(0.5)
}

function pull(of: Setting, over: number, vacuum: number): Told {
  const { machine } = of
  const { batch, handling } = machine.constants
  machine.ramp(phase(of, over, vacuum), vacuum > 0 ? 'exit' : 'master', 0)
  const { told } = steady(of, 60, batch, over, vacuum)
  machine.ramp(ALL_P0, 'master', 0)
  machine.count.time += handling
  return told
}

function inject(of: Setting): Told {
  const { machine } = of
  const { batch, injectQ, handling, jetMix, bleederBore } = machine.constants
  const speed = (injectQ * 1e-6) / ((Math.PI / 4) * (bleederBore / 1000) ** 2)
  const fr = speed ** 2 / (G * of.slaveBore)
  const before = machine.count.liquidOut
  machine.backward(
    batch,
    batch / injectQ,
    'exit',
    'reservoir',
    machine.atUnion ? 0 : (jetMix * fr) / (1 + fr),
  )
  // What was pushed in at the screw is injected, not fluid that has come back.
  machine.count.injected += before - machine.count.liquidOut
  machine.count.liquidOut = before
  machine.rest(handling)
  return { stalled: false, flow: injectQ }
}
function dryVacuum({ machine }: Setting): void {
  const p = P0 - machine.constants.dryVacuum * KPA
  machine.ramp([p, p, p], 'master', 30)
  machine.wait(120)
  machine.ramp(ALL_P0, 'master', 10)
  machine.wait(20)
}

function slavePush({ machine, slaveTravel }: Setting): void {
  machine.backward(slaveTravel, 1, 'slavePiston', 'reservoir')
  machine.rest(5)
  machine.forward(slaveTravel, 4, 'reservoir', 'slavePiston')
  machine.extra = 0
  machine.rest(5)
}

/** The slave’s piston pressed home with the screw open, the screw shut, the piston let back. */
function bottom(of: Setting): void {
  const { machine } = of
  const rest = machine.chambers
  const steps = 40
  const dv = of.slaveTravel / steps
  for (let i = 1; i <= steps; i++) {
    machine.extra = 0
    machine.chambers = of.shortened(1 - i / steps)
    machine.pressOut(dv)
  }
  machine.chambers = rest
  machine.extra = -of.slaveTravel
  // From the reservoir, with the screw shut: slowly, and nothing has time to rise.
  machine.forward(of.slaveTravel, 0, 'reservoir', 'slavePiston', 1)
  machine.extra = 0
  machine.count.time += 10
}

function overnight(of: Setting): void {
  const { machine } = of
  const night = 8 * 3600
  const p = 3e5
  ;[machine.pm, machine.pl, machine.ps] = [p, p, p]
  machine.x = 0.5
  const step = 30
  let left = night
  while (left > 0) {
    machine.drift(Math.min(step, left))
    left -= step
    if (machine.moved < 1e-9) break
  }
  machine.count.time += night
  machine.x = 0
  ;[machine.pm, machine.pl, machine.ps] = ALL_P0
  for (let i = 0; i < 5; i++) {
    machine.burp()
    machine.rest(1)
  }
}

/** One cycle of a method. */
export function cycleOf(run: BleedRun, of: Setting): Told {
  const { machine } = of
  const { constants } = machine
  const plain: Told = { stalled: false, flow: 0 }
  const vacuumNow =
    constants.vacuum * KPA * Math.max(0, 1 - constants.falseAir / constants.vacuumCapacity)
  switch (run) {
    case 'openPush':
      openPush(of)
      return plain
    case 'prop':
      openPush(of, constants.strokeShare, 2, constants.tripTime)
      return plain
    case 'pumpHold':
      pumpHold(of)
      return plain
    case 'submerged':
      submerged(of)
      return plain
    case 'checkValve':
      submerged(of, 0.03)
      return plain
    case 'gravity':
      return steady(of, 60, Infinity, 0, 0).told
    case 'pressure':
      return pull(of, constants.overPressure * KPA, 0)
    case 'vacuum':
      return pull(of, 0, vacuumNow)
    case 'inject':
      return inject(of)
    case 'dryVacuum':
      dryVacuum(of)
      return plain
    case 'hang':
      if (of.screw) openPush(of)
      else slavePush(of)
      return plain
    case 'slavePush':
      slavePush(of)
      return plain
    case 'shortStrokes':
      for (let i = 0; i < 10; i++) {
        machine.burp()
        machine.rest(1.5)
      }
      return plain
    case 'bottom':
      bottom(of)
      return plain
    case 'tap':
      machine.tapping = true
      machine.wait(30)
      machine.tapping = false
      return plain
    case 'overnight':
      overnight(of)
      return plain
  }
}
