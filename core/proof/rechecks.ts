import type { RuleName } from '../journal'

/** When finished work is looked at again, and by what. */
export interface Recheck {
  afterDays?: number
  afterKm?: number
  rules: RuleName[]
}
/** After a week of use a joint that draws or weeps has shown itself; after 1 000 km a cup or a hose that gives. */
const RECHECKS: readonly Recheck[] = [
  { afterDays: 7, afterKm: 200, rules: ['reserve', 'levelFall', 'unionsDry'] },
  { afterKm: 1000, rules: ['reserve', 'sink', 'levelFall', 'unionsDry'] },
]
/** @param shared the brakes share the reservoir: their pedal is felt again too, first */
export const rechecksAfter = (shared: boolean): Recheck[] =>
  RECHECKS.map((one) => ({ ...one, rules: [...(shared ? (['brakes'] as const) : []), ...one.rules] }))
