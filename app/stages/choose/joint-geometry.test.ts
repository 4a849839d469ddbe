import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SEATS, THREADS_IN_USE, type End } from '../../../core/fitting'
import { facing, nutShape, portFirst, portShape } from './joint-geometry'

const anyEnd = fc.record({
  thread: fc.constantFrom(null, ...THREADS_IN_USE.map(({ thread }) => thread)),
  seat: fc.constantFrom(...SEATS),
  gender: fc.constantFrom('male' as const, 'female' as const),
})
const nut: End = {
  thread: 'M10x1',
  gender: 'male',
  seat: 'doubleFlare',
  nut: { length: 10, lead: 4 },
  tube: 4.75,
}
const port: End = { thread: 'M10x1', gender: 'female', seat: 'doubleFlare', depth: 13, counterbore: 1 }

describe('two ends in section', () => {
  it('have their own measures: depth, thread, nose', () => {
    const { thread, seat, from } = portShape(port)
    expect(from).toBe(-19)
    expect(Math.max(...thread.map(([along]) => along))).toBe(-1)
    expect(Math.max(...thread.map(([, radius]) => radius))).toBe(5)
    expect(seat.at(-1)![0]).toBe(-13)
    const drawn = nutShape(nut)
    expect([
      Math.min(...drawn.thread.map(([at]) => at)),
      Math.max(...drawn.thread.map(([at]) => at)),
    ]).toEqual([4, 14])
  })
  it('can be drawn whatever is known of them, inside their own frame', () => {
    fc.assert(
      fc.property(anyEnd, anyEnd, (a, b) => {
        const { from, to, widest, port: one, nut: other, apart } = facing(a, b)
        for (const [along, radius] of [...one.body, ...one.thread, ...one.seat]) {
          expect(along).toBeGreaterThanOrEqual(from - 1e-9)
          expect(radius).toBeLessThanOrEqual(widest + 1e-9)
          expect(radius).toBeGreaterThan(0)
        }
        for (const [along, radius] of [...other.body, ...other.thread, ...other.pipe]) {
          expect(along + apart).toBeLessThanOrEqual(to + 1e-9)
          expect(radius).toBeLessThanOrEqual(widest + 1e-9)
        }
      }),
    )
  })
  it('the port is the one that goes round the other', () => {
    expect([portFirst(port, nut), portFirst(nut, port)]).toEqual([true, false])
  })
})
