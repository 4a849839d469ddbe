import type { Circuit } from './circuit'
import { clampAt, type ClampState } from './curve'
import { loadAt, loadCurve } from './load-curve'
import { plant } from './plant'
import { rodState, type RodState } from './rod'
import { solveCircuit } from './solve'

/** Cover fingers move so much further than the facing wears; 3 to 4. */
export const FINGER_RATIO = 3.5

export interface WearOptions {
  /** Behind the slave's piston at rest, as new or as measured, mm. */
  room: number
  fingerRatio?: number
}

/** A circuit after some facing wear. */
export interface Wear {
  /** Facing wear, mm. */
  wear: number
  /** How far the fingers have pushed the slave's rod back, mm. */
  pushedBack: number
  /** Play and room left, mm at the slave; below 0 the piston has bottomed and the bearing presses the fingers. */
  room: number
  port: RodState
  /** How far the bearing presses the fingers in with the pedal up, mm. */
  pressedIn: number
  /** The clutch with the pedal up. */
  clamp: ClampState
  /** As solved on the worn circuit, mm at the pad; null as there. */
  engagement: number | null
  reserve: number
  /** The worn circuit itself. */
  circuit: Circuit
}

export interface WearOutlook {
  rows: Wear[]
  /** Facing wear at which play and room are used up, mm. */
  limit: number
  /** True where the slave's spring takes wear up by itself. */
  selfAdjusting: boolean
}

/**
 * Facing wear pushes the rod back by wear·fingerRatio·forkRatio. An adjusted linkage gives up its play first; then the
 * piston needs that much room, and an open port. What it does not find presses the fingers in, as a foot on the pedal
 * would. The cover's load is kept: how it changes with wear is not modelled.
 * @param wear facing wear, mm, 0 or more.
 */
export function afterWear(circuit: Circuit, wear: number, options: WearOptions): Wear {
  const { fingerRatio = FINGER_RATIO } = options
  const { forkRatio } = circuit.linkage
  const pushedBack = wear * fingerRatio * forkRatio
  const { pushrodClearance, portClosure } = circuit.master
  const port = rodState(pushrodClearance, portClosure)
  const free = playAtRest(circuit)
  // With the port shut the fluid cannot go home, and the piston with it.
  const room = free + (port === 'portCovered' ? 0 : options.room) - pushedBack
  const pressedIn = Math.max(0, -room) / forkRatio
  const worn = wornCircuit(circuit, Math.min(free, pushedBack), pressedIn)
  const solution = solveCircuit(worn)
  return {
    wear,
    pushedBack,
    room,
    port,
    pressedIn,
    clamp: clampAt(circuit, pressedIn),
    engagement: solution.engagement,
    reserve: solution.reserve,
    circuit: worn,
  }
}

/** Play that wear may eat before it needs room behind the piston, mm at the slave; none where a spring holds contact. */
export function playAtRest(circuit: Circuit): number {
  const { takenUp, contact } = plant(circuit)
  return takenUp ? 0 : contact
}

/** The circuit with less play, and with its cover pressed in so far at rest. */
function wornCircuit(circuit: Circuit, eaten: number, pressedIn: number): Circuit {
  const { linkage, cover } = circuit
  const clearance = Math.min(linkage.bearingClearance, eaten / linkage.forkRatio)
  const next = {
    ...circuit,
    linkage: {
      ...linkage,
      bearingClearance: linkage.bearingClearance - clearance,
      slop: Math.max(0, linkage.slop - (eaten - clearance * linkage.forkRatio)),
    },
  }
  if (pressedIn === 0) return next
  const curve = loadCurve(cover.releaseLoad)
  const rest: [number, number] = [0, loadAt(curve, pressedIn)]
  const beyond = cover.releaseLoad
    .filter(([travel]) => travel > pressedIn)
    .map(([travel, load]): [number, number] => [travel - pressedIn, load])
  const last = beyond.at(-1) ?? [1, rest[1]]
  return {
    ...next,
    linkage: { ...linkage, bearingClearance: 0, slop: 0 },
    cover: {
      releaseLoad: [rest, ...(beyond.length > 0 ? beyond : [last])],
      releaseTravel: Math.max(0.01, cover.releaseTravel - pressedIn),
      fullClampTravel: Math.max(0, cover.fullClampTravel - pressedIn),
    },
  }
}

/** Facing wear at which play and room are used up, mm; 0 where the port is shut and nothing can go home. */
export function wearLimit(circuit: Circuit, { room, fingerRatio = FINGER_RATIO }: WearOptions): number {
  const { pushrodClearance, portClosure } = circuit.master
  const way = rodState(pushrodClearance, portClosure) === 'portCovered' ? 0 : Math.max(0, room)
  return (playAtRest(circuit) + way) / (fingerRatio * circuit.linkage.forkRatio)
}

/**
 * Wear from new facings on, evenly spaced.
 * @param most facing wear at the end, mm, above 0.
 */
export function wearOutlook(
  circuit: Circuit,
  options: WearOptions,
  most: number,
  points = 31,
): WearOutlook {
  return {
    rows: Array.from({ length: points }, (_, i) =>
      afterWear(circuit, (most * i) / (points - 1), options),
    ),
    limit: wearLimit(circuit, options),
    selfAdjusting: plant(circuit).takenUp,
  }
}

/** Most room there can be behind the piston, mm: what of its stroke the full pedal does not use. */
export function mostRoom(circuit: Circuit): number {
  const { slaveTravel } = solveCircuit(circuit).at
  return Math.max(0, circuit.slave.stroke - slaveTravel)
}
