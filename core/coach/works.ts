import type { ProofStage } from '../circuit'
import { bleeder, moves, pedal, type MethodMoves } from '../bleed/methods'

export const WORKS = ['masterAlone', 'withLine', 'withSlave', 'endFill', 'putAway'] as const
/** Work that belongs to a bleed and is no cycle of it: the proof in stages, the last fill, what is put away after the bench. */
export type Work = (typeof WORKS)[number]

const SHORT = pedal('short', { times: 10, draws: true })
const PLUG = bleeder('plug', { puts: ['plug'] })
const PULL = bleeder('pull', { takes: ['plug'] })
const JOIN = bleeder('join')
const CAP = pedal('cap', { takes: ['capOff'] })

export const WORK_MOVES: Record<Work, MethodMoves> = {
  // Each stage is stroked short until the rod hardly moves; then its free travel bounds the air behind the plug.
  masterAlone: moves([PLUG, SHORT], { wants: ['marked'] }),
  withLine: moves([PULL, JOIN, PLUG, SHORT], { wants: ['marked'] }),
  withSlave: moves([PULL, JOIN, SHORT], { wants: ['marked'] }),
  // Everything that was put on is off by now: level on its mark, cap on.
  endFill: moves([pedal('fill', { fills: true, puts: ['marked', 'capOff'] }), CAP], {
    bars: [
      'screwLoose',
      'unionLoose',
      'hose',
      'valveHose',
      'cover',
      'slaveOff',
      'loop',
      'tilt',
      'lowered',
    ],
  }),
  putAway: moves([CAP], { bars: ['loop'], offVehicle: true }),
}
/** The stage of the proof that a work ends with; its free travel is asked for. */
export const STAGE_OF: Partial<Record<Work, ProofStage>> = {
  masterAlone: 'master',
  withLine: 'masterAndLine',
  withSlave: 'whole',
}
