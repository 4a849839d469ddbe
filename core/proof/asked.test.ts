import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cycle, entry, reading } from '../../tests/arbitrary/entry'
import { fromArchetype } from '../installation'
import { fold, type Entry } from '../journal'
import { operationOf, OPERATIONS, type OperationId } from '../work'
import { judge, nextStep, proofChecks, readingsAsked, touchedBy, workOn } from '.'

const van = fromArchetype('small-car')
const shared = { ...van, reservoir: { ...van.reservoir, sharedWithBrakes: true } }
const done = (...ids: OperationId[]): Entry[] =>
  ids.map((operation, i) => entry(i + 1, 'workDone', { operation }))
const asked = (entries: Entry[], installation = van) => {
  const state = fold(entries)
  return {
    readings: readingsAsked(state),
    checks: proofChecks(installation, state).map(({ finding }) => finding),
  }
}

describe('what the proof asks', () => {
  it('is everything while nobody has said what was done', () => {
    expect(touchedBy(fold([]))).toBeNull()
    const { readings, checks } = asked([], shared)
    expect(readings).toEqual(['freeTravel', 'takeUpHeight', 'sink', 'rodClearance'])
    expect(checks).toHaveLength(6)
  })

  it('is only what was felt where nothing was touched, and the joint where only that was', () => {
    expect(asked(done('grease'))).toEqual({ readings: [], checks: [] })
    expect(asked(done('tighten'))).toEqual({ readings: ['sink'], checks: ['unionsWet', 'levelLow'] })
    expect(judge(van, fold(done('grease'))).verdict).toEqual({ outcome: 'pass', reasons: [] })
  })

  it('is not less because somebody wiped a joint to look at it', () => {
    expect(touchedBy(fold(done('wash')))).toBeNull()
    expect(workOn(fold(done('wash', 'tighten')))).toEqual(['tighten'])
  })

  it('knows work by the steps of its plan too, each once, and no more where the step is open again', () => {
    const step = (n: number, act: 'done' | 'undone') =>
      entry(n, 'step', { step: 'renewSlave.strapsOff', act })
    expect(workOn(fold([step(1, 'done')]))).toEqual(['slave'])
    expect(workOn(fold([...done('slave'), step(2, 'done')]))).toEqual(['slave'])
    expect(workOn(fold([step(1, 'done'), step(2, 'undone')]))).toEqual([])
  })

  it('is the rod where the master was renewed, and not where the slave was', () => {
    expect(asked(done('slave', 'bleed')).readings).toEqual(['freeTravel', 'takeUpHeight', 'sink'])
    expect(asked(done('master')).readings).toContain('rodClearance')
    expect(asked(done('master')).checks).toContain('startsPedalUp')
    expect(asked(done('switch')).readings).not.toContain('sink')
  })

  it('is the circuit too once it was bled, whatever was said to be done', () => {
    const { checks, readings } = asked([...done('grease'), entry(9, 'bleedCycle', cycle('few', 3))])
    expect(readings).toContain('sink')
    expect(checks).toContain('unionsWet')
    expect(asked(done('bleed'), shared).checks).toContain('brakePedalChanged')
  })

  it('is measured again where it was measured as found, and only where the work touched it', () => {
    const before = entry(20, 'measurement', reading('rodStroke', 9))
    expect(asked([...done('slave'), before]).readings).toContain('rodStroke')
    expect(asked([...done('switch'), before]).readings).not.toContain('rodStroke')
  })

  it('never grows smaller by more work, and is never less than what one piece of it asks', () => {
    const some = fc.shuffledSubarray(
      OPERATIONS.map(({ id }) => id).filter((id) => id !== 'wash'),
      { minLength: 1, maxLength: 5 },
    )
    fc.assert(
      fc.property(some, (ids) => {
        const all = asked(done(...ids), shared)
        for (const id of ids) {
          const one = asked(done(id), shared)
          for (const name of one.readings) expect(all.readings).toContain(name)
          for (const name of one.checks) expect(all.checks).toContain(name)
          if (operationOf(id).opens) expect(one.checks).toContain('unionsWet')
        }
      }),
    )
  })

  it('is judged all the same where somebody looked at more than was asked', () => {
    const slips = entry(30, 'finding', { finding: 'slips', state: 'present', phase: 'after' })
    expect(judge(van, fold([...done('grease'), slips])).verdict.outcome).toBe('notYet')
  })
})

describe('a job that is closed', () => {
  it('has nothing next, and is open again once that is taken back', () => {
    const closed = entry(2, 'closed', { reason: 'Sold' })
    expect(nextStep(fold([entry(1, 'note', { words: 'x' }), closed]), [])).toEqual({ to: 'closed' })
    const back = { ...entry(3, 'withdrawal', {}), withdraws: closed.id }
    expect(nextStep(fold([entry(1, 'note', { words: 'x' }), closed, back]), [])).toEqual({ to: 'look' })
  })
})
