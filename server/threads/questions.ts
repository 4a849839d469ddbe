import { readFileSync } from 'node:fs'
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
  type GoodFigures,
  type Knowledge,
  type Policy,
  type ShopCosts,
  type ShopRecord,
} from '../../core/diagnosis'
import { vehicleHistory, type JobOfVehicle } from '../../core/history'
import type { Installation } from '../../core/installation'
import { evidenceOf, fold, type Entry } from '../../core/journal'
import { openStops, questionOf } from '../../core/proof'
import type { UnitSystem } from '../../core/quantity'
import { paperOf, type PaperAsked } from '../printing/paper'
import { pdfOf } from '../printing/pdf'
import type { Fonts } from '../printing/font-files'
import { planSheet } from '../printing/plan-sheet'
import { readShopFile } from '../shop-file/read'
import { checkedPackage, plannedJob, type PlanQuestion } from './plans'

/** What is worked out beside the server's own thread: plain data in, plain data out. */
export interface LookQuestion {
  entries: readonly Entry[]
  /** As the job has it. */
  installation: Installation
  settings: ShopCosts & { school: Policy }
  record: ShopRecord
  model: string
  /** What the vehicle showed when its pedal was good. */
  good: GoodFigures
}

/** Knowledge of a vehicle takes longer to make ready than to ask: the last few are kept. */
const MOST_KEPT = 12
const kept = new Map<string, Knowledge>()

function knowledgeFor({ installation, record, model, good }: LookQuestion): Knowledge {
  const { priors } = priorsFrom(record, model)
  const key = JSON.stringify([installation, priors, good])
  const known = kept.get(key) ?? knowledgeOf(installation, priors, good)
  kept.delete(key)
  kept.set(key, known)
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!)
  return known
}

/** What the search on a job would do next, and what leads it. */
export function lookOf(asked: LookQuestion): JobLook {
  const { entries, installation, settings } = asked
  const state = fold(entries)
  const stops = openStops(state, installation.circuit.master.portClosure)
  const question = questionOf(evidenceOf(state), state, stops, settings)
  const knowledge = knowledgeFor(asked)
  const found = diagnose(knowledge, question.evidence)
  const { advice, looks } = nextMove(knowledge, question.evidence, found, question)
  const [first] = looks
  const [lead] = found.suspects
  return {
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
}

/** A vehicle's jobs with their entries, and its own. */
export interface HistoryQuestion {
  jobs: readonly JobOfVehicle[]
  ofVehicle: readonly Entry[]
}

/** A job's plan as a sheet to work from. */
export interface SheetQuestion {
  asked: PlanQuestion
  units: UnitSystem
  now: Date
  fonts: Fonts
}

/** The work that a thread can be given, by name. */
export const WORK = {
  look: lookOf,
  /** A file that was taken in: what was read of it as a text, which crosses over four times as fast as its records. */
  shopFile: ({ path }: { path: string }) => JSON.stringify(readShopFile(readFileSync(path))),
  history: ({ jobs, ofVehicle }: HistoryQuestion) => vehicleHistory(jobs, ofVehicle),
  package: checkedPackage,
  plan: plannedJob,
  paper: ({ asked, fonts }: { asked: PaperAsked; fonts: Fonts }) => pdfOf(paperOf(asked), fonts),
  planSheet: ({ asked, units, now, fonts }: SheetQuestion) =>
    pdfOf(planSheet(plannedJob(asked), units, now), fonts),
} as const
export type WorkName = keyof typeof WORK
export type Question<N extends WorkName> = Parameters<(typeof WORK)[N]>[0]
export type Answer<N extends WorkName> = Awaited<ReturnType<(typeof WORK)[N]>>
