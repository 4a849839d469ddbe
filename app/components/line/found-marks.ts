import type { FindingId } from '~~/core/diagnosis'
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
