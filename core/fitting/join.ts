import { LEAST_ENGAGED, SEAT_TAKES, USUAL_LEAD, type End, type Material, type Seal } from './end'
import { lookAlike, sameThread, threadOf, type LookAlike, type Thread } from './thread'

/** In the order in which they are listed. */
export const JOIN_CODES = [
  'thread',
  'lookAlike',
  'gender',
  'seat',
  'tube',
  'nutShort',
  'engagement',
  'profile',
  'seal',
  'notKnown',
] as const
export type JoinCode = (typeof JOIN_CODES)[number]
export const JOIN_VERDICTS = ['joins', 'joinsWith', 'refused'] as const
export interface JoinReason {
  code: JoinCode
  words: string
  figure?: number
  limit?: number
}
export interface Joint {
  verdict: (typeof JOIN_VERDICTS)[number]
  /** What the seat takes, at hand or not. */
  needs: Seal[]
  /** Whether one screws into the other at all; null where neither is threaded. */
  starts: boolean | null
  lookAlike?: LookAlike
  engaged?: { length: number; turns: number; limit: number }
  reasons: JoinReason[]
}

/** mm; tubes that differ by no more are one: 3/16 in and 4.75. */
const ONE_TUBE = 0.1
const REFUSES: ReadonlySet<JoinCode> = new Set([
  'thread',
  'lookAlike',
  'gender',
  'seat',
  'tube',
  'nutShort',
  'engagement',
  'profile',
])

/**
 * Judges a joint of two ends, all that speaks against it listed.
 * @param sealsAtHand what lies ready, repeated as often as there are; everything where it is left out
 */
export function join(a: End, b: End, sealsAtHand?: readonly Seal[]): Joint {
  const reasons: JoinReason[] = []
  const { starts, alike, thread, male, female } = screwed(a, b, reasons)
  if (a.gender === b.gender && a.gender !== 'none')
    reasons.push({ code: 'gender', words: `Both ends are ${a.gender}.` })
  if (a.seat !== b.seat)
    reasons.push({
      code: 'seat',
      words: `A ${SEAT_WORDS[a.seat]} does not seal on a ${SEAT_WORDS[b.seat]}.`,
    })
  widths(a, b, reasons)
  const engaged = thread && male && female ? engagedOf(thread, male, female, reasons) : null
  if (
    a.seat === 'quickConnector' &&
    b.seat === 'quickConnector' &&
    a.profile !== undefined &&
    b.profile !== undefined &&
    a.profile !== b.profile
  )
    reasons.push({
      code: 'profile',
      words: `Quick connectors of ${a.profile} and ${b.profile} do not latch.`,
    })
  const needs = a.seat === b.seat ? needsOf(a.seat, sealsAtHand) : []
  const lacking = missing(needs, sealsAtHand)
  if (lacking.length > 0)
    reasons.push({
      code: 'seal',
      words: `Not at hand: ${lacking.map((one) => SEAL_WORDS[one]).join(', ')}.`,
    })
  reasons.sort((one, other) => JOIN_CODES.indexOf(one.code) - JOIN_CODES.indexOf(other.code))
  const refused = reasons.some(({ code }) => REFUSES.has(code))
  return {
    verdict: refused ? 'refused' : lacking.length > 0 ? 'joinsWith' : 'joins',
    needs,
    starts,
    ...(alike && { lookAlike: alike }),
    ...(engaged && { engaged }),
    reasons,
  }
}
interface Screwed {
  starts: boolean | null
  alike: LookAlike | null
  /** The thread that both have. */
  thread: Thread | null
  male: End | null
  female: End | null
}

function screwed(a: End, b: End, reasons: JoinReason[]): Screwed {
  const [ta, tb] = [a, b].map(({ thread }) => (thread === null ? null : threadOf(thread)))
  const none = { alike: null, thread: null, male: null, female: null }
  if (!ta && !tb) return { starts: null, ...none }
  if (!ta || !tb) {
    reasons.push({ code: 'thread', words: 'Only one of the ends has a thread.' })
    return { starts: false, ...none }
  }
  const opposite = a.gender !== b.gender && a.gender !== 'none' && b.gender !== 'none'
  if (!opposite) {
    if (a.gender === 'none' || b.gender === 'none')
      reasons.push({ code: 'gender', words: 'A threaded end is male or female.' })
    if (!sameThread(ta, tb)) reasons.push(differs(ta, tb))
    return { starts: false, ...none }
  }
  const [male, female] = a.gender === 'male' ? [a, b] : [b, a]
  const [tm, tf] = a.gender === 'male' ? [ta, tb] : [tb, ta]
  if (sameThread(tm, tf)) return { starts: true, alike: null, thread: tm, male, female }
  const alike = lookAlike(tm, tf)
  if (!alike) {
    reasons.push(differs(tm, tf))
    return { starts: false, ...none }
  }
  const holds = alike.turns === null ? 'never binds' : `binds after ${alike.turns.toFixed(1)} turns`
  reasons.push({
    code: 'lookAlike',
    words: `${tm.name} starts in ${tf.name}, holds on ${(100 * alike.depth).toFixed(0)} % of its depth and ${holds}.`,
    ...(alike.turns !== null && { figure: alike.turns }),
  })
  return { starts: true, ...none, alike }
}
const differs = (one: Thread, other: Thread): JoinReason => ({
  code: 'thread',
  words: `${one.name} is not ${other.name}.`,
})

