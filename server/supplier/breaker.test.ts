import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Breaker, USUAL_BREAKER } from './breaker'
import { USUAL_CLIENT } from './client'

describe('a breaker', () => {
  it('gives a question five seconds and three tries, with waits that grow', () => {
    expect(USUAL_CLIENT.timeout).toBe(5000)
    expect(USUAL_CLIENT.waits).toHaveLength(2)
    expect(USUAL_CLIENT.waits[1]!).toBeGreaterThan(USUAL_CLIENT.waits[0]!)
  })
  it('says since when, from the first failure of a row until an answer', () => {
    let now = 100
    const breaker = new Breaker(USUAL_BREAKER, () => now)
    for (now of [100, 200, 300]) breaker.failed()
    expect([breaker.since, breaker.lets()]).toEqual([100, false])
    now = 300 + USUAL_BREAKER.rest
    expect(breaker.lets()).toBe(true)
    breaker.answered()
    expect(breaker.since).toBeNull()
    breaker.failed()
    expect([breaker.since, breaker.lets()]).toEqual([now, true])
  })
  it('never says no after an answer, and always lets one through after its rest', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ good: fc.boolean(), wait: fc.nat(20_000) })), (events) => {
        let now = 0
        const breaker = new Breaker(USUAL_BREAKER, () => now)
        for (const { good, wait } of events) {
          now += wait
          if (good) breaker.answered()
          else breaker.failed()
          if (good) expect([breaker.lets(), breaker.since]).toEqual([true, null])
          const at = now
          now += USUAL_BREAKER.rest
          expect(breaker.lets()).toBe(true)
          now = at
        }
      }),
    )
  })
})
