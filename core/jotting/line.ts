import { findingKind, readingKind } from '../diagnosis'
import { askFor, PINT } from './asked'
import {
  bestOf,
  complaintsIn,
  conditionsIn,
  COST,
  findingsIn,
  type Candidate,
  type Clause,
} from './clause'
import { comparisonSaid, isComparison } from './compare-said'
import { bleedSaid } from './bleed-said'
import { recordSaid } from './record-said'
import { backSaid, fitSaid } from './fit-said'
import { cyclesIn, gradesIn, readingsIn, topUpsIn } from './figures'
import { fillers } from './lexicon'
import { problemOf } from './problems'
import { isWord, standard, vocabulary, type Item } from './standard'
import type { LineContext, LineUnderstood, Statement } from './statement'
import { tokensOf } from './tokens'
import { findingWays, readingWays, TOP_UP_WAYS } from './ways'
import { isPlan, partsClause, partsLine } from './parts'
import { mayBeFound, noteOfModel, wholeLine, writtenIn } from './written'

const MOST_ITEMS = 14
/** What explains so little of a clause is no statement. */
const LEAST_SCORE = 0.1
/** Words that make a clause no statement: doubt, a question, an errand. */
const IDLE =
  /\b(might|maybe|perhaps|possibly|think|reckon|not sure|unsure|order|pass|ask|need|buy|fetch|fit a|could be|needs to|who|haven'?t looked|have not looked|not looked at|yet|parked|back in|hold on)\b|\bhold it\s*$/
const QUESTION = /\?|^\s*if\b/i

const NOTE = /^\s*(?:note|notes|nb|n\.b\.|memo)\b[:\s-]*(.*)$/is
const UNDO =
  /^\s*(?:oops[, ]*)?(?:wrong[, ]*)?(?:undo|scratch that|strike that|take (?:that |it )?back(?: the last one)?|take back .*|delete (?:that|it|the last.*)|cancel that|remove that)\s*[.!]?\s*$/i
const CORRECTION = /\b(?:no,? sorry|no,? wait|sorry|i mean|make that|correction)\b,?/gi

/** Statements that cannot both be meant: of the same thing. */
function subjectOf(one: Statement): string {
  switch (one.kind) {
    case 'finding':
      return one.payload.finding
    case 'measurement':
      return one.payload.reading
    case 'condition':
      return one.payload.condition
    case 'complaint':
      return one.payload.complaint
    case 'parameter':
      return one.payload.field
    case 'fluidInside':
    case 'circuitPlan':
      return one.kind
    case 'asFound':
      return one.payload.item === 'other' ? JSON.stringify(one) : one.payload.item
    default:
      return JSON.stringify(one)
  }
}

/** Understands what a technician would jot down: several statements in a row, in any order of words, with slips of spelling. */
export function understandLine(line: string, context: LineContext): LineUnderstood {
  const note = NOTE.exec(line)
  if (note) {
    const words = note[1]!.trim()
    return words === '' ? nothing(line) : { statements: [{ kind: 'note', payload: { words } }] }
  }
  if (UNDO.test(line)) return { statements: [{ kind: 'withdrawal', payload: {} }] }
  const whole = wholeStatement(line, context)
  if (whole) {
    const problem = problemOf(whole, context)
    return problem ? { statements: [], problem } : { statements: [whole] }
  }
  if (isPlan(line) || isComparison(line)) return nothing(line)
  const unseen = notLookedAt(line, context)
  if (unseen) return { statements: [unseen] }
  const items = standard(tokensOf(line), true)
  if (!IDLE.test(line.toLowerCase()) && !QUESTION.test(line)) {
    const ask = askFor(items, context) ?? askHow(items, line, context)
    if (ask) return { statements: [], ask }
  }
  const said: Statement[] = []
  let isCorrected = false
  // A question that answers itself is a statement: fork slack? no, as set.
  const joined = line.replace(/\?\s*(?=(?:no|yes|nope|yep)\b)/i, ' ')
  for (const part of joined.split(CORRECTION)) {
    const found = statementsIn(part, context)
    if (isCorrected && found.length === 0) {
      const bare = tokensOf(part).filter((token) => token.kind === 'figure')
      const last = said.at(-1)
      if (bare.length === 1 && bare[0]!.kind === 'figure' && last?.kind === 'measurement')
        last.payload = { ...last.payload, value: bare[0]!.value }
    }
    for (const one of found) {
      const at = said.findIndex((other) => subjectOf(other) === subjectOf(one))
      if (at >= 0 && isCorrected) said.splice(at, 1)
      said.push(one)
    }
    isCorrected = true
  }
  const kept = said.filter(
    (one, i) =>
      one.kind === 'bleedCycle' ||
      said.findIndex((other) => JSON.stringify(other) === JSON.stringify(one)) === i,
  )
  const clash = kept.filter((one) =>
    kept.some(
      (other) => other !== one && subjectOf(other) === subjectOf(one) && one.kind !== 'bleedCycle',
    ),
  )
  if (clash.length > 0) return { statements: [], ask: clash.map((one) => [one]) }
  const problem = kept.map((one) => problemOf(one, context)).find((one) => one !== null)
  if (problem) return { statements: [], problem }
  return kept.length === 0 ? nothing(line) : { statements: kept }
}

/** What the whole line says: a note of the model, something written down as found. */
function wholeStatement(line: string, context: LineContext): Statement | null {
  const asFound = /^\s*as found[:,]\s*(.+)$/is.exec(line)
  if (asFound) {
    const words = asFound[1]!.trim()
    const found = understandLine(words, context)
    // What can be filed as what it is, is.
    return found.statements.length > 0 || found.ask
      ? null
      : { kind: 'asFound', payload: { item: 'other', words } }
  }
  const bare = line.trim().replace(/[.!]+$/, '')
  // What is owed may be anything, and is in words of its own.
  const recorded = recordSaid(bare, context)
  if (recorded) return recorded
  // “Back in” alone says nothing; what is back in its place says so with its name.
  const back = QUESTION.test(line) ? null : backSaid(bare)
  if (back) return back
  if (IDLE.test(line.toLowerCase()) || QUESTION.test(line)) return null
  return (
    noteOfModel(line, context) ??
    bleedSaid(bare, context) ??
    fitSaid(bare) ??
    comparisonSaid(bare, context) ??
    wholeLine(line) ??
    partsLine(line, context)
  )
}

/** Two figures with “or” between them, or a measure that has two sizes. */
function askHow(items: readonly Item[], line: string, context: LineContext): Statement[][] | null {
  const pint = /^(.*?\b)(half a|half|a quarter|quarter|a|one|\d+)\s+(?:of a )?pints?\b/i.exec(line)
  if (
    pint &&
    bestOf(TOP_UP_WAYS, {
      items,
      words: new Set(items.flatMap((item) => (isWord(item) ? [item.word] : []))),
      figures: [],
      context,
    })
  ) {
    const named = pint[2]!.toLowerCase()
    const share = named.includes('half') ? 0.5 : named.includes('quarter') ? 0.25 : Number(named) || 1
    return Object.values(PINT).map((size) => [{ kind: 'topUp', payload: { volume: share * size } }])
  }
  const either = /^(.*?)(\d[\d.,]*)\s*(?:or|\/)\s*(\d[\d.,]*)(\s*(?:mm|cm|in|")?)\s*$/i.exec(line)
  if (!either || !/\bor\b/i.test(line)) return null
  const both = [either[2]!, either[3]!].map((figure) =>
    statementsIn(`${either[1]}${figure}${either[4]}`, context),
  )
  return both.every((one) => one.length === 1) ? both : null
}
function nothing(line: string): LineUnderstood {
  const hint = hintFor(standard(tokensOf(line), true))
  return { statements: [], leftOver: line.trim(), ...(hint && { hint }) }
}

/** What a named place or reading lacks: how it is, or its figure. */
function hintFor(items: readonly Item[]): string | null {
  const words = new Set(items.flatMap((item) => (isWord(item) ? [item.word] : [])))
  const figures = items.flatMap((item) => ('figure' in item ? [item.figure] : []))
  const named = <T extends { ways: readonly (readonly string[])[] }>(list: readonly T[]): T | null => {
    let best: T | null = null
    let most = 0
    for (const one of list)
      for (const way of one.ways)
        if (way.length > most && way.every((word) => words.has(word))) {
          best = one
          most = way.length
        }
    return best
  }
  const finding = named(findingWays.map(({ id, about }) => ({ id, ways: about })))
  if (finding && figures.length === 0) {
    const { label, present, absent } = findingKind(finding.id)
    return `${label}: say “${present}”, “${absent}” or “not looked”`
  }
  const reading = named(readingWays)
  if (!reading) return null
  const { label, words: said, over } = readingKind(reading.name)
  return `${label}: say a number, as in “${said[0]} ${over ? '6 in 60 s' : '42'}”`
}

/** A finding and nothing but a question mark, or that nobody looked. */
function notLookedAt(line: string, { phase }: LineContext): Statement | null {
  const asked = /^\s*(.+?)\s*(?:\?|\bnot looked(?: at)?|\bunknown)\s*$/i.exec(line)
  if (!asked) return null
  const words = standard(tokensOf(asked[1]!), true).flatMap((item) =>
    isWord(item) ? [item.word] : [''],
  )
  const named = findingWays.filter(({ about }) =>
    about.some((way) => way.length === words.length && way.every((word) => words.includes(word))),
  )
  return named.length === 1
    ? { kind: 'finding', payload: { finding: named[0]!.id, state: 'notLooked', phase } }
    : null
}

/** Between two clauses. */
const CLAUSES = /(?<=[.;!?])\s+|(?<=\?)|,\s+|\s+&\s+/
const STATES =
  'dry|bone dry|wet|damp|ok|okay|fine|good|sound|tight|loose|worn|cracked|leaking|weeping|dripping'
/** Two places and one state: boot and hose both dry. */
const BOTH = new RegExp(
  `^([a-z' ]+?) and ([a-z' ]+?)(?: are| is)?(?: both| all)? (${STATES})[.!]?$`,
  'i',
)
const HAS_STATE = new RegExp(`\\b(${STATES}|low|dark|high|no|not)\\b`, 'i')
function shared(clause: string): string {
  const both = BOTH.exec(clause.trim())
  return both && !HAS_STATE.test(both[1]!) ? `${both[1]} ${both[3]}, ${both[2]} ${both[3]}` : clause
}

function statementsIn(text: string, context: LineContext): Statement[] {
  const clauses = text
    .replace(/\bneither ([a-z ]+?) nor ([a-z]+) ([a-z ]+)/gi, 'not $1 $3, not $2 $3')
    .split(CLAUSES)
    .flatMap((clause) => shared(clause).split(CLAUSES))
  const items: Item[] = []
  const written: Statement[] = []
  clauses.forEach((clause, i) => {
    if (IDLE.test(clause.toLowerCase()) || QUESTION.test(clause)) {
      items.push({ gap: true })
      return
    }
    if (i > 0) items.push({ gap: true })
    const own = writtenIn(clause, context) ?? partsClause(clause, context)
    const found = () => segmented(standard(tokensOf(clause), true), context).length > 0
    if (own && !(own.kind === 'workDone' && mayBeFound(clause) && found())) {
      written.push(own)
      return
    }
    // Figures that are denied: 34 not 43.
    items.push(
      ...standard(tokensOf(clause.replace(/(\d[\d.,/]*\s*[a-z"]*)\s+not\s+\d[\d.,/]*/i, '$1')), true),
    )
  })
  return [...segmented(items, context), ...written]
}

/** The parting of items into clauses that explains most of them. */
function segmented(items: readonly Item[], context: LineContext): Statement[] {
  const n = items.length
  interface Best {
    score: number
    said: Statement[]
    state?: readonly string[] | undefined
  }
  const best: Best[] = [{ score: 0, said: [] }]
  for (let end = 1; end <= n; end++) {
    const last = items[end - 1]!
    const cost =
      'gap' in last
        ? 0
        : isWord(last)
          ? fillers.has(last.word)
            ? 0
            : vocabulary.has(last.word)
              ? COST.skipped
              : COST.unknown
          : COST.skipped
    const skip = best[end - 1]!
    let chosen: Best = { ...skip, score: skip.score - cost }
    for (let start = Math.max(0, end - MOST_ITEMS); start < end; start++) {
      if ('gap' in items[start]! || 'gap' in last) continue
      const from = best[start]!
      const candidate = bestCandidate(items.slice(start, end), context, from.state)
      if (!candidate || candidate.score < LEAST_SCORE) continue
      const score = from.score + candidate.score
      if (score > chosen.score)
        chosen = { score, said: [...from.said, ...candidate.said], state: candidate.state }
    }
    best.push(chosen)
  }
  return best[n]!.said
}

function bestCandidate(
  items: readonly Item[],
  context: LineContext,
  before: readonly string[] | undefined,
): Candidate | null {
  const words = new Set(items.flatMap((item) => (isWord(item) ? [item.word] : [])))
  const figures = items.flatMap((item) => ('figure' in item ? [item.figure] : []))
  const clause: Clause = { items, words, figures, context }
  const all = [
    ...findingsIn(clause, before),
    ...complaintsIn(clause),
    ...conditionsIn(clause),
    ...(figures.length > 0 || words.has('not') ? readingsIn(clause) : []),
    ...cyclesIn(clause),
    ...topUpsIn(clause),
    ...gradesIn(clause),
  ]
  let best: Candidate | null = null
  for (const one of all) if (!best || one.score > best.score) best = one
  return best
}
