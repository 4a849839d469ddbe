import type { BleedAsked } from './asked'
import { DENSITY, G, TENSION } from './physics'
import { pocketVolume } from './pocket'
import type { Chambers } from './state'

/** mm² of a bore in mm. */
export const area = (diameter: number) => (Math.PI / 4) * diameter ** 2
/** A vehicle's nose up raises what looks forward. */
const facing = (forward: boolean) => (forward ? 1 : -1)

/** Points of a table over the piston's stroke. */
const TABLE = 11
/** Volumes and pockets of both cylinders, as they lie. @param share how far the slave's piston stands from its bottom, of its rest */
export function chambersOf(
  { master, slave, noseUp, constants }: BleedAsked,
  hung: boolean,
  share = 1,
): Chambers {
  const am = area(master.bore)
  const rp = master.portEndRaise - noseUp
  const outlets = Array.from({ length: TABLE }, (_, i) => {
    const x = i / (TABLE - 1)
    return pocketVolume({
      radius: master.bore / 2,
      length: master.unswept + (1 - x) * master.stroke,
      off: master.outletOff,
      raise: -rp,
    })
  })
  const inner = slave.type === 'concentric' ? (slave.inner ?? 0) : 0
  const as = area(slave.bore) - area(inner)
  const length = slave.bottom + share * (slave.length - slave.bottom)
  const raise = hung ? 60 : slave.endRaise + facing(slave.bleederEndForward) * noseUp
  const held = (off: number) =>
    Math.max(
      constants.crevice,
      pocketVolume({ radius: slave.bore / 2, inner: inner / 2, length, off, raise }),
    )
  return {
    stroke: (am * master.stroke) / 1000,
    masterVolume: (am * (master.unswept + master.stroke)) / 1000,
    outlet: (x) => {
      const at = Math.min(TABLE - 1, Math.max(0, x * (TABLE - 1)))
      const i = Math.min(TABLE - 2, Math.floor(at))
      return outlets[i]! + (at - i) * (outlets[i + 1]! - outlets[i]!)
    },
    port: pocketVolume({
      radius: master.bore / 2,
      length: master.unswept + master.stroke,
      off: master.portOff,
      raise: rp,
    }),
    burp: (constants.burpShare * am * master.portTravel) / 1000,
    slaveVolume: (as * length) / 1000,
    bleeder: held(hung ? 0 : (slave.bleeder?.off ?? 0)),
    linePort: held(hung ? 0 : slave.linePort.off),
    ventsAtRest: master.portDiameter / 1000 > (4 * TENSION) / (DENSITY * G * (master.bore / 1000)),
  }
}
