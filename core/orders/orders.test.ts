import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromArchetype, withJoint } from '../installation'
import type { ListedPart } from '../shelf'
import {
  bleedKit,
  countsOf,
  mostOf,
  needsOf,
  nextDelivery,
  noCounts,
  openOf,
  ORDER_HAPPENED,
  piecesFor,
  ranked,
  stateOfLines,
  toReturn,
  unknownEnds,
  type DeliveryDay,
} from '.'

/** A ferry on Tuesday and Friday: ordered by noon the day before. */
const FERRY: DeliveryDay[] = [
  { weekday: 1, cutoff: '12:00', arrivesDay: 2, arrives: '09:30' },
  { weekday: 4, cutoff: '12:00', arrivesDay: 5, arrives: '09:30' },
]
const at = (weekday: number, time: string) => {
  const [hours, minutes] = time.split(':').map(Number)
  return { weekday, minute: hours! * 60 + minutes! }
}

describe('the next delivery', () => {
  it.each([
    [1, '11:59', 0, 0, 1],
    [1, '12:00', 0, 0, 1],
    [1, '12:01', 0, 3, 4],
    [5, '08:00', 0, 3, 4],
    [0, '23:00', 0, 1, 2],
    [1, '08:00', 2, 3, 4],
    [1, '08:00', 5, 7, 8],
  ])(
    'ordered on day %i at %s with %i days to come: in by day %i, here after %i',
    (day, time, lead, by, days) => {
      expect(nextDelivery(FERRY, at(day, time), lead)).toMatchObject({
        orderInDays: by,
        inDays: days,
        arrives: '09:30',
      })
    },
  )
  it('is none where no days are set', () => expect(nextDelivery([], at(1, '10:00'))).toBeNull())
  it('never comes before the order is in, and never later for being ordered earlier', () => {
    fc.assert(
      fc.property(fc.nat(6), fc.nat(1439), fc.nat(20), (weekday, minute, lead) => {
        const next = nextDelivery(FERRY, { weekday, minute }, lead)!
        expect(next.inDays).toBeGreaterThanOrEqual(next.orderInDays)
        expect(next.orderInDays).toBeGreaterThanOrEqual(lead)
        expect(next.inDays).toBeLessThanOrEqual(lead + 8)
      }),
    )
  })
})

describe('a line of an order', () => {
  it('has a way through after a short and a wrong delivery', () => {
    const events = [
      { happened: 'delivered', quantity: 1 },
      { happened: 'short', quantity: 1 },
      { happened: 'wrong', quantity: 1 },
    ] as const
    const counts = countsOf(events)
    expect([openOf(3, counts), toReturn(counts)]).toEqual([2, 1])
    expect(stateOfLines([{ quantity: 3, counts }], true)).toBe('partly')
    const after = countsOf([
      ...events,
      { happened: 'returned', quantity: 1 },
      { happened: 'delivered', quantity: 1 },
      { happened: 'cancelled', quantity: 1 },
    ])
    expect([openOf(3, after), toReturn(after)]).toEqual([0, 0])
    expect(stateOfLines([{ quantity: 3, counts: after }], true)).toBe('delivered')
  })
  it('always has something that can be done until it is at its end', () => {
    const event = fc.record({
      happened: fc.constantFrom(...ORDER_HAPPENED),
      quantity: fc.integer({ min: 1, max: 5 }),
    })
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.array(event, { maxLength: 12 }),
        (quantity, all) => {
          const counts = noCounts()
          for (const { happened, quantity: pieces } of all) {
            if (happened === 'placed' || pieces > mostOf(happened, quantity, counts)) continue
            counts[happened] += pieces
          }
          const state = stateOfLines([{ quantity, counts }], true)
          const ways = ORDER_HAPPENED.filter(
            (one) => one !== 'placed' && mostOf(one, quantity, counts) > 0,
          )
          const ended = state === 'delivered' || state === 'cancelled'
          expect(ways.length > 0).toBe(!ended)
          expect(openOf(quantity, counts)).toBeGreaterThanOrEqual(0)
          // What is open can be cancelled and what came wrong sent back: then it is at its end.
          counts.cancelled += openOf(quantity, counts)
          counts.returned += toReturn(counts)
          expect(['delivered', 'cancelled']).toContain(stateOfLines([{ quantity, counts }], true))
        },
      ),
    )
  })
})

