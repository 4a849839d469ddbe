import type { FluidInside, JointChecked } from '../entries'
import { threadOf, type End, type Seat } from '../fitting'
import type { FluidKind } from '../fluid'
import { SLAVE_FACES, type JointPlace } from '../installation'
import { lengthTyped } from '../quantity'
import type { Change } from '../whatif'
import type { LineContext, Statement } from './statement'

/** What is said of parts: fluid inside, how cylinders sit, bores, ends of the line, and what is planned. */

const FLUID_WAYS: readonly (readonly [FluidKind, RegExp])[] = [
  ['dot4lv', /\bdot ?4 ?(?:lv|low visc\w*)\b/i],
  ['dot51', /\bdot ?5\.1\b/i],
  ['dot5', /\bdot ?5\b|\bsilicone\b/i],
  ['dot4', /\bdot ?4\b/i],
  ['dot3', /\bdot ?3\b/i],
  ['mineral', /\bmineral(?: oil)?\b/i],
]
/** The one kind that a text names; null where it names none, or more. */
function fluidIn(text: string): FluidKind | null {
  const kinds: FluidKind[] = []
  let left = text
  for (const [kind, way] of FLUID_WAYS) {
    if (!way.test(left)) continue
    kinds.push(kind)
    left = left.replace(new RegExp(way, 'gi'), ' ')
  }
  return kinds.length === 1 ? kinds[0]! : null
}
const INSIDE =
  /\b(?:in it|inside|in there|in the (?:system|circuit|reservoir|res)|filled with|fluid is|it has|runs on)\b/i
