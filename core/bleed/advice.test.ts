import { describe, expect, it } from 'vitest'
import type { BleedCycle } from '../entries'
import { formatOf } from '../quantity'
import { bleedAdvice, WHEN_IT_STOPS, type BleedSoFar } from './advice'
import type { Now } from './follow'
import type { RankedEntry } from './rank'

const NONE = { low: 0, middle: 0, high: 0 }
const air = (line: number, slave: number, master: number): Now => {
  const of = (middle: number) => ({ low: middle / 2, middle, high: 2 * middle })
  return { line: of(line), slave: of(slave), master: of(master), total: of(line + slave + master) }
}
const cycles = (method: BleedCycle['method'], ...seen: BleedCycle['cameOut'][]): BleedCycle[] =>
  seen.map((cameOut) => ({ method, strokes: 1, cameOut }))
const entry = (methods: RankedEntry['steps'][0]['method'][], more: Partial<RankedEntry> = {}) => ({
  steps: methods.map((method) => ({ method, cycles: 2 })),
  ruledOut: null,
  chance: 1,
  cycles: NONE,
  minutes: NONE,
  fluid: NONE,
  spill: NONE,
  topUps: NONE,
  residual: { line: NONE, slave: NONE, master: NONE, total: NONE },
  firstFluidAt: null,
  lineClearAt: 1,
  cannotReach: [],
  restsOn: [],
  ...more,
})
const RANKED: RankedEntry[] = [
  entry(['vacuum', 'shortStrokes']),
  entry(['openPush'], { cannotReach: ['line'], chance: 0 }),
]
const so = (more: Partial<BleedSoFar>): BleedSoFar => ({
  cycles: [],
  clearInRow: 0,
  wantedClear: 3,
  now: air(1, 0.1, 0.1),
  target: { value: 0.3, from: 'reserve', reachable: true },
  travels: [40],
  wantedTravel: 20,
  measuredSince: false,
  ranked: RANKED,
  ...more,
})
const codes = (more: Partial<BleedSoFar>) =>
  bleedAdvice(so(more), formatOf('metric')).map(({ code }) => code)

/** Written before the advice was: what is known, and what has to be said first. */
describe('what to do next in a bleed', () => {
  it.each([
    ['nothing was logged', {}, []],
    ['two cycles of foam', { cycles: cycles('openPush', 'foam', 'foam') }, ['goOn']],
    [
      'clear three times, not measured',
      {
        cycles: cycles('openPush', 'few', 'clear', 'clear', 'clear'),
        clearInRow: 3,
        now: air(0, 0.1, 0.1),
      },
      ['measure'],
    ],
    [
      'clear three times, and the travel is right',
      {
        cycles: cycles('openPush', 'clear', 'clear', 'clear'),
        clearInRow: 3,
        measuredSince: true,
        travels: [40, 21],
        now: air(0, 0.1, 0.1),
      },
      ['finished'],
    ],
    [
      'clear three times, and the travel is not',
      {
        cycles: cycles('openPush', 'clear', 'clear', 'clear'),
        clearInRow: 3,
        measuredSince: true,
        travels: [40, 34],
        now: air(0.1, 0.1, 0.9),
      },
      ['notThere'],
    ],
    [
      'strokes over a crest that they do not clear',
      { cycles: cycles('openPush', 'few', 'few', 'few', 'few', 'few') },
      ['change'],
    ],
    [
      'vacuum whose bubbles never stop',
      { cycles: cycles('vacuum', 'few', 'few', 'few', 'few'), now: air(0, 0.1, 0.1) },
      ['screw'],
    ],
    [
      'the same with a taped thread',
      { cycles: cycles('vacuum', 'few', 'few', 'few', 'few'), now: air(0, 0.1, 0.1), falseAir: 0 },
      ['goOn'],
    ],
    [
      'nothing comes at all',
      { cycles: cycles('openPush', 'nothing', 'nothing', 'nothing') },
      ['nothing'],
    ],
    [
      'two methods, and free travel stands',
      {
        cycles: [...cycles('openPush', 'few', 'few'), ...cycles('vacuum', 'clear', 'clear')],
        travels: [40, 39, 39],
      },
      ['checks'],
    ],
    ['nobody looked', { cycles: cycles('openPush', 'notSeen', 'notSeen') }, ['goOn']],
  ] as const)('%s', (_, more, expected) => {
    expect(codes(more as Partial<BleedSoFar>)).toEqual(expected)
  })

  it('says where the rest sits, what takes over, and in which order to look', () => {
    const [change] = bleedAdvice(
      so({ cycles: cycles('openPush', 'few', 'few', 'few', 'few', 'few') }),
      formatOf('metric'),
    )
    expect(change!.words).toBe(
      'Open, down, close, up has given what it can: about 1.20 ml is left, most of it in the line. Change to: Vacuum at the bleeder, then ten short strokes.',
    )
    expect(change!.next).toEqual(['vacuum', 'shortStrokes'])
    expect(WHEN_IT_STOPS[0]).toBe('the bleed screw is uppermost')
    expect(WHEN_IT_STOPS).toHaveLength(6)
  })
})
