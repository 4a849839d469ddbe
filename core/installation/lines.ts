import { MOST_LINES, type Line } from '../circuit'
import type { Installation, RoutePoint } from './installation'
import { jointsAfter } from './joints'
import { fitted, placeAt, taut } from './route'

/** A change of which lines there are: the route goes with them, and what is not known of a new line is assumed. */
export type LinesChange =
  | { act: 'replace'; index: number; line: Line }
  | { act: 'insert'; index: number; line: Line }
  | { act: 'remove'; index: number }

/**
 * The installation with its lines changed. A line in front of which another is put keeps its own way; a line that goes
 * takes its way with it. Nothing changes where the last line would go or more would come than are allowed.
 */
export function withLines(installation: Installation, change: LinesChange): Installation {
  const before = installation.circuit.lines
  const { index } = change
  if (change.act === 'insert' && before.length >= MOST_LINES) return installation
  if (change.act === 'remove' && before.length <= 1) return installation
  if (index < 0 || index > before.length - (change.act === 'insert' ? 0 : 1)) return installation
  const start = before.slice(0, index).reduce((sum, line) => sum + line.length, 0)
  const old = change.act === 'insert' ? 0 : before[index]!.length
  const now = change.act === 'remove' ? 0 : change.line.length
  const lines = [
    ...before.slice(0, index),
    ...(change.act === 'remove' ? [] : [change.line]),
    ...before.slice(index + (change.act === 'insert' ? 0 : 1)),
  ]
  const joints = jointsAfter(installation, change)
  return {
    ...installation,
    ...(joints && { joints }),
    circuit: { ...installation.circuit, lines },
    route: rerouted(installation.route, start, old, now),
    assumed: assumedAfter(installation.assumed, change),
  }
}

/** The installation with other lines altogether, over the same way; nothing is known of their ends, nor of their swell. */
export function withAllLines(installation: Installation, lines: readonly Line[]): Installation {
  const { circuit, joints, assumed, route } = installation
  const kept = assumed.filter((path) => !path.startsWith('lines.') && path !== 'expansion')
  const soft = lines.some(({ kind }) => kind !== 'steel')
  const outer = (joints ?? []).flatMap((joint) => {
    if (joint.at === 'feed' || joint.at === 'bleeder') return [joint]
    if (joint.at === 'masterOutlet' && joint.a) return [{ at: joint.at, a: joint.a, b: null }]
    return joint.at === 'slavePort' && joint.b ? [{ at: joint.at, a: null, b: joint.b }] : []
  })
  const length = lines.reduce((sum, line) => sum + line.length, 0)
  return {
    ...installation,
    circuit: { ...circuit, lines: [...lines] },
    ...(joints && { joints: outer }),
    route: taut(fitted(route, length)),
    assumed: soft ? [...kept, 'expansion'] : kept,
  }
}

/** Points nearer to a line's end than this are that end, mm. */
const AT_END = 0.5

/** The way from `start` on over `old` mm drawn over `now` mm; what comes after is shifted. */
export function rerouted(
  route: readonly RoutePoint[],
  start: number,
  old: number,
  now: number,
): RoutePoint[] {
  const end = start + old
  const near = (along: number) => route.find((point) => Math.abs(point.along - along) < AT_END)
  const from = near(start)
  const to = near(end)
  const inside = route.filter((point) => point.along > start + AT_END && point.along < end - AT_END)
  const grown = old === 0 || now === 0
  const list: RoutePoint[] = [
    ...route.filter((point) => point.along <= start - AT_END),
    ...(from || grown ? [{ ...(from ?? placeAt(route, start)), along: start }] : []),
    ...(now === 0
      ? []
      : inside.map((point) => ({ ...point, along: start + ((point.along - start) / old) * now }))),
    ...(now > 0 && (to || grown) ? [{ ...(to ?? placeAt(route, end)), along: start + now }] : []),
    ...route
      .filter((point) => point.along >= end + AT_END)
      .map((point) => ({ ...point, along: point.along + now - old })),
  ]
  return now < old ? taut(list) : list
}

/**
 * Paths of lines renumbered. The length of a line that comes in was said, so it is no guess; its swell comes from a
 * table of kinds and is one.
 */
function assumedAfter(assumed: readonly string[], { act, index }: LinesChange): string[] {
  const shift = act === 'insert' ? 1 : act === 'remove' ? -1 : 0
  const kept = assumed.flatMap((path) => {
    const match = /^lines\.(\d+)\.(.+)$/.exec(path)
    const at = Number(match?.[1])
    if (!match || at < index) return [path]
    if (at === index && act !== 'insert') return []
    return [`lines.${at + shift}.${match[2]}`]
  })
  return act === 'remove' || kept.includes('expansion') ? kept : [...kept, 'expansion']
}
