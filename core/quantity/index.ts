/** Units where people read and type. Inside the core everything is mm, mm², mm³, N, MPa, s. */
export { ANY_FIGURE, HELD_FOR, WORKSHOP_VOLUME } from './bounds'
export { formatOf, type Format } from './format'
export {
  displayUnit,
  numberIn,
  read,
  readWithUnit,
  shown,
  stored,
  typed,
  UNIT_SYSTEMS,
  type CoreUnit,
  type DisplayUnit,
  type UnitSystem,
} from './units'

export { lengthInMm, lengthTyped, writtenOut, type LengthUnit } from './length'

export type VolumeUnit = 'ml' | 'cl' | 'mm³' | 'fl oz'
const MM3_PER: Record<VolumeUnit, number> = {
  'mm³': 1,
  ml: 1000,
  cl: 10_000,
  'fl oz': (231 / 128) * 25.4 ** 3,
}

export const volumeInMm3 = (value: number, unit: VolumeUnit): number => value * MM3_PER[unit]
export const inMl = (mm3: number): number => mm3 / 1000
