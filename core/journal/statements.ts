/** Between two statements of a line; a comma before a digit is a decimal one. */
const BETWEEN = /[,;](?!\d)/

/** The statement that is being typed, and all that stands before it. */
export function lastStatement(text: string): { before: string; last: string } {
  const last = text.split(BETWEEN).at(-1)!.trimStart()
  return { before: text.slice(0, text.length - last.length), last }
}
