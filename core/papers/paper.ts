import { fluidNow } from '../due'
import type { Installation } from '../installation'
import { fluidFrom, tell, type Entry, type JobState, type Kind, type Payloads } from '../journal'
import { judge, leftOver, type Left, type Proof } from '../proof'
import type { Format } from '../quantity'

/** A paper as it is read: the same on a screen, from a printer and as a PDF. */
export interface Paper {
  title: string
  /** Lines under the title: which vehicle, which job, when. */
  lead: string[]
  sections: PaperSection[]
  foot: string[]
  /** Who signs. */
  sign: string[]
}
export interface PaperSection {
  heading: string
  parts: PaperPart[]
}
export type PaperPart =
  | { type: 'text'; words: string; strong?: true }
  /** Lines of which some matter more. */
  | { type: 'list'; items: (string | { strong: string })[] }
  | { type: 'table'; head: string[]; rows: string[][] }
export type PaperKind = 'card' | 'verdict' | 'customer'

/** What a paper is made from. */
export interface PaperJob {
  job: { title: string; createdAt: string }
  vehicle: { name: string; plate: string | null; model: string | null }
  state: JobState
  installation: Installation | null
  /** Of the vehicle itself: what it says of its fluid. */
  ofVehicle: readonly Entry[]
}
/** How whoever reads it wants figures, moments and people. */
export interface PaperReader {
  format: Format
  /** Day, month and year of an ISO moment. */
  day: (iso: string) => string
  /** The same with the time. */
  moment: (iso: string) => string
  name: (person: string) => string
  /** ISO, when it is made. */
  now: string
}

/** What the journal adds up to, for papers. */
export interface Added {
  proof: Proof | null
  left: Left[]
  /** Where its fluid boils; null where that cannot be told. */
  boils: { low: number; high: number; measured: boolean } | null
}
export function addUp({ state, installation, ofVehicle }: PaperJob): Added {
  const fluid = fluidNow(state, installation, fluidFrom(ofVehicle))
  return {
    proof: installation && judge(installation, state),
    left: leftOver(state),
    boils: fluid?.boiling
      ? {
          low: fluid.boiling.low,
          high: fluid.boiling.high,
          measured: fluid.from === 'measured',
        }
      : null,
  }
}

/** An entry in a line, as whoever reads wants its figures. */
export const told = <K extends Kind>(kind: K, payload: Payloads[K], { format }: PaperReader): string =>
  tell({ kind, payload } as Parameters<typeof tell>[0], format)

/** A section, or none where it would be empty. */
export function section(heading: string, ...parts: (PaperPart | null)[]): PaperSection[] {
  const kept = parts.filter((part): part is PaperPart => part !== null)
  return kept.length > 0 ? [{ heading, parts: kept }] : []
}
export const list = (items: (string | { strong: string })[]): PaperPart | null =>
  items.length > 0 ? { type: 'list', items } : null
export const text = (words: string | null | undefined | false): PaperPart | null =>
  words ? { type: 'text', words } : null
export const strong = (words: string): PaperPart => ({ type: 'text', words, strong: true })
export const table = (head: string[], rows: string[][]): PaperPart | null =>
  rows.length > 0 ? { type: 'table', head, rows } : null
export const NOTHING = '–'