function widths(a: End, b: End, reasons: JoinReason[]): void {
  for (const name of ['tube', 'bore'] as const) {
    const [one, other] = [a[name], b[name]]
    if (one === undefined || other === undefined || Math.abs(one - other) <= ONE_TUBE + 1e-9) continue
    reasons.push({
      code: 'tube',
      words: `${name === 'tube' ? 'Pipes' : 'Bores'} of ${one} and ${other} mm do not go together.`,
      figure: Math.abs(one - other),
      limit: ONE_TUBE,
    })
  }
}

/** How far a nut’s thread holds once it is home; pushes what cannot be known, or is too little. */
function engagedOf(
  thread: Thread,
  male: End,
  female: End,
  reasons: JoinReason[],
): Joint['engaged'] | null {
  // A 37° nut is female on a male cone: its depth is not judged.
  const lengths = male.seat === 'flare37' ? null : { nut: male.nut, depth: female.depth }
  const nut = lengths?.nut
  const depth = lengths?.depth
  if (!nut || depth === undefined) {
    reasons.push({
      code: 'notKnown',
      words: 'How much thread engages is not known: measure nut and port.',
    })
    return null
  }
  const { length, lead = USUAL_LEAD } = nut
  if (depth > lead + length)
    reasons.push({
      code: 'nutShort',
      words: `The nut’s thread ends before it presses the flare home: ${(depth - lead - length).toFixed(1)} mm too short.`,
      figure: lead + length,
      limit: depth,
    })
  const share = leastEngaged(male.material, female.material)
  if (share === null) {
    reasons.push({
      code: 'notKnown',
      words: 'What the thread must hold is not known: of plastic, or its material was not given.',
    })
    return null
  }
  const { counterbore = 0 } = female
  const engaged = Math.max(0, depth - lead - Math.max(counterbore, depth - lead - length))
  const limit = share * thread.diameter
  if (engaged < limit - 1e-9)
    reasons.push({
      code: 'engagement',
      words: `${engaged.toFixed(1)} mm of thread engage; ${limit.toFixed(1)} are the least.`,
      figure: engaged,
      limit,
    })
  return { length: engaged, turns: engaged / thread.pitch, limit }
}

/** By the weaker side, or the one that is given; null where that is not known. */
function leastEngaged(...materials: readonly (Material | undefined)[]): number | null {
  const given = materials.filter((one) => one !== undefined)
  const shares = given.map((one) => LEAST_ENGAGED[one])
  if (shares.length === 0 || shares.includes(undefined)) return null
  return Math.max(...(shares as number[]))
}

/** Copper washers, unless only aluminium ones are at hand. */
function needsOf(seat: End['seat'], atHand: readonly Seal[] | undefined): Seal[] {
  const aluminium = atHand?.includes('aluminiumWasher') && !atHand.includes('copperWasher')
  return SEAT_TAKES[seat].map((one) =>
    one === 'washer' ? (aluminium ? 'aluminiumWasher' : 'copperWasher') : one,
  )
}
function missing(needs: readonly Seal[], atHand: readonly Seal[] | undefined): Seal[] {
  if (!atHand) return []
  const left = [...atHand]
  return needs.filter((one) => {
    const at = left.indexOf(one)
    if (at >= 0) left.splice(at, 1)
    return at < 0
  })
}

export const SEAT_WORDS: Record<End['seat'], string> = {
  doubleFlare: 'double flare',
  bubbleFlare: 'bubble flare',
  flare37: '37° flare',
  banjo: 'banjo',
  washerFace: 'washer face',
  oRing: 'O-ring seat',
  sealAndClip: 'seal with clip',
  sealAndRollPin: 'seal with roll pin',
  quickConnector: 'quick connector',
  hoseBarb: 'hose barb',
}
export const SEAL_WORDS: Record<Seal, string> = {
  copperWasher: 'copper washer',
  aluminiumWasher: 'aluminium washer',
  oRing: 'O-ring',
  lineSeal: 'line-end seal',
  rollPin: 'roll pin',
  clip: 'clip',
  hoseClamp: 'hose clamp',
}
