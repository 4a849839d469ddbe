import type { Corner } from './pipe'

/** mm on paper, from the page's top left. */
interface At {
  x: number
  y: number
}
export interface TruePage {
  column: number
  row: number
  /** What is taken off a place of the whole drawing to have it on this page. */
  offset: At
}
export interface TruePrint {
  /** Middle line of the pipe as it lies seen from the left, from end A, bends as short chords. */
  line: At[]
  /** Where each corner is marked. */
  corners: At[]
  pages: TruePage[]
  page: { width: number; height: number; margin: number }
  columns: number
  rows: number
  /** The drawing is flat: what goes to the side is not in it. */
  flat: boolean
}

/** A4, mm; printers leave so much free. */
const PAGE = { width: 210, height: 297, margin: 15 }
/** Room at the foot of each page for the bar that is checked with a rule. */
const FOOT = 25
/** Degrees of a bend per chord. */
const CHORD = 3
const MOST_PAGES = 40

/**
 * A pipe in its true size over as many pages as it takes, one beside the other without overlap.
 * @param radius at the middle line, mm
 * @returns null where it would be more pages than anyone lays out
 */
export function truePages(corners: readonly Corner[], radius: number): TruePrint | null {
  const flatCorners = corners.map(({ forward, height }): At => ({ x: forward, y: -height }))
  const raw = rounded(flatCorners, radius)
  const [left, top] = [Math.min(...raw.map(({ x }) => x)), Math.min(...raw.map(({ y }) => y))]
  const moved = ({ x, y }: At): At => ({
    x: x - left + PAGE.margin + 10,
    y: y - top + PAGE.margin + 10,
  })
  const line = raw.map(moved)
  const [wide, high] = [PAGE.width - 2 * PAGE.margin, PAGE.height - 2 * PAGE.margin - FOOT]
  const columns = Math.ceil((Math.max(...line.map(({ x }) => x)) + 10 - PAGE.margin) / wide)
  const rows = Math.ceil((Math.max(...line.map(({ y }) => y)) + 10 - PAGE.margin) / high)
  if (columns * rows > MOST_PAGES) return null
  const pages: TruePage[] = []
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const offset = { x: column * wide, y: row * high }
      if (touches(line, offset, wide, high)) pages.push({ column, row, offset })
    }
  return {
    line,
    corners: flatCorners.map(moved),
    pages,
    page: PAGE,
    columns,
    rows,
    flat: corners.some(({ side }) => side !== corners[0]!.side),
  }
}

/** The corners rounded: each bend as chords of its arc. */
function rounded(corners: readonly At[], radius: number): At[] {
  const list: At[] = [corners[0]!]
  for (let i = 1; i < corners.length - 1; i++) {
    const [a, c, b] = [corners[i - 1]!, corners[i]!, corners[i + 1]!]
    const [u, v] = [unit(a, c), unit(c, b)]
    const turn = Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y)
    const tangent = radius * Math.tan(Math.abs(turn) / 2)
    const steps = Math.max(1, Math.ceil((Math.abs(turn) * 180) / Math.PI / CHORD))
    const start = { x: c.x - u.x * tangent, y: c.y - u.y * tangent }
    // The arc's middle lies square to the leg, on the side that it turns to.
    const side = Math.sign(turn) || 1
    const middle = { x: start.x - side * radius * u.y, y: start.y + side * radius * u.x }
    const from = Math.atan2(start.y - middle.y, start.x - middle.x)
    for (let k = 0; k <= steps; k++) {
      const at = from + (turn * k) / steps
      list.push({ x: middle.x + radius * Math.cos(at), y: middle.y + radius * Math.sin(at) })
    }
  }
  list.push(corners.at(-1)!)
  return list
}
function unit(a: At, b: At): At {
  const far = Math.hypot(b.x - a.x, b.y - a.y) || 1
  return { x: (b.x - a.x) / far, y: (b.y - a.y) / far }
}

/** Whether any of the line lies on a page. */
function touches(line: readonly At[], offset: At, wide: number, high: number): boolean {
  const inside = ({ x, y }: At) =>
    x >= offset.x + PAGE.margin &&
    x <= offset.x + PAGE.margin + wide &&
    y >= offset.y + PAGE.margin &&
    y <= offset.y + PAGE.margin + high
  return line.some((point, i) => {
    const next = line[i + 1]
    if (!next) return inside(point)
    const steps = Math.max(1, Math.ceil(Math.hypot(next.x - point.x, next.y - point.y) / 5))
    return Array.from({ length: steps + 1 }, (_, k) => k / steps).some((t) =>
      inside({ x: point.x + t * (next.x - point.x), y: point.y + t * (next.y - point.y) }),
    )
  })
}
