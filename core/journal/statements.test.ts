import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { completions } from './completions'
import { lastStatement } from './statements'

describe('statements of a line', () => {
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
      }),
    )
  })

  it('completes from the start of a subject, and a subject with its states', () => {
    expect(completions('fre')).toContain('free travel')
    expect(completions('boot')).toEqual(expect.arrayContaining(['boot wet', 'boot dry']))
    expect(completions('')).toEqual([])
  })
})
