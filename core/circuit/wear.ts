import type { Circuit } from './circuit'
import { rodState } from './rod'

/** A self-adjusting circuit after some facing wear. */
export interface Wear {
  /** How far the slave piston has been pushed back, mm. */
  pushedBack: number
  /** Room left behind the piston, mm; below 0 it has bottomed and the clutch loses clamp. */
  room: number
  /** Whether the fluid can go home: the port must be open at rest. */
  wayHome: boolean
  holdsClamp: boolean
}

/**
 * Facing wear pushes the slave back by wear·fingerRatio·forkRatio; the piston needs that room, and an open port.
 * @param wear facing wear, mm.
 * @param room behind the piston at rest when new or as measured, mm.
 * @param fingerRatio of the cover's fingers, 3 to 4.
 */
export function afterWear(circuit: Circuit, wear: number, room: number, fingerRatio = 3.5): Wear {
  const pushedBack = wear * fingerRatio * circuit.linkage.forkRatio
  const { pushrodClearance, portClosure } = circuit.master
  const wayHome = rodState(pushrodClearance, portClosure) !== 'portCovered'
  const left = room - pushedBack
  return { pushedBack, room: left, wayHome, holdsClamp: wear === 0 || (wayHome && left >= 0) }
}

/** Facing wear at which the slave has no more room, mm. */
export function wearLimit(circuit: Circuit, room: number, fingerRatio = 3.5): number {
  return Math.max(0, room) / (fingerRatio * circuit.linkage.forkRatio)
}
