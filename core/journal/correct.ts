import { distance } from 'fastest-levenshtein'
import { statementsIn } from './statements'
import { statesOf, subjects, understandAll, type SayContext } from './say'

/** A slip of the finger in so many letters; the shorter the word, the fewer may be wrong. */
const slips = (word: string): number => (word.length < 4 ? 1 : word.length < 9 ? 2 : 3)

/** Letters that are wrong; two neighbours changed over count as one. */
function lettersOff(typed: string, word: string): number {
  const at = [...word].findIndex((letter, i) => letter !== typed[i])
  const swapped = word.slice(0, at) + (word[at + 1] ?? '') + word[at] + word.slice(at + 2)
  return at >= 0 && swapped === typed ? 1 : distance(typed, word)
}

/** The word nearest to what was typed, and how far off it is; null where none is near. */
function nearest(word: string, among: readonly string[]): { word: string; off: number } | null {
  let best: { word: string; off: number } | null = null
  for (const one of among) {
    const least = best?.off ?? slips(word) + 1
    if (Math.abs(one.length - word.length) >= least) continue
    const off = lettersOff(word, one)
    if (off < least) best = { word: one, off }
  }
  return best
}

/**
 * What was probably meant where something is not understood: each statement between commas put right, with the fewest
 * letters changed; null where one of them is near nothing that can be understood. It is offered, never filed by itself.
 */
export function corrected(text: string, context: SayContext): string | null {
  const statements = statementsIn(text)
  const meant = statements.map((one) =>
    'said' in understandAll(one, context) ? one : correctedOne(one, context),
  )
  const offer = meant.every((one) => one !== null) ? meant.join(', ') : null
  return offer !== statements.join(', ') ? offer : null
}

/** One statement with its subject or state put right. */
function correctedOne(text: string, context: SayContext): string | null {
  const words = text.trim().toLowerCase().split(/\s+/)
  const known = subjects()
  let best: { offer: string; off: number } | null = null
  for (let n = 1; n <= Math.min(4, words.length); n++) {
    const subject = nearest(words.slice(0, n).join(' '), known)
    if (!subject) continue
    const rest = words.slice(n).join(' ')
    const state = rest === '' ? null : nearest(rest, statesOf(subject.word))
    for (const one of [{ word: rest, off: 0 }, ...(state ? [state] : [])]) {
      const offer = `${subject.word} ${one.word}`.trim()
      const off = subject.off + one.off
      if (off === 0 || (best && off >= best.off)) continue
      if ('said' in understandAll(offer, context)) best = { offer, off }
    }
  }
  return best?.offer ?? null
}
