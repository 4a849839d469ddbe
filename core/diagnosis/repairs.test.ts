import { describe, expect, it } from 'vitest'
import { FAULT_IDS } from './faults'
import { costOf, REPAIRS, repairOf } from './repairs'

describe('repairs', () => {
  it('cure every fault once, and bleeding is counted once', () => {
    for (const id of FAULT_IDS)
      expect(
        REPAIRS.filter(({ cures }) => cures.includes(id)),
        id,
      ).toHaveLength(1)
    const [master, hose] = [repairOf('masterBypass'), repairOf('hoseLeak')]
    const { minutes, money } = costOf([master, hose])
    expect(minutes).toBe(master.minutes + hose.minutes + 40)
    expect(money).toBe(master.money + hose.money + 8)
    expect(costOf([])).toEqual({ minutes: 0, money: 0 })
    expect(costOf([repairOf('switchOut')]).minutes).toBe(10)
  })
})
