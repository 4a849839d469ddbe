import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freeTravel } from '../circuit'
import { fromArchetype } from '../installation'
import { RULES } from '../journal'
import { answerProve, LIMIT_ROWS } from '.'
import foreman from './foreman-cases.json'
import fourth from './fourth-foreman-cases.json'
import cases from './prove-cases.json'
import second from './second-foreman-cases.json'
import third from './third-foreman-cases.json'

interface Case {
  name: string
  archetype?: string
  measured?: Record<string, number>
  before?: Record<string, unknown>
  after?: Record<string, unknown>
  findings?: Record<string, unknown>
  foundBefore?: Record<string, unknown>
  renewed?: string[]
  causes?: string[]
  done?: string[]
  putOff?: string[]
  graded?: unknown[]
  bleed?: { clearInRow: number } | null
  shared?: boolean
  wantedReserve?: number
  limits?: Record<string, number>
  outcome: string
  rules: Record<string, string | null>
  owed?: string[]
  code?: Record<string, string>
  cause?: Record<string, string>
}
const { circuit } = fromArchetype('small-car')
/** A small car whose circuit is known, with everything measured and good; a case changes what it names. */
const AFTER = {
  freeTravel: Math.round(freeTravel({ ...circuit, air: 0 })) + 1,
  sink: { value: 0.5, duration: 60 },
  rodClearance: 0.4,
}
const FOUND = ['unionsWet', 'levelLow', 'startsPedalUp', 'gearGrinds', 'slips']
const merged = (base: Record<string, unknown>, more: Record<string, unknown> = {}) =>
  Object.fromEntries(Object.entries({ ...base, ...more }).filter(([, value]) => value !== null))
const inputOf = ({ archetype, after, findings, before, bleed, ...more }: Case) => ({
  ...(archetype ? { archetype } : { circuit }),
  ...(more.measured && { measured: more.measured }),
  ...(before && { before }),
  after: merged(AFTER, after),
  findings: merged(Object.fromEntries(FOUND.map((id) => [id, 'absent'])), findings),
  ...(bleed !== null && { bleed: bleed ?? { clearInRow: 3 } }),
  ...(more.graded && { graded: more.graded }),
  ...(more.shared !== undefined && { shared: more.shared }),
  ...(more.wantedReserve !== undefined && { wantedReserve: more.wantedReserve }),
  ...(more.limits && { limits: more.limits }),
  ...(more.foundBefore && { foundBefore: more.foundBefore }),
  ...(more.renewed && { renewed: more.renewed }),
  ...(more.causes && { causes: more.causes }),
  ...(more.done && { done: more.done }),
  ...(more.putOff && { putOff: more.putOff }),
})

describe('worked cases, written before they were run', () => {
  it.each(
    ([...cases, ...foreman, ...second, ...third, ...fourth] as unknown as Case[]).map(
      (one) => [one.name, one] as const,
    ),
  )('%s', (_, one) => {
    const answer = answerProve(inputOf(one))
    const reasons = answer.reasons as {
      rule: string
      outcome: string
      code?: string
      cause?: string
      words: string
    }[]
    const of = (rule: string) => reasons.find((reason) => reason.rule === rule)
    const told = JSON.stringify(answer, null, 1)
    for (const [rule, outcome] of Object.entries(one.rules))
      expect(of(rule)?.outcome ?? null, `${rule}\n${told}`).toBe(outcome)
    for (const [rule, code] of Object.entries(one.code ?? {})) expect(of(rule)?.code, told).toBe(code)
    for (const [rule, cause] of Object.entries(one.cause ?? {}))
      expect(of(rule)?.cause, told).toBe(cause)
    expect(answer.outcome, told).toBe(one.outcome)
    if (one.owed) expect(answer.owed).toEqual(one.owed)
    for (const { words, rule } of reasons) {
      expect(words).not.toBe(rule)
      expect(words.length).toBeGreaterThan(5)
    }
    // Looked at again only where it is finished.
    expect(answer.recheck.length).toBe(answer.outcome === 'pass' ? 2 : 0)
  })
  it('has them on both sides of every limit', () => {
    const list = cases as unknown as Case[]
    expect(list.length).toBeGreaterThanOrEqual(60)
    for (const { rule } of LIMIT_ROWS) {
      const outcomes = new Set(list.map(({ rules }) => rules[rule]).filter((one) => one))
      expect([...outcomes].sort(), rule).toEqual(expect.arrayContaining(['notYet', 'pass']))
    }
  })
})

describe('what the verb refuses', () => {
  const good = inputOf({ name: '', outcome: '', rules: {} })
  it.each([
    [{ ...good, after: { ...good.after, freeTravel: 900 } }, '/after/freeTravel'],
    [{ ...good, after: { ...good.after, sink: { value: 1, duration: 0 } } }, '/after/sink/duration'],
    [{ ...good, after: { ...good.after, sink: { value: 'much' } } }, '/after/sink/value'],
    [{ ...good, after: undefined }, '/after'],
    [{ ...good, after: { ...good.after, wobble: 3 } }, '/after/wobble'],
    [{ ...good, findings: { unionsWet: 'maybe' } }, '/findings/unionsWet'],
    [{ ...good, graded: [{ of: 'sinks', grade: 'better' }] }, '/graded/0/grade'],
    [{ ...good, bleed: { clearInRow: 2.5 } }, '/bleed/clearInRow'],
    [{ ...good, limits: { ledger: 3 } }, '/limits/ledger'],
    [{ ...good, archetype: 'tractor' }, '/circuit'],
    [{ ...good, wantedReserve: -1 }, '/wantedReserve'],
    [{ ...good, verdict: 'pass' }, '/verdict'],
    [{ archetype: 'spaceship', after: {} }, '/archetype'],
  ])('%#', (input, path) => {
    expect(() => answerProve(input)).toThrow(expect.objectContaining({ path }) as Error)
  })
})

it('a better reading never makes a worse verdict of its rule', () => {
  const RANK = { stop: 0, notYet: 1, pass: 2 }
  const outcomeOf = (rule: string, after: Record<string, unknown>) => {
    const one = answerProve({ circuit, after: merged(AFTER, after) }).reasons as {
      rule: string
      outcome: keyof typeof RANK
    }[]
    return RANK[one.find((reason) => reason.rule === rule)!.outcome]
  }
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }), (a, b) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)]
      expect(outcomeOf('sink', { sink: less / 10 })).toBeGreaterThanOrEqual(
        outcomeOf('sink', { sink: more / 10 }),
      )
      expect(outcomeOf('overnight', { overnightGrowth: less / 10 })).toBeGreaterThanOrEqual(
        outcomeOf('overnight', { overnightGrowth: more / 10 }),
      )
      // Higher than the circuit can do is no better: half of it is as far as this goes.
      expect(outcomeOf('reserve', { freeTravel: null, takeUpHeight: more / 2 })).toBeGreaterThanOrEqual(
        outcomeOf('reserve', { freeTravel: null, takeUpHeight: less / 2 }),
      )
    }),
    { numRuns: 40 },
  )
})
it('every rule that the verb knows has a name and those with a figure a reason for their limit', () => {
  expect(new Set(RULES).size).toBe(RULES.length)
  for (const { rule, reason } of LIMIT_ROWS) {
    expect(RULES).toContain(rule)
    expect(reason.length).toBeGreaterThan(20)
  }
})
