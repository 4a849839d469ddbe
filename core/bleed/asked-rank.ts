import { airAllowed, airFromFreeTravel, isImplausible } from '../circuit'
import type { Installation } from '../installation'
import { usualAsked, type BleedStart } from './asked'
import { usualConstants, type Constants } from './constants'
import type { LaidCircuit } from './laid'
import type { Target } from './rank'
import { sharedByRoom } from './share-out'

/** ml that the model sees at the finest, and that are wanted where nothing is known of the circuit. */
const FINEST = 0.1
const UNKNOWN = 0.3
/** Cells to find the rooms of a line by. */
const CELLS = 80

/**
 * The air that may stay, ml: what was asked for, else what leaves the wanted reserve on this circuit, but never less than the model sees.
 * @param installation null where nothing is known of the circuit
 * @param wanted ml
 */
export function targetOf(
  installation: Installation | null,
  wanted?: number,
  wantedReserve?: number,
): Target {
  const allowed = installation ? airAllowed(installation.circuit, wantedReserve) / 1000 : UNKNOWN
  const reachable = allowed > 0
  if (wanted !== undefined) return { value: wanted, from: 'given', reachable }
  if (!installation) return { value: UNKNOWN, from: 'floor', reachable }
  return allowed >= FINEST
    ? { value: allowed, from: 'reserve', reachable }
    : { value: FINEST, from: 'floor', reachable }
}

/**
 * Air at the start by what the pedal shows, shared over the places that hold it; null where the reading cannot be of this circuit.
 * @param freeTravel mm at the pad
 */
export function startFromTravel(
  { circuit }: Installation,
  laid: LaidCircuit,
  freeTravel: number,
  touchForce?: number,
): BleedStart | null {
  const found = airFromFreeTravel(circuit, freeTravel, { touchForce })
  if (isImplausible(found)) return null
  return startOfAir(laid, Math.max(0, found.air) / 1000)
}
/** @param air ml */
export const startOfAir = (
  laid: LaidCircuit,
  air: number,
  constants: Constants = usualConstants(),
): BleedStart =>
  sharedByRoom(
    {
      ...usualAsked(laid.line),
      master: laid.master,
      slave: laid.slave,
      constants,
      cells: CELLS,
    },
    air,
  )
