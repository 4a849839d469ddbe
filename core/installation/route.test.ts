import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineOfKind } from '../circuit'
import {
  addPoint,
  ARCHETYPES,
  crestsOf,
  fromArchetype,
  LEAST_GAP,
  lengthOfLines,
  movePoint,
  pitched,
  placeAt,
  removePoint,
  snapHeight,
  unionAt,
  unionsOf,
  valueAt,
  withLines,
  withMeasured,
  withRoute,
  type Installation,
} from '.'

const kind = fc.constantFrom(...ARCHETYPES.map(({ id }) => id)).map(fromArchetype)
const start = fromArchetype('long-line')

/** What must hold of any route after any editing. */
function expectSound({ route, circuit }: Installation): void {
  expect(route[0]!.along).toBe(0)
  expect(route.at(-1)!.along).toBeCloseTo(lengthOfLines(circuit), 6)
  for (let i = 1; i < route.length; i++) expect(route[i]!.along).toBeGreaterThan(route[i - 1]!.along)
  for (const line of circuit.lines) expect(line.length).toBeGreaterThan(0)
}

type Edit = (installation: Installation) => Installation
const share = fc.double({ min: 0, max: 1, noNaN: true })
const edit: fc.Arbitrary<Edit> = fc.oneof(
  fc
    .tuple(
      fc.nat(12),
      fc.double({ min: -900, max: 3000, noNaN: true }),
      fc.integer({ min: -500, max: 500 }),
    )
    .map(
      ([index, along, height]): Edit =>
        (one) =>
          movePoint(one, index, { along, height }),
    ),
  share.map(
    (at): Edit =>
      (one) =>
        addPoint(one, at * lengthOfLines(one.circuit))?.installation ?? one,
  ),
  fc.nat(12).map(
    (index): Edit =>
      (one) =>
        removePoint(one, index),
  ),
  fc.tuple(fc.nat(3), fc.integer({ min: 20, max: 900 })).map(
    ([index, length]): Edit =>
      (one) =>
        withLines(one, { act: 'insert', index, line: lineOfKind('steel-475', length) }),
  ),
  fc.nat(3).map(
    (index): Edit =>
      (one) =>
        withLines(one, { act: 'remove', index }),
  ),
  fc.tuple(fc.nat(3), fc.integer({ min: 20, max: 900 })).map(
    ([index, length]): Edit =>
      (one) =>
        withLines(one, { act: 'replace', index, line: lineOfKind('braided', length) }),
  ),
  fc.tuple(fc.nat(1), fc.integer({ min: 50, max: 3000 })).map(
    ([index, length]): Edit =>
      (one) =>
        one.circuit.lines[index] ? withMeasured(one, `lines.${index}.length`, length) : one,
  ),
)

describe('routing', () => {
  it('stays sound through any editing', () => {
    fc.assert(
      fc.property(kind, fc.array(edit, { maxLength: 25 }), (installation, edits) => {
        let now = installation
        for (const one of edits) {
          now = one(now)
          expectSound(now)
        }
      }),
    )
  })

  it('a point stays between its neighbours, and the ends stay ends', () => {
    expect(movePoint(start, 3, { along: 9000 }).route[3]!.along).toBe(1150 - LEAST_GAP)
    expect(movePoint(start, 0, { along: 50, height: 7 }).route[0]).toMatchObject({
      along: 0,
      height: 7,
    })
    expect(movePoint(start, 99, { height: 7 })).toBe(start)
  })

  it('a point on a union takes it along: one line grows by what the other loses', () => {
    expect(unionsOf(start.circuit)).toEqual([1450])
    expect(unionAt(start.circuit, 1450)).toBe(0)
    const moved = movePoint(start, 5, { along: 1400 })
    expect(moved.circuit.lines.map((line) => line.length)).toEqual([1400, 430])
    expect(lengthOfLines(moved.circuit)).toBe(1830)
    const beside = movePoint(start, 4, { along: 1448 })
    expect(beside.circuit.lines).toBe(start.circuit.lines)
    expect(beside.route[4]!.along).toBe(1450 - LEAST_GAP)
  })

  it('a point is added on the way, and taken off again without a trace', () => {
    const { installation, index } = addPoint(start, 700)!
    expect(installation.route[index]).toMatchObject({ along: 700 })
    expect(installation.route[index]!.height).toBeCloseTo(150 - (2 * 370) / 820, 9)
    expect(removePoint(installation, index).route).toEqual(start.route)
    expect(addPoint(start, 1150 + LEAST_GAP / 2)).toBeNull()
    expect(removePoint(start, 0)).toBe(start)
    expect(placeAt(start.route, 5000).height).toBe(-200)
  })

  it('snaps level with a neighbour before it snaps to a round height', () => {
    expect(snapHeight(start.route, 4, 146, 8, 10)).toBe(150)
    expect(snapHeight(start.route, 4, 113, 8, 10)).toBe(110)
    expect(snapHeight(start.route, 4, 113, 0, 1)).toBe(113)
  })

  it('a crest that is lowered to a fall is none, and one that is raised tells its volume', () => {
    const falling = withRoute(start, [
      { along: 0, height: 0, forward: 0 },
      { along: 1830, height: -200, forward: 420 },
    ])
    expect(crestsOf(falling)).toEqual([])
    expect(falling.assumed).not.toContain('route')
    const added = addPoint(falling, 915)!
    const crest = crestsOf(movePoint(added.installation, added.index, { height: 120 }))[0]!
    expect(crest).toMatchObject({ along: 915, height: 120 })
  })

  it('a route that is older than its lines is drawn over their length', () => {
    const older = [...start.route]
    const longer = withMeasured(start, 'lines.0.length', 2450)
    expect(withRoute(longer, older).route.at(-1)!.along).toBe(2830)
  })

  it('nose up turns heights by what lies forward', () => {
    const up = pitched(
      [
        { along: 0, height: 0, forward: 0 },
        { along: 500, height: 0, forward: -400 },
      ],
      10,
    )
    expect(up[1]!.height).toBeCloseTo(-400 * Math.sin(Math.PI / 18), 9)
    expect(pitched(start.route, 0)).toEqual(start.route)
  })
})

describe('lines that come and go', () => {
  it('take their way with them, and renumber what is assumed', () => {
    expect(start.assumed).toContain('lines.1.length')
    const three = withLines(start, { act: 'insert', index: 1, line: lineOfKind('rubber-3-low', 200) })
    expect(three.circuit.lines.map(({ length }) => length)).toEqual([1450, 200, 380])
    expect(three.assumed).toContain('lines.2.length')
    expect(three.assumed).not.toContain('lines.1.length')
    const back = withLines(three, { act: 'remove', index: 1 })
    expect(back.circuit.lines).toEqual(start.circuit.lines)
    expect(back.route).toEqual(start.route)
    expect(
      withLines(withLines(start, { act: 'remove', index: 0 }), { act: 'remove', index: 0 }).circuit
        .lines,
    ).toHaveLength(1)
  })
})

describe('figures of the place', () => {
  it('are measured by their own paths and refused where the part is not there', () => {
    const turned = withMeasured(start, 'slave.bleeder.angle', 40)
    expect(turned.slave.bleeder).toEqual({ kind: 'screw', angle: 40 })
    expect(valueAt(turned, 'slave.bleeder.angle')).toBe(40)
    expect(turned.assumed).not.toContain('slave.bleeder.angle')
    expect(valueAt(start, 'slave.room')).toBeNull()
    expect(withMeasured(start, 'slave.room', 6).slave.room).toBe(6)
    expect(() => withMeasured(start, 'lines.7.length', 100)).toThrow(/no such part/)
  })
})
