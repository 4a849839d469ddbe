import {
  InputError,
  measuredUncertainty,
  NINETY,
  propagate,
  shiftExpansion,
  shiftLoad,
  uncertainField,
  type Circuit,
  type Uncertain,
} from '../circuit'
import { archetypeById, type Range } from './archetypes'
import type { Installation } from './installation'

/** A figure with the spread of all that was not measured, 90 %. */
export interface Spread {
  value: number
  low: number
  high: number
  /** Widest first; names are dotted paths, `load` or `expansion`. */
  shares: { name: string; sigma: number }[]
}

/** The range of an assumed field by the installation's archetype. */
export function rangeOf(installation: Installation, path: string): Range | undefined {
  return archetypeById(installation.archetype)?.ranges.find((range) => range.path === path)
}

/** Installation of an archetype with nothing measured. */
export function fromArchetype(id: string): Installation {
  const archetype = archetypeById(id)
  if (!archetype) throw new RangeError(`no archetype ${id}`)
  return {
    ...structuredClone(archetype.installation),
    archetype: id,
    assumed: archetype.ranges.map((range) => range.path),
  }
}

/**
 * What of an installation is uncertain: an assumed field by its archetype's range, read as nine cases in ten,
 * the rest by ordinary measuring error.
 */
export function uncertaintyOf(installation: Installation): Uncertain[] {
  const { circuit, assumed } = installation
  const list: Uncertain[] = []
  for (const path of assumed) {
    const range = rangeOf(installation, path)
    if (!range || !isIn(circuit, path)) continue
    const sigma = (range.high - range.low) / (2 * NINETY)
    list.push(quantity(path, sigma))
  }
  for (const measured of measuredUncertainty(circuit))
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
  let node: unknown = circuit
  for (const name of path.split('.')) node = (node as Record<string, unknown> | undefined)?.[name]
  return typeof node === 'number' || path.endsWith('returnForce') || path.endsWith('Preload')
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

/**
 * The installation with one field measured: its value set, no longer assumed.
 * @throws InputError where the installation has no such part.
 */
export function withMeasured(installation: Installation, path: string, value: number): Installation {
  const names = path.split('.')
  const circuit = structuredClone(installation.circuit)
  let node = circuit as unknown as Record<string, unknown>
  for (const name of names.slice(0, -1)) {
    const next = node[name]
    if (typeof next !== 'object' || next === null)
      throw new InputError('this installation has no such part', `/${names.join('/')}`)
    node = next as Record<string, unknown>
  }
  node[names.at(-1)!] = value
  const along = path.endsWith('.length') ? stretch(installation, circuit) : installation.route
  return {
    ...installation,
    circuit,
    route: along,
    assumed: installation.assumed.filter((assumed) => assumed !== path),
  }
}

/** The route drawn over the new length of the lines, heights kept. */
function stretch(installation: Installation, circuit: Circuit): Installation['route'] {
  const before = installation.circuit.lines
  let start = 0
  let newStart = 0
  const marks: [number, number][] = [[0, 0]]
  before.forEach((line, i) => {
    start += line.length
    newStart += circuit.lines[i]!.length
    marks.push([start, newStart])
  })
  const place = (along: number): number => {
    const i = Math.max(
      1,
      marks.findIndex(([end]) => along <= end + 1e-9),
    )
    const [a, na] = marks[i - 1]!
    const [b, nb] = marks[i]!
    return na + ((along - a) / (b - a)) * (nb - na)
  }
  return installation.route.map((point) => ({ ...point, along: place(point.along) }))
}
