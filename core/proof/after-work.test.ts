import { describe, expect, it } from 'vitest'
import { cycle, entry, reading } from '../../tests/arbitrary/entry'
import { freeTravel, solveCircuit } from '../circuit'
import { FAULT_IDS, findingKind, type FindingId } from '../diagnosis'
import { fromArchetype, withMeasured, type Installation } from '../installation'
import { fold, type Entry, type Payloads, type RuleName } from '../journal'
import { formatOf } from '../quantity'
import { OPERATIONS, type OperationId } from '../work'
import { closingOwes, isProven, judge, MUST_BE_GONE, nextStep, PROOF_CHECKS, proofChecks } from '.'
import { PACKAGES } from '../plan'
import { curedBy } from './cause-done'
import { FINISHED_BY } from './of-job'
import { reasonWords } from './reason-words'
import { mustBeGone, operationsOf, RENEWABLE, RENEWS } from './must-be-gone'

/** A small car with everything measured and looked at, as a job files it: what a good proof is. */
const car = withMeasured(fromArchetype('small-car'), 'master.pushrodClearance', 0.4)
const { engagement } = solveCircuit(car.circuit)
const takeUp = Math.round(car.circuit.pedal.travel - engagement!)
type Step = [string, Payloads[keyof Payloads]]
const looked = (finding: FindingId, state: 'present' | 'absent', phase: 'asFound' | 'after'): Step => [
  'finding',
  { finding, state, phase },
]
const did = (operation: OperationId): Step => ['workDone', { operation }]
const GOOD: Step[] = [
  ['bleedCycle', cycle('clear', 3)],
  ['bleedCycle', cycle('clear', 3)],
  ['bleedCycle', cycle('clear', 3)],
  ['measurement', reading('freeTravel', Math.round(freeTravel({ ...car.circuit, air: 0 })), 'after')],
  ['measurement', reading('takeUpHeight', takeUp, 'after')],
  ['measurement', reading('sink', 0.5, 'after', 60)],
  ['measurement', reading('rodClearance', 0.4, 'after')],
  ...PROOF_CHECKS.filter(({ sharedOnly }) => !sharedOnly).map(({ finding }) =>
    looked(finding, 'absent', 'after'),
  ),
]
const folded = (steps: Step[]) =>
  fold(
    steps.map(
      ([kind, payload], i) => entry(i + 1, kind as 'note', payload as { words: string }) as Entry,
    ),
  )
const verdictOf = (more: Step[], installation: Installation = car) =>
  judge(installation, folded([...GOOD, ...more])).verdict
const bad = (more: Step[], installation?: Installation) =>
  verdictOf(more, installation).reasons.filter(({ outcome }) => outcome !== 'pass')
const said = (more: Step[]) => bad(more).map((one) => reasonWords(one, formatOf('metric')))

it('a good proof passes, so that what follows says something', () => {
  expect(bad([])).toEqual([])
  expect(verdictOf([]).outcome).toBe('pass')
})

