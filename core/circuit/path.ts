/** Dotted paths into a circuit or an installation: `slave.bore`, `lines.1.length`. */

/** What stands at a path; nothing where the path leads nowhere. */
export function atPath(node: unknown, path: string): unknown {
  let here = node
  for (const name of path.split('.')) here = (here as Record<string, unknown> | undefined)?.[name]
  return here
}

/** The number at a path; null where there is none. */
export function numberAtPath(node: unknown, path: string): number | null {
  const value = atPath(node, path)
  return typeof value === 'number' ? value : null
}

/**
 * A copy with the value at a path changed; what lies beside the path is shared with the original.
 * @param change from what stands there; a leaf may be missing, as springs are
 * @returns null where a part on the way is missing
 */
export function changedAtPath<T>(
  node: T,
  path: string,
  change: (before: unknown) => unknown,
): T | null {
  const names = path.split('.')
  let whole = true
  const walk = (here: unknown, depth: number): unknown => {
    if (depth === names.length) return change(here)
    const name = names[depth]!
    const leaf = depth === names.length - 1
    if (typeof here !== 'object' || here === null || (!leaf && !(name in here))) {
      whole = false
      return here
    }
    const inner = walk((here as Record<string, unknown>)[name], depth + 1)
    if (Array.isArray(here)) return here.map((item: unknown, i) => (String(i) === name ? inner : item))
    return { ...here, [name]: inner }
  }
  const next = walk(node, 0) as T
  return whole ? next : null
}
