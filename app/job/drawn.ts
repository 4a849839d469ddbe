import type { PhaseFigures } from '~~/core/proof'

/** One state of the circuit on the ladder. */
export interface LadderStack {
  id: string
  label: string
  figures: PhaseFigures
  /** Free travel that was felt, mm of pad. */
  felt?: number
  /** Pad above the floor where the clutch was seen to take up, mm. */
  bites?: number
}
/** As many states as the ladder has room for; a fourth has none. */
export type LadderStacks =
  | readonly [LadderStack]
  | readonly [LadderStack, LadderStack]
  | readonly [LadderStack, LadderStack, LadderStack]

/** A part of the circuit that can be chosen: the master, the slave, one line by its number, … */
export type PartId = 'pedal' | 'reservoir' | 'master' | 'slave' | 'linkage' | 'cover' | `line${number}`
