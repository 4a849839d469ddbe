import { COMPLAINTS, findingKind, FINDINGS, readingKind, READINGS, type FindingId } from '../diagnosis'
import type { VerdictReason } from '../journal'
import type { Format } from '../quantity'
import { PROOF_CHECKS } from './rules'

/** A reason with its figures as numbers; what is not kept is nothing. */
type Figures = VerdictReason &
  Required<Pick<VerdictReason, 'figure' | 'limit' | 'low' | 'high' | 'wanted'>>

/** What a rule's reason says, well and not. */
const SENTENCES: Record<string, (reason: Figures, good: boolean, f: Format) => string> = {
  rodClearance: ({ figure, code }, good, f) => {
    if (good) return `Rod clear of the piston by ${f.length(figure)}`
    if (code === 'doubt')
      return `Rod clear of the piston by ${f.length(figure)}, felt to ${f.length(0.2)}: it may be none. Feel whether the rod moves before the piston does, or give it more and measure again.`
    if (code === 'felt')
      return 'No play at the rod with the pedal up: it may hold the port shut. Shorten it and measure.'
    return code === 'portCovered'
      ? `Rod ${f.length(-figure)} too long: the port never opens. The clutch loses its clamp and burns as it wears and warms.`
      : `Rod ${f.length(-figure)} too long: it holds the piston in and partly covers the port. Adjust before going on.`
  },
  air: ({ code, figure, low, high, limit, wanted }, good, f) => {
    const ml = (value: number) => f.volume(1000 * Math.max(0, value))
    if (code === 'misfit')
      return `The reading and the geometry do not fit: even with no air at all the circuit would take ${ml(-figure)} more than the reading shows. Check the reading, the pushrod clearance and the bores.`
    if (low <= 0)
      return good
        ? `No air to be seen, at most ${ml(high)}`
        : `No air to be seen, but it may be ${ml(high)}; limit ${ml(limit)} for ${f.length(wanted)} of reserve. Measure what is assumed, or read the take-up too.`
    const range = `Air ${ml(figure)} (${ml(low)} to ${ml(high)})`
    return good
      ? `${range}, within the ${ml(limit)} that leave ${f.length(wanted)}`
      : `${range}; limit ${ml(limit)} for ${f.length(wanted)} of reserve. Bleed again, or change the method.`
  },
  takeUpHeight: ({ figure, limit }, good, f) =>
    `Takes up ${f.length(figure)} above the floor${good ? '' : `; ${f.length(limit)} are wanted`}`,
  sink: ({ figure }, good, f) =>
    good
      ? `Holds: ${f.length(figure)} in a minute`
      : `Sinks ${f.length(figure)} in a minute. Dry parts and a level that stays: the master’s primary cup.`,
  rodStroke: ({ figure, limit }, good, f) =>
    good
      ? `Rod moves ${f.length(figure)}`
      : `Rod moves ${f.length(figure)}; this circuit should give ${f.length(limit)}. Firm pedal: look at slop, fork and bracket.`,
  clearInRow: ({ figure, limit }, good) =>
    `Clear ${figure} times in a row${good ? '' : `; ${limit} are wanted`}`,
}

/** How what was complained of went. */
const FELT: Record<string, string> = {
  owed: 'not asked yet how it is now',
  gone: 'gone',
  less: 'less; what is left is named',
  same: 'still the same',
}

const finding = (rule: string) => FINDINGS.find(({ id }) => id === rule)
const reading = (rule: string) => READINGS.find(({ name }) => name === rule)

/** A reason of a verdict in words, in the units of whoever reads. */
export function reasonWords(reason: VerdictReason, f: Format): string {
  const { rule, outcome, code, words, note } = reason
  if (words !== undefined) return words
  const complaint = COMPLAINTS.find(({ id }) => id === rule)
  if (complaint) return `${complaint.label}: ${FELT[code ?? ''] ?? rule}`
  const seen = finding(rule)
  if (code === 'owed')
    return seen
      ? `${PROOF_CHECKS.find((check) => check.finding === rule)?.owed ?? seen.label}: not looked at`
      : `${readingKind(reading(rule)!.name).label} is not measured again yet`
  if (code === 'takenOver') return `${stopWords(rule)} Overridden: ${note ?? ''}`
  if (rule === 'ledger') return `Still on, or not back in its place: ${note ?? ''}`
  if (seen) {
    if (outcome === 'stop') return stopWords(rule)
    const { label, present, absent } = findingKind(rule as FindingId)
    return `${label}: ${outcome === 'pass' ? absent : present}`
  }
  const zero = { figure: 0, limit: 0, low: 0, high: 0, wanted: 0 }
  return SENTENCES[rule]?.({ ...zero, ...reason }, outcome === 'pass', f) ?? rule
}

const stopWords = (rule: string): string => finding(rule)?.stop ?? rule
