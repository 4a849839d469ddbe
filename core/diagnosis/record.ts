import { FAULTS, type FaultId } from './faults'
import type { Priors } from './knowledge'

/** Jobs of one vehicle model whose causes were confirmed. */
export interface ModelRecord {
  jobs: number
  /** In how many of them each fault was confirmed. */
  confirmed: Partial<Record<FaultId, number>>
}

/** What a shop has found in its own closed jobs, by vehicle model. */
export type ShopRecord = Readonly<Record<string, ModelRecord>>

/**
 * How many jobs the table’s prior is worth, and how many jobs the shop’s other models are worth for one model. Judgement:
 * a shop sees forty jobs of the kind in a year or two, and models of one shop differ less than tables do.
 */
export const STRENGTH = { table: 40, shop: 20 } as const

/** How far the record has moved one chance. */
export interface Moved {
  fault: FaultId
  from: number
  to: number
  /** Jobs in which it was confirmed, of this model and of all. */
  confirmed: { model: number; all: number }
}

/** Priors lie within these whatever the record says: nothing is impossible, nothing certain. */
const BOUNDS = { least: 0.0005, most: 0.6 } as const

/**
 * Beta counts, partially pooled: the shop’s other models move the table’s prior, and this model’s own jobs move that.
 * Mean of a beta with prior strength k: (k·p + confirmed)/(k + jobs).
 */
export function priorsFrom(
  record: ShopRecord,
  model: string,
): { priors: Priors; moved: Moved[]; jobs: number } {
  // A model may be called what every object has: only the record's own names count.
  const own: ModelRecord = Object.hasOwn(record, model) ? record[model]! : { jobs: 0, confirmed: {} }
  const others = Object.entries(record).filter(([name]) => name !== model)
  const otherJobs = others.reduce((sum, [, { jobs }]) => sum + jobs, 0)
  const priors: Priors = {}
  const moved: Moved[] = []
  for (const { id, prior } of FAULTS) {
    const from = prior[0]
    const elsewhere = others.reduce((sum, [, { confirmed }]) => sum + (confirmed[id] ?? 0), 0)
    const here = own.confirmed[id] ?? 0
    const shop = (STRENGTH.table * from + elsewhere) / (STRENGTH.table + otherJobs)
    const mean = (STRENGTH.shop * shop + here) / (STRENGTH.shop + own.jobs)
    const to = Math.min(BOUNDS.most, Math.max(BOUNDS.least, mean))
    priors[id] = to
    if (otherJobs + own.jobs > 0)
      moved.push({ fault: id, from, to, confirmed: { model: here, all: here + elsewhere } })
  }
  moved.sort((a, b) => Math.abs(Math.log(b.to / b.from)) - Math.abs(Math.log(a.to / a.from)))
  return { priors, moved, jobs: otherJobs + own.jobs }
}
