import type { ProofStage } from '../circuit'
import type { Call, MethodMoves, Move, Role } from './moves'

export const WORKS = ['setUp', 'benchSetUp', 'masterAlone', 'withLine', 'withSlave', 'endFill'] as const
/** Work that belongs to a bleed and is no cycle of it: what is made ready, the proof in stages, and the last fill. */
export type Work = (typeof WORKS)[number]

const once = (...cycle: Move[]): MethodMoves => ({ before: [], cycle, after: [], shutFirst: false })
const by =
  (role: Role) =>
  (call: Call, more: Partial<Move> = {}): Move => ({ call, role, ...more })
const [bleeder, pedal] = [by('bleeder'), by('pedal')]
const FILL = pedal('fill', { fills: true })
const SHORT = pedal('short', { times: 10 })

export const WORK_MOVES: Record<Work, MethodMoves> = {
  setUp: once(bleeder('hose'), FILL),
  benchSetUp: once(bleeder('clamp'), bleeder('level'), bleeder('hands'), FILL),
  // Each stage is stroked short until the rod hardly moves; then its free travel bounds the air behind the plug.
  masterAlone: once(bleeder('plug'), SHORT),
  withLine: once(bleeder('unplug'), bleeder('join'), bleeder('plug'), SHORT),
  withSlave: once(bleeder('unplug'), bleeder('join'), SHORT),
  endFill: once(FILL),
}
/** The stage of the proof that a work ends with; its free travel is asked for. */
export const STAGE_OF: Partial<Record<Work, ProofStage>> = {
  masterAlone: 'master',
  withLine: 'masterAndLine',
  withSlave: 'whole',
}
