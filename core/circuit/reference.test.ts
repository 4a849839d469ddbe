import { describe, expect, it } from 'vitest'
import { VERBS } from '../verbs'
import reference from './reference-cases.json'

/** Relative 1e-4, absolute 1e-3, as the cases themselves state. */
export function expectClose(found: unknown, expected: unknown, path = ''): void {
  if (expected !== null && typeof expected === 'object') {
    for (const [name, value] of Object.entries(expected))
      expectClose((found as Record<string, unknown>)?.[name], value, `${path}/${name}`)
  } else if (typeof expected === 'number') {
    expect(typeof found, path).toBe('number')
    const bound = Math.max(1e-3, 1e-4 * Math.abs(expected))
    expect(Math.abs((found as number) - expected), `${path}: ${String(found)}`).toBeLessThanOrEqual(
      bound,
    )
  } else expect(found, path).toBe(expected)
}

describe('reference cases', () => {
  it.each(reference.cases.map((one, i) => [i, one.verb, one] as const))('%i %s', (_, verb, one) => {
    expectClose(VERBS[verb]!(one.input), one.expect)
  })

  it('are all there', () => {
    expect(
      reference.cases
        .map((one) => one.verb)
        .sort()
        .join(' '),
    ).toBe('air air air air circuit circuit circuit circuit circuit circuit circuit circuit sink')
  })
})
