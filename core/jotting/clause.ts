import type { FindingId } from '../diagnosis'
import { fillers } from './lexicon'
import { isWord, vocabulary, type Item } from './standard'
import type { LineContext, Statement } from './statement'
import type { Token } from './tokens'
import { complaintWays, findingWays, needWays, waysOf, type Way } from './ways'

/** A reading of some items in a row, and how much of them it explains. */
export interface Candidate {
  score: number
  said: Statement[]
  /** Words that named its state: what is left out of the next clause is taken from here. */
  state?: readonly string[]
}

export const COST = { statement: 0.7, left: 0.8, unknown: 0.3, gap: 0.6, skipped: 0.75 } as const
const weightOf = (word: string): number => (fillers.has(word) ? 0.15 : word === 'not' ? 0.8 : 1)
export const total = (way: Iterable<string>): number => {
  let sum = 0
  for (const word of way) sum += weightOf(word)
  return sum
}

export interface Clause {
  items: readonly Item[]
  words: Set<string>
  figures: Extract<Token, { kind: 'figure' }>[]
  context: LineContext
}

const fits = (way: Way, { words }: Clause): boolean => way.every((word) => words.has(word))
export function bestOf(ways: readonly Way[], clause: Clause): Way | null {
  let best: Way | null = null
  for (const way of ways) if (fits(way, clause) && (!best || total(way) > total(best))) best = way
  return best
}
/** What of a clause is not explained, as a cost. */
export function leftOf(clause: Clause, used: ReadonlySet<string>): number {
  let cost = 0
  for (const word of clause.words)
    if (!used.has(word) && !fillers.has(word)) cost += vocabulary.has(word) ? COST.left : COST.unknown
  for (const item of clause.items) if ('gap' in item) cost += COST.gap
  return cost
}

export function findingsIn(clause: Clause, before: readonly string[] | undefined): Candidate[] {
  const { figures } = clause
  const list: Candidate[] = []
  const zero = figures.some(({ value, unit }) => value === 0 && unit === null)
  const spare = figures.filter(({ value, unit }) => !(value === 0 && unit === null)).length
  for (const way of findingWays) {
    let best: Candidate | null = null
    for (const subject of way.about) {
      if (!fits(subject, clause)) continue
      const one = findingBy(way, subject, clause, before, zero)
      if (one && (!best || one.score > best.score)) best = one
    }
    if (best) list.push({ ...best, score: best.score - 0.9 * spare })
  }
  return list
}

/** The state that says most beside the subject: what names the finding says least of how it is. */
function stateBeside(
  ways: readonly Way[],
  subject: Way,
  clause: Clause,
): { way: Way; beside: number } | null {
  let best: { way: Way; beside: number } | null = null
  for (const way of ways) {
    if (!fits(way, clause)) continue
    const beside = total(way.filter((word) => !subject.includes(word)))
    if (!best || beside > best.beside || (beside === best.beside && total(way) > total(best.way)))
      best = { way, beside }
  }
  return best
}

