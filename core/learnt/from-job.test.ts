import { describe, expect, it } from 'vitest'
import { entry } from '../../tests/arbitrary/entry'
import { fold, type Entry } from '../journal'
import { stepsTook } from '.'

const told = (
  n: number,
  minutes: number | undefined,
  act: 'done' | 'skipped' | 'undone' = 'done',
  more: Partial<Entry> = {},
): Entry =>
  ({
    ...entry(n, 'step', {
      step: 'renewMaster.off',
      act,
      ...(minutes !== undefined && { minutes }),
    }),
    ...more,
  }) as Entry
const back = (n: number, of: Entry): Entry => ({ ...entry(n, 'withdrawal', {}), withdraws: of.id })
const minutes = (...entries: Entry[]) => stepsTook(fold(entries)).map((one) => one.minutes)

describe('what the steps of a job took', () => {
  it('is told with the step and the moment', () => {
    const one = told(1, 12)
    expect(stepsTook(fold([one]))).toEqual([{ step: 'renewMaster.off', minutes: 12, at: one.at }])
  })
  it('is nothing where no minutes were told, or the step was left out or is open again', () => {
    expect(minutes(told(1, undefined))).toEqual([])
    expect(minutes(told(1, 12, 'skipped'))).toEqual([])
    expect(minutes(told(1, 12), told(2, undefined, 'undone'))).toEqual([])
  })
  it('is as it was told last', () => {
    expect(minutes(told(1, 12), told(2, 15))).toEqual([15])
    expect(minutes(told(1, 12), told(2, 15, 'done', { corrects: told(1, 12).id }))).toEqual([15])
  })
  it('is none that was taken back, with its correction, and is again once that is undone', () => {
    const one = told(1, 12)
    const right = told(2, 15, 'done', { corrects: one.id })
    const taken = back(3, one)
    expect(minutes(one, taken)).toEqual([])
    expect(minutes(one, right, taken)).toEqual([])
    expect(minutes(one, right, taken, back(4, taken))).toEqual([15])
    // The correction alone is taken back: what was told first holds.
    expect(minutes(one, right, back(3, right))).toEqual([12])
  })
})
