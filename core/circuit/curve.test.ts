import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { everydayCircuit } from '../../tests/arbitrary/circuit'
import { formatOf } from '../quantity'
import type { Circuit } from './circuit'
import { pressCurve } from './curve'
import { eventsOf, tellEvent, type PedalEvent } from './events'
import reference from './reference-cases.json'
import { solveCircuit } from './solve'
import { afterWear, mostRoom, wearLimit, wearOutlook } from './wear'

const circuitOf = (i: number) => reference.cases[i]!.input.circuit as unknown as Circuit
const plain = circuitOf(0)
const snapping = circuitOf(9)
const f = formatOf('metric')
const kinds = (circuit: Circuit) => eventsOf(circuit).map((event) => event.kind)
const find = <K extends PedalEvent['kind']>(circuit: Circuit, kind: K) =>
  eventsOf(circuit).find((event): event is Extract<PedalEvent, { kind: K }> => event.kind === kind)!

describe('the press curve', () => {
  it('goes from pedal up to floor and back, and its figures are the solution’s', () => {
    const { down, up, jumps } = pressCurve(plain, 32)
    expect(down).toHaveLength(32)
    expect(jumps).toEqual({ down: [], up: [] })
    for (const point of down.filter((_, i) => i % 5 === 0)) {
      const { at } = solveCircuit(plain, point.padTravel)
      expect(point.pressure).toBeCloseTo(at.pressure, 9)
      expect(point.pedalForce).toBeCloseTo(at.pedalForce, 9)
    }
    // The same pad, less force coming up: friction counts the other way.
    expect(up[20]!.pedalForce).toBeLessThan(down[20]!.pedalForce)
  })

  it('the clamp goes from full over slipping to free, at the two travels of the cover', () => {
    const { down } = pressCurve(plain, 400)
    const order = down.map((point) => point.clamp).filter((one, i, all) => one !== all[i - 1])
    expect(order).toEqual(['full', 'slipping', 'free'])
    const first = down.find((point) => point.clamp === 'free')!
    expect(first.padTravel).toBeCloseTo(solveCircuit(plain).pedalTravelAtRelease, 0)
  })

  it('a snap is two points at one pad travel, from real solutions on either side of it', () => {
    const { down, jumps } = pressCurve(snapping, 100)
    const [jump] = jumps.down
    const before = solveCircuit(snapping, jump!.padTravel - 1e-6).at.slaveTravel
    const after = solveCircuit(snapping, jump!.padTravel + 1e-6).at.slaveTravel
    expect(jump!.from).toBeCloseTo(before, 2)
    expect(jump!.to).toBeCloseTo(after, 2)
    expect(jump!.to - jump!.from).toBeGreaterThan(0.5)
    const twins = down.filter((point) => point.padTravel === jump!.padTravel)
    expect(twins.map((point) => point.slaveTravel)).toEqual([jump!.from, jump!.to])
    expect(jumps.up[0]!.padTravel).toBeLessThan(jump!.padTravel)
  })

  it('coming up there is no pressure with the pad up, though the slave never moved', () => {
    const soft = {
      ...plain,
      air: 60_000,
      cover: {
        ...plain.cover,
        releaseLoad: [
          [0, 200],
          [10, 1800],
        ] as [number, number][],
      },
    }
    const { up, down } = pressCurve(soft, 5)
    expect(down.at(-1)!.rodStroke).toBe(0)
    expect(up[0]!.pressure).toBe(0)
    up.forEach(({ pressure }, i) => expect(pressure).toBeCloseTo(down[i]!.pressure, 9))
  })

  it('has no leap that the master’s stroke never reaches', () => {
    const { padTravel } = pressCurve(snapping, 40).jumps.down[0]!
    const { pedal, master } = snapping
    // The piston is at its end a millimetre of pad before the leap.
    const stroke = (padTravel - 1) / pedal.ratio - master.pushrodClearance
    const short = { ...snapping, master: { ...master, stroke } }
    const { down, jumps } = pressCurve(short, 40)
    expect(jumps.down).toEqual([])
    down
      .slice(1)
      .forEach((point, i) =>
        expect(point.slaveTravel).toBeGreaterThanOrEqual(down[i]!.slaveTravel - 1e-9),
      )
  })

  it('a seal that drags more than the springs pull lets the pedal hang, and that is said', () => {
    const draggy: Circuit = {
      ...plain,
      pedal: { ...plain.pedal, returnForce: 0 },
      master: { ...plain.master, springPreload: 5, sealFriction: 18 },
    }
    const { hangs, up } = pressCurve(draggy, 200)
    expect(hangs).toBeGreaterThan(0)
    expect(up.findLast(({ padTravel }) => padTravel < hangs! - 1)!.pedalForce).toBeLessThan(0)
    expect(up.find(({ padTravel }) => padTravel > hangs! + 1)!.pedalForce).toBeGreaterThan(0)
    const event = find(draggy, 'hangs')
    expect(event.padTravel).toBeCloseTo(hangs!, 0)
    expect(tellEvent(event, f)).toMatch(/^Let go, the pedal hangs \d+ mm from its rest/)
    expect(pressCurve(plain, 50).hangs).toBeNull()
    expect(kinds(plain)).not.toContain('hangs')
  })

  it('pad travel never falls along it, and the slave never moves back going down', () => {
    fc.assert(
      fc.property(everydayCircuit, (circuit) => {
        const { down, up, jumps } = pressCurve(circuit, 30)
        for (const list of [down, up])
          for (let i = 1; i < list.length; i++) {
            expect(list[i]!.padTravel).toBeGreaterThanOrEqual(list[i - 1]!.padTravel)
            expect(list[i]!.slaveTravel).toBeGreaterThanOrEqual(list[i - 1]!.slaveTravel - 1e-3)
          }
        for (const jump of jumps.down) expect(jump.to).toBeGreaterThan(jump.from)
        for (const jump of jumps.up) expect(jump.to).toBeLessThan(jump.from)
      }),
    )
  })
})

