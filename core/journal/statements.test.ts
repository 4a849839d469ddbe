import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lastStatement, statementsIn } from './statements'

describe('statements of a line', () => {
  it.each([
    ['boot wet, sink 6 in 60', ['boot wet', 'sink 6 in 60']],
    ['free 42,5; boot dry', ['free 42,5', 'boot dry']],
    [' level low ,, ', ['level low']],
    ['', []],
  ])('%j are told apart', (line, list) => expect(statementsIn(line)).toEqual(list))

  it.each([
    ['boot wet, sedim', 'boot wet, ', 'sedim'],
    ['free 42,5', '', 'free 42,5'],
    ['boot wet,', 'boot wet,', ''],
    ['  boo', '  ', 'boo'],
  ])('%j goes on with its last', (line, before, last) =>
    expect(lastStatement(line)).toEqual({ before, last }),
  )

  it('nothing is lost of what was typed', () => {
    fc.assert(
      fc.property(fc.string(), (line) => {
        const { before, last } = lastStatement(line)
        expect(before + last).toBe(line)
        const list = statementsIn(line)
        if (last.trim()) expect(list.at(-1)).toBe(last.trim())
      }),
    )
  })
})
