import { faultKind, REPAIRS, whyFavoured } from '../diagnosis/names'
import type { FaultId, Favoured, RepairId, Policy } from '../diagnosis'
import { SEAT_WORDS, type End, type JoinCode, type Joint, type Seal } from '../fitting'
import { isJointPlace, type JointPlace } from '../installation'
import {
  COMPARED,
  COMPARED_WORDS,
  compareRow,
  fitVerdict,
  FIT_WORDS,
  judgedAnew,
  JUDGED_WORDS,
  ROW_IDS,
  type Compared,
  type ComparedRow,
} from '../side-by-side'
import type { Held } from './held'
import { chanceWords, FIRST_WORDS, jointWords, SCOPE_WORDS, WAY_WORDS } from '../words'
import type { Format } from '../quantity'
import { namesOf, type EntryKind } from './kind'

/** What the figures favoured in a question, or a fault with its chance, when it was decided. */
export type DecisionReason = Favoured | { fault: FaultId; chance: number }

/** How it is gone about, and why. */
export interface DecisionMade extends Policy {
  /** Repairs that are chosen, by their names in the table. */
  repairs: RepairId[]
  /** Why, as whoever decided typed it. */
  why?: string
  /** Worded when read; from before they were kept as figures, whole sentences. */
  reasons: (DecisionReason | string)[]
  minutes: number
  /** Parts and fluid, in the shop’s money. */
  money: number
  /** Chance that it comes back, as reckoned when it was decided. */
  comebackRisk: number
  /** The other ways that were weighed, for whoever pays. */
  options?: WayWeighed[]
  /** The shop’s rate when it was decided. */
  hourlyRate?: number
}
/** A way that was weighed and not taken. */
export interface WayWeighed {
  answer: Policy[keyof Policy]
  repairs: RepairId[]
  minutes: number
  money: number
  comebackRisk: number
}

/**
 * A joint of the line. With a verdict: two ends checked against each other before anything is joined. Without one: an end as
 * it is in the vehicle, read off; the other stays as it was.
 */
export interface JointChecked {
  at: JointPlace
  /** Nearer the reservoir; null where nobody looked. */
  a: End | null
  /** Further on. */
  b: End | null
  verdict: Joint['verdict'] | null
  reasons: { code: JoinCode; figure?: number; limit?: number }[]
  /** Seals and washers that lay ready. */
  atHand?: Seal[]
}

/**
 * The new part beside the old one: rows that were looked at, and what comes of it. Rows add up over entries, the later of one
 * row in place of the earlier; lists and the rest stay as they were where an entry leaves them empty.
 */
export interface FitCheck {
  /** Of the shelf, where it lies there. */
  part?: string
  /** Which one it is; the master where an entry leaves it out. */
  of?: Compared
  /** What it says on it, as somebody typed it. */
  words?: string
  /** The customer brought it. */
  brought: boolean
  rows: ComparedRow[]
  keep: string[]
  move: string[]
  bin: string[]
  /** By their ids in the table, or in words. */
  casualties: string[]
}
/** What a job's entries say of one comparison, added up. */
export type Comparison = Omit<FitCheck, 'of'> & { of: Compared }

export interface ChoosePayloads {
  decision: DecisionMade
  joint: JointChecked
  fitCheck: FitCheck
}
export interface ChooseState {
  decision: Held<DecisionMade> | null
  /** The last check of each joint. */
  joints: Partial<Record<JointPlace, Held<JointChecked>>>
  comparisons: Partial<Record<Compared, Comparison>>
}
export const startChoose = (): ChooseState => ({ decision: null, joints: {}, comparisons: {} })

/** A comparison with what another entry adds to it. */
function added(before: Comparison | undefined, { of = 'master', ...check }: FitCheck) {
  const rows = new Map(before?.rows.map((row) => [row.what, row]))
  for (const row of check.rows) rows.set(row.what, row)
  const list = (name: 'keep' | 'move' | 'bin' | 'casualties') =>
    check[name].length > 0 ? check[name] : (before?.[name] ?? [])
  const part = check.part ?? before?.part
  const words = check.words ?? before?.words
  const next: Comparison = {
    of,
    brought: check.brought,
    rows: judgedAnew(of, [...rows.values()]),
    keep: list('keep'),
    move: list('move'),
    bin: list('bin'),
    casualties: list('casualties'),
    ...(part !== undefined && { part }),
    ...(words !== undefined && { words }),
  }
  return next
}

