import type { Call } from '../../../coach'

/** A call of a method: what whoever does it reads, and what the other one reads meanwhile. */
export type Row = readonly [call: Call, does: string, other: string]
export interface Sentences {
  before?: readonly Row[]
  cycle: readonly Row[]
  after?: readonly Row[]
}
