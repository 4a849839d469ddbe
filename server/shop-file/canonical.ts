/** A value as JSON with its keys sorted: the same value is the same text, whoever wrote it. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`
  if (value !== null && typeof value === 'object') {
    const own = value as Record<string, unknown>
    const pairs = Object.keys(own)
      .filter((name) => own[name] !== undefined)
      .sort()
      .map((name) => `${JSON.stringify(name)}:${canonical(own[name])}`)
    return `{${pairs.join(',')}}`
  }
  return JSON.stringify(value)
}
