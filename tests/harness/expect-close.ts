import { expect } from 'vitest'

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
