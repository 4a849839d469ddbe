import { answerSpans, likelySets, SPANS, stateChances, type Spans } from './answers'
import { causesOf } from './causes'
import { safeConditions, unmet, type Conditions } from './conditions'
import { figureOf, type Evidence, type Item } from './evidence'
import { TELLING_READINGS, type TellingReading } from './expectations'
import { FINDINGS, type Finding, type FindingId } from './findings'
import { fits, type Knowledge } from './knowledge'
import { likelihoodOf, MISREAD, type Figure, type Posterior } from './posterior'
import { readingKind, READINGS } from './readings'
import { SHOP_COSTS, type ShopCosts } from './repairs'
import { chancesOf, stoppingOf } from './stopping'

/** A look that can be taken now, and what it is worth. */
export interface Look {
  look: { kind: 'finding'; id: FindingId } | { kind: 'reading'; id: TellingReading }
  /** The figure that was read before, where it is worth reading again. */
  before?: Figure
  minutes: number
  /** All told, with the walk, the note and a helper’s share: minutes of paid hands. */
  spent: number
  /** Expected fall of the entropy of what causes each thing that is to be explained, bits. */
  bits: number
  bitsPerMinute: number
  /** The same of whether it is the hydraulics at all, bits. */
  sides: number
  /** Expected cost of the best decision now less that after each answer, money. */
  saves: number
  /** Chance that it shows what stops work, beyond what any vehicle may have, times what going on regardless would cost. */
  stops: number
  /** All that it is worth, money: what it saves and stops, what it teaches toward the next look, what a figure is worth. */
  worth: number
  /** Worth for each minute, the walk and the note counted: what looks are ordered by. */
  worthPerMinute: number
}

/** Judgement, each with its reason; disputed here and nowhere else. */
export const LOOK_FIGURES = {
  bit: {
    money: 20,
    reason:
      'Half an answer changes no decision yet, and makes the next look count: a bit halves what is left.',
  },
  figure: {
    money: 14,
    reason:
      'A figure is told from a sound one, shows how bad it is, and stands beside the one after the work.',
  },
  helper: { share: 1.5, reason: 'A helper’s time is paid as well, if not for all of it.' },
  settingUp: {
    minutes: 1.5,
    reason: 'The walk, the tool in the hand and the note, for the least of looks.',
  },
} as const

/** Figures worth having for themselves, while none of those behind them is known: they tell the same. */
const FIRST_FIGURES: Partial<Record<TellingReading, readonly TellingReading[]>> = {
  freeTravel: ['freeTravel', 'takeUpHeight', 'rodStroke', 'rodClearance'],
  sink: ['sink'],
  rodClearance: ['rodClearance'],
}

/** A look that is worth less is not proposed, money. */
const LEAST_WORTH = 0.05
/** A figure is read again where the chance that it was misread is at least this. */
const DOUBTED = 0.1

/**
 * Looks not yet taken whose preconditions hold and that no open stop-work finding forbids, by what they are worth a minute.
 * @param stops stop-work findings that are present and not taken over.
 */
