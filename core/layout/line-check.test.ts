import { describe, expect, it } from 'vitest'
import { lineOfKind } from '../circuit'
import { fromArchetype } from '../installation'
import { formatOf } from '../quantity'
import { checkLine, compareLayouts, slaveCard, usualLayouts, type LaidLine } from '.'

const format = formatOf('metric')
const hose = lineOfKind('rubber-3-regular', 315)
const said = (laid: Partial<LaidLine>) =>
  Object.fromEntries(
    checkLine({ line: hose, path: 300, moves: true, ...laid }, format).checks.map(({ id, holds }) => [
      id,
      holds,
    ]),
  )

describe('a line as it is to lie', () => {
  it.each([
    ['slack of 5 %', {}, 'length', true],
    ['slack of 2 %', { path: 309 }, 'length', false],
    ['slack of 9 %', { path: 289 }, 'length', false],
    ['too short', { path: 320 }, 'length', false],
    ['nothing moves', { path: 289, moves: false }, 'length', true],
    ['a hose bent to ten diameters', { outerDiameter: 10, radius: 100 }, 'bend', true],
    ['a hose bent tighter', { outerDiameter: 10, radius: 99 }, 'bend', false],
    ['a hose bent, not measured', { outerDiameter: 10 }, 'bend', null],
    ['a hose twisted 15°', { twist: 15 }, 'twist', true],
    ['a hose twisted 16°', { twist: 16 }, 'twist', false],
    ['heat at 100, bare', { heat: [{ distance: 100, sleeved: false }] }, 'heat', true],
    ['heat at 60, bare', { heat: [{ distance: 60, sleeved: false }] }, 'heat', false],
    ['heat at 60, sleeved', { heat: [{ distance: 60, sleeved: true }] }, 'heat', true],
    ['heat not said', {}, 'heat', null],
    ['clear by 10', { clearance: 10 }, 'clearance', true],
    ['clear by 9', { clearance: 9 }, 'clearance', false],
  ] as const)('%s', (_, laid, id, holds) => {
    expect(said(laid)[id]).toBe(holds)
  })

  it('is not judged by a way that nobody measured', () => {
    const { checks } = checkLine({ line: hose, moves: true }, format)
    expect(checks[0]).toEqual({
      id: 'length',
      holds: null,
      words: 'The way between its ends was not measured.',
    })
  })

  it('of steel is judged by how it is bent, and says what it takes', () => {
    const pipe = lineOfKind('steel-475', 905)
    const laid: LaidLine = { line: pipe, path: 900, moves: false, radius: 16, by: 'tool', clips: 1 }
    const { checks, takes } = checkLine(
      {
        ...laid,
        heat: [
          { distance: 60, sleeved: false },
          { distance: 20, sleeved: false },
        ],
      },
      format,
    )
    expect(checks.find(({ id }) => id === 'bend')).toMatchObject({ holds: true, limit: 14.25 })
    expect(checkLine({ ...laid, by: 'hand' }, format).checks[1]).toMatchObject({ holds: false })
    expect(takes).toHaveLength(3)
    expect(takes[0]).toMatch(/^1 clip more/)
    expect(takes[1]).toMatch(/heat sleeve/)
    expect(takes[2]).toMatch(/too near even sleeved/)
  })
})

describe('layouts side by side', () => {
  it('are counted by joints and pieces, with their swell and what is left at the pedal', () => {
    const car = fromArchetype('small-car')
    const rows = compareLayouts(car, usualLayouts(car))
    expect(rows.map(({ id, joints, pieces }) => [id, joints, pieces])).toEqual([
      ['asItIs', 3, 2],
      ['braidedHoses', 3, 2],
      ['oneBraided', 2, 1],
    ])
    const [now, braided, one] = rows as [(typeof rows)[0], (typeof rows)[0], (typeof rows)[0]]
    expect(braided.swell).toBeLessThan(now.swell)
    expect(braided.reserve).toBeGreaterThan(now.reserve)
    expect(one.minutes).toBeLessThan(now.minutes)
    // 1000 mm over 561.8 + 162.8 mm of way; the hose wants 3 % of its own length.
    const way = [0, 1, 2, 3].reduce((sum, i) => {
      const [a, b] = [car.route[i]!, car.route[i + 1]!]
      return sum + Math.hypot(b.height - a.height, b.forward - a.forward)
    }, 0)
    expect(now.spare).toBeCloseTo(1000 - way - 9, 6)
  })
})

describe('a slave’s card', () => {
  const ports = { bleeder: 150, line: 10, endRaise: 0, reach: { bleeder: true, line: true }, turns: 0 }
  it('moves a bleed screw out of the port it was shipped in', () => {
    const card = slaveCard(ports)
    expect(card).toMatchObject({ swap: true, bleederOff: 150, lineOff: 10, leftOff: 10, noseUp: 0 })
    expect(card.words[0]).toMatch(/change places/)
    expect(slaveCard({ ...ports, bleeder: 10, line: 150 }).swap).toBe(false)
  })
  it('says how far it is turned, and how high the nose goes', () => {
    const card = slaveCard({ ...ports, bleeder: 60, line: 150, turns: 45, endRaise: -8 })
    expect(card).toMatchObject({ swap: false, turn: -60, leftOff: 15, noseUp: 8 })
    expect(card.words.join(' ')).toMatch(
      /Turn the slave 45° anticlockwise: then the screw is at the top/,
    )
    expect(card.words.join(' ')).toMatch(/raise the nose/)
    expect(slaveCard({ ...ports, bleeder: 60, line: 150 }).words.join(' ')).toMatch(/does not turn/)
  })
  it('tells the highest port from the one that a wrench reaches', () => {
    const blind = slaveCard({ ...ports, bleeder: 0, line: 90, reach: { bleeder: false, line: true } })
    expect([blind.highest, blind.reachable]).toEqual([{ port: 'bleeder', reached: false }, 'line'])
    expect(slaveCard({ ...ports, reach: { bleeder: null, line: null } }).reachable).toBeNull()
    expect(slaveCard({ ...ports, reach: { bleeder: false, line: false } }).words.at(-1)).toMatch(
      /off the vehicle/,
    )
  })
})
