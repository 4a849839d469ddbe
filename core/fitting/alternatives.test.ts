import { describe, expect, it } from 'vitest'
import { formatOf } from '../quantity'
import { ADAPTERS, chain, chainAlternatives, contactsOf, join, type End } from '.'

const inchNut: End = {
  thread: '3/8-24',
  gender: 'male',
  seat: 'doubleFlare',
  nut: { length: 10, lead: 4 },
  tube: 4.75,
  material: 'steel',
}
const metricPort: End = {
  thread: 'M10x1',
  gender: 'female',
  seat: 'doubleFlare',
  depth: 13,
  material: 'castIron',
}
const bubblePort: End = { ...metricPort, seat: 'bubbleFlare' }

describe('adapters of the table', () => {
  it('each joins its own two ends to something, and an inch pipe gets into a metric port', () => {
    for (const { id, ends } of ADAPTERS)
      for (const own of ends) {
        const other: End =
          own.gender === 'female'
            ? {
                thread: own.thread,
                gender: 'male',
                seat: own.seat,
                nut: { length: own.depth! - 4, lead: 4 },
              }
            : { thread: own.thread, gender: 'female', seat: own.seat, depth: own.nut!.length + 4 }
        expect(join(own, other).verdict, id).toBe('joins')
      }
    const { chains, none } = chainAlternatives(inchNut, metricPort, ADAPTERS)
    expect(none).toBeNull()
    expect(chains[0]!.chain).toEqual([{ id: 'm10-38-double', turned: false }])
    expect(chains[0]).toMatchObject({ price: 9, joints: 2, days: 3, cost: 17 })
  })
  it('the alternatives leave a piece out, cost no less, and are none twice', () => {
    const { chains } = chainAlternatives(inchNut, bubblePort, ADAPTERS)
    expect(chains.length).toBeGreaterThan(1)
    expect(chains[0]!.chain.map(({ id }) => id)).toEqual(['m10-38-bubble'])
    expect(chains[1]!.chain.map(({ id }) => id)).toEqual(['m10-38-double', 'm10-flares'])
    expect(chains.map(({ cost }) => cost)).toEqual(
      [...chains.map(({ cost }) => cost)].sort((a, b) => a - b),
    )
    expect(chainAlternatives(inchNut, { ...metricPort, thread: 'M30x2' }, ADAPTERS)).toMatchObject({
      chains: [],
    })
    expect(chain(inchNut, bubblePort, ADAPTERS)).toMatchObject({ cost: chains[0]!.cost })
  })
})

describe('where two ends meet', () => {
  const told = (a: End, b: End) =>
    contactsOf(a, b, join(a, b), formatOf('metric')).map(({ at, holds }) => `${at} ${holds}`)
  it('is told place by place', () => {
    const nut: End = { ...inchNut, thread: 'M10x1' }
    expect(told(nut, { ...metricPort, tube: 4.75 })).toEqual([
      'thread true',
      'seat true',
      'pipe true',
      'nut true',
      'held true',
    ])
    expect(told(inchNut, bubblePort)).toEqual(['thread false', 'seat false'])
    expect(told({ ...nut, nut: { length: 7, lead: 4 } }, metricPort)).toEqual([
      'thread true',
      'seat true',
      'nut false',
      'held false',
    ])
    const inches = contactsOf(nut, metricPort, join(nut, metricPort), formatOf('inch'))
    expect(inches.at(-1)!.words).toBe('0.35 in of thread hold, 9.0 turns; 0.31 in is the least.')
    const banjo: End = { thread: null, gender: 'male', seat: 'banjo' }
    expect(told(banjo, { ...banjo, gender: 'female' })).toEqual(['seat true', 'seal true'])
  })
})
