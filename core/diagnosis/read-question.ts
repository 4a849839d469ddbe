import type { Installation } from '../installation'
import { HELD_FOR } from '../quantity'
import { InputError, inRange, objectOf, pointerTo } from '../circuit'
import { COMPLAINT_IDS, type ComplaintId } from './complaints'
import { NEEDS, USUAL_CONDITIONS, type Conditions } from './conditions'
import type { Evidence } from './evidence'
import { FAULT_IDS } from './faults'
import { FINDING_IDS, type FindingId, type Need } from './findings'
import { whyNotHere } from './knowledge'
import { READING_NAMES, readingKind, type ReadingName } from './readings'
import type { ShopRecord } from './record'
import { SHOP_COSTS, type ShopCosts } from './repairs'
import type { Question } from './report'
import { USUAL_POLICY } from './policies'
import { stopsOf } from './stops'

/** What a question may hold; everything may be left out. */
export const QUESTION_FIELDS = ['complaints', 'findings', 'readings', 'conditions', 'costs'] as const

/**
 * Reads a question from unknown input. Stop-work findings that are present are taken as open.
 * @param installation the vehicle, on which every finding must make sense; not asked unless given.
 * @throws InputError with a JSON pointer and the bound where anything is out of it.
 */
export function readQuestion(given: Record<string, unknown>, installation?: Installation): Question {
  const evidence: Evidence = {
    complaints: readComplaints(given.complaints ?? []),
    findings: readFindings(given.findings ?? {}),
    readings: readReadings(given.readings ?? {}),
  }
  if (installation)
    for (const id of Object.keys(evidence.findings) as FindingId[]) {
      const why = whyNotHere(id, installation)
      if (why) throw new InputError(why, `/findings/${id}`)
    }
  const closure = installation?.circuit.master.portClosure ?? null
  const stops = stopsOf(evidence, closure).flatMap(({ stop }) =>
    stop === 'rodClearance' ? [] : [stop],
  )
  return {
    evidence,
    stops,
    conditions: readConditions(given.conditions ?? {}),
    costs: readCosts(given.costs ?? {}),
    school: USUAL_POLICY,
  }
}

function oneOf<T extends string>(value: unknown, known: readonly T[], path: string): T {
  if (typeof value === 'string' && (known as readonly string[]).includes(value)) return value as T
  throw new InputError(`must be one of ${known.join(', ')}`, path)
}

function readComplaints(input: unknown): ComplaintId[] {
  if (!Array.isArray(input)) throw new InputError('complaints must be a list', '/complaints')
  return [...new Set(input.map((one, i) => oneOf(one, COMPLAINT_IDS, `/complaints/${i}`)))]
}

function readFindings(input: unknown): Partial<Record<FindingId, 'present' | 'absent'>> {
  const given = objectOf(input, '/findings', FINDING_IDS)
  return Object.fromEntries(
    Object.entries(given).map(([id, state]) => [
      id,
      oneOf(state, ['present', 'absent'] as const, `/findings/${id}`),
    ]),
  )
}

function readReadings(input: unknown): Evidence['readings'] {
  const given = objectOf(input, '/readings', READING_NAMES)
  const readings: Partial<Record<ReadingName, { value: number; duration?: number }>> = {}
  for (const name of READING_NAMES) {
    if (given[name] === undefined) continue
    const path = `/readings/${name}`
    const kind = readingKind(name)
    const { value, duration } = objectOf(given[name], path, ['value', 'duration'])
    inRange(value, `${path}/value`, kind, kind.label)
    if (duration !== undefined) inRange(duration, `${path}/duration`, HELD_FOR, 'Duration')
    readings[name] = { value, ...(duration !== undefined && { duration }) }
  }
  return readings
}

function readConditions(input: unknown): Conditions {
  const needs = NEEDS.map(({ id }) => id)
  const given = objectOf(input, '/conditions', needs)
  const conditions = { ...USUAL_CONDITIONS }
  for (const [need, holds] of Object.entries(given)) {
    if (typeof holds !== 'boolean') throw new InputError('must be true or false', `/conditions/${need}`)
    conditions[need as Need] = holds
  }
  return conditions
}

function readCosts(input: unknown): ShopCosts {
  const given = objectOf(input, '/costs', Object.keys(SHOP_COSTS))
  const costs = { ...SHOP_COSTS }
  for (const name of Object.keys(SHOP_COSTS) as (keyof ShopCosts)[]) {
    const value = given[name]
    if (value === undefined) continue
    inRange(value, `/costs/${name}`, { unit: '', min: 0, max: 1_000_000 }, name)
    costs[name] = value
  }
  return costs
}

const COUNT = { unit: '', min: 0, max: 1_000_000 }

/** A shop’s record from unknown input: per model its closed jobs, and in how many each fault was confirmed. */
export function readRecord(input: unknown): ShopRecord {
  const models = objectOf(input, '/record')
  for (const [model, one] of Object.entries(models)) {
    const path = pointerTo('/record', model)
    const { jobs, confirmed } = objectOf(one, path, ['jobs', 'confirmed'])
    inRange(jobs, `${path}/jobs`, COUNT, 'Jobs')
    for (const [fault, count] of Object.entries(objectOf(confirmed, `${path}/confirmed`, FAULT_IDS)))
      inRange(count, `${path}/confirmed/${fault}`, { ...COUNT, max: jobs }, 'Confirmed')
  }
  return models as ShopRecord
}
