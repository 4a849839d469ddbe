import { describe, expect, it } from 'vitest'
import { cycle, entry, PERSON, reading } from '../../tests/arbitrary/entry'
import { freeTravel, solveCircuit } from '../circuit'
import { fromArchetype, withMeasured } from '../installation'
import { fold, type Entry, type Kind, type Payloads, type VerdictReason } from '../journal'
import { formatOf, type UnitSystem } from '../quantity'
import {
  blockingStops,
  isProven,
  judge,
  meaning,
  openStops,
  PROOF_CHECKS,
  readingsOwed,
  reasonWords,
} from '.'

const van = withMeasured(fromArchetype('small-car'), 'master.pushrodClearance', 0.4)
const shared = { ...van, reservoir: { ...van.reservoir, sharedWithBrakes: true } }
const tape = (air: number) => Math.round(freeTravel({ ...van.circuit, air }))
const { engagement } = solveCircuit(van.circuit)
const takeUp = Math.round(van.circuit.pedal.travel - engagement!)

const proven: [string, Payloads[keyof Payloads]][] = [
  ['measurement', reading('freeTravel', tape(1500))],
  ['bleedCycle', cycle('few', 3)],
  ['bleedCycle', cycle('clear', 3)],
  ['bleedCycle', cycle('clear', 3)],
  ['bleedCycle', cycle('clear', 3)],
  ['measurement', reading('freeTravel', tape(0), 'after')],
  ['measurement', reading('takeUpHeight', takeUp, 'after')],
  ['measurement', reading('sink', 0.5, 'after', 60)],
  ['measurement', reading('rodClearance', 0.4, 'after')],
  ...PROOF_CHECKS.filter((check) => !check.sharedOnly).map((check): [string, Payloads['finding']] => [
    'finding',
    { finding: check.finding, state: 'absent', phase: 'after' },
  ]),
]
const folded = (steps: [string, Payloads[keyof Payloads]][]) =>
  fold(
    steps.map(
      ([kind, payload], i) => entry(i + 1, kind as 'note', payload as { words: string }) as Entry,
    ),
  )
const verdictOf = (more: [string, Payloads[keyof Payloads]][] = [], installation = van) =>
  judge(installation, folded([...proven, ...more])).verdict
const reason = (rule: string, more: [string, Payloads[keyof Payloads]][]) =>
  verdictOf(more).reasons.find((one) => one.rule === rule && one.outcome !== 'pass')

const said = (one: VerdictReason | undefined, units: UnitSystem = 'metric') =>
  reasonWords(one!, formatOf(units))

describe('a reason of a verdict', () => {
  it('is kept as rule, figure and limit, and worded in the units of whoever reads', () => {
    const [short] = [reason('reserve', [['measurement', reading('takeUpHeight', 9, 'after')]])]
    expect(short).toMatchObject({
      rule: 'reserve',
      outcome: 'notYet',
      figure: 9,
      limit: 15,
      unit: 'mm',
      by: 'takeUpHeight',
    })
    expect(said(short)).toBe('Takes up 9.0 mm above the floor; 15 mm are wanted')
    expect(said(short, 'inch')).toBe('Takes up 0.35 in above the floor; 0.59 in are wanted')
    const air = reason('reserve', [['measurement', reading('freeTravel', tape(2500), 'after')]])!
    expect(air).toMatchObject({ by: 'freeTravel', cause: 'airFromWork', limit: 15 })
    expect(said(air, 'inch')).toMatch(
      /^Reserve −?[\d.]+ in \(.*\), by free travel; 0\.59 in are wanted\./,
    )
  })

  it('from before it was kept so still says what it said', () => {
    const old = { rule: 'air', outcome: 'pass', words: 'No air to be seen', figure: 0.1 } as const
    expect(said(old, 'inch')).toBe('No air to be seen')
  })

  it('none is a rule’s bare name, and none keeps a sentence', () => {
    const kinds: [string, Payloads[keyof Payloads]][][] = [
      [],
      [['bleedCycle', cycle('few')]],
      [['measurement', reading('rodClearance', -0.5, 'after')]],
      [['measurement', reading('freeTravel', 1, 'after')]],
      [['finding', { finding: 'forkCracked', state: 'present', phase: 'asFound' }]],
      [
        ['finding', { finding: 'forkCracked', state: 'present', phase: 'asFound' }],
        ['takenOver', { stop: 'forkCracked', reason: 'Only moved across the yard' }],
      ],
    ]
    for (const more of kinds)
      for (const one of [...verdictOf(more).reasons, ...judge(van, folded([])).verdict.reasons]) {
        expect(one.words).toBeUndefined()
        expect(said(one)).toMatch(/^[A-Z].* .*[^.]$|^[A-Z].* .*\.$/)
        expect(said(one)).not.toMatch(/undefined|NaN/)
      }
    expect(said(verdictOf(kinds[5]).reasons[0])).toMatch(/Overridden: Only moved across the yard$/)
  })
})

