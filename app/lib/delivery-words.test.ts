import { describe, expect, it } from 'vitest'
import { clock, daysWords, deliveryWords, money } from './delivery-words'

const now = new Date(2026, 10, 27, 15, 0)
const at = (day: number, hour: number, minute = 0) =>
  new Date(2026, 10, day, hour, minute).toISOString()

describe('deliveries in words', () => {
  it.each([
    [at(27, 9, 30), 'today 09:30'],
    [at(28, 0, 5), 'tomorrow 00:05'],
    [at(26, 9), 'Thu 26 Nov, 09:00'],
    [at(30, 9, 30), 'Mon 30 Nov, 09:30'],
    [null, 'no day known'],
  ])('%s is %s', (iso, words) => expect(deliveryWords(iso, now).replace(/^(\w{3}),/, '$1')).toBe(words))
  it('count days, money and the clock as one says them', () => {
    expect([0, 1, 3].map(daysWords)).toEqual(['at hand', '1 day', '3 days'])
    expect([money(4), money(4.5, 'EUR')]).toEqual(['4.00', '4.50 EUR'])
    expect(clock(at(27, 7, 5))).toBe('07:05')
  })
})
