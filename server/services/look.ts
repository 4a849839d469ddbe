import type { JobLook } from '../../contract'
import {
  diagnose,
  faultKind,
  findingKind,
  knowledgeOf,
  nextMove,
  priorsFrom,
  readingKind,
  repairWords,
} from '../../core/diagnosis'
import { evidenceOf, fold, installationFrom } from '../../core/journal'
import { openStops, questionOf } from '../../core/proof'
import type { Database } from '../database/database'
import { readJob } from './jobs'
import { Refusal } from './refusal'
import { readShop } from './shop'
import { readVehicle } from './vehicles'

/** Answers are kept until something they hang on changes: the tables of one vehicle take longer than all else. */
const kept = new Map<string, { hangsOn: string; look: JobLook }>()
const MOST_KEPT = 200

/** What the search on a job would do next, and what leads it. */
export async function lookAhead(database: Database, id: string): Promise<JobLook> {
  const job = await readJob(database, id)
  const vehicle = await readVehicle(database, job.subject.vehicleId)
  const { settings, record } = await readShop(database)
  const { lastSequence, model } = vehicle.subject
  const hangsOn = JSON.stringify([job.subject.lastSequence, lastSequence, settings, record])
  const known = kept.get(id)
  if (known?.hangsOn === hangsOn) return known.look

  const state = fold(job.entries)
  const installation = installationFrom(job.entries, installationFrom(vehicle.entries))
  if (!installation)
    throw new Refusal(409, 'no-installation', 'This vehicle has no installation that stands')
  const stops = openStops(state, installation.circuit.master.portClosure)
  const question = questionOf(evidenceOf(state), state, stops, settings)
  const knowledge = knowledgeOf(installation, priorsFrom(record, model ?? '').priors)
  const found = diagnose(knowledge, question.evidence)
  const { advice, looks } = nextMove(knowledge, question.evidence, found, question)
  const first = looks[0]
  const lead = found.suspects[0]
  const look: JobLook = {
    act: advice.decide ? repairWords(advice.now.repairs.map((repair) => repair.id)) : null,
    look: first
      ? {
          label: (first.look.kind === 'finding'
            ? findingKind(first.look.id)
            : readingKind(first.look.id)
          ).label,
          minutes: first.minutes,
        }
      : null,
    lead: lead ? { label: faultKind(lead.fault.id).label, chance: lead.chance } : null,
  }
  kept.delete(id)
  kept.set(id, { hangsOn, look })
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!)
  return look
}
