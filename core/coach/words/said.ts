import type { Move } from '../../bleed/methods'
import type { Coached } from '../moves'
import type { Pumps } from '../state'
import type { Stretch, World } from '../world'
import { THING_SENTENCES } from './ready'
import { RIGHT_SENTENCES, type Stands } from './right'
import { SENTENCES } from './sentences'

/** What a call says: to whoever does it, and to the other one meanwhile. */
export interface Said {
  does: string
  other: string
}
export interface SentenceAsked {
  method: Coached
  stretch: Stretch
  /** Number of the move in its stretch. */
  index: number
  move: Move
  /** It is no move of the method, but puts something right first. */
  right: boolean
  world: Pick<World, 'pedal' | 'pedalSure' | 'heldBy'>
  pumps?: Pumps
}

export const standsOf = ({ pedal, pedalSure, heldBy }: SentenceAsked['world']): Stands =>
  !pedalSure ? 'unknown' : pedal === 'up' ? 'up' : heldBy

/** How long one pumps before an opening. */
export function pumpWords(pumps: Pumps): string {
  if (pumps === 'firm') return 'Pump until it is firm'
  return typeof pumps === 'number' ? `${pumps} full strokes` : `Pump for ${pumps.seconds} seconds`
}
/** Strokes before an opening where nobody chose. */
export const USUAL_PUMPS = 4

function toMakeReady({ takes = [], puts = [] }: Move): readonly [string, string] | undefined {
  const put = puts.flatMap((thing) => THING_SENTENCES[thing]?.on ?? [])
  const taken = takes.flatMap((thing) => THING_SENTENCES[thing]?.off ?? [])
  const list = put.length > 0 ? put : taken
  return list.length > 0 ? [list[0]!, list[1]!] : undefined
}

/** The sentences of a call, by method, by who does it, and by how screw and pedal stand; null where there are none. */
export function sentenceOf(asked: SentenceAsked): Said | null {
  const { method, stretch, index, move, right, world, pumps = USUAL_PUMPS } = asked
  const byPedal = RIGHT_SENTENCES[move.call]
  if (right || (stretch === 'ready' && move.call === 'remove')) {
    const said = byPedal?.[standsOf(world)] ?? byPedal?.unknown ?? byPedal?.up
    return said ? { does: said[0], other: said[1] } : null
  }
  if (stretch === 'ready') {
    const said = toMakeReady(move)
    return said ? { does: said[0], other: said[1] } : null
  }
  const row = SENTENCES[method][stretch]?.[index]
  if (!row || row[0] !== move.call) return null
  const does = move.call === 'pump' ? row[1].replace('Full strokes', pumpWords(pumps)) : row[1]
  return { does, other: row[2] }
}