/** An end in a few words: its thread, its seat. */
export const endWords = ({ thread, gender, seat }: End): string =>
  [thread, gender === 'none' ? null : gender, SEAT_WORDS[seat]].filter(Boolean).join(' ')
export const VERDICT_OF_JOINT: Record<Joint['verdict'], string> = {
  joins: 'joins',
  joinsWith: 'joins once its seal is there',
  refused: 'does not join',
}

const repairs = namesOf(REPAIRS.map(({ id }) => id))
const compareRows = namesOf(ROW_IDS)
const compared = namesOf(COMPARED)

type Kinds = { [K in keyof ChoosePayloads]: EntryKind<ChoosePayloads[K], ChooseState> }

export const CHOOSE_KINDS: Kinds = {
  decision: {
    stages: ['find', 'choose'],
    subjects: ['job'],
    knows: (decision) => decision.repairs.every((id) => repairs.has(id)),
    replaces: () => 'decision',
    take: (slice, held) => (slice.decision = held),
    tell: ({ scope, way, first }) =>
      `Decided: ${[SCOPE_WORDS[scope], WAY_WORDS[way], FIRST_WORDS[first]].join(', ').toLowerCase()}`,
  },
  joint: {
    stages: ['choose'],
    subjects: ['job', 'vehicle'],
    knows: ({ at }) => isJointPlace(at),
    replaces: ({ at, verdict }) => (verdict === null ? null : at),
    take: (slice, held) => {
      const { at, verdict } = held.payload
      if (verdict !== null) slice.joints = { ...slice.joints, [at]: held }
    },
    tell: ({ at, a, b, verdict }) => {
      const ends = [a, b].map((end) => (end ? endWords(end) : 'not known'))
      if (verdict !== null)
        return `${jointWords(at)}: ${VERDICT_OF_JOINT[verdict]} (${ends.join(', ')})`
      const told = [a && `${endWords(a)}, master’s side`, b && `${endWords(b)}, slave’s side`]
      return `${jointWords(at)}: ${told.filter(Boolean).join('; ') || 'not known'}`
    },
  },
  fitCheck: {
    stages: ['choose'],
    subjects: ['job'],
    knows: ({ of, rows }) =>
      (of === undefined || compared.has(of)) && rows.every(({ what }) => compareRows.has(what)),
    take: (slice, { payload }) => {
      const of = payload.of ?? 'master'
      slice.comparisons = {
        ...slice.comparisons,
        [of]: added(slice.comparisons[of], payload),
      }
    },
    tell: ({ of = 'master', brought, rows, keep, move, bin, casualties }, format) => {
      const said = rows.map((row) => {
        const { label } = compareRow(row.what)
        const sides = `${sideWords(row, 'old', format)} against ${sideWords(row, 'new', format)}`
        return `${label.toLowerCase()} ${sides}: ${row.change ?? JUDGED_WORDS[row.judged]}`
      })
      const lists = keep.length + move.length + bin.length + casualties.length > 0
      return [
        `${brought ? 'Brought' : 'New'} ${COMPARED_WORDS[of].toLowerCase()} beside the old: ${said.join('; ')}`,
        ...(lists ? [`to keep ${keep.length}, move ${move.length}, bin ${bin.length}`] : []),
        ...(rows.length > 3 ? [FIT_WORDS[fitVerdict(of, rows)]] : []),
      ].join('. ')
    },
  },
}

/** A side of a row as one would say it. */
export function sideWords(row: ComparedRow, side: 'old' | 'new', format: Format): string {
  const value = row[side]
  if (value === null) return 'not looked at'
  const kind = compareRow(row.what)
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (kind.type === 'figure' && typeof value === 'number')
    return kind.unit === '°' ? `${value}°` : format.figure(value, 'mm')
  return kind.type === 'choice'
    ? (kind.values.find(({ id }) => id === value)?.name ?? String(value))
    : String(value)
}

const ANSWERS = { ...SCOPE_WORDS, ...WAY_WORDS, ...FIRST_WORDS }

/** A reason of a decision in words. */
export function decisionReasonWords(reason: DecisionReason | string): string {
  if (typeof reason === 'string') return reason
  if ('fault' in reason)
    return `${faultKind(reason.fault).label}, ${chanceWords(reason.chance)} when it was decided`
  return `${ANSWERS[reason.favoured]} favoured: ${whyFavoured(reason)}`
}
