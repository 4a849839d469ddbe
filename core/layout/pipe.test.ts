import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { formatOf } from '../quantity'
import {
  cornersOf,
  makePipe,
  pipeProblemWords,
  reformPipe,
  reformWords,
  truePages,
  type Corner,
  type MadePipe,
} from '.'

const format = formatOf('metric')
const at = (forward: number, height: number, side = 0): Corner => ({ forward, side, height })
const pipe = {
  outerDiameter: 4.75,
  radius: 15,
  by: 'tool' as const,
  a: { seat: 'doubleFlare' as const },
  b: { seat: 'doubleFlare' as const },
}

describe('a pipe to be made', () => {
  it('of one right angle: straights, arc and flares by hand', () => {
    const made = makePipe([at(0, 0), at(100, 0), at(100, -80)], pipe)
    // Each leg loses the radius at a right angle; the arc is a quarter round; two flares of 5 mm.
    expect(made.straights).toEqual([85, 65].map((mm) => expect.closeTo(mm, 9) as number))
    expect(made.cut).toBeCloseTo(85 + 65 + (Math.PI / 2) * 15 + 10, 9)
    expect(made.bends).toHaveLength(1)
    expect(made.bends[0]).toMatchObject({ turn: 0, goes: 'down' })
    expect(made.bends[0]!.angle).toBeCloseTo(90, 9)
    expect(made.bends[0]!.at).toBeCloseTo(90, 9)
    expect(made.problems).toEqual([])
  })

  it('says how far it is turned in the bender between two bends', () => {
    const down = makePipe([at(0, 0), at(100, 0), at(100, -80), at(100, -80, 60)], pipe)
    expect(Math.abs(down.bends[1]!.turn)).toBeCloseTo(90, 6)
    expect(down.bends[1]!.goes).toBe('left')
    const back = makePipe([at(0, 0), at(100, 0), at(100, -80), at(180, -80)], pipe)
    expect(Math.abs(back.bends[1]!.turn)).toBeCloseTo(180, 6)
    const round = makePipe([at(0, 0), at(100, 0), at(100, -80), at(20, -80)], pipe)
    expect(round.bends[1]!.turn).toBeCloseTo(0, 6)
  })

  it('is as long as its corners tell, never longer, and the same seen from the other end', () => {
    const corner = fc.record({
      forward: fc.integer({ min: -500, max: 500 }),
      side: fc.integer({ min: -500, max: 500 }),
      height: fc.integer({ min: -500, max: 500 }),
    })
    fc.assert(
      fc.property(fc.array(corner, { minLength: 2, maxLength: 7 }), (corners) => {
        const far = (a: Corner, b: Corner) =>
          Math.hypot(a.forward - b.forward, a.side - b.side, a.height - b.height)
        fc.pre(corners.every((one, i) => i === 0 || far(one, corners[i - 1]!) > 1))
        const folded = /comes straight back/
        let made: MadePipe
        try {
          made = makePipe(corners, pipe)
        } catch (error) {
          expect((error as Error).message).toMatch(folded)
          return
        }
        const polygon = corners.slice(1).reduce((sum, one, i) => sum + far(one, corners[i]!), 0)
        expect(made.cut).toBeLessThanOrEqual(polygon + 10 + 1e-6)
        const turned = makePipe([...corners].reverse(), pipe)
        expect(turned.cut).toBeCloseTo(made.cut, 6)
        expect(turned.bends.map(({ angle }) => angle).reverse()).toEqual(
          made.bends.map(({ angle }) => expect.closeTo(angle, 6) as number),
        )
        const end = made.bends.at(-1)
        if (end) expect(end.at + end.arc + made.straights.at(-1)! + 5).toBeCloseTo(made.cut, 6)
      }),
    )
  })

  it('names what cannot be made', () => {
    const tight = makePipe([at(0, 0), at(20, 0), at(20, -20), at(120, -20)], { ...pipe, radius: 12 })
    expect(tight.problems.map(({ code }) => code)).toEqual(['grip', 'short', 'radius'])
    expect(tight.problems).toContainEqual({ code: 'radius', radius: 12, least: 14.25, by: 'tool' })
    expect(tight.problems).toContainEqual({
      code: 'grip',
      leg: 1,
      left: expect.closeTo(8, 6) as number,
      least: 15,
    })
    expect(tight.problems.map((one) => pipeProblemWords(one, format))).toContain(
      'Leg 2 is 4.0 mm too short for its bends.',
    )
    expect(() => makePipe([at(0, 0)], pipe)).toThrow(/two ends/)
    expect(() => makePipe([at(0, 0), at(0, 0)], pipe)).toThrow(/same place/)
    expect(() => makePipe([at(0, 0), at(100, 0), at(0, 1)], pipe)).toThrow(
      expect.objectContaining({ path: '/corners/1' }) as Error,
    )
    const sharp = makePipe([at(0, 0), at(300, 0), at(10, 100)], pipe)
    expect(sharp.problems[0]).toMatchObject({ code: 'back', corner: 2 })
  })

  it('takes its corners from the way that was drawn', () => {
    const { route } = fromArchetype('small-car')
    expect(cornersOf(route, 0, 700)).toEqual([at(0, 0), at(150, -30), at(430, -60), at(520, -150)])
    expect(cornersOf(route, 180, 520)).toEqual([at(150, -30), at(430, -60)])
    const level = [0, 100, 200].map((along) => ({ along, height: 0, forward: along }))
    expect(cornersOf(level, 0, 200)).toEqual([at(0, 0), at(200, 0)])
  })
})

describe('an old pipe formed anew', () => {
  const made = makePipe([at(0, 0), at(100, 0), at(100, -80)], pipe)
  it.each([
    [made.cut + 6, 30, 60, true, /6\.0 mm to spare.*30°/],
    [made.cut - 12, 30, 60, false, /12 mm too short/],
    [made.cut + 6, 0, 90, false, /90° another way/],
    [made.cut + 6, 350, 20, true, /30°/],
  ])('%d mm long, outlet from %d° to %d°: %s', (length, outletWas, outletIs, does, words) => {
    const found = reformPipe({ length, outletWas, outletIs }, made)
    expect(found.does).toBe(does)
    expect(reformWords(found, format)).toMatch(words)
  })
})

describe('a pipe in its true size', () => {
  it('lies on as many pages as it takes, no piece of it missing', () => {
    const corners = [at(0, 0), at(420, -40), at(520, -400)]
    const print = truePages(corners, 15)!
    expect(print.pages.length).toBeGreaterThan(2)
    const { width, height, margin } = print.page
    for (const { x, y } of print.line)
      expect(
        print.pages.some(
          ({ offset }) =>
            x - offset.x >= margin - 1e-6 &&
            x - offset.x <= width - margin + 1e-6 &&
            y - offset.y >= margin - 1e-6 &&
            y - offset.y <= height - margin - 25 + 1e-6,
        ),
      ).toBe(true)
    const drawn = print.line
      .slice(1)
      .reduce(
        (sum, point, i) => sum + Math.hypot(point.x - print.line[i]!.x, point.y - print.line[i]!.y),
        0,
      )
    // Chords of 3° are shorter than their arc by less than a ten-thousandth.
    expect(drawn).toBeCloseTo(makePipe(corners, pipe).cut - 10, 1)
    expect(print.flat).toBe(false)
  })
  it('is none where it would be more paper than anyone lays out', () => {
    expect(truePages([at(0, 0), at(9000, -9000)], 15)).toBeNull()
    expect(truePages([at(0, 0), at(100, 0, 50), at(200, 0)], 15)!.flat).toBe(true)
  })
})
