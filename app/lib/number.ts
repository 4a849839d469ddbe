import { numberIn } from '~~/core/quantity'

/** A typed number that has no unit to choose (seconds, counts), within bounds; null for anything else. */
export function readWithin(text: string, { min, max }: { min: number; max: number }): number | null {
  const value = numberIn(text)
  return value === null || value < min || value > max ? null : value
}
