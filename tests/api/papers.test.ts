import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import type { Kind, Payloads } from '../../core/journal'
import { runningSuite } from '../harness/running'
import { aJob, anEntry, aPerson, call, refused } from './client'

/** A PDF as another program reads it. */
async function read(path: string): Promise<string> {
  const { address } = runningSuite('api')
  const answer = await fetch(`${address}/api${path}`)
  expect(answer.headers.get('content-type')).toBe('application/pdf')
  const file = join(mkdtempSync(join(tmpdir(), 'paper-')), 'paper.pdf')
  writeFileSync(file, Buffer.from(await answer.arrayBuffer()))
  return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ')
}

/** A job that was decided, bled, measured and judged; its verdict was put right once. */
async function judged() {
  const by = await aPerson(`Someone ${Math.random().toString(36).slice(2)}`)
  const { jobId, subject } = await aJob(by)
  const filed: { id: string }[] = []
  const file = async <K extends Kind>(kind: K, payload: Payloads[K], more = {}) => {
    const entry = anEntry(subject, by, kind, payload, more)
    const { status } = await call('POST', `/jobs/${jobId}/entries`, entry)
    expect(status).toBe(201)
    filed.push(entry)
    return entry
  }
  await file('complaint', { complaint: 'soft', words: 'goes soft on the hill' })
  await file('measurement', { reading: 'freeTravel', value: 60, phase: 'asFound' })
  await file('decision', {
    scope: 'pair',
    way: 'replace',
    first: 'part',
    repairs: ['master', 'slave'],
    reasons: [],
    minutes: 180,
    money: 210,
    comebackRisk: 0.04,
    hourlyRate: 60,
    options: [
      { answer: 'proven', repairs: ['slave'], minutes: 120, money: 90, comebackRisk: 0.19 },
      { answer: 'rebuild', repairs: ['slave'], minutes: 150, money: 30, comebackRisk: 0.27 },
    ],
  })
  await file('approval', { option: 'Both cylinders', by: 'the owner', how: 'signed' })
  await file('workDone', { operation: 'slave' })
  await file('measurement', { reading: 'freeTravel', value: 30, phase: 'after' })
  await file('measurement', { reading: 'takeUpHeight', value: 70, phase: 'after' })
  const verdict = await file('verdict', {
    outcome: 'notYet',
    reasons: [
      { rule: 'reserve', outcome: 'notYet', figure: 9, low: 5, high: 13, limit: 15, unit: 'mm' },
    ],
  })
  await file(
    'verdict',
    {
      outcome: 'notYet',
      reasons: [
        { rule: 'reserve', outcome: 'notYet', figure: 11, low: 8, high: 14, limit: 15, unit: 'mm' },
      ],
    },
    { corrects: verdict.id },
  )
  await file('deferred', { repair: 'hose', watch: 'freeTravel', limit: 45, until: '2027-02-01' })
  await file('recheck', { of: verdict.id, due: '2026-12-04', atKm: 84_200, rules: ['reserve'] })
  return { jobId }
}

describe('papers of a job', () => {
  it('are read by another program: the verdict as it was put right, before and after, and by whom', async () => {
    const { jobId } = await judged()
    const verdict = await read(`/jobs/${jobId}/papers/verdict`)
    expect(verdict).toContain('Test van: Not yet')
    expect(verdict).toMatch(/Filed \d+ \w+ \d{4} at \d\d:\d\d UTC by Someone/)
    expect(verdict).toMatch(/Corrected \d+ \w+ \d{4}/)
    expect(verdict).toContain('Reserve 11 mm (8.0 mm to 14 mm), by free travel; 15 mm are wanted')
    expect(verdict).toMatch(/Free travel at the pad 60 mm 30 mm Someone/)
    expect(verdict).toMatch(/Air .* ml .*to .* ml/)
    expect(verdict).toMatch(/figures of this circuit are assumed/)
  })

  it('tell the customer his options with price and risk, what he agreed to and what remains', async () => {
    const { jobId } = await judged()
    const sheet = await read(`/jobs/${jobId}/papers/customer?units=inch`)
    expect(sheet).toContain('“goes soft on the hill”')
    // 210 of parts and three hours at 60.
    expect(sheet).toContain('about 3.0 hours of work, parts and work 390.')
    expect(sheet).toMatch(/Only what is proven: renew the slave 2\.0 210 19 in 100/)
    expect(sheet).toMatch(/Rebuild: renew the slave 2\.5 180 27 in 100/)
    expect(sheet).toMatch(/Both cylinders \(the owner, signed, \d+ \w+ \d{4}\)/)
    expect(sheet).toContain('Not finished yet')
    expect(sheet).toMatch(/Free travel at the pad 2\.36 in 1\.18 in/)
    expect(sheet).toMatch(/Put off: .*hose.*; ends at 1\.77 in/)
    expect(sheet).toContain('by 4 December 2026 or at')
  })

  it('tell the job on a card, and nothing is printed of what is no paper or no job', async () => {
    const { jobId } = await judged()
    const card = await read(`/jobs/${jobId}/papers/card`)
    expect(card).toMatch(/Opened .* Printed/)
    expect(card).toContain('Master and slave together, renew, part first')
    expect(card).toContain('Verdict: Not yet')
    expect((await refused(call('GET', `/jobs/${jobId}/papers/poster`))).errors?.[0]?.path).toBe('/kind')
    expect((await refused(call('GET', `/jobs/01ARZ3NDEKTSV4RRFFQ69G5FAV/papers/card`))).status).toBe(
      404,
    )
  })
})
