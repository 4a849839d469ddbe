import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FINDINGS } from '../diagnosis'
import { corrected } from './correct'
import { completions, understand, understandAll, type SayContext } from './say'

const context: SayContext = {
  phase: 'asFound',
  units: 'metric',
  cycle: { method: 'openPush', strokes: 1 },
}
const said = (text: string, more: Partial<SayContext> = {}) => {
  const found = understand(text, { ...context, ...more })
  if ('problem' in found) throw new Error(found.problem)
  return found.said
}
const problem = (text: string) => {
  const found = understand(text, context)
  return 'problem' in found ? found.problem : null
}
const measured = (reading: string, value: number, duration?: number) => ({
  kind: 'measurement',
  payload: { reading, value, phase: 'asFound', ...(duration && { duration }) },
})

describe('the say-line', () => {
  it.each([
    ['free 42', measured('freeTravel', 42)],
    ['Free travel 42 mm', measured('freeTravel', 42)],
    ['free 4,5 cm', measured('freeTravel', 45)],
    ['free 2 in', measured('freeTravel', 50.8)],
    ['free 1.5"', measured('freeTravel', 38.1)],
    ['sink 6 in 60', measured('sink', 6, 60)],
    ['sink 6 in 60 s', measured('sink', 6, 60)],
    ['sinks 6 mm in 2 min', measured('sink', 6, 120)],
    ['sink 6', measured('sink', 6, 60)],
    ['sink 1 in in 60', measured('sink', 25.4, 60)],
    ['drop 3 over 2 h', measured('reservoirDrop', 3, 7200)],
    ['stroke 9.5', measured('rodStroke', 9.5)],
    ['rod 9.5', measured('rodStroke', 9.5)],
    ['clearance -0.6', measured('rodClearance', -0.6)],
    ['take-up 38', measured('takeUpHeight', 38)],
  ])('%s', (text, expected) => {
    const found = said(text)
    expect(found.kind).toBe(expected.kind)
    const { value, ...rest } = found.payload as typeof expected.payload
    expect(value).toBeCloseTo(expected.payload.value, 9)
    expect(rest).toEqual({ ...expected.payload, value: undefined })
  })

  it.each([
    ['boot wet', 'bootWet', 'present'],
    ['slave boot dry', 'bootWet', 'absent'],
    ['level low', 'levelLow', 'present'],
    ['level ok', 'levelLow', 'absent'],
    ['rod end damp', 'rodEndDamp', 'present'],
    ['Rod  end  DRY', 'rodEndDamp', 'absent'],
    ['play none', 'rodTight', 'present'],
    ['outlet union dry', 'outletDamp', 'absent'],
    ['brake level above', 'brakeLevelLow', 'absent'],
    ['carpet ?', 'carpetWet', 'notLooked'],
  ])('%s', (text, finding, state) => {
    expect(said(text)).toEqual({ kind: 'finding', payload: { finding, state, phase: 'asFound' } })
  })

  it.each([
    ['pedal soft', { kind: 'complaint', payload: { complaint: 'soft' } }],
    ['every morning', { kind: 'complaint', payload: { complaint: 'afterStanding' } }],
    [
      'few 12 ml',
      {
        kind: 'bleedCycle',
        payload: { method: 'openPush', strokes: 1, cameOut: 'few', bottle: 12_000 },
      },
    ],
    [
      '4 strokes clear fresh 28',
      {
        kind: 'bleedCycle',
        payload: { method: 'openPush', strokes: 4, cameOut: 'clear', colour: 'fresh', bottle: 28_000 },
      },
    ],
    ['top up', { kind: 'topUp', payload: {} }],
    ['topup 5 cl', { kind: 'topUp', payload: { volume: 50_000 } }],
    ['note Hose kept, seen Sound', { kind: 'note', payload: { words: 'Hose kept, seen Sound' } }],
  ])('%s', (text, expected) => {
    expect(said(text)).toEqual(expected)
  })

  it('a bare length follows the person’s unit', () => {
    expect(said('free 2', { units: 'inch' }).payload).toMatchObject({ value: 50.8 })
    expect(said('top up 2', { units: 'inch' }).payload).toEqual({ volume: 2 * (231 / 128) * 25.4 ** 3 })
    expect(said('clear 30 ml', { units: 'inch' }).payload).toMatchObject({ bottle: 30_000 })
    expect(said('free 42 mm', { units: 'inch' }).payload).toMatchObject({ value: 42 })
  })

  it.each([
    ['', /Say what/],
    ['pineapple', /not known/],
    ['free', /say a number/],
    ['free four', /say a number/],
    ['free 900', /0.0 mm to 500 mm; this is 900 mm/],
    ['sink 6 in 0', /1 s to 7 days/],
    ['boot purple', /“wet”, “dry”/],
    ['level low dark', /“low”, “on its mark”/],
    ['250 clear', /1 to 200/],
    ['few 9000 ml', /at most 2000/],
    ['top up much', /say how much/],
    ['note ', /what to keep/],
  ])('“%s” is refused with what to do', (text, expected) => {
    expect(problem(text)).toMatch(expected)
  })

  it('takes any text without failing, and never files a number out of bounds', () => {
    const word = fc.constantFrom(
      'free',
      'sink',
      'in',
      '60',
      '-3',
      '1e9',
      'boot',
      'wet',
      'clear',
      'ml',
      '9999',
      '"',
      '.',
      'note',
    )
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(word).map((words) => words.join(' ')),
        ),
        (text) => {
          const found = understand(text, context)
          if ('said' in found && found.said.kind === 'measurement') {
            expect(found.said.payload.value).toBeGreaterThanOrEqual(-20)
            expect(found.said.payload.value).toBeLessThanOrEqual(500)
          }
        },
      ),
      { numRuns: 1000 },
    )
  })

  it('completes from the start of a subject, and a subject with its states', () => {
    expect(completions('fre')).toContain('free travel')
    expect(completions('boot')).toEqual(expect.arrayContaining(['boot wet', 'boot dry']))
    expect(completions('')).toEqual([])
  })
})