describe('the verdict', () => {
  it('is pass when all is measured again, looked at and within its limits', () => {
    const verdict = verdictOf()
    expect(verdict.reasons.filter((one) => one.outcome !== 'pass')).toEqual([])
    expect(verdict.outcome).toBe('pass')
    const left = verdict.reasons.find((one) => one.rule === 'reserve')!
    expect(left.limit).toBe(15)
    expect(left.figure).toBeGreaterThan(15)
  })

  it('is not yet for whatever is owed or short, each with its figure', () => {
    expect(verdictOf([['bleedCycle', cycle('few')]])).toMatchObject({ outcome: 'notYet' })
    expect(reason('clearInRow', [['bleedCycle', cycle('few')]])).toMatchObject({ figure: 0, limit: 3 })
    expect(reason('sink', [['measurement', reading('sink', 6, 'after', 90)]])).toMatchObject({
      figure: 4,
      limit: 2,
    })
    expect(reason('reserve', [['measurement', reading('takeUpHeight', 9, 'after')]])).toMatchObject({
      figure: 9,
      limit: 15,
    })
    // The worse of what pad and air tell: so much air leaves less than the take-up shows.
    const { circuit } = van
    expect(
      reason('reserve', [['measurement', reading('freeTravel', tape(2500), 'after')]])!.figure,
    ).toBeCloseTo(solveCircuit({ ...circuit, air: 2500 }).reserve, 0)
    expect(said(reason('rodStroke', [['measurement', reading('rodStroke', 8)]]))).toMatch(
      /not measured again/,
    )
    expect(
      said(
        reason('gearQuiet', [['finding', { finding: 'gearGrinds', state: 'present', phase: 'after' }]]),
      ),
    ).toMatch(/grinds/)
  })

  it('stops at a rod left too long, in two degrees', () => {
    const preloaded = reason('rodClearance', [['measurement', reading('rodClearance', -0.5, 'after')]])!
    expect(preloaded).toMatchObject({ outcome: 'stop', figure: -0.5, limit: 0 })
    expect(said(preloaded)).toMatch(/partly covers the port/)
    const covered = reason('rodClearance', [['measurement', reading('rodClearance', -1.4, 'after')]])!
    expect(said(covered)).toMatch(/the port never opens/)
    expect(verdictOf([['measurement', reading('rodClearance', -0.5, 'after')]]).outcome).toBe('stop')
    const felt = folded([['finding', { finding: 'rodTight', state: 'present', phase: 'asFound' }]])
    expect(judge(van, felt).verdict.outcome).toBe('stop')
  })

  it('stops at a stop-work finding until it is found mended', () => {
    const cracked: [string, Payloads['finding']] = [
      'finding',
      { finding: 'forkCracked', state: 'present', phase: 'asFound' },
    ]
    const mended: [string, Payloads['finding']] = [
      'finding',
      { finding: 'forkCracked', state: 'absent', phase: 'working' },
    ]
    expect(verdictOf([cracked]).outcome).toBe('stop')
    expect(openStops(folded([cracked])).map((one) => one.stop)).toEqual(['forkCracked'])
    expect(verdictOf([cracked, mended]).outcome).toBe('pass')
  })

  it('wants the brake pedal proved where the reservoir is shared, and only there', () => {
    expect(verdictOf([], shared).outcome).toBe('notYet')
    expect(
      verdictOf(
        [['finding', { finding: 'brakePedalChanged', state: 'absent', phase: 'after' }]],
        shared,
      ).outcome,
    ).toBe('pass')
    expect(
      verdictOf(
        [['finding', { finding: 'brakePedalChanged', state: 'present', phase: 'after' }]],
        shared,
      ).outcome,
    ).toBe('stop')
  })

  it('an empty job owes the readings that every proof needs', () => {
    expect(readingsOwed(folded([]))).toEqual(['freeTravel', 'takeUpHeight', 'sink', 'rodClearance'])
    expect(judge(van, folded([])).verdict.outcome).toBe('notYet')
  })
})