describe('a finding that nobody hands over', () => {
  it.each(MUST_BE_GONE.map((row) => [row.finding, row] as const))(
    '%s, present after the work',
    (finding, { rule, reason }) => {
      const reasons = bad([looked(finding, 'present', 'after')])
      if (findingKind(finding).stop) {
        expect(reasons).toEqual([{ rule: finding, outcome: 'stop' }])
        return
      }
      expect(reasons).toContainEqual(expect.objectContaining({ rule, note: finding }))
      expect(verdictOf([looked(finding, 'present', 'after')]).outcome).toBe('notYet')
      expect(reason.length).toBeGreaterThan(15)
      // What is said names what was seen, in the words of the look.
      for (const words of said([looked(finding, 'present', 'after')]))
        expect(words.length).toBeGreaterThan(10)
      expect(verdictOf([looked(finding, 'absent', 'after')]).outcome).toBe('pass')
    },
  )
  const again = MUST_BE_GONE.filter(({ sort, finding }) => sort !== 'way' && finding !== 'unionsWet')
  it.each(again.map((row) => [row.finding, row] as const))(
    '%s as found is looked at again, or its part is renewed',
    (finding, { parts }) => {
      const found = looked(finding, 'present', 'asFound')
      if (findingKind(finding).stop) {
        // It stays a stop until somebody has seen it gone.
        expect(bad([found])).toEqual([{ rule: finding, outcome: 'stop' }])
        expect(verdictOf([found, looked(finding, 'absent', 'after')]).outcome).toBe('pass')
        return
      }
      const answered = finding === 'heldSinks'
      expect(verdictOf([found]).outcome).toBe(answered ? 'pass' : 'notYet')
      if (answered) return
      expect(said([found])[0]).toContain(`${findingKind(finding).label}: `)
      // The screen offers the look that is owed.
      const owed = proofChecks(car, folded([...GOOD, found])).find((one) => one.finding === finding)
      expect(owed).toMatchObject({ state: 'notLooked', again: true })
      expect(verdictOf([found, looked(finding, 'absent', 'after')]).outcome).toBe('pass')
      for (const part of parts) {
        const [operation] = operationsOf([part])
        if (!operation) continue
        const stands = judge(car, folded([...GOOD, found, did(operation)])).verdict.reasons
        expect(
          stands.find(({ note }) => note === finding),
          `${finding} ${part}`,
        ).toBeUndefined()
      }
    },
  )
  it('what was seen and is only history is not asked for again', () => {
    for (const finding of ['circuitDry', 'softPlugged', 'pedalBushesLoose', 'pipeRusty'] as const)
      expect(verdictOf([looked(finding, 'present', 'asFound')]).outcome, finding).toBe('pass')
  })
  it('a wet boot over which a slave was only bled is said in words', () => {
    expect(said([looked('bootWet', 'present', 'asFound'), did('bleed')])).toEqual([
      'Slave boot peeled back: wet as found. Look again, or say that the part was renewed.',
    ])
    expect(said([looked('bootWet', 'present', 'after')])).toEqual([
      'Slave boot peeled back: wet. Nothing that leaks is handed over.',
    ])
  })
  it('oil of engine or gearbox is no leak of the clutch', () => {
    const drips = looked('bellHoleWet', 'present', 'after')
    expect(verdictOf([drips]).outcome).toBe('notYet')
    expect(verdictOf([drips, looked('dripIsOil', 'present', 'after')]).outcome).toBe('pass')
  })
  it('that was as found is answered by the oil that it turned out to be', () => {
    const drips = looked('bellHoleWet', 'present', 'asFound')
    expect(verdictOf([drips]).outcome).toBe('notYet')
    expect(verdictOf([drips, looked('dripIsOil', 'present', 'after')]).outcome).toBe('pass')
  })
  it('is not answered by a plan that has only taken the old part off', () => {
    const step = (name: string): Step => ['step', { step: name, act: 'done' }]
    const wet = looked('bootWet', 'present', 'asFound')
    const off = [wet, step('renewSlave.open'), step('renewSlave.unbolt')]
    expect(bad(off)).toContainEqual(
      expect.objectContaining({ rule: 'unionsDry', note: 'bootWet', code: 'owed' }),
    )
    expect(bad([...off, step('renewSlave.offer')]).filter(({ note }) => note === 'bootWet')).toEqual([])
    const cause: Step = ['cause', { faults: ['slaveLeak'] }]
    expect(bad([...off, cause]).map(({ rule }) => rule)).toContain('cause')
    expect(bad([...off, step('renewSlave.offer'), cause]).map(({ rule }) => rule)).not.toContain(
      'cause',
    )
  })
  it('a switch or a gear that is not right is named', () => {
    expect(said([looked('switchHolds', 'present', 'after')])).toEqual([
      'Pedal right up: its switch or stop: holds it down',
    ])
    expect(said([looked('willNotRoll', 'present', 'after')])).toEqual([
      'In gear, pedal down, engine off: will not roll',
    ])
  })
  it('every step that finishes a package is one of it', () => {
    for (const [id, steps] of Object.entries(FINISHED_BY))
      for (const step of steps) {
        const [name, own] = step.split('.')
        expect(PACKAGES.get(id), id).toBeDefined()
        expect(
          PACKAGES.get(name!)!.steps.map((one) => one.id),
          step,
        ).toContain(own)
      }
  })
  it('a rod that was tight as found and is measured now is no contradiction', () => {
    expect(bad([looked('rodTight', 'present', 'asFound'), did('rod')])).toEqual([])
  })
  it('has known names throughout, each once', () => {
    const names = MUST_BE_GONE.map(({ finding }) => finding)
    expect(new Set(names).size).toBe(names.length)
    for (const { finding, parts, cause, unless } of MUST_BE_GONE) {
      expect(findingKind(finding), finding).toBeDefined()
      for (const part of parts) expect(RENEWABLE).toContain(part)
      if (cause) expect(FAULT_IDS).toContain(cause)
      if (unless) expect(findingKind(unless)).toBeDefined()
    }
    for (const parts of Object.values(RENEWS))
      for (const part of parts) expect(RENEWABLE).toContain(part)
    expect(mustBeGone('fluidDark')).toBeUndefined()
  })
})

