import { expect, it } from 'vitest'
import { countOf } from '.'

it('one is one, and none are several', () => {
  expect([0, 1, 2].map((n) => countOf(n, 'cycle'))).toEqual(['0 cycles', '1 cycle', '2 cycles'])
  expect([1, 2].map((n) => countOf(n, 'gap of air', 'gaps of air'))).toEqual([
    '1 gap of air',
    '2 gaps of air',
  ])
})
