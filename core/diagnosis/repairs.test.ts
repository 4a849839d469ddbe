import { describe, expect, it } from 'vitest'
import { FAULT_IDS } from './faults'
import { costOf, REPAIRS, repairOf, repairWords } from './repairs'

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

describe('repairs in words', () => {
  it('what opens the circuit is bled last, and said once', () => {
    expect(repairWords(['bleed', 'master'])).toBe('Renew the master, bleed')
    expect(repairWords(['master', 'hose'])).toBe('Renew the master, renew the hose, bleed')
    expect(repairWords(['bleed'])).toBe('Bleed')
    expect(repairWords(['switch'])).toBe('Set the pedal switch')
    expect(repairWords([])).toBe('')
  })

  it('names every repair of the table', () => {
    for (const { id, label } of REPAIRS)
      expect(repairWords([id]).toLowerCase()).toContain(label.toLowerCase())
  })
})
