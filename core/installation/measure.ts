import { InputError } from '../circuit'
import { lengthOfLines, type Installation, type RoutePoint } from './installation'
import { rerouted } from './lines'
import { isPlaceField } from './place-fields'
import { fitted } from './route'

type Node = Record<string, unknown>
type Drawn = Omit<Installation, 'archetype' | 'assumed'>

/** The value at a path of the installation: the circuit's fields from the circuit, the rest from its place. Null where there is none. */
export function valueAt(installation: Drawn, path: string): number | null {
  let node: unknown = isPlaceField(path) ? installation : installation.circuit
  for (const name of path.split('.')) node = (node as Node | undefined)?.[name]
  return typeof node === 'number' ? node : null
}

/**
 * The installation with one field measured: its value set, no longer assumed.
 * @throws InputError where the installation has no such part.
 */
export function withMeasured(installation: Installation, path: string, value: number): Installation {
  const names = path.split('.')
  const top = isPlaceField(path) ? installation : installation.circuit
  const set = (node: unknown, depth: number): unknown => {
    if (depth === names.length) return value
    const name = names[depth]!
    const leaf = depth === names.length - 1
    // A leaf may be missing, as springs are; a part that is missing is no part of this installation.
    if (typeof node !== 'object' || node === null || (!leaf && !(name in node)))
      throw new InputError('this installation has no such part', `/${names.join('/')}`)
    const inner = set((node as Node)[name], depth + 1)
    if (Array.isArray(node)) return node.map((item, i) => (String(i) === name ? inner : item))
    return { ...node, [name]: inner }
  }
  const next = set(top, 0)
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
