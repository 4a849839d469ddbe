import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chanceWords } from './chance'

describe('a chance in words', () => {
  it.each([
    [0, 'under 1 %'],
    [0.004, 'under 1 %'],
    [0.0149, '1 %'],
    [0.083, '8 %'],
    [0.52, '50 %'],
    [0.53, '55 %'],
    [0.913, '91 %'],
    [0.994, '99 %'],
    [0.996, 'over 99 %'],
    [1, 'over 99 %'],
  ])('%d', (chance, words) => expect(chanceWords(chance)).toBe(words))

  it('is never farther off than it claims, and never falls as the chance rises', () => {
    const number = (words: string) =>
      words.startsWith('under') ? 0 : words.startsWith('over') ? 100 : Number(words.replace(' %', ''))
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, b) => {
          const [low, high] = a < b ? [a, b] : [b, a]
          expect(Math.abs(number(chanceWords(a)) - 100 * a)).toBeLessThanOrEqual(2.5001)
          expect(number(chanceWords(low))).toBeLessThanOrEqual(number(chanceWords(high)))
        },
      ),
    )
  })
})