describe('a reading that this vehicle cannot show', () => {
  const { travel } = car.circuit.pedal
  const { stroke } = car.circuit.slave
  it.each<[name: string, Step, rule: RuleName, bound: RegExp]>([
    [
      'take-up over the travel',
      ['measurement', reading('takeUpHeight', travel + 40, 'after')],
      'reserve',
      /cannot be: the pedal travels \d+ mm in all/,
    ],
    [
      'take-up far above no air',
      ['measurement', reading('takeUpHeight', 110, 'after')],
      'reserve',
      /with no air at all this circuit gives 33 mm, \d+ mm at the most/,
    ],
    [
      'rod over the slave’s stroke',
      ['measurement', reading('rodStroke', stroke + 19, 'after')],
      'rodStroke',
      /cannot be: the slave has \d+(\.\d)? mm of stroke/,
    ],
  ])('%s names its bound', (_, step, rule, bound) => {
    expect(bad([step])).toMatchObject([{ rule, code: 'misfit' }])
    expect(said([step])[0]).toMatch(bound)
  })
  it('a pedal that falls to the floor is no such reading, and no good one either', () => {
    const floor: Step = ['measurement', reading('freeTravel', travel, 'after')]
    expect(bad([floor]).some(({ against }) => against === 'travel')).toBe(false)
    expect(verdictOf([floor]).outcome).toBe('notYet')
  })
  it('take-up and free travel that tell of two circuits name both', () => {
    const known: Installation = { ...car, assumed: [] }
    const low: Step = ['measurement', reading('takeUpHeight', 17, 'after')]
    const [one] = bad([low], known)
    expect(one).toMatchObject({ rule: 'reserve', code: 'misfit', against: 'freeTravel', figure: 17 })
    expect(reasonWords(one!, formatOf('metric'))).toMatch(
      /^Take-up 17 mm above the floor does not go with a free travel of 18 mm: 2\d mm to [34]\d mm would\./,
    )
    // On an assumed circuit that is within what may be.
    expect(bad([low]).some(({ code }) => code === 'misfit')).toBe(false)
  })
})

describe('worse than it was found', () => {
  const found = (name: 'freeTravel' | 'takeUpHeight' | 'returnTime', value: number): Step => [
    'measurement',
    reading(name, value, 'asFound'),
  ]
  it('is not passed where it is much, and is said where it is little', () => {
    expect(said([found('takeUpHeight', takeUp + 14)])).toEqual([
      `Worse than it was found: take-up height ${takeUp} mm, ${takeUp + 14} mm before. Find out why, or say what was set: rod, linkage, pedal, clutch.`,
    ])
    const little = verdictOf([found('takeUpHeight', takeUp + 6)])
    expect(little.outcome).toBe('pass')
    expect(little.reasons).toContainEqual(
      expect.objectContaining({ rule: 'reserve', outcome: 'pass', code: 'worse', was: takeUp + 6 }),
    )
  })
  it('is no more than said where what was set explains it', () => {
    const verdict = judge(
      car,
      folded([...GOOD, found('takeUpHeight', takeUp + 14), did('rod')]),
    ).verdict
    expect(verdict.outcome).toBe('pass')
    expect(verdict.reasons.some(({ code }) => code === 'worse')).toBe(true)
  })
  it('names the reading that keeps it back, not the first that is a little worse', () => {
    const free = Math.round(freeTravel({ ...car.circuit, air: 0 }))
    const both = [found('takeUpHeight', takeUp + 6), found('freeTravel', free - 14)]
    expect(bad(both)).toMatchObject([
      { rule: 'reserve', code: 'worse', by: 'freeTravel', figure: free, was: free - 14 },
    ])
  })
  it('is not said to be within a limit that is overstepped, nor of a hold that tells nothing', () => {
    const held = (value: number, over: number, phase: 'asFound' | 'after'): Step => [
      'measurement',
      reading('sink', value, phase, over),
    ]
    const out = [held(0.5, 60, 'asFound'), held(4, 60, 'after')]
    expect(bad(out).map(({ rule, outcome, code }) => [rule, outcome, code])).toEqual([
      ['sink', 'notYet', undefined],
      ['sink', 'notYet', 'worse'],
    ])
    for (const words of said(out)) expect(words).not.toContain('Within its limit')
    const short = [held(0, 60, 'asFound'), held(0.5, 5, 'after')]
    expect(said(short)).toEqual([
      'Held for 5 s only: that tells nothing of a sink. Hold it for a minute, 30 s at the least.',
    ])
  })
  it('is silent within what two tapes are out by', () => {
    const { reasons } = verdictOf([found('takeUpHeight', takeUp + 3)])
    expect(reasons.some(({ code }) => code === 'worse')).toBe(false)
  })
})