describe('several statements at once, and slips of the finger', () => {
  const all = (text: string) => {
    const found = understandAll(text, context)
    if ('problem' in found) throw new Error(found.problem)
    return found.said
  }
  const finding = (id: string, state: string) => ({
    kind: 'finding',
    payload: { finding: id, state, phase: 'asFound' },
  })

  it.each([
    ['level low dark', [finding('levelLow', 'present'), finding('fluidDark', 'present')]],
    ['level ok, rod end dry', [finding('levelLow', 'absent'), finding('rodEndDamp', 'absent')]],
    ['boot wet and outlet dry', [finding('bootWet', 'present'), finding('outletDamp', 'absent')]],
    ['free 42 boot wet', [measured('freeTravel', 42), finding('bootWet', 'present')]],
    ['sink 8 in 60', [measured('sink', 8, 60)]],
    ['helper here', [{ kind: 'condition', payload: { condition: 'helper', holds: true } }]],
    ['can stand no', [{ kind: 'condition', payload: { condition: 'hours', holds: false } }]],
  ])('%s', (text, expected) => expect(all(text)).toEqual(expected))

  it('tells the problem of what is left over, and files nothing of the rest', () => {
    expect(understandAll('level low, boot purple', context)).toEqual({
      problem: expect.stringContaining('say “wet”, “dry”') as string,
    })
    expect(understandAll('', context)).toHaveProperty('problem')
  })

  it('every finding can be said, each way, in its own words', () => {
    for (const kind of FINDINGS)
      for (const [state, words] of [
        ['present', kind.present],
        ['absent', kind.absent],
      ] as const) {
        const ways = kind.words.map((word) => understandAll(`${word} ${words}`, context))
        expect(ways, `${kind.id} ${state}`).toContainEqual({ said: [finding(kind.id, state)] })
      }
  })

  it('either half of a state that names two will do, and never means both states', () => {
    for (const kind of FINDINGS)
      for (const [state, words] of [
        ['present', kind.present],
        ['absent', kind.absent],
      ] as const)
        for (const half of words.split(/,? or /))
          expect(
            kind.words.map((word) => understandAll(`${word} ${half}`, context)),
            `${kind.id} ${half}`,
          ).toContainEqual({ said: [finding(kind.id, state)] })
  })

  it.each([
    ['bot wet', 'boot wet'],
    ['boot wett', 'boot wet'],
    ['sedimnt clean', 'sediment clean'],
    ['fre 42', 'free 42'],
    ['carpt wet', 'carpet wet'],
    ['boot wte', 'boot wet'],
    ['boot wte, sink 6 in 60', 'boot wet, sink 6 in 60'],
    ['sink 6 in 60; bot dry', 'sink 6 in 60, boot dry'],
    ['fre 42,5', 'free 42,5'],
  ])('%s is offered as %s', (slip, meant) => expect(corrected(slip, context)).toBe(meant))

  it('offers nothing where nothing is near, and never what was understood', () => {
    expect(corrected('xylophone quartet', context)).toBeNull()
    expect(corrected('boot wet', context)).toBeNull()
    expect(corrected('boot wte, xylophone quartet', context)).toBeNull()
  })
})