describe('the complaint', () => {
  const soft: [string, Payloads['complaint']] = ['complaint', { complaint: 'soft' }]
  const grade = (graded: Omit<Payloads['graded'], 'of'>): [string, Payloads['graded']] => [
    'graded',
    { of: 'soft', ...graded },
  ]
  it('that nobody has asked about again, or that is the same, is no verdict whatever the figures say', () => {
    const owed = verdictOf([soft])
    expect(owed.outcome).toBe('notYet')
    // It comes before all that is measured.
    expect(owed.reasons[0]).toEqual({ rule: 'soft', outcome: 'notYet', code: 'owed' })
    expect(said(owed.reasons[0])).toBe('Soft or spongy: not asked yet how it is now')
    const same = verdictOf([soft, grade({ grade: 'same' })])
    expect(same.outcome).toBe('notYet')
    expect(said(same.reasons[0])).toBe('Soft or spongy: still the same')
  })

  it('that is gone passes, and one that is less passes once what is left is named', () => {
    expect(verdictOf([soft, grade({ grade: 'gone' })]).outcome).toBe('pass')
    expect(verdictOf([soft, grade({ grade: 'less' })]).outcome).toBe('notYet')
    expect(verdictOf([soft, grade({ grade: 'less', remaining: 'hoseSwells' })]).outcome).toBe('pass')
    expect(verdictOf([soft, grade({ grade: 'less', words: 'hose is ordered' })]).outcome).toBe('pass')
  })
})

describe('the air after the work', () => {
  it('passes only where its limit is overstepped in at most one case of five', () => {
    const seen = new Set<string>()
    for (let free = tape(0) - 2; free < tape(1500); free++) {
      const { reasons } = verdictOf([['measurement', reading('freeTravel', free, 'after')]])
      const one = reasons.find(({ rule }) => rule === 'reserve')!
      if (one.code === 'misfit') continue
      const least = one.figure! - (0.8416 * (one.figure! - one.low!)) / 1.645
      expect(one.outcome).toBe(least >= one.limit! ? 'pass' : 'notYet')
      expect(one.code === 'cannotTell').toBe(one.outcome !== 'pass' && one.figure! >= one.limit!)
      seen.add(one.figure! < one.limit! ? 'short' : least < one.limit! ? 'may be short' : 'enough')
    }
    expect([...seen]).toEqual(['enough', 'may be short', 'short'])
  })
})

describe('a clearance that is read as nothing', () => {
  const rod = (value: number, phase: 'asFound' | 'after') =>
    ['measurement', reading('rodClearance', value, phase)] as [string, Payloads['measurement']]
  it('does not pass, and asks on which side of nothing it is', () => {
    const one = reason('rodClearance', [rod(0, 'after')])!
    expect(one).toMatchObject({ outcome: 'notYet', code: 'doubt', figure: 0 })
    expect(said(one)).toMatch(/it may be none. Feel whether the rod moves before the piston does/)
    expect(verdictOf([rod(0.25, 'after')]).outcome).toBe('pass')
  })

  it('does not end the stop of a rod that was measured too long', () => {
    expect(reason('rodClearance', [rod(-1, 'asFound'), rod(0, 'after')])!.outcome).toBe('stop')
    const stops = (last: number) =>
      openStops(folded([rod(-1, 'asFound'), rod(last, 'after')]), 1.1).map(({ stop }) => stop)
    expect(stops(0)).toEqual(['rodClearance'])
    expect(stops(0.3)).toEqual([])
  })
})

describe('a job that was proven', () => {
  const pass: [string, Payloads[keyof Payloads]] = ['verdict', { outcome: 'pass', reasons: [] }]
  it('is so until something is filed that a verdict rests on', () => {
    expect(isProven(folded([...proven, pass]))).toBe(true)
    expect(isProven(folded([...proven, pass, ['note', { words: 'Keys on the hook' }]]))).toBe(true)
    for (const later of [
      ['measurement', reading('freeTravel', 60, 'after')],
      ['graded', { of: 'soft', grade: 'same' }],
      ['complaint', { complaint: 'soft' }],
    ] as [string, Payloads[keyof Payloads]][])
      expect(isProven(folded([...proven, pass, later]))).toBe(false)
    expect(isProven(folded(proven))).toBe(false)
    expect(isProven(folded([['verdict', { outcome: 'notYet', reasons: [] }]]))).toBe(false)
  })
})

