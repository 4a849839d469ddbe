/** The kinds of vehicle that a technician starts from, each in its own file, and what they have in common. */
import { adjustableVintage } from './adjustable-vintage'
import type { Archetype } from './archetype'
import { concentric } from './concentric'
import { lightTruck } from './light-truck'
import { longLine } from './long-line'
import { smallCar } from './small-car'
import { tractor } from './tractor'

export type { Archetype, Range } from './archetype'

export const ARCHETYPES: readonly Archetype[] = [
  smallCar,
  longLine,
  lightTruck,
  concentric,
  adjustableVintage,
  tractor,
]

export const archetypeById = (id: string): Archetype | undefined =>
  ARCHETYPES.find((archetype) => archetype.id === id)
