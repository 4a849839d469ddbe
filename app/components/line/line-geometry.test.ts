import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ARCHETYPES, fromArchetype, lengthOfLines, withMeasured } from '../../../core/installation'
import { drawLine } from './line-geometry'

const kind = fc.constantFrom(...ARCHETYPES.map((archetype) => archetype.id)).map(fromArchetype)
const size = fc.record({
  width: fc.integer({ min: 640, max: 2400 }),
  height: fc.integer({ min: 150, max: 700 }),
})

describe('the line as it is drawn', () => {
  it('has heights to one scale and distance along that only grows', () => {
    fc.assert(
      fc.property(kind, size, (installation, { width, height }) => {
        const { yAt, xAt, lines } = drawLine(installation, width, height)
        const scale = (yAt(0) - yAt(100)) / 100
        expect(scale).toBeGreaterThan(0)
        expect(yAt(-250)).toBeCloseTo(yAt(0) + 250 * scale, 6)
        const points = lines.flatMap((line) => line.points)
        for (let i = 1; i < points.length; i++)
          expect(points[i]!.x).toBeGreaterThanOrEqual(points[i - 1]!.x)
        for (const { along, height: mm } of installation.route) {
          const drawn = points.find((point) => Math.abs(point.x - xAt(along)) < 1e-9)!
          expect(drawn.y).toBeCloseTo(yAt(mm), 6)
        }
      }),
    )
  })

  it('stays inside its frame, with master, slave and level on their heights', () => {
    fc.assert(
      fc.property(kind, size, (installation, { width, height }) => {
        const drawing = drawLine(installation, width, height)
        for (const { x, y } of [
          drawing.master,
          drawing.slave,
          ...drawing.lines.flatMap((line) => line.points),
        ]) {
          expect(x).toBeGreaterThan(0)
          expect(x).toBeLessThan(width)
          expect(y).toBeGreaterThan(0)
          expect(y).toBeLessThan(height)
        }
        expect(drawing.master.y).toBeCloseTo(drawing.yAt(0), 6)
        expect(drawing.slave.y).toBeCloseTo(drawing.yAt(installation.route.at(-1)!.height), 6)
        expect(drawing.reservoirLevel).toBeCloseTo(drawing.yAt(installation.reservoir.height), 6)
      }),
    )
  })

  it('marks unions where one line meets the next, and crests where the core finds them', () => {
    const drawing = drawLine(fromArchetype('long-line'), 1000, 210)
    expect(drawing.unions).toHaveLength(1)
    expect(drawing.unions[0]!.x).toBeCloseTo(drawing.xAt(1450), 6)
    expect(drawing.crests.map((crest) => crest.x)).toEqual([drawing.xAt(740)])
    expect(drawing.ticks.map((tick) => tick.height)).toEqual([-200, -100, 0, 100, 200])
  })

  it('follows a line that was measured longer', () => {
    const longer = withMeasured(fromArchetype('long-line'), 'lines.0.length', 2000)
    const drawing = drawLine(longer, 1000, 210)
    expect(lengthOfLines(longer.circuit)).toBe(2380)
    expect(drawing.slave.x).toBeCloseTo(drawing.xAt(2380), 6)
    expect(drawing.lines[0]!.points.at(-1)!.x).toBeCloseTo(drawing.xAt(2000), 6)
  })
})
