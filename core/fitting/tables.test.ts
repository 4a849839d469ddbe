import { describe, expect, it } from 'vitest'
import { HEXES, hexesNear, lookAlike, SEATS, THREADS_IN_USE, threadOf, TIGHTENING } from '.'

describe('tables of what is in use', () => {
  it('every thread can be read, once, with its reason', () => {
    for (const { thread, reason, where } of THREADS_IN_USE) {
      expect(threadOf(thread), thread).not.toBeNull()
      expect(reason.length + where.length, thread).toBeGreaterThan(20)
    }
    expect(new Set(THREADS_IN_USE.map(({ thread }) => thread)).size).toBe(THREADS_IN_USE.length)
  })
  it('what a reason says of look-alikes is so', () => {
    const turns = (male: string, female: string) => lookAlike(threadOf(male)!, threadOf(female)!)?.turns
    expect(turns('3/8-24', 'M10x1')).toBeCloseTo(4.7, 1)
    expect(turns('M10x1', '7/16-24')).toBeGreaterThan(10)
    expect(turns('7/16-20', 'M12x1.25')).toBeGreaterThan(20)
    expect(lookAlike(threadOf('M8x1.25')!, threadOf('M8x1')!)).toBeNull()
  })
  it('every hex names what fits, and a measured one is found', () => {
    for (const { name, fits, mustNot, reason } of HEXES)
      expect(
        [fits, mustNot, reason].every((one) => one.length > 3),
        name,
      ).toBe(true)
    expect(hexesNear(11.1).map(({ name }) => name)).toEqual(['7/16 in', '11 mm', '3/16 W, 1/4 BSF'])
    expect(hexesNear(30)).toEqual([])
  })
  it('every seat is made and proved, and no figure of force stands in the words', () => {
    for (const seat of SEATS) {
      const { first, then, proof, caution = '' } = TIGHTENING[seat]
      expect(
        [first, then, proof].every((one) => one.length > 10),
        seat,
      ).toBe(true)
      expect(`${first}${then}${proof}${caution}`).not.toMatch(/N·?m|lbf|ft-?lb/i)
    }
  })
})
