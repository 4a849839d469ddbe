import { describe, expect, it } from 'vitest'
import { makePipe, type Corner } from '../../../core/layout'
import { formatOf } from '../../../core/quantity'
import { pipePdf } from './pipe-print'

const at = (forward: number, height: number): Corner => ({ forward, side: 0, height })
const corners = [at(0, 0), at(160, -30), at(430, -60), at(520, -150)]
const pipe = {
  outerDiameter: 4.75,
  radius: 15,
  by: 'tool',
  a: { seat: 'doubleFlare' },
  b: { seat: 'bubbleFlare' },
} as const
const made = makePipe(corners, pipe)
const print = {
  name: 'Mail van’s pipe',
  corners,
  made,
  outerDiameter: 4.75,
  format: formatOf('metric'),
}
/** PDF units in a millimetre. */
const POINT = 72 / 25.4

describe('a pipe on paper', () => {
  const text = pipePdf(print)!.output()
  const lines = [...text.matchAll(/^([\d.]+) ([\d.]+) m\s+([\d.]+) ([\d.]+) l/gm)].map((found) =>
    found.slice(1).map(Number),
  ) as [number, number, number, number][]

  it('has a bar of 100 mm on every page, to a tenth of a millimetre, in the file’s own units', () => {
    const pages = [...text.matchAll(/\/Type \/Page\b/g)].length
    const bars = lines.filter(
      ([x0, y0, x1, y1]) => y0 === y1 && Math.abs(Math.abs(x1 - x0) / POINT - 100) < 0.1,
    )
    expect(pages).toBeGreaterThan(2)
    expect(bars).toHaveLength(pages)
    expect(text).toContain('/MediaBox [0 0 595.2')
  })

  it('draws the pipe in its true size', () => {
    // A path is its start and what follows of lines and curves, in points; its length is the pipe's without the flares.
    const path = /([\d.-]+) ([\d.-]+) m\n((?:[\d.-]+ [\d.-]+ l\n){6,})/.exec(text)!
    const points = [[Number(path[1]), Number(path[2])]]
    for (const one of path[3]!.trim().split('\n')) points.push(one.split(' ').slice(0, 2).map(Number))
    const drawn = points
      .slice(1)
      .reduce((sum, [x, y], i) => sum + Math.hypot(x! - points[i]![0]!, y! - points[i]![1]!), 0)
    expect(Math.abs(drawn / POINT - (made.cut - 8))).toBeLessThan(0.5)
  })

  it('is none where it would be too many pages', () => {
    expect(pipePdf({ ...print, corners: [at(0, 0), at(9000, -9000)] })).toBeNull()
  })
})