const part = (given: Partial<ListedPart>): ListedPart => ({
  number: 'A',
  name: 'Master cylinder',
  kind: 'masterCylinder',
  supplier: 'Ness Factors',
  price: 50,
  currency: null,
  stock: 2,
  leadDays: 1,
  data: { bore: 15.87 },
  grade: 'usual',
  supersededBy: null,
  place: null,
  ...given,
})
const need = { kind: 'masterCylinder', quantity: 1, spec: { bore: 15.87 } } as const

describe('parts for a need', () => {
  it('are those of its bore, the cheaper first, low grades and empty shelves behind', () => {
    const list = [
      part({ number: 'dear', price: 90 }),
      part({ number: 'low', price: 20, grade: 'low' }),
      part({ number: 'gone', price: 30, stock: 0 }),
      part({ number: 'cheap', price: 45 }),
      part({ number: 'other', data: { bore: 17.46 } }),
      part({ number: 'unsaid', price: 10, data: {} }),
      part({ number: 'old', price: 5, supersededBy: 'cheap' }),
    ]
    expect(ranked(need, list).map(({ part: { number } }) => number)).toEqual([
      'cheap',
      'dear',
      'gone',
      'low',
      'unsaid',
    ])
    expect(ranked(need, list).at(-1)!.unsure).toEqual(['bore'])
  })
  it('take as many containers as the volume needs', () => {
    const bottle = part({ kind: 'fluid', name: 'DOT 4, 500 ml', data: { volume: 500_000 } })
    expect(piecesFor({ kind: 'fluid', quantity: 1, spec: { volume: 700_000 } }, bottle)).toBe(2)
  })
})

describe('what a job takes', () => {
  const bare = fromArchetype('long-line')
  const washer = { thread: null, gender: 'female', seat: 'banjo' } as const
  const banjo = { thread: 'M10x1', gender: 'male', seat: 'banjo' } as const
  const installation = withJoint(bare, 'slavePort', { a: banjo, b: { ...washer, thread: 'M10x1' } })
  const of = (given: Partial<Parameters<typeof needsOf>[0]>) =>
    needsOf({ installation, repairs: [], way: 'replace', casualties: [], fluid: null, ...given })
  const ids = (given: Parameters<typeof of>[0]) => of(given).map(({ id }) => id)

  it('is nothing while nothing was decided', () => expect(ids({})).toEqual([]))
  it('has cylinder, seals of the joint that is opened, casualties, fluid, kit and what is used up', () => {
    const needs = of({ repairs: ['slave'], fluid: { volume: 520_000, kind: 'DOT 4' } })
    expect(needs.find(({ id }) => id === 'slave')).toMatchObject({
      kind: 'slaveCylinder',
      operation: 'slave',
      spec: { bore: bare.circuit.slave.type === 'external' ? bare.circuit.slave.bore : 0 },
    })
    expect(needs.find(({ id }) => id === 'seal.copperWasher.M10x1')).toMatchObject({ quantity: 2 })
    expect(needs.map(({ id }) => id)).toEqual(
      expect.arrayContaining([
        'casualty.plasticClips',
        'fluid',
        'kit.hose',
        'kit.bottle',
        'kit.cap',
        'small.rags',
      ]),
    )
  })
  it('takes a kit where it is rebuilt, and asks for each thing once', () => {
    const rebuilt = of({ repairs: ['master', 'slave'], way: 'rebuild' })
    expect(rebuilt.filter(({ rebuild }) => rebuild).map(({ id }) => id)).toEqual([
      'master.kit',
      'slave.kit',
    ])
    const all = ids({ repairs: ['master', 'slave', 'hose'] })
    expect(new Set(all).size).toBe(all.length)
  })
  it('says of which joints it cannot tell the seals', () => {
    expect(unknownEnds(['master', 'slave'], installation)).toEqual(['masterOutlet', 'feed'])
  })
  it('gives each need a reason', () => {
    for (const { why, words } of of({ repairs: ['everythingRubber', 'pipe', 'fork'] })) {
      expect(why).toMatch(/[.]$/)
      expect(words).not.toBe('')
    }
  })
  it('knows the hose that grips the nipple, and says where it does not', () => {
    expect(bleedKit({ thread: 'M10x1', screw: true, passed: 900_000 })).toMatchObject({
      hex: 11,
      hose: 5,
      length: 800,
      bottle: 450_000,
    })
    expect(bleedKit({ thread: null, screw: true, passed: 0 })).toMatchObject({
      hex: null,
      bottle: 250_000,
    })
    expect(bleedKit({ thread: null, screw: false, passed: 0 })).toBeNull()
  })
})
