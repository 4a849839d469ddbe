import { describe, expect, it } from 'vitest'
import { fold } from '~~/core/journal'
import { entry } from '~~/tests/arbitrary/entry'
import { meantByWork } from './said-work'

const on = entry(1, 'putOn', { item: 'clamp', place: 'feed hose' })
const other = entry(2, 'putOn', { item: 'clamp', place: 'slave hose' })
const off = entry(3, 'removed', { item: 'connector', place: 'slave sensor' })
const state = fold([on, other, off])

describe('what is said of the work', () => {
  it('means the last that went on, or the one whose place is named', () => {
    expect(meantByWork({ kind: 'takenOff', payload: { item: 'clamp' } }, state, null)).toEqual({
      kind: 'takenOff',
      payload: { of: other.id },
    })
    expect(
      meantByWork({ kind: 'takenOff', payload: { item: 'clamp', place: 'feed' } }, state, null),
    ).toEqual({ kind: 'takenOff', payload: { of: on.id } })
    expect(meantByWork({ kind: 'refitted', payload: { item: 'connector' } }, state, null)).toEqual({
      kind: 'refitted',
      payload: { of: off.id },
    })
  })
  it('means the next step', () => {
    expect(
      meantByWork({ kind: 'step', payload: { act: 'done', minutes: 3 } }, state, 'bleed.fill'),
    ).toEqual({ kind: 'step', payload: { act: 'done', minutes: 3, step: 'bleed.fill' } })
    expect(
      meantByWork({ kind: 'surprise', payload: { turned: 'trapped' } }, state, 'bleed.fill'),
    ).toEqual({ kind: 'surprise', payload: { kind: 'trapped', at: 'bleed.fill' } })
  })
  it('says why it means nothing here', () => {
    expect(meantByWork({ kind: 'step', payload: { act: 'done' } }, state, null)).toMatch(/No step/)
    expect(meantByWork({ kind: 'takenOff', payload: { item: 'prop' } }, state, null)).toBe(
      'No pedal prop is on, as far as this job tells',
    )
    expect(meantByWork({ kind: 'refitted', payload: { item: 'panel' } }, state, null)).toMatch(
      /No panel is off/,
    )
  })
})
