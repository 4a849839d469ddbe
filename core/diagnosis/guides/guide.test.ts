import { describe, expect, it } from 'vitest'
import { evidenceWith } from '../../../tests/arbitrary/evidence'
import { FAULT_IDS } from '../faults'
import { FINDING_IDS } from '../findings'
import { GUIDES, walk } from '.'
import { READING_NAMES } from '../readings'

describe('the guides', () => {
  it('are eight, ask only what there is, and every step leads somewhere', () => {
    expect(GUIDES.length).toBeGreaterThanOrEqual(8)
    const known = new Set<string>([...FINDING_IDS, ...READING_NAMES])
    for (const { id, steps } of GUIDES) {
      const names = new Set(steps.map((step) => step.id))
      expect(names.size, id).toBe(steps.length)
      const reached = new Set([steps[0]!.id])
      for (const step of steps) {
        expect(
          known.has(step.ask === 'finding' ? step.finding : step.reading),
          `${id} ${step.id}`,
        ).toBe(true)
        for (const then of step.ask === 'finding'
          ? [step.present, step.absent]
          : [step.much, step.little])
          if (typeof then === 'string') {
            expect(names.has(then), `${id} ${step.id} → ${then}`).toBe(true)
            reached.add(then)
          } else for (const fault of then.points) expect(FAULT_IDS).toContain(fault)
      }
      expect([...reached].sort(), id).toEqual([...names].sort())
    }
  })

  it('walks by what is known and stops at what is not', () => {
    const guide = GUIDES.find(({ id }) => id === 'pushBack')!
    expect(walk(guide, evidenceWith({})).step!.id).toBe('shut')
    const open = walk(guide, evidenceWith({ findings: { pushBackStiff: 'present' } }))
    expect(open.done.map(({ id }) => id)).toEqual(['shut'])
    expect(open.step!.id).toBe('open')
    const end = walk(
      guide,
      evidenceWith({
        findings: {
          pushBackStiff: 'present',
          seizedOpen: 'absent',
          wayHomeShut: 'present',
          rodTight: 'present',
        },
      }),
    )
    expect(end.step).toBeNull()
    expect(end.conclusion!.points).toEqual(['rodTooLong'])
    expect(
      walk(guide, evidenceWith({ findings: { pushBackStiff: 'absent' } })).conclusion!.points,
    ).toEqual([])
  })

  it('branches on figures', () => {
    const guide = GUIDES.find(({ id }) => id === 'sinkWatch')!
    expect(
      walk(guide, evidenceWith({ readings: { sink: { value: 0.5, duration: 60 } } })).conclusion,
    ).not.toBeNull()
    const readings = { sink: { value: 9, duration: 60 }, reservoirDrop: { value: 0, duration: 43_200 } }
    expect(walk(guide, evidenceWith({ readings })).step!.id).toBe('dry')
    const dry = walk(guide, evidenceWith({ readings, findings: { rodEndDamp: 'absent' } }))
    expect(dry.conclusion!.points).toEqual(['masterBypass'])
  })
})
