import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { answerFluid, boilingAt, FLUID_KINDS, FLUIDS, judgeFluid, waterAtBoiling, waterByAge } from '.'

const codes = (question: Parameters<typeof judgeFluid>[0]) =>
  judgeFluid(question).reasons.map(({ code }) => code)
const kinds = fc.constantFrom(...FLUID_KINDS)
const glycols = FLUID_KINDS.filter((kind) => FLUIDS[kind].family === 'glycol')

describe('what may go in', () => {
  it('every pair: a mixture of glycols, a stop across families, the unknown never in', () => {
    for (const inside of FLUID_KINDS)
      for (const adding of FLUID_KINDS) {
        const { verdict, becomes, dry, condemned } = judgeFluid({ inside, adding })
        const pair = `${adding} into ${inside}`
        const [a, b] = [FLUIDS[inside].family, FLUIDS[adding].family]
        if (a && b && a !== b) {
          expect([verdict, becomes, dry], pair).toEqual(['stop', 'unknown', null])
          expect(condemned.length > 0, pair).toBe([a, b].includes('mineral'))
        } else if (adding === 'unknown') expect(verdict, pair).toBe('refuse')
        else if (inside === 'unknown') expect(verdict, pair).toBe('flush')
        else expect(verdict, pair).toBe('fill')
      }
  })

  it('a mixture counts as the poorer, until all of it is new', () => {
    const mixed = judgeFluid({ inside: 'dot4', adding: 'dot51' })
    expect(mixed).toMatchObject({ becomes: 'dot4', dry: 230, wet: 155 })
    expect(mixed.reasons.map(({ code }) => code)).toEqual(['mixes', 'lowersTo'])
    expect(judgeFluid({ inside: 'dot51', adding: 'dot3' }).becomes).toBe('dot3')
    expect(judgeFluid({ inside: 'dot3', adding: 'dot51', share: 1 }).becomes).toBe('dot51')
  })

  it('an old container, a poorer kind, another family than the maker’s: refused; old or wet inside: flushed', () => {
    const open = (months: number, climate: 'usual' | 'damp' = 'usual') =>
      codes({ inside: 'dot4', adding: 'dot4', climate, container: { opened: true, months } })
    expect([open(12), open(13), open(6, 'damp'), open(7, 'damp')]).toEqual([
      [],
      ['opened'],
      [],
      ['opened'],
    ])
    expect(codes({ inside: 'dot4', adding: 'dot3', wanted: 'dot4' })).toContain('wanted')
    expect(codes({ inside: 'dot4', adding: 'dot4', wanted: 'mineral' })).toEqual(['wanted'])
    expect(codes({ inside: 'dot4', adding: 'dot51', wanted: 'dot4' })).not.toContain('wanted')
    expect(codes({ inside: 'dot4', adding: 'dot4', ageMonths: 23 })).toEqual([])
    expect(codes({ inside: 'dot4', adding: 'dot4', ageMonths: 24 })).toEqual(['age'])
    expect(codes({ inside: 'dot4', adding: 'dot4', ageMonths: 36 })).toEqual(['water', 'age'])
    expect(codes({ inside: 'dot4', adding: 'dot4', water: 2.9, ageMonths: 36 })).toEqual(['age'])
  })

  it('stop outranks refuse, that outranks flush', () => {
    const old = { ageMonths: 40, container: { opened: true, months: 30 } }
    expect(judgeFluid({ inside: 'dot4', adding: 'mineral', ...old }).verdict).toBe('stop')
    expect(judgeFluid({ inside: 'dot4', adding: 'dot4', ...old }).verdict).toBe('refuse')
    expect(judgeFluid({ inside: 'dot4', adding: 'dot4', ageMonths: 40 }).verdict).toBe('flush')
  })
})