describe('what the figures mean', () => {
  const f = {
    ...formatOf('metric'),
    length: (mm: number) => `${mm.toFixed(0)} mm`,
    volume: (mm3: number) => `${(mm3 / 1000).toFixed(1)} ml`,
  }
  const say = (steps: [string, Payloads[keyof Payloads]][]) =>
    meaning(judge(van, folded(steps)).before, f)

  it('is said with air, its interval, its cost and what is left', () => {
    const text = say([['measurement', reading('freeTravel', tape(2500))]])
    expect(text).toMatch(
      /^About 2\.5 ml of air by free travel, 1\.\d ml to 3\.\d ml\. It takes \d+ mm of the pad’s 145 mm\./,
    )
    expect(text).toMatch(/mm of pad is missing to free the disc: the pad is on the floor first\./)
    expect(text).toMatch(/figures of this vehicle are assumed/)
  })

  it('says none to be seen, not measured, and what does not fit', () => {
    expect(say([['measurement', reading('freeTravel', tape(0))]])).toMatch(
      /^No air to be seen, at most 0\.\d ml\. The disc is free \d+ mm above the floor\./,
    )
    expect(say([])).toMatch(/not measured yet/)
    expect(say([['measurement', reading('freeTravel', 1)]])).toMatch(/do not fit/)
  })

  it('takes the take-up where free travel was not measured, and a measured pad height as its travel', () => {
    const { before } = judge(
      van,
      folded([
        ['measurement', reading('takeUpHeight', takeUp)],
        ['measurement', reading('padHeight', 150)],
      ]),
    )
    expect(before.airFrom).toBe('takeUpHeight')
    expect(before.circuit.pedal.travel).toBe(150)
    expect(before.installation.assumed).not.toContain('pedal.travel')
  })

  it('air found from a reading widens the reserve by that reading’s own error', () => {
    const { before, after } = judge(van, folded([['measurement', reading('freeTravel', tape(1500))]]))
    const width = ({ low, high }: { low: number; high: number }) => high - low
    expect(width(before.reserve)).toBeGreaterThan(0)
    expect(before.reserve.value).toBeLessThan(after.reserve.value)
    expect(before.reserve.shares.map((share) => share.name)).toContain('reading')
  })
})

describe('open stops', () => {
  const PORT = 1.1
  const stops = (...list: [Kind, unknown][]) =>
    openStops(
      fold(list.map(([kind, payload], i) => entry(i + 1, kind, payload as Payloads[typeof kind]))),
      PORT,
    )

  it('a rod that is measured too long stops, until it is measured right', () => {
    expect(stops(['measurement', reading('rodClearance', -2)])[0]).toMatchObject({
      stop: 'rodClearance',
      words: expect.stringContaining('covers the port') as string,
    })
    expect(stops(['measurement', reading('rodClearance', -0.5)])[0]!.words).toContain('part covers')
    expect(stops(['measurement', reading('rodClearance', 0.3)])).toEqual([])
    const mended = stops(
      ['measurement', reading('rodClearance', -2)],
      ['measurement', reading('rodClearance', 0.3, 'after')],
    )
    expect(mended).toEqual([])
  })

  it('taken over, a stop no longer blocks, keeps who and why, and proves nothing', () => {
    const cracked = { finding: 'forkCracked', state: 'present', phase: 'asFound' }
    const open = stops(['finding', cracked], ['takenOver', { stop: 'forkCracked', reason: 'Towed' }])
    expect(open[0]!.takenOver!.payload.reason).toBe('Towed')
    expect(open[0]!.takenOver!.by).toBe(PERSON)
    expect(blockingStops(open)).toEqual([])
    expect(blockingStops(stops(['finding', cracked]))).toHaveLength(1)
  })

  it('a pitted bore stops those who would rebuild it, and nobody else', () => {
    const pitted = { finding: 'borePitted', state: 'present', phase: 'asFound' }
    const decided = (way: string): [Kind, unknown] => [
      'decision',
      {
        scope: 'proven',
        way,
        first: 'part',
        repairs: [],
        reasons: [],
        minutes: 0,
        money: 0,
        comebackRisk: 0,
      },
    ]
    expect(stops(['finding', pitted])).toEqual([])
    expect(stops(['finding', pitted], decided('replace'))).toEqual([])
    expect(stops(['finding', pitted], decided('rebuild'))[0]!.stop).toBe('borePitted')
  })
})
