/** The release circuit as it lies in a vehicle: its kinds, its line's way, and what is only assumed of it. */
export * from './installation'
export { crestsOf, volumeBetween, type Crest } from './crests'
export { ARCHETYPES, archetypeById, type Archetype, type Range } from './archetypes'
export { fromArchetype, rangeOf, spreadOf, uncertaintyOf, withMeasured, type Spread } from './spread'
