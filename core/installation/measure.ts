import { changedAtPath, InputError, numberAtPath } from '../circuit'
import { lengthOfLines, type Installation, type RoutePoint } from './installation'
import { rerouted } from './lines'
import { isPlaceField } from './place-fields'
import { fitted } from './route'

type Described = Omit<Installation, 'archetype' | 'assumed'>

/** The value at a path of the installation: the circuit's fields from the circuit, the rest from its place. Null where there is none. */
export const valueAt = (installation: Described, path: string): number | null =>
  numberAtPath(isPlaceField(path) ? installation : installation.circuit, path)

/**
 * The installation with one field measured: its value set, no longer assumed.
 * @throws InputError where the installation has no such part.
 */
export function withMeasured(installation: Installation, path: string, value: number): Installation {
  const top = isPlaceField(path) ? installation : installation.circuit
  const next = changedAtPath<Installation | Installation['circuit']>(top, path, () => value)
  // A part that is missing is no part of this installation.
  if (next === null)
    throw new InputError('this installation has no such part', `/${path.replaceAll('.', '/')}`)
  const known = knownWith(installation, path)
  const assumed = installation.assumed.filter((other) => !known.includes(other))
  if (top === installation) return { ...(next as Installation), assumed }
  const circuit = next as Installation['circuit']
  return { ...installation, circuit, route: routeAfter(installation, path, value), assumed }
}

/** What a measured field makes known: itself, and of the only hose's swell the factor on all hoses. */
function knownWith({ circuit }: Installation, path: string): string[] {
  const hoses = circuit.lines.filter((line) => line.kind !== 'steel').length
  return /^lines\.\d+\.expansion$/.test(path) && hoses === 1 ? [path, 'expansion'] : [path]
}

/** A line's new length moves the route with it. */
function routeAfter(installation: Installation, path: string, value: number): RoutePoint[] {
  const match = /^lines\.(\d+)\.length$/.exec(path)
  if (!match) return installation.route
  const { lines } = installation.circuit
  const index = Number(match[1])
  const start = lines.slice(0, index).reduce((sum, line) => sum + line.length, 0)
  return rerouted(installation.route, start, lines[index]!.length, value)
}

/** The installation with its way measured; drawn over the length that its lines have now. */
export function withRoute(installation: Installation, route: readonly RoutePoint[]): Installation {
  return {
    ...installation,
    route: fitted(route, lengthOfLines(installation.circuit)),
    assumed: installation.assumed.filter((path) => path !== 'route'),
  }
}
