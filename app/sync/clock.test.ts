import { describe, expect, it } from 'vitest'
import { aheadBy, clockWords } from './clock'

const at = (time: string) => Date.parse(`2026-03-02T${time}Z`)
const SERVER = 'Mon, 02 Mar 2026 14:07:00 GMT'

describe('a clock that is off', () => {
  it('is told by what the server says of its time, whatever an answer takes', () => {
    expect(aheadBy(SERVER, at('15:07:00.400'), at('15:07:00.900'))).toBe(3_600_000 - 600)
    expect(aheadBy(SERVER, at('14:00:00.000'), at('14:00:00.300'))).toBe(-420_000 + 300)
    // Asked before and answered after the server’s second: no difference can be told.
    expect(aheadBy(SERVER, at('14:06:55.000'), at('14:07:04.000'))).toBe(0)
    expect(aheadBy(null, 0, 0)).toBeNull()
    expect(aheadBy('yesterday', 0, 0)).toBeNull()
  })
  it('is said as one says it', () => {
    expect(clockWords(3_600_000)).toContain('60 minutes ahead')
    expect(clockWords(-7 * 60_000)).toContain('7 minutes behind')
    expect(clockWords(5 * 3_600_000)).toContain('5 hours ahead')
  })
})
