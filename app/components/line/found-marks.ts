import {
  faultKind,
  type FaultId,
  type FaultPlace,
  type FindingId,
  type SuspectTold,
} from '~~/core/diagnosis'
import type { Found } from '~~/core/journal'
import type { LineDrawing, Point } from './line-geometry'

/** Where a leak that was found is drawn, and how it is said. */
export function leakMarks(
  drawing: LineDrawing,
  found?: Found,
): ({ id: FindingId; words: string } & Point)[] {
  const { master, slave, lines, unions } = drawing
  const hose = lines.find((line) => line.kind !== 'steel')
  const places: [FindingId, Point, string][] = [
    ['rodEndDamp', { x: master.x - 84, y: master.y + 26 }, 'damp at the rod end'],
    ['carpetWet', { x: master.x - 150, y: master.y + 50 }, 'carpet wet'],
    ['outletDamp', { x: master.x + 10, y: master.y + 18 }, 'outlet damp'],
    ['bootWet', { x: slave.x + 92, y: slave.y + 24 }, 'boot wet'],
    ['bellHoleWet', { x: slave.x + 40, y: slave.y + 40 }, 'drips from the housing'],
    ['reservoirDamp', { x: master.x - 46, y: master.y - 44 }, 'damp at the reservoir'],
    ['slaveUnionDamp', { x: slave.x + 2, y: slave.y + 22 }, 'union damp'],
    ['bleederDamp', { x: slave.x + 30, y: slave.y - 20 }, 'bleed screw damp'],
    ['hoseDamp', hose ? { x: hose.middle.x, y: hose.middle.y + 16 } : slave, 'hose damp'],
    ['hoseSwells', hose ? { x: hose.middle.x, y: hose.middle.y + 16 } : slave, 'hose swells'],
    ['unionsWet', unions[0] ? { x: unions[0].x, y: unions[0].y + 14 } : master, 'a union is damp'],
  ]
  return places
    .filter(([id]) => found?.[id]?.payload.state === 'present')
    .map(([id, at, words]) => ({ id, ...at, words }))
}

/** Less air than this is not drawn, mm³. */
const LEAST_DRAWN = 50

/** Bubbles: at the first crest, else along the top of the slave. Their number follows the air found. */
export function airBubbles(drawing: LineDrawing, air: number): (Point & { r: number })[] {
  if (air < LEAST_DRAWN) return []
  const count = Math.min(9, 2 + Math.round(air / 300))
  const at = drawing.crests[0] ?? { x: drawing.slave.x + 22, y: drawing.slave.y - 6 }
  return Array.from({ length: count }, (_, i) => ({
    x: at.x + (i - (count - 1) / 2) * 7,
    y: at.y - (i % 2),
    r: 1.6 + ((i * 7) % 3) * 0.8,
  }))
}

/** Where a fault sits on the drawing; clutch and gearbox lie beyond the slave. */
function placeOf(place: FaultPlace, { master, slave, lines, unions }: LineDrawing): Point {
  const hose = lines.find((line) => line.kind !== 'steel')?.middle
  const pipe = lines.find((line) => line.kind === 'steel')?.middle
  switch (place) {
    case 'reservoir':
      return { x: master.x - 46, y: master.y - 62 }
    case 'pedal':
      return { x: master.x - 112, y: master.y }
    case 'master':
      return { x: master.x - 44, y: master.y }
    case 'outlet':
      return { x: master.x + 6, y: master.y }
    case 'pipe':
      return pipe ?? hose ?? master
    case 'hose':
      return hose ?? pipe ?? slave
    case 'slaveUnion':
      return unions.at(-1) ?? { x: slave.x, y: slave.y }
    case 'bleeder':
      return { x: slave.x + 26, y: slave.y - 22 }
    case 'slave':
      return { x: slave.x + 46, y: slave.y }
    case 'fork':
      return { x: slave.x + 84, y: slave.y }
    case 'clutch':
      return { x: slave.x + 110, y: slave.y }
    case 'gearbox':
      return { x: slave.x + 142, y: slave.y }
  }
}

/** Where its figure stands: clear of what else is written there. */
function labelAt(place: FaultPlace, { x, y }: Point): Point & { anchor: 'middle' | 'end' } {
  switch (place) {
    case 'reservoir':
      return { x: x - 26, y: y + 6, anchor: 'end' }
    case 'master':
    case 'pedal':
      // Below the words for a damp rod end.
      return { x, y: y + 60, anchor: 'middle' }
    case 'fork':
    case 'clutch':
    case 'gearbox':
      return { x: x + 2, y: y + 42, anchor: 'end' }
    default:
      return { x, y: y + 42, anchor: 'middle' }
  }
}

/** Suspects ringed where they sit; two at one place share the ring of the likelier. */
export function suspectMarks(
  drawing: LineDrawing,
  suspects: readonly SuspectTold[],
): ({ id: FaultId; chance: number; label: ReturnType<typeof labelAt> } & Point)[] {
  const taken = new Set<string>()
  return suspects.flatMap(({ fault, chance }) => {
    const at = placeOf(faultKind(fault).place, drawing)
    const key = `${Math.round(at.x)},${Math.round(at.y)}`
    if (taken.has(key)) return []
    taken.add(key)
    return [{ id: fault, chance, x: at.x, y: at.y, label: labelAt(faultKind(fault).place, at) }]
  })
}
