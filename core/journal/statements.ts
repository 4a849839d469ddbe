/** Between two statements of a line; a comma before a digit is a decimal one. */
const BETWEEN = /[,;](?!\d)/

/** Statements of a line that are told apart by commas, without what stands between them. */
export const statementsIn = (text: string): string[] =>
  text
    .split(BETWEEN)
    .map((one) => one.trim())
    .filter((one) => one !== '')

/** The statement that is being typed, and all that stands before it. */
export function lastStatement(text: string): { before: string; last: string } {
  const last = text.split(BETWEEN).at(-1)!.trimStart()
  return { before: text.slice(0, text.length - last.length), last }
}
