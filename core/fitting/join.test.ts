import { describe, expect, it } from 'vitest'
import {
  answerJoin,
  join,
  lookAlike,
  SEALS,
  SEATS,
  SEAT_TAKES,
  threadOf,
  type End,
  type JoinCode,
} from '.'

const nutOf = (thread: string, more: Partial<End> = {}): End => ({
  thread,
  gender: 'male',
  seat: 'doubleFlare',
  tube: 4.75,
  nut: { length: 10, lead: 4 },
  material: 'steel',
  ...more,
})
const portOf = (thread: string, more: Partial<End> = {}): End => ({
  thread,
  gender: 'female',
  seat: 'doubleFlare',
  tube: 4.75,
  depth: 13,
  material: 'castIron',
  ...more,
})
const codes = (a: End, b: End, atHand?: Parameters<typeof join>[2]) =>
  join(a, b, atHand).reasons.map(({ code }) => code)

describe('a thread by its name', () => {
  it.each([
    ['M10x1', 10, 1, 60],
    ['M12x1.25', 12, 1.25, 60],
    ['3/8-24', 9.525, 25.4 / 24, 60],
    ['7/16-20', 11.1125, 1.27, 60],
    ['3/8-20 BSF', 9.525, 1.27, 55],
    ['G1/8', 9.728, 25.4 / 28, 55],
  ] as const)('%s', (name, diameter, pitch, flank) => {
    const thread = threadOf(name)!
    expect(thread.diameter).toBeCloseTo(diameter, 9)
    expect(thread.pitch).toBeCloseTo(pitch, 9)
    expect(thread.flank).toBe(flank)
  })
  it.each(['M10', 'x1', '3/0-24', 'M10x0', 'G9/8', ''])('%j is none', (name) =>
    expect(threadOf(name)).toBeNull(),
  )
})

describe('look-alikes', () => {
  // By the law itself: (D_f − D_m)·tan 30° / |P_f − P_m|, started where the male lies between minor and nominal.
  it.each([
    ['3/8-24', 'M10x1', 4.7],
    ['7/16-20', 'M12x1.25', 25.6],
    ['M10x1', '7/16-24', 11],
    ['G1/8', 'M10x1', 1.7],
    ['3/8-20 BSF', 'M10x1', 1.02],
  ] as const)('%s in %s binds after %d turns', (male, female, turns) => {
    const found = lookAlike(threadOf(male)!, threadOf(female)!)!
    expect(Math.abs(found.turns! - turns)).toBeLessThan(0.05)
    const joint = join(nutOf(male), portOf(female))
    expect(joint).toMatchObject({ verdict: 'refused', starts: true })
    expect(joint.reasons[0]).toMatchObject({ code: 'lookAlike' })
  })

  it('that do not start, or bind within a turn, are plainly another thread', () => {
    for (const [male, female] of [
      ['M10x1', '3/8-24'],
      ['M12x1', 'M10x1'],
      ['M10x1', 'M12x1'],
      ['M10x1', 'M10x1.25'],
      ['3/8-24', 'M10x1.5'],
    ] as const)
      expect(join(nutOf(male), portOf(female)), `${male} in ${female}`).toMatchObject({
        verdict: 'refused',
        starts: false,
        reasons: [{ code: 'thread' }],
      })
  })

  it('of equal pitch never bind, and of another flank are another thread', () => {
    const bsf = lookAlike(threadOf('3/8-20 BSF')!, threadOf('3/8-20 UNF')!)
    expect(bsf).toEqual({ turns: null, depth: 1 })
    expect(codes(nutOf('3/8-20 BSF'), portOf('3/8-20'))[0]).toBe('lookAlike')
    expect(lookAlike(threadOf('M9.5x1')!, threadOf('M10x1')!)!.turns).toBeNull()
  })
})