describe('what a foot would notice', () => {
  const changed = (part: 'master' | 'slave' | 'pedal', fields: object): Circuit => ({
    ...plain,
    [part]: { ...plain[part], ...fields },
  })

  it('a good circuit has nothing to tell', () => {
    expect(kinds(plain)).toEqual([])
  })

  it('a covered and a part covered port are stops', () => {
    const covered = changed('master', { pushrodClearance: -1.4 })
    expect(find(covered, 'portCovered')).toEqual({ kind: 'portCovered', stop: true, heldIn: 1.4 })
    expect(tellEvent(find(covered, 'portCovered'), f)).toContain('1.4 mm in: the port never opens')
    expect(kinds(changed('master', { pushrodClearance: -0.5 }))).toContain('rodPreloaded')
  })

  it('a master too short is told with the pedal that is left', () => {
    const short = changed('master', { stroke: 20 })
    const event = find(short, 'masterAtEnd')
    expect(event).toMatchObject({ releases: false, padTravel: 6 * 20.4 })
    expect(event.left).toBeCloseTo(155 - 122.4, 9)
    expect(tellEvent(event, f)).toContain('33 mm of pedal left, and the disc is not free')
    expect(find(changed('master', { stroke: 24 }), 'masterAtEnd').releases).toBe(true)
  })

  it('a bottomed slave is told before and after the disc is free', () => {
    const early = changed('slave', { stroke: 10 })
    expect(find(early, 'slaveAtEnd')).toMatchObject({ releases: false })
    expect(solveCircuit(early).limitedBy).toBe('slave')
    const late = changed('slave', { stroke: 13 })
    const event = find(late, 'slaveAtEnd')
    expect(event.releases).toBe(true)
    expect(solveCircuit(late, event.padTravel + 1e-6).at.slaveTravel).toBeCloseTo(13, 4)
    expect(solveCircuit(late, event.padTravel - 1).at.slaveTravel).toBeLessThan(13)
  })

  it('a snap and a pad on the floor are told', () => {
    const snap = find(snapping, 'snap')
    expect(tellEvent(snap, f)).toMatch(/throws the rod [\d.]+ mm on/)
    expect(tellEvent(snap, f)).toContain('bites suddenly')
    const soft = { ...plain, air: 3000 }
    expect(find(soft, 'padOnFloor').short).toBeCloseTo(-solveCircuit(soft).reserve, 12)
  })

  it('no circuit makes it say a figure that is none', () => {
    fc.assert(
      fc.property(everydayCircuit, (circuit) => {
        for (const event of eventsOf(circuit))
          expect(tellEvent(event, f)).not.toMatch(/NaN|Infinity|undefined/)
      }),
    )
  })
})

