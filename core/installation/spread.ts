import {
  measuredUncertainty,
  NINETY,
  propagate,
  shiftExpansion,
  shiftLoad,
  uncertainField,
  type Circuit,
  type MeasuringErrors,
  type Uncertain,
  numberAtPath,
} from '../circuit'
import { ARCHETYPES, archetypeById, type Range } from './archetypes'
import { lengthOfLines, type Installation } from './installation'
import { valueAt } from './measure'
import { isPlaceField, PLACE_FIELDS } from './place-fields'

/** A figure with the spread of all that was not measured, 90 %. */
export interface Spread {
  value: number
  low: number
  high: number
  /** Widest first; names are dotted paths, `load` or `expansion`. */
  shares: { name: string; sigma: number }[]
}

/** How far an assumed length may be out where the kind of vehicle has no such line, as a share. */
const UNKNOWN_LENGTH = 0.25

/** The range of an assumed field by the installation's archetype. */
export function rangeOf(installation: Installation, path: string): Range | undefined {
  const range = archetypeById(installation.archetype)?.ranges.find((known) => known.path === path)
  const line = /^lines\.(\d+)\.length$/.exec(path)
  const length = line && installation.circuit.lines[Number(line[1])]?.length
  if (!length || (range && length >= range.low && length <= range.high)) return range
  return {
    path,
    low: length * (1 - UNKNOWN_LENGTH),
    high: length * (1 + UNKNOWN_LENGTH),
    reason: 'This kind of vehicle has no such line: a quarter either way.',
  }
}

/** What is assumed and widens the answers: the rest of what is assumed is only drawn and bled by. */
export const assumedFigures = (installation: Installation): string[] =>
  installation.assumed.filter((path) => !isPlaceField(path) && path !== 'route')

/** Installation of an archetype with nothing measured. */
export function fromArchetype(id: string): Installation {
  const archetype = archetypeById(id)
  if (!archetype) throw new RangeError(`no archetype ${id}`)
  return {
    ...structuredClone(archetype.installation),
    archetype: id,
    assumed: [
      ...archetype.ranges.map((range) => range.path),
      ...PLACE_FIELDS.filter(({ path }) => valueAt(archetype.installation, path) !== null).map(
        ({ path }) => path,
      ),
      'route',
    ],
  }
}

/** An installation around a bare circuit, all of it taken as measured: for questions that need no vehicle. */
export function aroundCircuit(circuit: Circuit): Installation {
  const place = ARCHETYPES[0]!.installation
  const length = lengthOfLines(circuit)
  const route = [0, length].map((along) => ({ along, height: 0, forward: 0 }))
  // Of where its parts sit nothing was said.
  const assumed = PLACE_FIELDS.map(({ path }) => path)
  return { ...structuredClone(place), circuit, archetype: '', assumed, route }
}

/**
 * What of an installation is uncertain: an assumed field by its archetype's range, read as nine cases in ten,
 * the rest by ordinary measuring error.
 */
export function uncertaintyOf(installation: Installation, errors?: MeasuringErrors): Uncertain[] {
  const { circuit, assumed } = installation
  const list: Uncertain[] = []
  for (const path of assumed) {
    const range = rangeOf(installation, path)
    if (!range || !isIn(circuit, path)) continue
    const sigma = (range.high - range.low) / (2 * NINETY)
    list.push(quantity(path, sigma))
  }
  for (const measured of measuredUncertainty(circuit, errors))
    if (!assumed.includes(measured.name)) list.push(measured)
  return list
}

function quantity(path: string, sigma: number): Uncertain {
  if (path === 'load') return { name: path, sigma, shift: shiftLoad }
  if (path === 'expansion') return { name: path, sigma, shift: shiftExpansion }
  return uncertainField(path, sigma)
}

function isIn(circuit: Circuit, path: string): boolean {
  if (path === 'load' || path === 'expansion') return true
  return (
    numberAtPath(circuit, path) !== null || path.endsWith('returnForce') || path.endsWith('Preload')
  )
}

/** A figure of the circuit with its spread; null where the figure itself cannot be computed. */
export function spreadOf(
  installation: Installation,
  figure: (circuit: Circuit) => number | null,
  circuit = installation.circuit,
): Spread | null {
  const value = figure(circuit)
  if (value === null) return null
  const { sigma, shares } = propagate(circuit, uncertaintyOf(installation), figure)
  return { value, low: value - NINETY * sigma, high: value + NINETY * sigma, shares }
}