export function nextLooks(
  knowledge: Knowledge,
  evidence: Evidence,
  items: readonly Item[],
  found: Posterior,
  conditions: Conditions,
  stops: readonly FindingId[] = [],
  costs: ShopCosts = SHOP_COSTS,
): Look[] {
  const safe = safeConditions(conditions, stops)
  const likely = likelySets(found)
  const causes = causesOf(knowledge, items, found, likely)
  // What merely might be wrong as well is no reason to look on this job: only what explains it counts as coming back.
  const till = stoppingOf(knowledge, likely, costs, 0)
  const now = chancesOf(likely, found.sets)
  const whole = now.reduce((sum, one) => sum + one, 0)
  const acting = till.after(now, new Float64Array(now.length).fill(1), 1)
  const looks: Look[] = []
  const add = (
    look: Look['look'],
    { minutes, needs }: Pick<Finding, 'minutes' | 'needs'>,
    chances: Float64Array,
    answers: number,
    more: { stops?: number; figure?: number; before?: Figure } = {},
  ) => {
    const bits = Math.max(0, causes.worth(chances, answers)) / Math.LN2
    const saves = Math.max(0, acting - till.after(now, chances, answers))
    const { stops: stop = 0, figure = 0, before } = more
    const worth = saves + stop + bits * LOOK_FIGURES.bit.money + figure * LOOK_FIGURES.figure.money
    if (worth < LEAST_WORTH) return
    const { settingUp, helper } = LOOK_FIGURES
    const spent = minutes * (needs.includes('helper') ? helper.share : 1) + settingUp.minutes
    const worthPerMinute = worth / spent
    looks.push({
      look,
      minutes,
      spent,
      bits,
      bitsPerMinute: bits / minutes,
      sides: Math.max(0, causes.sides(chances, answers)) / Math.LN2,
      saves,
      stops: stop,
      worth,
      worthPerMinute,
      ...(before && { before }),
    })
  }
  for (const kind of FINDINGS) {
    if (kind.proveOnly || evidence.findings[kind.id] || !knowledge.place.has(kind.id)) continue
    if (unmet(kind.needs, safe) || measuredInstead(kind.id, evidence)) continue
    if (kind.after && evidence.findings[kind.after] !== 'present') continue
    if (kind.unless && evidence.findings[kind.unless] !== 'absent') continue
    const chances = stateChances(knowledge, kind.id, found, likely)
    let present = 0
    for (let row = 0; row < now.length; row++) present += now[row]! * chances[2 * row + 1]!
    const stop = stops.includes(kind.id) ? 0 : stopWorth(knowledge, kind, present / whole)
    add({ kind: 'finding', id: kind.id }, kind, chances, 2, { stops: stop })
  }
  for (const name of TELLING_READINGS) {
    const kind = readingKind(name)
    if (unmet(kind.needs, safe)) continue
    // A dry circuit has nothing to measure at the pedal.
    if (evidence.findings.circuitDry === 'present' && kind.needs.includes('pedal')) continue
    // The second of two figures is read after the first.
    if (kind.afterReading && !evidence.readings[kind.afterReading]) continue
    if (name === 'rodStroke' && !fits('external', knowledge.installation)) continue
    const before = readBefore(knowledge, items, name, found, likely)
    if (evidence.readings[name] && !before) continue
    const spans = answerSpans(knowledge, name, found, likely, before)
    const figure =
      FIRST_FIGURES[name]?.some((one) => evidence.readings[one]) === false
        ? toldFromSound(spans, now) / whole
        : 0
    add({ kind: 'reading', id: name }, kind, spans.chances, SPANS, { figure, before })
  }
  return looks.sort((a, b) => b.worthPerMinute - a.worthPerMinute)
}

const measuredInstead = (id: FindingId, { readings }: Evidence): boolean =>
  READINGS.some(({ name, insteadOf }) => insteadOf === id && readings[name] !== undefined)

/** What it saves to know of something that stops work: what any vehicle may have is no reason to look on this one. */
function stopWorth({ ready, place }: Knowledge, { id, goingOn }: Finding, present: number): number {
  if (!goingOn) return 0
  const { background, causes } = ready.network.findings[place.get(id)!]!
  const quiet = causes.reduce(
    (left, [fault, chance]) => left * (1 - ready.network.faults[fault]!.prior * chance),
    1 - background,
  )
  return goingOn[0] * Math.max(0, present - (1 - quiet))
}

/** A figure that is known and may well be misread: it is worth reading again. */
function readBefore(
  knowledge: Knowledge,
  items: readonly Item[],
  name: TellingReading,
  found: Posterior,
  likely: Int32Array,
): Figure | undefined {
  const item = items.find((one) => one.kind === 'reading' && one.id === name)
  if (item?.kind !== 'reading') return undefined
  const figure = figureOf(knowledge, item)
  const { chance, kind } = likelihoodOf(figure)
  const { group, ways } = knowledge.sets
  let misread = 0
  let all = 0
  for (const s of likely) {
    const g = group[s]!
    const weight = found.sets[s]!
    all += weight
    for (let k = ways[g]!; k < ways[g + 1]!; k++)
      misread +=
        ((weight * found.way(k)) / found.sums[g]!) * (MISREAD / figure.span / chance[kind[k]!]!)
  }
  return misread / all >= DOUBTED ? figure : undefined
}

/** How far a figure will be told from one of a sound vehicle: half the sum of what differs, over the likely sets. */
function toldFromSound(
  { chances, sound }: Pick<Spans, 'chances' | 'sound'>,
  now: Float64Array,
): number {
  let sum = 0
  for (let row = 0; row < now.length; row++) {
    let differs = 0
    for (let i = 0; i < SPANS; i++) differs += Math.abs(chances[row * SPANS + i]! - sound[i]!)
    sum += (now[row]! * differs) / 2
  }
  return sum
}
