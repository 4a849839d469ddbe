import { describe, expect, it } from 'vitest'
import { NEEDS, safeConditions, unmet, USUAL_CONDITIONS } from './conditions'
import { FINDINGS } from './findings'
import { READINGS } from './readings'

describe('what can be done here', () => {
  it('names each need once, with how it is said and why it usually holds or does not', () => {
    expect(new Set(NEEDS.map(({ id }) => id)).size).toBe(NEEDS.length)
    for (const { words, reason, usual, id } of NEEDS) {
      expect(words.length, id).toBeGreaterThan(0)
      expect(reason.length, id).toBeGreaterThan(5)
      expect(USUAL_CONDITIONS[id]).toBe(usual)
    }
  })

  it('every look and every reading asks only for what can be said to hold', () => {
    const known = new Set(NEEDS.map(({ id }) => id))
    for (const { needs } of [...FINDINGS, ...READINGS])
      for (const need of needs) expect(known.has(need)).toBe(true)
  })

  it('takes away what open stops forbid, and nothing else', () => {
    const all = Object.fromEntries(NEEDS.map(({ id }) => [id, true])) as typeof USUAL_CONDITIONS
    expect(safeConditions(all, [])).toEqual(all)
    expect(safeConditions(all, ['bootWet'])).toEqual(all)
    expect(safeConditions(all, ['slaveUntagged'])).toEqual({ ...all, pedal: false, slaveOff: false })
    expect(safeConditions(all, ['notOnStands', 'brakePedalChanged'])).toEqual({
      ...all,
      underneath: false,
      slaveOff: false,
      road: false,
      engine: false,
    })
    expect(all.pedal).toBe(true)
  })

  it('names the first need that is not met', () => {
    expect(unmet(['pedal', 'helper', 'hours'], USUAL_CONDITIONS)).toBe('helper')
    expect(unmet(['pedal'], USUAL_CONDITIONS)).toBeNull()
    expect(unmet([], USUAL_CONDITIONS)).toBeNull()
  })

  it('whoever works where it can hurt is told beside the look', () => {
    for (const { id, needs, caution, place } of FINDINGS) {
      // Under it with somebody at the pedal, or with the engine running: never without its caution.
      if (place === 'underneath' && needs.includes('helper')) expect(caution, id).toBeTruthy()
      if (needs.includes('engine') && needs.includes('pedal')) expect(caution, id).toBeTruthy()
    }
  })
})
