import { describe, expect, it } from 'vitest'
import { formatOf } from '../quantity'
import { partsOf, startCoach, stripOf, shownNow, touched, type CoachState, type ShownAsked } from '.'
import { planTried } from './plan-tried'

const format = formatOf('metric')
const begin = (method: Parameters<typeof partsOf>[0][number]['method'], usable = 200, dry = false) =>
  startCoach(planTried(partsOf([{ method, cycles: 3 }], dry), { usable }))
const shown = (state: CoachState, more: Partial<ShownAsked> = {}) =>
  shownNow(
    {
      ...{ state, roles: ['bleeder'], taken: ['bleeder', 'pedal'] },
      ...{ unheard: false, leads: true },
      ...more,
    },
    format,
  )!
let touch = 0
/** Answers until a call is made. */
function until(state: CoachState, call: string): CoachState {
  let now = state
  for (let i = 0; i < 40; i++) {
    if (shown(now, { roles: ['pedal', 'bleeder'] }).word === call) return now
    now = touched(now, `t${(touch += 1)}`, { touch: 'answer' }).state
  }
  throw new Error(`${call} was never called`)
}

describe('what stands on a screen', () => {
  it('to the one who does it the call and its answer, to the other that it waits', () => {
    const open = until(begin('openPush'), 'Open')
    const mine = shown(open)
    expect([mine.state, mine.word, mine.at]).toEqual(['call', 'Open', 'At the screw, you'])
    expect(mine.answer).toEqual({ words: 'Open', touch: { touch: 'answer' }, role: 'bleeder' })
    const other = shown(open, { roles: ['pedal'] })
    expect([other.state, other.word, other.answer]).toEqual(['waits', 'Wait', null])
    expect(other.ask).toContain('Keep your foot off the pedal')
  })
  it('who stands on the pedal is told to hold while the screw is shut', () => {
    const shut = until(begin('openPush'), 'Close')
    expect(shown(shut, { roles: ['pedal'] }).word).toBe('Hold')
  })
  it('names the role that nobody has taken yet', () => {
    const down = until(begin('openPush'), 'Down')
    expect(shown(down, { taken: ['bleeder'] }).ask).toContain('Nobody is at the pedal yet')
    expect(shown(down).ask).not.toContain('Nobody is')
  })
  it('alone, each call says where it is for; a walk says what comes then', () => {
    const both = { roles: ['pedal', 'bleeder'] as const }
    const walk = until(begin('prop'), 'Walk')
    expect(shown(walk, both).ask).toContain('Then: open.')
    expect(shown(until(begin('prop'), 'Down'), both).at).toBe('At the pedal')
  })
  it('a dry circuit: a pedal that stays down is no fault', () => {
    const up = until(begin('openPush', 200, true), 'Up')
    expect(shown(up, { roles: ['pedal'] }).ask).toContain('lift it by hand')
    expect(shown(until(begin('openPush'), 'Up'), { roles: ['pedal'] }).ask).not.toContain('by hand')
  })
  it('held low it says how much fills it, and stopped with something open, that it is shut first', () => {
    let state = until(begin('openPush', 12), 'Open')
    for (let i = 0; i < 30 && !state.held; i++)
      state = touched(state, `h${i}`, { touch: 'answer' }).state
    expect(state.held).toBe('low')
    const low = shown(state)
    expect([low.state, low.word, low.answer?.touch]).toEqual(['held', 'Fill', { touch: 'toppedUp' }])
    expect(low.ask).toMatch(/About \d+(\.\d+)? ml to the mark/)
    const paused = touched(until(begin('openPush'), 'Down'), 'p', { touch: 'pause' }).state
    const first = shown(paused)
    expect(first.word).toBe('Close')
    expect(first.ask).toContain('Then everything waits for “Go on”')
  })
  it('unheard, nobody is told to move anything', () => {
    const open = until(begin('openPush'), 'Open')
    const lost = shown(open, { unheard: true, leads: false })
    expect([lost.state, lost.answer]).toEqual(['unheard', null])
    expect(lost.ask).toContain('Keep pedal and screw as they are')
  })
  it('the strip has the moves of the cycle, with the one that is on; none while it is made ready', () => {
    expect(stripOf(begin('openPush'))).toEqual([])
    expect(stripOf(until(begin('openPush'), 'Down'))).toEqual([
      { word: 'Open', on: false },
      { word: 'Down', on: true },
      { word: 'Close', on: false },
      { word: 'Up', on: false },
    ])
  })
  it('what hurts is said beside a trick, in its own words', () => {
    const tag = until(begin('bottomed'), 'Tag')
    expect(shown(tag).caution).toContain('Never by hand with a foot on the pedal')
    expect(shown(until(begin('openPush'), 'Open')).caution).toBeUndefined()
  })
})
