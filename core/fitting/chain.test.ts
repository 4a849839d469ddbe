import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chain, join, type ChainCosts, type End, type Piece } from '.'

const THREADS = ['M10x1', 'M12x1', '3/8-24'] as const
const end = (thread: string, gender: 'male' | 'female'): End => ({ thread, gender, seat: 'oRing' })
const anyEnd = fc
  .tuple(fc.constantFrom(...THREADS), fc.constantFrom('male' as const, 'female' as const))
  .map(([thread, gender]) => end(thread, gender))
const anyPiece = fc.record({
  ends: fc.tuple(anyEnd, anyEnd),
  price: fc.integer({ min: 0, max: 9 }),
  days: fc.integer({ min: 0, max: 3 }),
})
const graph = fc.record({
  from: anyEnd,
  to: anyEnd,
  pieces: fc
    .array(anyPiece, { maxLength: 6 })
    .map((list) => list.map((one, i): Piece => ({ id: 'abcdef'[i]!, ...one }))),
  costs: fc.record({
    piece: fc.integer({ min: 0, max: 3 }),
    joint: fc.integer({ min: 0, max: 6 }),
    day: fc.integer({ min: 0, max: 4 }),
  }),
})

type Found = { chain: { id: string; turned: boolean }[]; cost: number; joints: number }
/** Every chain that there is, one by one. */
function everyChain(from: End, to: End, pieces: readonly Piece[], costs: ChainCosts): Found[] {
  const fits = (a: End, b: End) => join(a, b).verdict !== 'refused'
  const list: Found[] = []
  const walk = (at: End, path: { piece: Piece; turned: boolean }[]): void => {
    if (fits(at, to)) {
      const joints = path.length + 1
      const price = path.reduce((sum, { piece }) => sum + piece.price, 0)
      const days = Math.max(0, ...path.map(({ piece }) => piece.days))
      const cost = price + costs.piece * path.length + costs.joint * joints + costs.day * days
      list.push({ chain: path.map(({ piece, turned }) => ({ id: piece.id, turned })), cost, joints })
    }
    for (const piece of pieces) {
      if (path.some((one) => one.piece === piece)) continue
      for (const turned of [false, true]) {
        const [enters, leaves] = turned ? [piece.ends[1], piece.ends[0]] : piece.ends
        if (fits(at, enters)) walk(leaves, [...path, { piece, turned }])
      }
    }
  }
  walk(from, [])
  return list
}
const ids = ({ chain: list }: Found) => list.map(({ id }) => id).join()
const turns = ({ chain: list }: Found) => list.map(({ turned }) => (turned ? 1 : 0)).join()

describe('a chain of pieces', () => {
  it('is the cheapest of all that there are, with fewer joints and the first names among equals', () => {
    fc.assert(
      fc.property(graph, ({ from, to, pieces, costs }) => {
        const all = everyChain(from, to, pieces, costs).sort(
          (a, b) =>
            a.cost - b.cost ||
            a.joints - b.joints ||
            (ids(a) < ids(b) ? -1 : ids(a) > ids(b) ? 1 : turns(a) < turns(b) ? -1 : 1),
        )
        const found = chain(from, to, pieces, costs)
        if (all.length === 0) expect(found).toHaveProperty('none')
        else {
          expect(found).toMatchObject(all[0]!)
          const onPath = new Set(all.flatMap((one) => one.chain.map(({ id }) => id)))
          for (const { id } of found.refused) expect(onPath.has(id)).toBe(false)
        }
      }),
      { numRuns: 400 },
    )
  })

  it('is one joint where the ends go together, and the pieces say why they do not help', () => {
    const from = end('M10x1', 'male')
    const adapter: Piece = {
      id: 'adapter',
      ends: [end('M12x1', 'female'), end('3/8-24', 'male')],
      price: 9,
      days: 2,
    }
    expect(chain(from, end('M10x1', 'female'), [adapter])).toEqual({
      chain: [],
      cost: 4,
      price: 0,
      joints: 1,
      days: 0,
      refused: [{ id: 'adapter', code: 'thread' }],
    })
    const none = chain(from, end('M12x1', 'male'), [adapter])
    expect(none).toMatchObject({ none: 'No chain of these pieces joins the two ends.' })
  })

  it('of two hundred pieces is found at once', () => {
    const pieces = Array.from({ length: 200 }, (_, i): Piece => {
      const [a, b] = [THREADS[i % 3]!, THREADS[(i * 7 + 1) % 3]!]
      return {
        id: `p${String(i).padStart(3, '0')}`,
        ends: [end(a, i % 2 ? 'male' : 'female'), end(b, i % 5 < 2 ? 'male' : 'female')],
        price: (i * 37) % 23,
        days: i % 6,
      }
    })
    const found = chain(end('M10x1', 'male'), end('3/8-24', 'male'), pieces, {
      piece: 1,
      joint: 4,
      day: 1,
    })
    expect(found).toHaveProperty('chain')
    expect((found as { joints: number }).joints).toBeGreaterThan(1)
  })
})
