/** A typed number, with point or comma; null for what is none. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace('−', '-').replace(',', '.')
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null
}

/** A typed number within bounds, or null. */
export function readWithin(text: string, { min, max }: { min: number; max: number }): number | null {
  const value = readNumber(text)
  return value === null || value < min || value > max ? null : value
}
