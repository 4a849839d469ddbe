import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { needsPriced, priceOf, pricesOf, type NeedFound, type PricedLine } from '.'

const external = fromArchetype('small-car')
const line = (need: string, price: number, more: Partial<PricedLine> = {}): PricedLine => ({
  ...{ need, price, quantity: 1 },
  ...more,
})
const found = (
  id: string,
  ...parts: [price: number, pieces: number, unsure: string[]][]
): NeedFound => ({
  id,
  found: parts.map(([price, pieces, unsure]) => ({ part: { price }, pieces, unsure })),
})

describe('what parts cost for one job', () => {
  it('nothing is known without a basket: the usual prices serve', () => {
    expect(pricesOf([], [found('master', [40, 1, []])])).toBeNull()
  })
  it('goes by the job’s own lines, at the price that was confirmed, however many', () => {
    const lines = [
      line('hose', 12, { quantity: 2, confirmedPrice: 15 }),
      line('hose', 3),
      line('master', 60, { confirmedPrice: null }),
    ]
    expect(pricesOf(lines, [])).toEqual({ prices: { hose: 33, master: 60 }, kits: {} })
  })
  it('else by the best on the shelf of which nothing is unsure; a pack is counted in pieces', () => {
    const shelf = [
      found('slave', [9, 1, ['bore']], [25, 1, []], [20, 1, []]),
      found('slave.kit', [4, 2, []]),
      found('concentric', [80, 1, ['thread']]),
    ]
    expect(priceOf('slave', [line('hose', 1)], shelf)).toBe(25)
    expect(pricesOf([line('hose', 10)], shelf)).toEqual({
      prices: { hose: 10, slave: 25 },
      kits: { slave: 8 },
    })
  })
  it('each cylinder, its kit and the hose are asked of the shelf, by the vehicle’s own slave', () => {
    const ids = needsPriced(external).map(({ id }) => id)
    expect(ids).toEqual(expect.arrayContaining(['master', 'slave', 'hose', 'master.kit', 'slave.kit']))
    expect(new Set(ids).size).toBe(ids.length)
    const inside = needsPriced(fromArchetype('concentric')).map(({ id }) => id)
    expect(inside).toContain('concentric')
    expect(inside).not.toContain('slave')
  })
})
