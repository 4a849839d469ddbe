import { describe, expect, it } from 'vitest'
import {
  CALLS,
  isTrick,
  movesOf,
  stoodBefore,
  THING_ROWS,
  THINGS,
  WORKS,
  type Coached,
  type Stretch,
} from '..'
import { METHODS, TRICKS } from '../../journal'
import { CALL_WORDS, RIGHT_SENTENCES, SENTENCES, STATE_WORDS, THING_SENTENCES } from '.'
import { sounds } from './sounds.json'

const ALL = [...METHODS, ...TRICKS, ...WORKS] as Coached[]
const STRETCHES = ['before', 'cycle', 'after'] as const

describe('words that are shouted', () => {
  const words = [
    ...new Set([...CALLS.map((call) => CALL_WORDS[call].word), ...Object.values(STATE_WORDS)]),
  ]
  it('stand for one thing each: no two calls have the same word', () => {
    const of = CALLS.map((call) => CALL_WORDS[call].word)
    expect(of.filter((word, i) => of.indexOf(word) !== i)).toEqual([])
  })
  it('are each written down as they are said, and nothing else is', () => {
    expect(Object.keys(sounds).sort()).toEqual([...words].sort())
  })
  it('are one or two short words', () => {
    for (const word of words) expect(word.length, word).toBeLessThanOrEqual(8)
  })
  /** Sounds that have to be changed, put in or left out to make one of the other. */
  function apart(a: string[], b: string[]): number {
    let row = b.map((_, j) => j + 1)
    row.unshift(0)
    a.forEach((one, i) => {
      const next = [i + 1]
      b.forEach((other, j) =>
        next.push(Math.min(next[j]! + 1, row[j + 1]! + 1, row[j]! + (one === other ? 0 : 1))),
      )
      row = next
    })
    return row.at(-1)!
  }
  const VOWEL = /^(AA|AE|AH|AI|AO|AU|EH|EI|ER|IH|II|O|OD|OH|OI|UH|UU)$/
  /** From the last full vowel on: what rhymes. */
  const rhyme = (list: string[]) => {
    const at = list.findLastIndex((one) => VOWEL.test(one))
    return list.slice(Math.max(0, at)).join(' ')
  }
  it('and none sounds like another: they do not rhyme, and more than half of their sounds differ', () => {
    const spoken = Object.entries(sounds).map(([word, said]) => ({ word, list: said.split(' ') }))
    const alike = spoken.flatMap((a, i) =>
      spoken.slice(i + 1).flatMap((b) => {
        const share = apart(a.list, b.list) / Math.max(a.list.length, b.list.length)
        return share <= 0.5 || rhyme(a.list) === rhyme(b.list) ? [`${a.word} ~ ${b.word}`] : []
      }),
    )
    expect(alike).toEqual([])
  })
})

describe('sentences of the calls', () => {
  it('are there for every move of every method, each with the call that it belongs to', () => {
    for (const method of ALL)
      for (const stretch of STRETCHES)
        expect(
          (SENTENCES[method][stretch] ?? []).map(([call]) => call),
          `${method} ${stretch}`,
        ).toEqual(movesOf(method)[stretch].map(({ call }) => call))
  })
  it('are there for all that is put on and taken off by itself', () => {
    for (const thing of THINGS) {
      const { on, off } = THING_ROWS[thing]
      if (on) expect(THING_SENTENCES[thing]?.on, thing).toHaveLength(2)
      if (off && off.call !== 'remove') expect(THING_SENTENCES[thing]?.off, thing).toHaveLength(2)
    }
  })
  it('no sentence is shared by methods in which the pedal, or what holds it, stands otherwise', () => {
    const seen = new Map<string, string>()
    const tell = (sentence: string, stands: string) => {
      const known = seen.get(sentence) ?? stands
      expect(known, sentence).toBe(stands)
      seen.set(sentence, stands)
    }
    for (const method of ALL)
      for (const stretch of STRETCHES)
        (SENTENCES[method][stretch] ?? []).forEach(([, does, other], i) => {
          const { pedal, heldBy } = stoodBefore(method, stretch as Stretch, i)
          for (const sentence of [does, other]) tell(sentence, `${pedal} ${heldBy}`)
        })
    for (const [, rows] of Object.entries(RIGHT_SENTENCES))
      for (const [stands, said] of Object.entries(rows))
        for (const sentence of said) tell(sentence, `right ${stands}`)
  })
  it('nobody is told to stay down where nobody is down, or to take the foot off where it has to stay', () => {
    for (const method of ALL)
      for (const stretch of STRETCHES)
        (SENTENCES[method][stretch] ?? []).forEach(([call, does, other], i) => {
          const { pedal } = stoodBefore(method, stretch as Stretch, i)
          const told = `${does} ${other}`
          const at = `${method} ${call}: ${told}`
          if (call !== 'down' && call !== 'pump' && pedal === 'up')
            expect(told, at).not.toMatch(
              /stays? down|stay on it|keep standing|keep it down|still presses/i,
            )
          if (pedal === 'down' && call !== 'up' && call !== 'bar' && call !== 'remove')
            expect(told, at).not.toMatch(/foot off|off the pedal|let the pedal|is up\b/i)
        })
  })
  it('what hurts is said beside the step: no foot on the pedal while the piston is pressed home', () => {
    const rows = SENTENCES.bottomed.cycle.filter(([call]) => ['open', 'squeeze', 'shut'].includes(call))
    for (const [, does] of rows) expect(does).toContain('No foot on the pedal')
  })
  it('every trick has its own', () => {
    expect(ALL.filter(isTrick).map((one) => SENTENCES[one].cycle.length > 0)).not.toContain(false)
  })
})
