import { DENSITY, G } from '../physics'
import { KPA } from './flow'
import type { Machine } from '../machine'
import type { Rate, RateOf, Setting } from './row'

function lift(machine: Machine, seconds: number): void {
  machine.rest(seconds)
  machine.refill()
}

/** Opened, pushed down so far in so many seconds, shut and lifted; alone, with a trip between pedal and screw. */
export function push({ machine }: Setting, share = 1, seconds?: number, trip = 0): void {
  const { tValve, tPush, tLift } = machine.constants
  if (trip > 0) machine.wait(trip)
  machine.wait(tValve)
  machine.burp()
  machine.forward(share * machine.chambers.stroke, seconds ?? tPush, 'piston', 'exit')
  if (trip > 0) machine.rest(trip)
  machine.rest(tValve)
  lift(machine, tLift)
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
/** Pushed and lifted with the screw left open: what comes back is worked out, or fixed. */
export function leftOpen(of: Setting, fixed?: number): void {
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

/** The slave’s rod pushed in, and let out slowly. */
export function slavePushed({ machine, slaveTravel }: Setting): void {
  machine.backward(slaveTravel, 1, 'slavePiston', 'reservoir')
  machine.rest(5)
  machine.forward(slaveTravel, 4, 'reservoir', 'slavePiston')
  machine.extra = 0
  machine.rest(5)
}

/** What a stroke sends through with the screw shut before it comes up, and with the screw left open. */
export const pushRate = ({ constants: { tPush, tValve, tLift }, stroke }: RateOf): Rate => ({
  net: stroke,
  seconds: tPush + 2 * tValve + tLift,
  flow: stroke / tPush,
})
export const leftOpenRate = ({ constants: { tPush, tLift }, stroke }: RateOf): Rate => ({
  net: stroke,
  seconds: tPush + tLift + 0.5,
  flow: stroke / tPush,
})
