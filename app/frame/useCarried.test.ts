import { expect, it } from 'vitest'
import { ApiError } from '~/sync/api'
import { useCarried } from './useCarried'

const told = (detail: string, status: number) =>
  new ApiError({ type: 'urn:x', title: 'x', status, detail }, status)

it.each([
  [
    told('The server does not answer.', 0),
    /^The server does not answer, so this was most likely not done/,
  ],
  [told('The database does not answer.', 503), /^The database does not answer\. Nothing was changed/],
  [told('It is ordered already', 409), /^It is ordered already\. Nothing was changed/],
  [new Error('odd.'), /^odd\. Nothing was changed/],
])(
  'says what is known of %s, that what was typed is there, and promises nothing',
  async (failure, words) => {
    const { carry, problem, busy } = useCarried()
    expect(await carry(() => Promise.reject(failure))).toBe(false)
    expect(problem.value).toMatch(words)
    expect(problem.value).toMatch(/what you typed is still here\.$/i)
    expect(problem.value).not.toMatch(/sent when|stays on this device/)
    expect(busy.value).toBe(false)
    expect(await carry(() => Promise.resolve())).toBe(true)
    expect(problem.value).toBe('')
  },
)