describe('a joint', () => {
  it('that is right joins, with its engagement in figures', () => {
    const joint = join(nutOf('M10x1'), portOf('M10x1'))
    expect(joint).toMatchObject({ verdict: 'joins', needs: [], starts: true, reasons: [] })
    // The thread lies from −1 to 9 mm below the face; 9 of it are in the port.
    expect(joint.engaged).toEqual({ length: 9, turns: 9, limit: 8 })
    expect(join(portOf('M10x1'), nutOf('M10x1'))).toEqual(joint)
  })

  it('every seat against every other: only its own, with what it takes', () => {
    for (const a of SEATS)
      for (const b of SEATS) {
        const [one, other]: [End, End] = [
          { thread: null, gender: 'male', seat: a },
          { thread: null, gender: 'female', seat: b },
        ]
        const joint = join(one, other)
        expect(joint.starts).toBeNull()
        if (a !== b) {
          expect(
            joint.reasons.map(({ code }) => code),
            `${a} on ${b}`,
          ).toEqual(['seat'])
          continue
        }
        expect(joint.verdict, a).toBe('joins')
        expect(joint.needs.length, a).toBe(SEAT_TAKES[a].length)
        const bare = join(one, other, [])
        expect(bare.verdict, a).toBe(SEAT_TAKES[a].length > 0 ? 'joinsWith' : 'joins')
      }
  })

  const cases: [string, End, End, JoinCode[]][] = [
    ['a swapped flare', nutOf('M10x1'), portOf('M10x1', { seat: 'bubbleFlare' }), ['seat']],
    ['a thicker pipe', nutOf('M10x1', { tube: 6 }), portOf('M10x1'), ['tube']],
    ['3/16 in for 4.75 mm', nutOf('M10x1', { tube: 4.7625 }), portOf('M10x1'), []],
    ['two nuts', nutOf('M10x1'), nutOf('M10x1'), ['gender']],
    ['two ports of other threads', portOf('M10x1'), portOf('M12x1'), ['thread', 'gender']],
    ['a nut on no thread', nutOf('M10x1'), { ...portOf('M10x1'), thread: null }, ['thread']],
    ['a short nut', nutOf('M10x1', { nut: { length: 8, lead: 4 } }), portOf('M10x1'), ['nutShort']],
    [
      'a short nut that holds too little as well',
      nutOf('M10x1', { nut: { length: 6, lead: 4 } }),
      portOf('M10x1'),
      ['nutShort', 'engagement'],
    ],
    [
      'a counterbore that eats the thread',
      nutOf('M10x1'),
      portOf('M10x1', { counterbore: 2 }),
      ['engagement'],
    ],
    [
      'aluminium, which needs a whole diameter',
      nutOf('M10x1'),
      portOf('M10x1', { material: 'aluminium' }),
      ['engagement'],
    ],
    [
      'plastic, of which nobody knows',
      nutOf('M10x1'),
      portOf('M10x1', { material: 'plastic' }),
      ['notKnown'],
    ],
    [
      'a port that nobody measured',
      nutOf('M10x1'),
      { thread: 'M10x1', gender: 'female', seat: 'doubleFlare' },
      ['notKnown'],
    ],
    [
      'a 37° nut on its cone',
      { thread: '7/16-20', gender: 'male', seat: 'flare37', material: 'steel' },
      { thread: '7/16-20', gender: 'female', seat: 'flare37', nut: { length: 12 }, material: 'steel' },
      ['notKnown'],
    ],
    [
      'quick connectors of two makes',
      { thread: null, gender: 'male', seat: 'quickConnector', profile: 'round' },
      { thread: null, gender: 'female', seat: 'quickConnector', profile: 'flat' },
      ['profile'],
    ],
    [
      'a hose on a barb too wide',
      { thread: null, gender: 'male', seat: 'hoseBarb', bore: 8 },
      { thread: null, gender: 'female', seat: 'hoseBarb', bore: 7 },
      ['tube'],
    ],
  ]
  it.each(cases)('%s', (_, a, b, expected) => {
    expect(codes(a, b)).toEqual(expected)
    expect(codes(b, a).sort()).toEqual([...expected].sort())
  })

  it('takes washers of one metal, copper first, as often as it needs them', () => {
    const banjo: [End, End] = [
      { thread: null, gender: 'male', seat: 'banjo' },
      { thread: null, gender: 'female', seat: 'banjo' },
    ]
    expect(join(...banjo).needs).toEqual(['copperWasher', 'copperWasher'])
    expect(join(...banjo, ['copperWasher'])).toMatchObject({ verdict: 'joinsWith' })
    expect(join(...banjo, ['copperWasher', 'copperWasher']).verdict).toBe('joins')
    expect(join(...banjo, ['aluminiumWasher', 'aluminiumWasher'])).toMatchObject({
      verdict: 'joins',
      needs: ['aluminiumWasher', 'aluminiumWasher'],
    })
    expect(join(...banjo, [...SEALS]).verdict).toBe('joinsWith')
  })

  it.each([
    [{ a: nutOf('M10x1') }, '/b'],
    [{ a: nutOf('M10'), b: portOf('M10x1') }, '/a/thread'],
    [{ a: { ...nutOf('M10x1'), seat: 'cone' }, b: portOf('M10x1') }, '/a/seat'],
    [{ a: nutOf('M10x1'), b: { ...portOf('M10x1'), depth: -1 } }, '/b/depth'],
    [{ a: nutOf('M10x1'), b: portOf('M10x1'), sealsAtHand: ['gum'] }, '/sealsAtHand/0'],
    [{ a: { ...nutOf('M10x1'), colour: 'blue' }, b: portOf('M10x1') }, '/a/colour'],
  ])('refuses what is no question, by its path', (input, path) => {
    expect(() => answerJoin(input)).toThrow(expect.objectContaining({ path }) as Error)
  })
})