describe('facing wear', () => {
  it('pushes the rod back, and needs room and an open port', () => {
    expect(afterWear(plain, 1, { room: 8 })).toMatchObject({
      port: 'clear',
      pressedIn: 0,
      clamp: 'full',
    })
    expect(afterWear(plain, 1, { room: 8 }).room).toBeCloseTo(2.4, 12)
    expect(wearLimit(plain, { room: 8 })).toBeCloseTo(8 / 5.6, 12)
    const past = afterWear(plain, 2.5, { room: 8 })
    expect(past.pressedIn).toBeCloseTo((14 - 8) / 1.6, 9)
    expect(past.clamp).toBe('slipping')
    expect(past.reserve).toBeGreaterThan(solveCircuit(plain).reserve)
  })

  it('a covered port leaves no way home, however much room there is', () => {
    const covered = { ...plain, master: { ...plain.master, pushrodClearance: -2 } }
    expect(wearLimit(covered, { room: 8 })).toBe(0)
    expect(afterWear(covered, 0.2, { room: 8 }).pressedIn).toBeCloseTo(0.7, 9)
  })

  it('an adjusted linkage gives up its play first, and takes up higher as it does', () => {
    const adjusted: Circuit = {
      ...plain,
      slave: { ...plain.slave, springPreload: 0 },
      linkage: { forkRatio: 1.6, slop: 0.3, bearingClearance: 0.5 },
      pedal: { ...plain.pedal, travel: 190 },
      master: { ...plain.master, stroke: 40 },
    }
    const outlook = wearOutlook(adjusted, { room: 0 }, 0.4, 9)
    expect(outlook.selfAdjusting).toBe(false)
    expect(outlook.limit).toBeCloseTo((0.3 + 0.8) / 5.6, 12)
    const heights = outlook.rows.map((row) => row.engagement!)
    for (let i = 1; i < heights.length; i++) expect(heights[i]).toBeLessThan(heights[i - 1]!)
    expect(outlook.rows[0]!.engagement).toBe(solveCircuit(adjusted).engagement)
  })

  it('a self-adjusting circuit keeps its take-up until the room is used up', () => {
    const room = mostRoom(plain)
    const { rows, limit, selfAdjusting } = wearOutlook(plain, { room }, 3)
    expect(selfAdjusting).toBe(true)
    for (const row of rows.filter(({ wear }) => wear <= limit))
      expect(row.engagement).toBeCloseTo(solveCircuit(plain).engagement!, 9)
  })

  it('never says a figure that is none', () => {
    const wear = fc.double({ min: 0, max: 4, noNaN: true })
    const room = fc.double({ min: 0, max: 20, noNaN: true })
    fc.assert(
      fc.property(everydayCircuit, wear, room, (circuit, worn, left) => {
        const row = afterWear(circuit, worn, { room: left })
        for (const figure of [row.room, row.pressedIn, row.reserve, row.engagement ?? 0])
          expect(Number.isFinite(figure)).toBe(true)
      }),
    )
  })
})
