import { COMPLAINTS, findingKind, FINDINGS, readingKind, READINGS, type FindingId } from '../diagnosis'
import type { VerdictReason } from '../journal'
import type { Format } from '../quantity'
import { PROOF_CHECKS } from './rules'

/** A reason with its figures as numbers; what is not kept is nothing. */
type Figures = VerdictReason &
  Required<Pick<VerdictReason, 'figure' | 'limit' | 'low' | 'high' | 'wanted'>>

/** What a rule's reason says, well and not. */
const SENTENCES: Record<string, (reason: Figures, good: boolean, f: Format) => string> = {
  rodClearance: ({ figure, code, limit }, good, f) => {
    if (good) return `Rod clear of the piston by ${f.length(figure)}`
    if (code === 'doubt')
      return `Rod clear of the piston by ${f.length(figure)}, felt to ${f.length(0.2)}: it may be none. Feel whether the rod moves before the piston does, or give it more and measure again.`
    if (code === 'slack')
      return `Rod moves ${f.length(figure)} before the piston does: it gives pedal away. Set it to ${f.length(limit)} at the most.`
    if (code === 'felt')
      return 'No play at the rod with the pedal up: it may hold the port shut. Shorten it and measure.'
    return code === 'portCovered'
      ? `Rod ${f.length(-figure)} too long: the port never opens. The clutch loses its clamp and burns as it wears and warms.`
      : `Rod ${f.length(-figure)} too long: it holds the piston in and partly covers the port. Adjust before going on.`
  },
  reserve: ({ code, figure, low, high, limit, by }, good, f) => {
    if (code === 'misfit') return misfitWords(figure, f)
    const measured = by === 'takeUpHeight' || by === 'reserve'
    const what = measured
      ? `${by === 'reserve' ? 'Reserve' : 'Takes up'} ${f.length(figure)} above the floor`
      : `Reserve ${f.length(figure)} (${f.length(low)} to ${f.length(high)}), by free travel`
    if (good) return what
    if (code === 'cannotTell')
      return `${what}: it cannot be told whether ${f.length(limit)} are left. ${measured ? 'Measure the take-up twice more.' : 'Measure the take-up, or what is assumed.'}`
    return `${what}; ${f.length(limit)} are wanted${measured ? '' : '. Bleed again, or change the method.'}`
  },
  returnTime: ({ figure, limit, code }, good) =>
    code === 'cannotTell'
      ? `Comes up in ${figure} s: it cannot be told at this temperature. Time it at 15 to 30 °C.`
      : `Comes up in ${figure} s${good ? '' : `; ${limit} s at the most. Look at line, port and springs`}`,
  gearQuiet: ({ figure, limit }, good) =>
    `Unsynchronised gear quiet after ${figure} s${good ? '' : `; ${limit} s at the most. Drag: disc, pilot, or reserve`}`,
  overnight: ({ figure, limit }, good, f) =>
    `Free travel grew by ${f.length(figure)} overnight${good ? '' : `; ${f.length(limit)} at the most. A joint draws air`}`,
  levelFall: ({ figure, limit }, good, f) =>
    `Level fell by ${f.length(figure)}${good ? '' : `; ${f.length(limit)} at the most. Look for wet`}`,
  switches: ({ code, figure, limit }, good, f) =>
    good
      ? `Starting switch closes at ${f.length(figure)} of pad travel`
      : code === 'early'
        ? `Starting switch closes at ${f.length(figure)}, before the disc is free at ${f.length(limit)}`
        : `Starting switch closes at ${f.length(figure)}; it has to by ${f.length(limit)}`,
  air: ({ code, figure, low, high, limit, wanted }, good, f) => {
    const ml = (value: number) => f.volume(1000 * Math.max(0, value))
    if (code === 'misfit') return misfitWords(figure, f)
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
  rodStroke: ({ figure, limit, code }, good, f) =>
    good
      ? `Rod moves ${f.length(figure)}`
      : code === 'misfit'
        ? `Rod moves ${f.length(figure)}, more than the ${f.length(limit)} that this circuit can give: check reading and bores.`
        : `Rod moves ${f.length(figure)}; this circuit should give ${f.length(limit)}. Firm pedal: look at slop, fork and bracket.`,
  clearInRow: ({ figure, limit }, good) =>
    `Clear ${figure} times in a row${good ? '' : `; ${limit} are wanted`}`,
}

/** ml below nothing as litres would have it: the reading and the geometry do not fit. */
const misfitWords = (figure: number, f: Format): string =>
  `The reading and the geometry do not fit: even with no air at all the circuit would take ${f.volume(-1000 * figure)} more than the reading shows. Check the reading, the pushrod clearance and the bores.`

/** What a rule says where it was looked at and not measured. */
const LOOKED: Record<string, readonly [good: string, bad: string]> = {
  sink: ['Holds under a steady foot', 'Drags again under a held foot: the master’s primary cup'],
  returnTime: ['Comes up freely', 'Hangs or creeps up'],
  gearQuiet: ['Unsynchronised gear goes in quietly', 'Unsynchronised gear grinds'],
  overnight: ['As good in the morning', 'Lower in the morning: a joint draws air'],
  levelFall: ['Level on its mark', 'Level under its mark: look for wet'],
  pushBack: ['Slave goes back by hand', 'Slave will not go back by hand'],
  switches: ['Switches work at their place', 'A switch is out of its place'],
  unionsDry: ['Unions dry after ten hard strokes', 'A union is damp after ten hard strokes'],
  slip: ['Holds on a load test', 'Slips under load: no hydraulics; look at disc and cover'],
  drag: ['Frees the disc', 'Drags though the stroke is there: disc, pilot or gearbox'],
  brakes: ['Brake pedal as it was', 'The brake pedal has changed: the vehicle does not move.'],
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
  const felt = rule === 'complaint' ? (note ?? '') : rule
  const complaint = COMPLAINTS.find(({ id }) => id === felt)
  if (complaint) return `${complaint.label}: ${FELT[code ?? ''] ?? rule}`
  if (rule === 'complaint') return `${finding(felt)?.label ?? felt}: ${FELT[code ?? ''] ?? rule}`
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
  const looked = LOOKED[rule]
  if (looked && reason.figure === undefined) return looked[outcome === 'pass' ? 0 : 1]
  const zero = { figure: 0, limit: 0, low: 0, high: 0, wanted: 0 }
  return SENTENCES[rule]?.({ ...zero, ...reason }, outcome === 'pass', f) ?? rule
}

const stopWords = (rule: string): string => finding(rule)?.stop ?? rule