describe('water and boiling point', () => {
  it('meet the class’s own points dry and at 3.7 %', () => {
    for (const kind of glycols) {
      expect(boilingAt(kind, 0)).toBeCloseTo(FLUIDS[kind].dry!, 9)
      expect(boilingAt(kind, 0.037)).toBeCloseTo(FLUIDS[kind].wet!, 9)
    }
    expect(boilingAt('dot5', 0)).toBeNull()
  })

  it('by age: 1 % a year, 1.3 where damp or shared, half where dry, six at most', () => {
    expect(waterByAge(24, 'usual')).toEqual({ low: 0.01, value: 0.02, high: 0.032 })
    expect(waterByAge(240, 'usual').value).toBe(0.06)
    const answer = judgeFluid({ inside: 'dot4', adding: 'dot4', ageMonths: 12, shared: true })
    expect(answer.water!.value).toBeCloseTo(1.3, 9)
    expect(answer.from).toBe('age')
    // By hand: 155 + 75·(e^−0.65 − e^−1.85)/(1 − e^−1.85) = 187.47.
    expect(answer.boiling!.value).toBeCloseTo(187.47, 1)
    expect(answer.boiling!.low).toBeLessThan(answer.boiling!.value)
  })

  it('a measured figure has no range, and boiling gives water back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...glycols),
        fc.double({ min: 0, max: 0.06, noNaN: true }),
        (kind, w) => {
          expect(waterAtBoiling(kind, boilingAt(kind, w)!)).toBeCloseTo(w, 9)
          const { water, boiling, from } = judgeFluid({ inside: kind, adding: kind, water: 100 * w })
          expect([water!.low, water!.high, from]).toEqual([water!.value, water!.value, 'measured'])
          expect(boiling!.value).toBeCloseTo(boilingAt(kind, w)!, 9)
        },
      ),
    )
  })

  it('new fluid thins it: none is left where all is new', () => {
    const half = judgeFluid({ inside: 'dot4', adding: 'dot4', water: 4, share: 0.5 })
    expect(half.water!.value).toBe(2)
    expect(judgeFluid({ inside: 'dot4', adding: 'dot4', water: 4, share: 1 })).toMatchObject({
      verdict: 'flush',
      water: { value: 0 },
      boiling: { value: 230 },
    })
    expect(judgeFluid({ inside: 'dot5', adding: 'dot5', ageMonths: 12 })).toMatchObject({
      water: null,
      boiling: null,
      from: null,
      dry: 260,
    })
  })
})

describe('the verb', () => {
  const { circuit } = fromArchetype('small-car')
  const need = (act: string, more: object = {}) =>
    answerFluid({ inside: 'dot4', adding: 'dot4', need: { act, circuit, ...more } }).volume!

  it('reckons what a piece of work takes, in whole containers where one is named', () => {
    const { circuit: holds } = need('bleed')
    expect(holds).toBeGreaterThan(10_000)
    expect(need('topUp', { usable: 80_000 }).need).toBeCloseTo(16_000, 6)
    expect(need('flush', { usable: 80_000 }).need).toBeCloseTo(3 * holds + 80_000, 6)
    expect(need('fill').need).toBeCloseTo(2 * holds, 6)
    expect(need('flush', { usable: 80_000, container: 500_000 }).need).toBe(500_000)
    expect(need('bleed', { slaveChamber: 10 }).circuit).toBeGreaterThan(holds)
  })

  it.each([
    [{ inside: 'dot6', adding: 'dot4' }, '/inside'],
    [{ inside: 'dot4' }, '/adding'],
    [{ inside: 'dot4', adding: 'dot4', water: 101 }, '/water'],
    [{ inside: 'dot4', adding: 'dot4', share: 2 }, '/share'],
    [{ inside: 'dot4', adding: 'dot4', container: { opened: 'yes' } }, '/container/opened'],
    [{ inside: 'dot4', adding: 'dot4', colour: 'red' }, '/colour'],
    [{ inside: 'dot4', adding: 'dot4', need: { act: 'drink', circuit } }, '/need/act'],
  ])('refuses %j by the path of what is wrong', (input, path) => {
    expect(() => answerFluid(input)).toThrow(expect.objectContaining({ path }) as Error)
  })

  it('answers anything that can be asked, and never with less than it knows', () => {
    fc.assert(
      fc.property(kinds, kinds, fc.option(fc.integer({ min: 0, max: 300 })), (inside, adding, age) => {
        const answer = answerFluid({ inside, adding, ...(age !== null && { ageMonths: age }) })
        expect(['fill', 'flush', 'refuse', 'stop']).toContain(answer.verdict)
        if (answer.boiling) expect(answer.boiling.low).toBeLessThanOrEqual(answer.boiling.high)
      }),
    )
  })
})
