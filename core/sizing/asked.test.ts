import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { boresBeside, limitsOf, sizingAsked, SIZING_LIMITS, startCandidates } from '.'

const { circuit } = fromArchetype('small-car')
const offered = { masters: [15.87, 17.46, 19.05, 20.64, 22.2], slaves: [19.05, 22.2, 25.4] }

describe('bores that are tried', () => {
  it('are the one that is there, as it was measured, and two on either side of it', () => {
    expect(boresBeside(19, [15.87, 17.46, 19.05, 20.64, 22.2, 25.4])).toEqual([
      15.87, 17.46, 19, 20.64, 22.2,
    ])
    expect(boresBeside(12, offered.masters)).toEqual([12, 15.87, 17.46])
  })
  it('always hold the present one, from small to large, five at the most', () => {
    const bore = fc.double({ min: 10, max: 40, noNaN: true })
    fc.assert(
      fc.property(bore, fc.array(bore, { maxLength: 12 }), (own, sizes) => {
        const list = boresBeside(own, sizes)
        expect(list).toContain(own)
        expect(list.length).toBeLessThanOrEqual(5)
        // Two that are nearly the same one may stand in either order.
        for (let i = 1; i < list.length; i++) expect(list[i]!).toBeGreaterThan(list[i - 1]! - 0.06)
      }),
    )
  })
})

describe('what is sized', () => {
  const start = startCandidates(circuit, offered)
  const asItIs = [{ id: 'asItIs', lines: circuit.lines }]
  it('begins with the sizes next to what is there, the present pedal and the present line', () => {
    expect(start.ratios).toEqual([circuit.pedal.ratio])
    expect([start.rings, start.cylinders, start.layouts]).toEqual([[], [], ['asItIs']])
    const concentric = startCandidates(fromArchetype('concentric').circuit, offered)
    expect([concentric.slaves, concentric.rings.length]).toEqual([[], 1])
  })
  it('is every combination, and with other lines once for each of them', () => {
    const limits = limitsOf({}, null)
    const once = sizingAsked(circuit, start, asItIs, limits)
    expect([once.choices.length, once.lines]).toEqual([start.masters.length * start.slaves.length, []])
    const ways = [...asItIs, { id: 'narrow', lines: circuit.lines.slice(0, 1) }]
    const twice = sizingAsked(circuit, start, ways, limits)
    expect([twice.choices.length, twice.lines.length]).toEqual([2 * once.choices.length, 2])
  })
  it('a longer rod goes with every slave, typed or offered', () => {
    const longer = {
      ...{ ...start, rodExtension: 4 },
      cylinders: [{ part: 'slave' as const, bore: 21, stroke: 30 }],
    }
    const { choices } = sizingAsked(circuit, longer, asItIs, SIZING_LIMITS)
    expect(choices.every(({ slave }) => slave.rodExtension === 4)).toBe(true)
    expect(choices.some(({ slave }) => 'bore' in slave && slave.bore === 21)).toBe(true)
  })
  it('what somebody set holds over what was measured, and that over nothing', () => {
    expect([limitsOf({ room: 3 }, 7).room, limitsOf({}, 7).room, limitsOf({}, null).room]).toEqual([
      3,
      7,
      null,
    ])
  })
})
