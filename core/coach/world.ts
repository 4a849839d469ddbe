import type { HeldBy, MethodMoves, Move, Thing } from '../bleed/methods'
import { movesOf, type Coached } from './moves'
import { THING_ROWS } from './things'

/**
 * What really stands in the workshop, as far as answers tell: the screw, the pedal, and what is on the vehicle. Only a move that was
 * answered changes it. Where an answer was taken back, or nobody was heard for a while, it is no longer sure.
 */
export interface World {
  screw: 'open' | 'shut'
  screwSure: boolean
  pedal: 'up' | 'down'
  pedalSure: boolean
  heldBy: HeldBy
  /** What was put on: whether it is on yet, whether that is sure, and what it was filed as. */
  things: Partial<Record<Thing, { on: boolean; sure: boolean; ref?: string }>>
}
export const AT_REST: World = {
  screw: 'shut',
  screwSure: true,
  pedal: 'up',
  pedalSure: true,
  heldBy: 'nobody',
  things: {},
}
/** What of the world an answer changed: where it is taken back, that is in doubt. */
export type Aspect = 'screw' | 'pedal' | Thing

/** On, or perhaps on. */
export const isOn = ({ things }: Pick<World, 'things'>, thing: Thing): boolean =>
  things[thing]?.on ?? false
export const isSurelyOn = ({ things }: Pick<World, 'things'>, thing: Thing): boolean =>
  things[thing]?.on === true && things[thing].sure

export const aspectsOf = (move: Move): Aspect[] => [
  ...(move.screw ? (['screw'] as const) : []),
  ...(move.pedal ? (['pedal'] as const) : []),
  ...(move.puts ?? []),
  ...(move.takes ?? []),
]

/** The world after a move was answered. @param ref what is put on is filed as */
export function movedWorld(world: World, move: Move, ref?: string): World {
  const things = { ...world.things }
  for (const thing of move.takes ?? [])
    if (things[thing]) things[thing] = { ...things[thing], on: false, sure: true }
  for (const thing of move.puts ?? []) {
    const known = things[thing]?.on ? things[thing].ref : undefined
    const filed = THING_ROWS[thing].ledger && (known ?? ref)
    things[thing] = { on: true, sure: true, ...(filed && { ref: filed }) }
  }
  const pedal = move.pedal ?? world.pedal
  return {
    screw: move.screw ?? world.screw,
    screwSure: move.screw ? true : world.screwSure,
    pedal,
    pedalSure: move.pedal ? true : world.pedalSure,
    heldBy: pedal === 'up' ? 'nobody' : move.pedal ? (move.heldBy ?? 'foot') : world.heldBy,
    things,
  }
}
export function doubted(world: World, aspects: readonly Aspect[]): World {
  const things = { ...world.things }
  for (const one of aspects) {
    if (one === 'screw' || one === 'pedal') continue
    // It may be on or off now: it is taken to be on, so that nobody forgets it.
    things[one] = { ...things[one], on: true, sure: false }
  }
  return {
    ...world,
    things,
    screwSure: world.screwSure && !aspects.includes('screw'),
    pedalSure: world.pedalSure && !aspects.includes('pedal'),
  }
}
export type Stretch = 'ready' | 'before' | 'cycle' | 'after'
type Stood = Pick<World, 'screw' | 'pedal' | 'heldBy'>
const REST: Stood = { screw: 'shut', pedal: 'up', heldBy: 'nobody' }
const after = (stood: Stood, list: readonly Move[]): Stood =>
  list.reduce((world, move) => movedWorld({ ...AT_REST, ...world }, move), stood)

/** How screw and pedal stand before a move of a method, where every move before it was done. */
export function stoodBefore(method: Coached, stretch: Stretch, move: number): Stood {
  const { before, cycle, after: last } = movesOf(method)
  if (stretch === 'ready') return REST
  if (stretch === 'before') return after(REST, before.slice(0, move))
  const began = after(REST, before)
  if (stretch === 'cycle') return after(began, cycle.slice(0, move))
  return after(after(began, cycle), last.slice(0, move))
}

/** Closing is always right, and so is letting a pedal up once the screw is shut for sure; all else wants the world as its method expects it. */
export function fits(world: World, move: Move, stood: Stood, of: MethodMoves): boolean {
  if (move.screw === 'shut') return true
  const screw = world.screwSure && world.screw === (of.shutFirst ? 'shut' : stood.screw)
  if (move.call === 'up' || move.call === 'remove') return screw
  const isScrew = world.screwSure && world.screw === stood.screw
  if (move.call === 'hold') return isScrew
  return isScrew && world.pedalSure && world.pedal === stood.pedal
}
