import type { Circuit } from './circuit'
import { solveCircuit } from './solve'

/** State of the master's pushrod with the pedal up. */
export type RodState = 'clear' | 'preloaded' | 'portCovered'

/**
 * A rod that holds the piston in part covers the compensating port; held in past the port, the port never opens.
 * @param clearance pushrod clearance, mm; below 0 the rod holds the piston in.
 */
export function rodState(clearance: number, portClosure: number): RodState {
  if (clearance <= -portClosure) return 'portCovered'
  return clearance < 0 ? 'preloaded' : 'clear'
}

/** mm; a clearance felt at the rod is right to this in nine cases of ten. */
const FELT_TO = 0.2

/**
 * A clearance that is read as nothing, or hardly more: it may as well be less, and then the port is part covered.
 * @param clearance pushrod clearance as it was felt, mm.
 */
export const isRodInDoubt = (clearance: number): boolean => clearance >= 0 && clearance < FELT_TO

/**
 * Turns of the rod in its clevis to reach a wanted clearance: positive shortens the rod.
 * @param threadPitch mm per turn, above 0.
 */
export function pushrodTurns(clearance: number, wanted: number, threadPitch: number): number {
  return (wanted - clearance) / threadPitch
}

/** mm below which a difference is the rule's at the rod: twice its error, and the pad not quite down. */
export const STROKE_TOLERANCE = 2

/** Where a short rod stroke at full pedal is lost. */
export type StrokeLoss = 'none' | 'mechanical' | 'hydraulic'

export interface RodStrokeJudgement {
  /** Rod stroke that this circuit gives at full pedal, mm. */
  expected: number
  /** Expected less measured, mm. */
  short: number
  loss: StrokeLoss
}

/**
 * Rod stroke at full pedal against the circuit's own: short with a firm pedal is mechanical (slop, fork, bracket),
 * short with a soft one hydraulic.
 */
export function judgeRodStroke(
  circuit: Circuit,
  measured: number,
  pedal: 'firm' | 'soft',
): RodStrokeJudgement {
  const expected = solveCircuit(circuit).at.rodStroke
  const short = expected - measured
  const loss = short <= STROKE_TOLERANCE ? 'none' : pedal === 'firm' ? 'mechanical' : 'hydraulic'
  return { expected, short, loss }
}

/** What a slave that was pushed back by hand with the pedal up tells. */
export type PushBack = 'free' | 'wayHomeShut' | 'seized' | 'openBleeder' | 'notPossible'

/**
 * A slave that will not go back by hand: the bleeder opened tells a shut way home from a seized piston.
 * @param bleederOpen whether it went with the bleeder open; left out where that was not tried.
 */
export function judgePushBack(circuit: Circuit, bleederShut: boolean, bleederOpen?: boolean): PushBack {
  if (circuit.slave.type === 'concentric') return 'notPossible'
  if (bleederShut) return 'free'
  if (bleederOpen === undefined) return 'openBleeder'
  return bleederOpen ? 'wayHomeShut' : 'seized'
}
