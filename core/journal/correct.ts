import { distance } from 'fastest-levenshtein'
import { statesOf, subjects, understandAll, type SayContext } from './say'

/** A slip of the finger in so many letters; the shorter the word, the fewer may be wrong. */
const slips = (word: string): number => (word.length < 4 ? 1 : word.length < 9 ? 2 : 3)

function nearest(word: string, among: readonly string[]): string | null {
  let best: string | null = null
  let least = slips(word) + 1
  for (const one of among) {
    if (Math.abs(one.length - word.length) >= least) continue
    const off = distance(word, one)
    if (off < least) {
      least = off
      best = one
    }
  }
  return best
}

/**
 * What was probably meant by a statement that is not understood: its subject or state put right; null where nothing near
 * can be understood. It is offered, never filed by itself.
 */
export function corrected(text: string, context: SayContext): string | null {
  const words = text.trim().toLowerCase().split(/\s+/)
  const known = subjects()
  for (let n = Math.min(4, words.length); n >= 1; n--) {
    const said = words.slice(0, n).join(' ')
    const subject = nearest(said, known)
    if (!subject) continue
    const rest = words.slice(n).join(' ')
    const tries = [rest]
    const state = rest && nearest(rest, statesOf(subject))
    if (state) tries.push(state)
    for (const one of tries) {
      const offer = `${subject} ${one}`.trim()
      if (offer !== words.join(' ') && 'said' in understandAll(offer, context)) return offer
    }
  }
  return null
}