function findingBy(
  { id, present, absent }: (typeof findingWays)[number],
  subject: Way,
  clause: Clause,
  before: readonly string[] | undefined,
  zero: boolean,
): Candidate | null {
  const { words, context } = clause
  const inClause = zero ? { ...clause, words: new Set([...words, 'not']) } : clause
  const is = stateBeside(present, subject, inClause)
  const isNot = stateBeside(absent, subject, inClause)
  let chosen = is && (!isNot || is.beside >= isNot.beside) ? is : isNot
  let sign: 'present' | 'absent' = chosen === is ? 'present' : 'absent'
  let elliptic = 0
  const alone = (state: Way) =>
    subject.length === 1 &&
    state.length === 1 &&
    subject[0] === state[0] &&
    !SELF.has(`${id} ${state[0]}`)
  if (chosen && alone(chosen.way)) chosen = null
  let state = chosen?.way ?? null
  if (!state && before && words.has('not')) {
    // Not the rod end: the state is that of the clause before.
    const said: Clause = { ...clause, words: new Set([...words, ...before]) }
    const was = bestOf(present, said)
    const wasNot = bestOf(absent, said)
    state = was ?? wasNot
    sign = was ? 'present' : 'absent'
    elliptic = 0.4
  }
  if (!state) {
    if (!words.has('yes')) return null
    state = ['yes']
    sign = soundWay(id, subject) ? 'absent' : 'present'
  }
  const used = new Set([...subject, ...state])
  if (words.has('not') && !used.has('not') && !zero) {
    // A denial that says the same in other words: not oil, it is brake fluid; no, as set.
    const same = (sign === 'present' ? present : absent).some(
      (way) => way.includes('not') && fits(way, clause),
    )
    if (!same) {
      if (!deniesOne(clause, used)) return null
      sign = sign === 'present' ? 'absent' : 'present'
    }
    used.add('not')
  }
  const explained = [...used].filter((word) => words.has(word))
  const both = subject.every((word) => state.includes(word)) ? 0 : 0.15
  return {
    score: total(explained) + both - elliptic - leftOf(clause, used) - COST.statement,
    said: [{ kind: 'finding', payload: { finding: id, state: sign, phase: context.phase } }],
    state: state.filter((word) => word !== 'not'),
  }
}
/** A denial stands before what it denies: one at the end belongs to what comes next. */
function deniesOne({ items }: Clause, used: ReadonlySet<string>): boolean {
  const at = items.findIndex((item) => isWord(item) && item.word === 'not')
  return items.slice(at + 1).some((item) => isWord(item) && used.has(item.word))
}
/** Ways of naming a finding that themselves say that all is well: parts match, pushes back, tagged. */
function soundWay(id: FindingId, subject: Way): boolean {
  const { absent } = findingWays.find((one) => one.id === id)!
  return (
    absent.some((way) => way.every((word) => subject.includes(word))) ||
    SOUND_SUBJECTS.has(`${id} ${subject.join(' ')}`)
  )
}
/** Findings that one word alone says. */
const SELF: ReadonlySet<string> = new Set([
  'fluidDark dark',
  'judders judder',
  'springy bouncy',
  'springy springy',
  'sediment slime',
])
const SOUND_SUBJECTS: ReadonlySet<string> = new Set(
  (
    [
      ['pushBackStiff', 'pushes back'],
      ['pushBackStiff', 'push back'],
      ['partMismatch', 'parts match'],
      ['slaveUntagged', 'tag'],
      ['slaveUntagged', 'tagged'],
      ['notOnStands', 'stands'],
      ['notOnStands', 'chocks'],
      ['switchUnreached', 'switch reached'],
      ['noSpurt', 'swirl'],
      ['noSpurt', 'spurt'],
      ['rodTight', 'play'],
      ['rodTight', 'rod play'],
      ['pipeTurns', 'pipe in its nut'],
      ['nutNotSeated', 'nut seated'],
      ['nutNotSeated', 'nut home'],
      ['nutNotSeated', 'flare seated'],
      ['bleederLow', 'screw uppermost'],
      ['bleederLow', 'bleeder uppermost'],
      ['willNotRoll', 'rolls'],
      ['willNotRoll', 'roll'],
    ] as const
  ).map(([id, words]) => `${id} ${waysOf(words)[0]!.join(' ')}`),
)

export function complaintsIn(clause: Clause): Candidate[] {
  const told = clause.words.has('customer') ? 0.5 : -0.15
  return complaintWays.flatMap(({ id, ways }) => {
    const way = bestOf(ways, clause)
    if (!way) return []
    const used = new Set([...way, 'customer', 'pedal', 'clutch'])
    if (clause.words.has('not') && !way.includes('not')) return []
    const figures = clause.figures.length
    return [
      {
        score: total(way) + told - leftOf(clause, used) - 0.5 * figures - COST.statement,
        said: [{ kind: 'complaint' as const, payload: { complaint: id } }],
      },
    ]
  })
}

export function conditionsIn(clause: Clause): Candidate[] {
  return needWays.flatMap(({ id, yes, no }) => {
    const holds = bestOf(yes, clause)
    const fails = bestOf(no, clause)
    const way = fails && (!holds || total(fails) >= total(holds)) ? fails : holds
    if (!way) return []
    const used = new Set(way)
    const denied = way === holds && clause.words.has('not')
    if (denied) used.add('not')
    return [
      {
        score: total(used) - leftOf(clause, used) - 0.9 * clause.figures.length - COST.statement,
        said: [
          { kind: 'condition' as const, payload: { condition: id, holds: way === holds && !denied } },
        ],
      },
    ]
  })
}
