import { WORKSHOP_VOLUME } from '../quantity'
import type { CoreUnit } from '../quantity'
import { fieldAt, type Field } from '../circuit'

/** A figure of the installation that the circuit's own balance does not need: it is drawn with and bled by. */
export interface PlaceField extends Omit<Field, 'unit'> {
  unit: CoreUnit
}

/** Paths from the installation; circuit fields have theirs from the circuit, and the two never meet. */
export const PLACE_FIELDS: readonly PlaceField[] = [
  {
    path: 'reservoir.area',
    label: 'Free surface of the reservoir',
    unit: 'mm²',
    min: 10,
    max: 200_000,
    how: 'Length by width at the level, or π/4 of the diameter squared.',
  },
  {
    path: 'reservoir.usable',
    label: 'Fluid between the marks',
    unit: 'mm³',
    min: 1000,
    max: WORKSHOP_VOLUME.max,
    how: 'Syringe out from the upper to the lower mark.',
  },
  {
    path: 'reservoir.height',
    label: 'Level over the master’s outlet',
    unit: 'mm',
    min: -2000,
    max: 3000,
    how: 'Tape, plumb, from the outlet union to the level.',
  },
  {
    path: 'master.tilt',
    label: 'Tilt of the master, outlet end up',
    unit: '°',
    min: -180,
    max: 180,
    how: 'Angle gauge along the body.',
  },
  {
    path: 'master.outletAngle',
    label: 'Outlet, off top',
    unit: '°',
    min: -180,
    max: 180,
    how: 'Clock angle seen along the bore; 0 is straight up.',
  },
  {
    path: 'master.portAngle',
    label: 'Port, off top',
    unit: '°',
    min: -180,
    max: 180,
    how: 'Clock angle of the feed; 0 is straight up.',
  },
  {
    path: 'slave.bleeder.angle',
    label: 'Bleed screw, off top',
    unit: '°',
    min: -180,
    max: 180,
    how: 'Clock angle seen along the bore; 0 is straight up, where no air stays behind.',
  },
  {
    path: 'slave.linePort',
    label: 'Line port of the slave, off top',
    unit: '°',
    min: -180,
    max: 180,
    how: 'Clock angle seen along the bore; 0 is straight up.',
  },
  {
    path: 'slave.endRaise',
    label: 'Bleeder end raised',
    unit: '°',
    min: -180,
    max: 180,
    how: 'Angle gauge along the slave’s body.',
  },
  {
    path: 'slave.room',
    label: 'Room behind the slave’s piston',
    unit: 'mm',
    min: 0,
    max: 150,
    how: 'Bleeder open, push the rod home by hand, rule at the rod. Not possible on a concentric slave.',
    optional: true,
  },
  {
    path: 'slave.chamber',
    label: 'Length of the slave’s chamber, piston home',
    unit: 'mm',
    min: 0,
    max: 200,
    how: 'New one on the bench: depth of the bore less the piston, with the rod pushed home.',
    optional: true,
  },
  {
    path: 'reservoir.takeOffOverBrakeMinimum',
    label: 'Clutch’s take-off over the brakes’ minimum',
    unit: 'mm',
    min: -300,
    max: 300,
    how: 'Rule outside a shared reservoir, from the brakes’ minimum mark up to the clutch’s outlet.',
    optional: true,
  },
  {
    path: 'rodThreadPitch',
    label: 'Thread of the pushrod, per turn',
    unit: 'mm',
    min: 0.3,
    max: 5,
    how: 'Thread gauge, or ten threads under the rule.',
  },
]

const placeByPath = new Map(PLACE_FIELDS.map((field) => [field.path, field]))

/** The field behind a path, of the circuit or of its place in the vehicle. */
export const installationField = (path: string): PlaceField | undefined =>
  placeByPath.get(path) ?? fieldAt(path)
export const isPlaceField = (path: string): boolean => placeByPath.has(path)
