import { timeline, tell, type Entry, type Kind } from '../journal'
import { formatOf } from '../quantity'

/** What is written in a job or a vehicle, cut into words that are compared as people type them. */

/** Words of a text: letters and digits, small, without accents. */
export function wordsIn(text: string): string[] {
  return (
    text
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .match(/[\p{L}\p{N}]+/gu) ?? []
  )
}

/** Most words that are asked for at once; further ones narrow nothing that anybody would miss. */
const MOST_TERMS = 8
/** What is asked for: each must begin a word. */
export const termsOf = (asked: string): string[] => [...new Set(wordsIn(asked))].slice(0, MOST_TERMS)

/** A line of a history as it is read. */
export interface WrittenLine {
  /** Id of the entry. */
  id: string
  kind: Kind
  at: string
  by: string
  words: string
}

/** Free words that a kind’s own sentence leaves out. */
const FREE = ['words', 'why', 'reason', 'note', 'what', 'wanted', 'option', 'number'] as const

/** Everything that stands in a history, a line for each entry; what was taken back or put right is left out. */
export function writtenIn(history: readonly Entry[]): WrittenLine[] {
  const format = formatOf('metric')
  return timeline(history).standing.flatMap(({ origin, holds }) => {
    if (holds.kind === 'withdrawal') return []
    const told = tell(holds, format)
    const payload = holds.payload as unknown as Record<string, unknown>
    const more = FREE.flatMap((name) => {
      const value = Object.hasOwn(payload, name) ? payload[name] : undefined
      return typeof value === 'string' && value.trim() !== '' && !told.includes(value) ? [value] : []
    })
    return [
      {
        id: origin.id,
        kind: holds.kind,
        at: holds.at,
        by: holds.by,
        words: [told, ...more.map((words) => `“${words}”`)].join(' '),
      },
    ]
  })
}

/** A number plate is found with its gaps and without. */
export const plateWords = (plate: string | null): string[] =>
  plate === null ? [] : [...wordsIn(plate), wordsIn(plate).join('')]

/** Every word of these lines and names, once each. */
export function allWords(lines: readonly WrittenLine[], names: readonly string[]): string[] {
  const words = new Set<string>()
  for (const { words: line } of lines) for (const word of wordsIn(line)) words.add(word)
  for (const name of names) for (const word of wordsIn(name)) words.add(word)
  return [...words]
}

/** Lines that hold what was asked for: those with most of it, then the newest. */
export function linesWith(
  lines: readonly WrittenLine[],
  terms: readonly string[],
  most: number,
): WrittenLine[] {
  return lines
    .map((line) => {
      const words = wordsIn(line.words)
      return { line, hits: terms.filter((term) => words.some((word) => word.startsWith(term))).length }
    })
    .filter(({ hits }) => hits > 0)
    .sort((a, b) => b.hits - a.hits || b.line.at.localeCompare(a.line.at))
    .slice(0, most)
    .map(({ line }) => line)
}
