import { distance } from 'fastest-levenshtein'
import { fillers, knownWords, phrasesFrom } from './lexicon'
import type { Token } from './tokens'

export type Item = { word: string } | { figure: Extract<Token, { kind: 'figure' }> } | { gap: true }
export const isWord = (item: Item): item is { word: string } => 'word' in item

export const vocabulary = new Set<string>(knownWords)
/** A word without its ending, where that is a known one: boots, flexing, dripping, leaked. */
function plain(word: string): string {
  if (vocabulary.has(word) || fillers.has(word) || word.length < 4) return word
  for (const ending of ['s', 'es', 'ing', 'ed']) {
    if (!word.endsWith(ending)) continue
    const stem = word.slice(0, -ending.length)
    for (const known of [stem, `${stem}e`, stem.replace(/(.)\1$/, '$1')])
      if (known.length > 2 && vocabulary.has(known)) return known
  }
  return word
}
const corrected = new Map<string, string>()
/** A word as it was probably meant: itself, or the one known word that is nearest to it. */
function meant(word: string): string {
  const same = plain(word)
  if (vocabulary.has(same) || fillers.has(same) || word.length < 3) return same
  const before = corrected.get(word)
  if (before !== undefined) return before
  const most = word.length < 7 ? 1 : 2
  let best = word
  let least = most + 1
  for (const known of vocabulary) {
    if (Math.abs(known.length - word.length) > most || known.length < 3) continue
    if (word.length === 3 && !oneMissing(word, known) && !swapped(word, known)) continue
    // Of four letters one may be missing or two may have changed places; another letter makes another word.
    if (word.length === 4 && known.length === 4 && !swapped(word, known)) continue
    const far = swapped(word, known) ? 1 : distance(word, known)
    if (far < least) {
      least = far
      best = known
    }
  }
  corrected.set(word, best)
  return best
}
/** A short word that lacks one letter of a known one. */
const oneMissing = (word: string, known: string): boolean =>
  known.length === 4 &&
  Array.from(known).some((_, i) => known.slice(0, i) + known.slice(i + 1) === word)
/** Two words written as one: bleederdry. */
function twoIn(word: string): [string, string] | null {
  if (word.length < 6 || vocabulary.has(plain(word)) || fillers.has(word)) return null
  for (let i = 3; i <= word.length - 3; i++) {
    const [a, b] = [word.slice(0, i), word.slice(i)]
    if (vocabulary.has(plain(a)) && vocabulary.has(plain(b))) return [a, b]
  }
  return null
}
/** Two letters that changed places count as one slip. */
function swapped(a: string, b: string): boolean {
  if (a.length !== b.length) return false
  let i = 0
  while (i < a.length && a[i] === b[i]) i++
  return i < a.length - 1 && a[i] === b[i + 1] && a[i + 1] === b[i] && a.slice(i + 2) === b.slice(i + 2)
}

export function standard(tokens: readonly Token[], mend: boolean): Item[] {
  const items: Item[] = []
  const words = tokens.map((token) =>
    token.kind === 'word' ? (mend ? meant(token.word) : plain(token.word)) : null,
  )
  for (let i = 0; i < tokens.length;) {
    const token = tokens[i]!
    const glued = token.kind === 'word' && mend ? twoIn(token.word) : null
    if (glued) {
      items.push(
        ...standard(
          glued.map((word) => ({ kind: 'word', word })),
          false,
        ),
      )
      i += 1
      continue
    }
    if (token.kind === 'figure') items.push({ figure: token })
    if (token.kind === 'gap') items.push({ gap: true })
    if (token.kind !== 'word') {
      i += 1
      continue
    }
    const word = words[i]!
    const phrase = phrasesFrom(word).find(({ words: said }) =>
      said.every((one, k) => words[i + k] === one),
    )
    const standardWord = phrase?.standard ?? word
    const last = items.at(-1)
    // Said twice in a row it is said once.
    if (!last || !isWord(last) || last.word !== standardWord) items.push({ word: standardWord })
    i += phrase?.words.length ?? 1
  }
  return items
}
