import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { REPAIRS, costOf } from '../diagnosis'
import { REMEDIES } from '../whatif'
import { operationOf, OPERATIONS, takes } from '.'

const some = fc.shuffledSubarray(OPERATIONS.map(({ id }) => id))

describe('operations', () => {
  it('stand once each, with minutes in order, a reason, and parts where they cost money', () => {
    expect(new Set(OPERATIONS.map(({ id }) => id)).size).toBe(OPERATIONS.length)
    for (const { id, minutes, money, reason, tools, parts } of OPERATIONS) {
      expect(minutes.low, id).toBeGreaterThan(0)
      expect(minutes.likely, id).toBeGreaterThan(minutes.low)
      expect(minutes.high, id).toBeGreaterThan(minutes.likely)
      expect(money === 0 ? [] : [reason.length > 10, tools.length > 0], id).not.toContain(false)
      expect(parts.length === 0 && money > 0 && id !== 'gearbox', id).toBe(false)
    }
  })

  it('together take what each takes, and one bleed where any opens the circuit', () => {
    fc.assert(
      fc.property(some, (ids) => {
        const { minutes, money, opens } = takes(ids)
        expect(opens).toBe(ids.some((id) => operationOf(id).opens))
        const rows = [...new Set([...ids, ...(opens ? (['bleed'] as const) : [])])].map(operationOf)
        expect(minutes.likely).toBe(rows.reduce((sum, one) => sum + one.minutes.likely, 0))
        expect(minutes.high).toBe(rows.reduce((sum, one) => sum + one.minutes.high, 0))
        expect(money).toBe(rows.reduce((sum, one) => sum + one.money, 0))
      }),
    )
    expect(takes(['slave']).minutes.likely).toBe(90)
    expect(takes(['slave', 'hose']).minutes.likely).toBe(120)
    expect(takes([])).toEqual({ minutes: { low: 0, likely: 0, high: 0 }, money: 0, opens: false })
  })

  it('are one price for the same work, whether it is a repair or a remedy', () => {
    const repair = (id: string) => costOf(REPAIRS.filter((one) => one.id === id))
    const remedy = (id: string) => REMEDIES.find((one) => one.id === id)!
    expect(remedy('clearance').minutes).toBe(repair('rod').minutes)
    expect(remedy('play').minutes).toBe(repair('linkage').minutes)
    expect(remedy('pin')).toMatchObject(repair('pin'))
    expect(remedy('smallerSlave').minutes).toBe(repair('slave').minutes)
    expect(remedy('largerMaster').minutes).toBe(repair('master').minutes)
    expect(remedy('braided').minutes).toBe(repair('hose').minutes)
    expect(remedy('lowExpansion').minutes).toBe(repair('hose').minutes)
    expect(remedy('bleed')).toMatchObject(repair('bleed'))
  })
})
