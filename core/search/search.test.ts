import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { entry as made, ulidOf } from '../../tests/arbitrary/entry'
import type { Entry, Kind, Payloads } from '../journal'
import { allWords, linesWith, plateWords, termsOf, wordsIn, writtenIn } from './search'

const entry = <K extends Kind>(n: number, kind: K, payload: Payloads[K], more: Partial<Entry> = {}) =>
  made(n, kind, payload, { at: `2026-11-0${n}T08:00:00.000Z`, ...more })

describe('words', () => {
  it('are letters and digits, small and without accents', () => {
    expect(wordsIn('Größe: 7.5 mm, “Éclair”-Fitting')).toEqual([
      'große',
      '7',
      '5',
      'mm',
      'eclair',
      'fitting',
    ])
    expect(plateWords('MA-24 KPL')).toEqual(['ma', '24', 'kpl', 'ma24kpl'])
    expect(termsOf('wet  WET boot')).toEqual(['wet', 'boot'])
  })

  it('of any text find that text again, whatever it is', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (text) => {
        const line = { id: '1', kind: 'note' as const, at: '2026', by: 'p', words: text }
        const words = new Set(allWords([line], []))
        for (const term of termsOf(text)) {
          expect(words.has(term)).toBe(true)
          expect(linesWith([line], [term.slice(0, 3)], 1)).toEqual([line])
        }
      }),
    )
  })
})

describe('a history', () => {
  const history = [
    entry(1, 'complaint', { complaint: 'soft', words: 'sags at the lights' }),
    entry(2, 'note', { words: 'weeps at the flare' }),
    entry(3, 'note', { words: 'boot was wet' }),
    entry(4, 'note', { words: 'boot was damp' }, { corrects: ulidOf(1003) }),
    entry(5, 'withdrawal', {}, { withdraws: ulidOf(1002) }),
  ]
  it('is read as it stands: what was taken back or put right is not found', () => {
    const lines = writtenIn(history)
    expect(lines.map(({ words }) => words)).toEqual([
      'Driver: Soft or spongy “sags at the lights”',
      'boot was damp',
    ])
    const words = allWords(lines, ['Tipper', 'MA 24'])
    for (const word of ['sags', 'damp', 'soft', 'tipper', 'ma', '24']) expect(words).toContain(word)
    for (const word of ['weeps', 'wet']) expect(words).not.toContain(word)
  })
  it('shows the lines with most of what was asked first, then the newest', () => {
    const found = linesWith(writtenIn(history), ['boo', 'damp', 'light'], 5)
    expect(found.map(({ id }) => id)).toEqual([ulidOf(1003), ulidOf(1001)])
  })
})
