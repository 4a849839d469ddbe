import type { Point } from './cells'
import { usualConstants, type Constants } from './constants'
import type { BleedRun } from './methods'

/** The master for a bleed: mm, degrees; usable in ml. */
export interface BleedMaster {
  bore: number
  /** What a full pad sends. */
  stroke: number
  unswept: number
  outletOff: number
  portOff: number
  portEndRaise: number
  portDiameter: number
  portTravel: number
  reservoirLevel: number
  usable: number
}
export interface BleedSlave {
  type: 'external' | 'concentric'
  bore: number
  /** Of an annulus. */
  inner?: number
  length: number
  bottom: number
  /** null where it has no bleed screw. */
  bleeder: { off: number } | null
  linePort: { off: number }
  endRaise: number
  bleederEndForward: boolean
}
export interface BleedPath {
  points: readonly Point[]
  bores: readonly number[]
}
export type BleedStart = 'dry' | 'clean' | { line: number; slave: number; master: number }

export interface BleedAsked {
  line: BleedPath
  bleedLine?: BleedPath
  master: BleedMaster
  slave: BleedSlave
  /** Degrees. */
  noseUp: number
  temperature: number
  start: BleedStart
  method: BleedRun
  cycles: number
  constants: Constants
  atUnion: boolean
  cells: number
}
export const USUAL_MASTER: BleedMaster = {
  bore: 15.87,
  stroke: 23,
  unswept: 5,
  outletOff: 45,
  portOff: 0,
  portEndRaise: 0,
  portDiameter: 0.7,
  portTravel: 1.1,
  reservoirLevel: 150,
  usable: 60,
}
export const USUAL_SLAVE: BleedSlave = {
  type: 'external',
  bore: 20.64,
  length: 12,
  bottom: 2,
  bleeder: { off: 0 },
  linePort: { off: 100 },
  endRaise: 0,
  bleederEndForward: true,
}
export const USUAL_CONCENTRIC: BleedSlave = {
  ...USUAL_SLAVE,
  type: 'concentric',
  bore: 60,
  inner: 44,
  length: 4,
  bottom: 1,
}
export const usualAsked = (line: BleedPath): BleedAsked => ({
  line,
  master: USUAL_MASTER,
  slave: USUAL_SLAVE,
  noseUp: 0,
  temperature: 20,
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  method: 'openPush',
  cycles: 40,
  constants: usualConstants(),
  atUnion: false,
  cells: 80,
})