const WANTED =
  /^(?:the )?(?:cap|maker|book|lid|reservoir)(?:['’]s)? (?:says|wants|names|calls for|asks for|is marked)\b/i
const NOBODY =
  /\b(?:nobody|no one|no-one|don['’]?t) knows?\b.*\bfluid\b|\bfluid (?:is )?(?:not known|unknown)\b/i
const CHANGED =
  /^(?:the )?(?:maker )?(?:to be )?(?:changed?|changes|renew(?:s|ed)?)?(?: it| fluid)?(?: is)? ?(?:(yearly|annually)|every (?:(\d+|two|three|four|five) )?(months?|years?))(?: by (?:the|its) (?:maker|book))?\.?$/i
const COUNTED: Record<string, number> = { two: 2, three: 3, four: 4, five: 5 }
const LONGEST = 120
/** Months between changes, as a clause names them; null where it names none, or more than ten years. */
function changedEvery(clause: string): number | null {
  const found = CHANGED.exec(clause.trim())
  if (!found) return null
  const [, yearly, count = '1', unit = 'year'] = found
  const many = yearly ? 1 : (COUNTED[count.toLowerCase()] ?? Number(count))
  const months = unit.toLowerCase().startsWith('y') ? 12 * many : many
  return months >= 1 && months <= LONGEST ? months : null
}
/** Smelt or guessed is no kind: that is a finding, or nothing. */
const GUESSED = /\b(?:smells?|looks like|topped|top up|order|might|maybe|not)\b/i

/** What a line says of the fluid: what is inside, and beside it what is wanted. */
export function fluidSaid(line: string): Statement | null {
  if (NOBODY.test(line)) return inside('unknown')
  const clauses = line.split(/[,;]\s+/)
  const first = clauses[0]!
  if (GUESSED.test(line) || !INSIDE.test(first)) return null
  const kind = fluidIn(first)
  if (!kind) return null
  const payload: FluidInside = { kind }
  for (const clause of clauses.slice(1)) {
    const wanted = WANTED.test(clause) ? fluidIn(clause) : null
    const everyMonths = changedEvery(clause)
    if (wanted) payload.wanted = wanted
    else if (everyMonths) payload.everyMonths = everyMonths
    else return null
  }
  return { kind: 'fluidInside', payload }
}
const inside = (kind: FluidKind): Statement => ({ kind: 'fluidInside', payload: { kind } })

const SEAT_WAYS: readonly (readonly [Seat, RegExp])[] = [
  ['bubbleFlare', /\bbubble(?: flare)?\b/i],
  ['flare37', /\b37(?:°| deg(?:ree)?)?(?: flare)?\b|\bjic\b/i],
  ['doubleFlare', /\b(?:inverted |double )flare\b/i],
  ['banjo', /\bbanjo\b/i],
  ['oRing', /\bo-? ?ring\b/i],
  ['sealAndRollPin', /\broll pin\b/i],
  ['sealAndClip', /\bseal (?:and|with) clip\b/i],
  ['quickConnector', /\bquick (?:connector|release|fit)\b/i],
  ['hoseBarb', /\bbarb\b/i],
  ['washerFace', /\bflat washer\b|\bwasher face\b/i],
]
/** Where an end is: the joint, its side, and what a thread there mostly is. */
const END_WAYS: readonly (readonly [JointPlace, 'a' | 'b', End['gender'], RegExp])[] = [
  ['slavePort', 'a', 'male', /^(?:the )?(?:hose|line|pipe)(?: end| nut)? at (?:the )?slave\b/i],
  ['masterOutlet', 'b', 'male', /^(?:the )?(?:hose|line|pipe)(?: end| nut)? at (?:the )?master\b/i],
  ['slavePort', 'b', 'female', /^(?:the )?slave(?:['’]s)? (?:line )?port\b/i],
  ['masterOutlet', 'a', 'female', /^(?:the )?master(?:['’]s)? (?:outlet|port)\b/i],
]
const THREAD =
  /\bm ?\d+(?:\.\d+)? ?[x×] ?\d(?:\.\d+)?\b|\b\d+\/\d+-\d{2}(?: ?(?:unf|unc|bsf|bsw))?\b|\bg ?\d\/\d\b/i

/** An end of the line as it is read off: its place, and its thread or seat. */
function endSaid(line: string): Statement | null {
  const place = END_WAYS.find(([, , , way]) => way.test(line))
  if (!place) return null
  const [at, side, gender] = place
  const seat = SEAT_WAYS.find(([, way]) => way.test(line))?.[0]
  if (!seat) return null
  const named =
    THREAD.exec(line)?.[0]
      .replace(/^m ?/i, 'M')
      .replace(/ ?[x×] ?/, 'x') ?? null
  if (named !== null && !threadOf(named)) return null
  const nut = figure(/\bnut (?:is )?(\d+(?:\.\d+)?)(?: mm| long)?\b/i, line)
  const depth = figure(/\b(\d+(?:\.\d+)?)(?: mm)? deep\b|\bdepth (\d+(?:\.\d+)?)\b/i, line)
  const end: End = {
    thread: named,
    gender:
      /\bmale\b/i.test(line) && !/\bfemale\b/i.test(line)
        ? 'male'
        : /\bfemale\b/i.test(line)
          ? 'female'
          : gender,
    seat,
    ...(nut !== null && { nut: { length: nut } }),
    ...(depth !== null && { depth }),
  }
  const payload: JointChecked = {
    at,
    a: side === 'a' ? end : null,
    b: side === 'b' ? end : null,
    verdict: null,
    reasons: [],
  }
  return { kind: 'joint', payload }
}
function figure(way: RegExp, line: string): number | null {
  const found = way.exec(line)
  const text = found?.[1] ?? found?.[2]
  return text === undefined ? null : Number(text)
}

const CLOCK =
  /^(?:the )?bleed(?:er|[ -]?screw| nipple)?(?: is| sits| points)?(?: at)? (\d{1,2}) o['’]?\s?clock\.?$/i
const FACES = new RegExp(
  `^(?:the )?slave(?:['’]s)?(?: rod| pushrod)?(?: is)? (?:faces|facing|points|pointing|looks|looking) (?:to the )?(${SLAVE_FACES.join('|')})(?:wards?)?\\.?$`,
  'i',
)
const MOUNTS: readonly (readonly ['mounts.master' | 'mounts.slave', string, RegExp])[] = [
  [
    'mounts.master',
    'bayonet',
    /^(?:(?:the )?bayonet master|master (?:is )?(?:held by |on )?(?:a )?bayonet)\.?$/i,
  ],
  ['mounts.master', 'studs', /^(?:the )?master (?:is )?(?:held by|on) (?:two |three )?studs\.?$/i],
  [
    'mounts.master',
    'bolts',
    /^(?:the )?master (?:is )?(?:held by|on|bolted with) (?:two |three )?bolts\.?$/i,
  ],
  ['mounts.slave', 'studs', /^(?:the )?slave (?:is )?(?:held by|on) (?:two |three )?studs\.?$/i],
  [
    'mounts.slave',
    'bolts',
    /^(?:the )?slave (?:is )?(?:held by|on|bolted with) (?:two |three )?bolts\.?$/i,
  ],
  ['mounts.slave', 'inHousing', /^(?:the )?slave (?:is |sits )?inside the (?:bell )?housing\.?$/i],
]
const FIGURE = String.raw`(\d+(?:[.,]\d+)?|\d+(?:[ -]\d+)?\/\d+)(?: ?(mm|in|inch|inches|"))?`
const BORE = new RegExp(`^(?:the )?(master|slave)(?: bore)?(?: is)? ${FIGURE}(?: bore)?\\.?$`, 'i')
const CHAMBER = new RegExp(`^(?:the )?slave chamber(?: is)? ${FIGURE}(?: long)?\\.?$`, 'i')

const TAKE_OFF = new RegExp(
  `^(?:the )?(?:clutch )?take-?off(?: is)? ${FIGURE} (over|above|under|below) the brakes?['’]? min(?:imum)?(?: mark)?\\.?$`,
  'i',
)
const TAKE_OFF_FIELD = 'reservoir.takeOffOverBrakeMinimum'

/** A part of the vehicle as it is: which way it looks, how it is held, its bore. */
function partSaid(line: string, { units }: LineContext): Statement | null {
  const parameter = (field: string, value: number | string): Statement => ({
    kind: 'parameter',
    payload: { field, value },
  })
  const clock = CLOCK.exec(line)
  if (clock) {
    const angle = (Number(clock[1]) % 12) * 30
    return parameter('slave.bleeder.angle', angle > 180 ? angle - 360 : angle)
  }
  const faces = FACES.exec(line)
  if (faces) return parameter('slave.faces', faces[1]!.toLowerCase())
  const mount = MOUNTS.find(([, , way]) => way.test(line))
  if (mount) return parameter(mount[0], mount[1])
  const typed = (number: string, unit: string | undefined) =>
    lengthTyped(`${number} ${unit ?? ''}`.trim(), units)
  const chamber = CHAMBER.exec(line)
  if (chamber) {
    const value = typed(chamber[1]!, chamber[2])
    return value === null ? null : parameter('slave.chamber', value)
  }
  const takeOff = TAKE_OFF.exec(line)
  if (takeOff) {
    const value = typed(takeOff[1]!, takeOff[2])
    const below = /^(?:under|below)$/i.test(takeOff[3]!)
    return value === null ? null : parameter(TAKE_OFF_FIELD, below ? -value : value)
  }
  const bore = /\bbore\b/i.test(line) ? BORE.exec(line) : null
  if (!bore) return null
  const value = typed(bore[2]!, bore[3])
  return value === null ? null : parameter(`${bore[1]!.toLowerCase()}.bore`, value)
}

const PLAN = /^\s*plan(?:ned)?[: ]+(?:for )?(?:an? )?(.+)$/i
const CYLINDER = new RegExp(
  `^(?:an? )?(?:(master|slave)(?: bore)?(?: of)? ${FIGURE}|${FIGURE} (master|slave))$`,
  'i',
)

/** Cylinders that are planned; anything else that is planned is not read. */
function planSaid(line: string, { units }: LineContext): Statement | null {
  const said = PLAN.exec(line)
  if (!said) return null
  const changes: Change[] = []
  for (const part of said[1]!.replace(/\.$/, '').split(/\s+and\s+|,\s+|\s+with\s+/)) {
    const found = CYLINDER.exec(part.trim())
    if (!found) return null
    const which = (found[1] ?? found[6])!.toLowerCase()
    const value = lengthTyped(`${found[2] ?? found[4]!} ${found[3] ?? found[5] ?? ''}`.trim(), units)
    if (value === null) return null
    changes.push({ change: 'field', field: `${which}.bore`, value })
  }
  return { kind: 'circuitPlan', payload: { changes } }
}

/** Whether a line is about what is planned, even where it is not understood. */
export const isPlan = (line: string): boolean => PLAN.test(line)

/** What a whole line says of parts; null where it says nothing of them. */
export function partsLine(line: string, context: LineContext): Statement | null {
  const words = line.trim().replace(/[.!]+$/, '')
  return fluidSaid(words) ?? planSaid(words, context) ?? endSaid(words) ?? partSaid(words, context)
}
/** The same of one clause among others. */
export const partsClause = (clause: string, context: LineContext): Statement | null => {
  const words = clause.trim().replace(/[.!]+$/, '')
  return endSaid(words) ?? partSaid(words, context)
}
