import type { FieldProblem } from './problem'

/** Half a character (a surrogate without its other half) can be neither stored nor shown. */
const HALF = /\p{Surrogate}/u
const MOST = 20

/** Texts of a value that hold half a character, each with its JSON pointer; at most twenty. */
export function brokenTexts(value: unknown, at = ''): FieldProblem[] {
  const found: FieldProblem[] = []
  // A list of its own: a body may be nested deeper than calls may be.
  const rest: [unknown, string][] = [[value, at]]
  for (let next = rest.pop(); next && found.length < MOST; next = rest.pop()) {
    const [one, path] = next
    if (typeof one === 'string') {
      if (HALF.test(one)) found.push({ path, message: 'holds half a character: type it again' })
    } else if (one !== null && typeof one === 'object')
      for (const [name, inner] of Object.entries(one)) rest.push([inner, `${path}/${name}`])
  }
  return found
}