describe('a confirmed cause', () => {
  const bypass: Step = ['cause', { faults: ['masterBypass'] }]
  it('is not finished while nobody mended it or put it off, and does not count as proven', () => {
    expect(said([bypass, did('bleed')])).toEqual([
      'Confirmed: master bypasses at its primary cup. Nobody has said that it was mended (renew the master), nor put it off.',
    ])
    expect(bad([bypass, did('bleed'), did('master')])).toEqual([])
    const off: Step = ['deferred', { repair: 'master', watch: 'sink', limit: 4 }]
    expect(bad([bypass, did('bleed'), off])).toEqual([])
  })
  it('that is confirmed after the verdict takes the proof back until it is tied', () => {
    const { verdict } = judge(car, folded([...GOOD, did('bleed')]))
    const filed: Step[] = [...GOOD, did('bleed'), ['verdict', verdict]]
    expect(isProven(folded(filed))).toBe(true)
    expect(closingOwes(folded(filed))).toBeNull()
    expect(isProven(folded([...filed, bypass]))).toBe(false)
    expect(closingOwes(folded([...filed, bypass]))).toBe('proof')
    expect(isProven(folded([...filed, ['cause', { faults: ['airFromWork'] }]]))).toBe(true)
  })
  it('that a bleed cures is tied by the cycles that were logged, another is not', () => {
    expect(bad([['cause', { faults: ['airFromWork'] }]])).toEqual([])
    expect(bad([bypass]).map(({ rule }) => rule)).toEqual(['cause'])
  })
  it('is not put off by something else that is', () => {
    const leak: Step = ['cause', { faults: ['unionLeak'] }]
    const off = (repair: 'slave' | 'unions'): Step => ['deferred', { repair, watch: 'sink', limit: 4 }]
    expect(bad([leak, off('slave')]).map(({ rule }) => rule)).toEqual(['cause'])
    expect(bad([leak, off('unions')])).toEqual([])
  })
  it('that nobody mended is what the bench asks for next', () => {
    const filed: Step[] = [...GOOD, ['verdict', judge(car, folded(GOOD)).verdict]]
    expect(nextStep(folded(filed), [])).toEqual({ to: 'handOver' })
    expect(nextStep(folded([...filed, bypass]), [])).toEqual({ to: 'prove', owed: 0, loose: 1 })
  })
  it('has a repair of its own for every fault', () => {
    for (const fault of FAULT_IDS) {
      expect(curedBy(fault).size, fault).toBeGreaterThan(0)
      for (const id of curedBy(fault)) expect(OPERATIONS.some((one) => one.id === id)).toBe(true)
    }
  })
})

it('every switch that is noted at the pedal has a test of its own', () => {
  const cruise: Installation = { ...car, switches: [{ does: 'cruise', at: 'pedal' }] }
  expect(bad([], cruise)).toMatchObject([{ rule: 'cruiseStays', code: 'owed' }])
  expect(bad([looked('cruiseStays', 'absent', 'after')], cruise)).toEqual([])
  expect(bad([looked('cruiseStays', 'present', 'after')], cruise)).toMatchObject([
    { rule: 'switches', note: 'cruiseStays' },
  ])
  const both: Installation = {
    ...car,
    switches: [
      { does: 'start', at: 'pedal' },
      { does: 'other', at: 'master' },
    ],
  }
  expect(bad([], both)).toMatchObject([{ rule: 'switchDead', code: 'owed' }])
  const owed = (...at: ('pedal' | 'master')[]) =>
    proofChecks(
      { ...car, switches: at.map((place) => ({ does: 'other', at: place })) },
      folded([did('pedal')]),
    ).find(({ finding }) => finding === 'switchDead')?.owed
  expect(owed('master')).toBe('The other switch does its work')
  expect(owed('pedal', 'master')).toBe('Each of 2 other switches (pedal, master) does its work')
  expect(owed()).toBeUndefined()
  // Work that touched no pedal asks for no switch.
  expect(proofChecks(both, folded([did('hose')])).map(({ finding }) => finding)).not.toContain(
    'switchDead',
  )
})
