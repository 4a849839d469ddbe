/** The release circuit as it lies in a vehicle: its kinds, its line's way, and what is only assumed of it. */
export * from './installation'
export * from './place'
export {
  alongOf,
  isJointPlace,
  jointAt,
  jointPlaces,
  withJoint,
  type JointPlace,
  type KnownJoint,
} from './joints'
export { readInstallation, readMeasured } from './read'
export { crestsOf, volumeBetween, type Crest } from './crests'
export { ARCHETYPES, archetypeById, type Archetype, type Range } from './archetypes'
export { withAllLines, withLines, type LinesChange } from './lines'
export { valueAt, withMeasured, withRoute } from './measure'
export { installationField, isPlaceField, PLACE_FIELDS, type PlaceField } from './place-fields'
export {
  addPoint,
  LEAST_GAP,
  MOST_POINTS,
  movePoint,
  outOfReach,
  pitched,
  placeAt,
  removePoint,
  snapHeight,
  unionAt,
  unionsOf,
  type PointMove,
} from './route'
export {
  aroundCircuit,
  assumedFigures,
  fromArchetype,
  rangeOf,
  spreadOf,
  uncertaintyOf,
  type Spread,
} from './spread'
