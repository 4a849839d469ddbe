import {
  COMPLAINTS,
  faultKind,
  findingKind,
  FINDINGS,
  readingKind,
  READINGS,
  repairOf,
  type FindingId,
  type ReadingName,
} from '../diagnosis'
import type { VerdictReason } from '../journal'
import type { Format } from '../quantity'
import { mustBeGone, type SortOfFault } from './must-be-gone'
import { PROOF_CHECKS, SWITCH_CHECKS } from './rules'

/** A reason with its figures as numbers; what is not kept is nothing. */
type Figures = VerdictReason &
  Required<Pick<VerdictReason, 'figure' | 'limit' | 'low' | 'high' | 'wanted' | 'was'>>

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
  reserve: (reason, good, f) => {
    const { code, figure, low, high, limit, by, against } = reason
    if (code === 'misfit') return against ? boundWords(reason, f) : misfitWords(figure, f)
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
  levelFall: ({ figure, limit, by }, good, f) =>
    by === 'heldDrop'
      ? `Level fell by ${f.length(figure)} while the pedal was held${good ? '' : ': fluid goes out under pressure. Look for wet'}`
      : `Level fell by ${f.length(figure)}${good ? '' : `; ${f.length(limit)} at the most. Look for wet`}`,
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
  sink: ({ figure, code, limit }, good, f) =>
    code === 'cannotTell'
      ? `Held for ${figure} s only: that tells nothing of a sink. Hold it for a minute, ${limit} s at the least.`
      : good
        ? `Holds: ${f.length(figure)} in a minute`
        : `Sinks ${f.length(figure)} in a minute. Dry parts and a level that stays: the master’s primary cup.`,
  rodStroke: (reason, good, f) => {
    const { figure, limit, low, high, code, against } = reason
    const what = `Rod moves ${f.length(figure)}`
    if (good) return what
    if (code === 'misfit' && against) return boundWords(reason, f)
    if (code === 'misfit')
      return `${what}, more than the ${f.length(limit)} that this circuit can give: check reading and bores.`
    if (code === 'cannotTell')
      return `${what}; it cannot be told whether that is enough: ${f.length(low)} to ${f.length(high)} is usual where the circuit is assumed. Measure bores and travel.`
    return `${what}; this circuit should give ${f.length(limit)}. Firm pedal: look at slop, fork and bracket.`
  },
  clearInRow: ({ figure, limit }, good) =>
    `Clear ${figure} times in a row${good ? '' : `; ${limit} are wanted`}`,
}

/** What a reading at pad and rod is called in a sentence that holds it against what can be. */
const READ_AS: Partial<Record<ReadingName, (figure: string) => string>> = {
  takeUpHeight: (figure) => `Take-up ${figure} above the floor`,
  reserve: (figure) => `Reserve ${figure}`,
  freeTravel: (figure) => `Free travel ${figure}`,
}
/** A reading that this vehicle cannot show, and the bound that says so. */
function boundWords({ by, against, figure, limit, low, high, was, rule }: Figures, f: Format): string {
  const read = rule === 'rodStroke' ? `Rod moves ${f.length(figure)}` : undefined
  const what = read ?? READ_AS[by ?? 'takeUpHeight']?.(f.length(figure)) ?? f.length(figure)
  switch (against) {
    case 'travel':
      return `${what} cannot be: the pedal travels ${f.length(limit)} in all. Measure again, from the floor up for the take-up.`
    case 'stroke':
      return `${what} cannot be: the slave has ${f.length(limit)} of stroke. Measure again, and check which slave is fitted.`
    case 'freeTravel':
      return `${what} does not go with a free travel of ${f.length(was)}: ${f.length(Math.max(0, low))} to ${f.length(high)} would. One of the two is wrong, or something mechanical takes pedal. Measure both again.`
    default:
      return rule === 'rodStroke'
        ? `${what}; with no air at all this circuit gives ${f.length(limit)}, ${f.length(high)} at the most. Measure again, and check the bores.`
        : `${what}; with no air at all this circuit gives ${f.length(limit)}, ${f.length(high)} at the most. Measure again; if it stands, look at what it was measured from, a slipping clutch, or a rod too long.`
  }
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
  if (rule === 'cause') return causeWords(reason)
  if (code === 'worse') return worseWords(reason, f)
  const seen = finding(rule)
  const spoken = mustBeGone(note ?? '')
  if (spoken && code === 'owed')
    return `${findingKind(spoken.finding).label}: ${findingKind(spoken.finding).present} as found. Look again${spoken.parts.length > 0 ? ', or say that the part was renewed' : ''}.`
  if (code === 'takenOver') return `${stopWords(rule)} Overridden: ${note ?? ''}`
  // What the rule itself looks at is said in its own words.
  const noted = finding(note ?? '')
  if (noted && outcome === 'notYet' && LOOKED_AT[rule] !== note)
    return notedWords(noted, spoken?.sort, code === 'cannotTell')
  if (code === 'owed')
    return seen
      ? `${[...PROOF_CHECKS, ...SWITCH_CHECKS].find((check) => check.finding === rule)?.owed ?? seen.label}: not looked at`
      : `${readingKind(reading(rule)!.name).label} is not measured again yet`
  if (rule === 'ledger') return `Still on, or not back in its place: ${note ?? ''}`
  if (seen) {
    if (outcome === 'stop') return stopWords(rule)
    const { label, present, absent } = findingKind(rule as FindingId)
    return `${label}: ${outcome === 'pass' ? absent : present}`
  }
  const looked = LOOKED[rule]
  if (looked && reason.figure === undefined) return looked[outcome === 'pass' ? 0 : 1]
  const zero = { figure: 0, limit: 0, low: 0, high: 0, wanted: 0, was: 0 }
  return SENTENCES[rule]?.({ ...zero, ...reason }, outcome === 'pass', f) ?? rule
}

/** The finding that a rule is looked at by where it is not measured. */
const LOOKED_AT: Record<string, FindingId> = {
  sink: 'heldSinks',
  returnTime: 'padHangs',
  overnight: 'fadesOvernight',
  unionsDry: 'unionsWet',
  gearQuiet: 'gearGrinds',
  levelFall: 'levelLow',
  pushBack: 'pushBackStiff',
  slip: 'slips',
  drag: 'dragsFullStroke',
}
function notedWords(
  { label, present }: { label: string; present: string },
  sort: SortOfFault | undefined,
  against: boolean,
): string {
  const what = `${label}: ${present}`
  if (against) return `${what}. That and a good figure do not go together: it cannot be told.`
  return sort === 'leak' ? `${what}. Nothing that leaks is handed over.` : what
}

function causeWords({ outcome, cause }: VerdictReason): string {
  if (outcome === 'pass' || !cause) return 'What it was is mended, or put off on purpose'
  const { label } = repairOf(cause)
  return `Confirmed: ${lower(faultKind(cause).label)}. Nobody has said that it was mended (${lower(label)}), nor put it off.`
}
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

function worseWords({ by, figure = 0, was = 0, outcome }: VerdictReason, f: Format): string {
  const { label, unit } = readingKind(by!)
  const [now, before] = [figure, was].map((one) =>
    unit === 'mm' ? f.length(one) : f.figure(one, unit),
  )
  return outcome === 'pass'
    ? `Worse than it was found: ${lower(label)} ${now}, ${before} before. Within its limit all the same.`
    : `Worse than it was found: ${lower(label)} ${now}, ${before} before. Find out why, or say what was set: rod, linkage, pedal, clutch.`
}

const stopWords = (rule: string): string => finding(rule)?.stop ?? rule
