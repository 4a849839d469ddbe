import { PUT_ON_ITEMS, REMOVED_ITEMS, SURPRISES, type PutOnItem, type RemovedItem } from '../plan'
import { judgeBore, type Facing, type PieceVerdict, type Surface } from '../rebuild'
import type { Statement } from './statement'

/** What is said while parts come off and go back: both halves of the ledger, steps, surprises, the rebuild bench, adjusting. */

const ITEMS_ON: Record<Exclude<PutOnItem, 'other'>, string> = {
  clamp: 'clamp',
  capSheet: 'cap sheet|sheet(?= under)|sheet',
  plug: 'plug|cap(?= on the line)',
  tag: 'tag',
  straps: 'straps?',
  tabs: 'tabs?',
  prop: 'prop',
  loopHose: 'loop hose|loop',
  cover: 'cover',
  bleedHose: 'bleed hose',
  bleedCap: 'adapter cap|adapter',
  slaveClamp: 'slave clamp',
  tilt: 'tilt',
}
const ITEMS_OFF: Record<Exclude<RemovedItem, 'other'>, string> = {
  connector: 'connector|plug',
  cap: 'cap',
  boot: 'boot',
  bracket: 'bracket',
  panel: 'panel|undertray|tray',
  fastener: '(?:\\d+ )?(?:bolts?|nuts?|screws?|studs?|fasteners?)',
  clip: '(?:\\d+ )?clips?',
  sensor: 'sensor',
  spring: 'spring',
}
const THE = '(?:the |a |an |its )?'
const AT = '(?:on|onto|in|into|under|over|at|across|beside|behind|from|of|off|out of|to)'
const one = (way: string) => new RegExp(`^${way}$`, 'i')
const itemsOn = PUT_ON_ITEMS.filter((item) => item !== 'other')
const itemsOff = REMOVED_ITEMS.filter((item) => item !== 'other')

/** An item with its place, as in “clamp on the feed hose”. */
function onVehicle(line: string): Statement | null {
  const clamped = one(`clamped ${THE}(.+)`).exec(line)
  if (clamped) return { kind: 'putOn', payload: { item: 'clamp', place: clamped[1]! } }
  for (const item of itemsOn) {
    const way = ITEMS_ON[item]
    const off = one(
      `(?:took |taken )?${THE}(?:${way}) (?:off|out|away)(?: again)?(?: (?:${AT} )?${THE}(.+))?`,
    ).exec(line)
    if (off) return { kind: 'takenOff', payload: { item, ...(off[1] && { place: off[1] }) } }
    const on = one(`(?:put |fitted )?${THE}(?:${way}) ${AT} ${THE}(.+)`).exec(line)
    // A pedal that is tagged is a finding of its own.
    if (on) return { kind: 'putOn', payload: { item, place: on[1]! } }
  }
  return null
}

/** Something that is back in its place. */
export function backSaid(line: string): Statement | null {
  for (const item of itemsOff) {
    const back = one(
      `(?:put )?${THE}(?:${ITEMS_OFF[item]}) (?:is )?(?:back(?: on| in)?|refitted|plugged (?:back )?in|back in its place)(?: (?:${AT} )?${THE}(.+))?`,
    ).exec(line)
    if (back) return { kind: 'refitted', payload: { item, ...(back[1] && { place: back[1] }) } }
  }
  return null
}
/** Something taken off, with its place and its bag. */
function offVehicle(line: string): Statement | null {
  const bagged = /^(.*?),? (?:in )?((?:bag|tray|box) \S+)$/i.exec(line)
  const bag = bagged?.[2]
  const rest = bagged?.[1] ?? line
  for (const item of itemsOff) {
    const way = ITEMS_OFF[item]
    const gone =
      one(`(?:took off|taken off|removed|unplugged|undid) ${THE}(?:${way}) ${AT} ${THE}(.+)`).exec(
        rest,
      ) ?? one(`${THE}(?:${way}) (?:out of|off) ${THE}(.+)`).exec(rest)
    if (gone) return { kind: 'removed', payload: { item, place: gone[1]!, ...(bag && { bag }) } }
  }
  return null
}

const DONE = /^(?:this |next )?step (?:is )?done(?:[,;]? (?:in )?(\d+(?:[.,]\d+)?) ?min(?:utes)?)?$/i
const SKIPPED = /^(?:skip|leave out|left out|skipped) (?:this |the |next )*step[:,;] ?(.+)$/i
function stepSaid(line: string): Statement | null {
  const done = DONE.exec(line)
  if (done)
    return {
      kind: 'step',
      payload: { act: 'done', ...(done[1] && { minutes: Number(done[1].replace(',', '.')) }) },
    }
  const skipped = SKIPPED.exec(line)
  return skipped ? { kind: 'step', payload: { act: 'skipped', reason: skipped[1]! } } : null
}

function surpriseSaid(line: string): Statement | null {
  const name = line.replace(/^turned up[:,]? /i, '').toLowerCase()
  const met = SURPRISES.find((other) => other.name.toLowerCase() === name)
  return met ? { kind: 'surprise', payload: { turned: met.kind } } : null
}

const NUMBER = String.raw`(-?\d+(?:[.,]\d+)?)`
const figure = (text: string): number => Number(text.replace(',', '.'))
const ADJUST = [
  ['rod', '(?:push)?rod(?: clearance| play)?'],
  ['stop', '(?:pedal )?stop'],
  ['switch', '(?:pedal |clutch )?switch'],
  ['height', '(?:pedal|pad) height'],
] as const
function adjustSaid(line: string): Statement | null {
  for (const [what, way] of ADJUST) {
    const found = one(
      `${THE}${way} (?:was )?(?:set |moved )?from ${NUMBER}(?: ?mm)? to ${NUMBER}(?: ?mm| threads)?(?:,? ${NUMBER} turns?)?`,
    ).exec(line)
    if (!found) continue
    const [, from, to, turns] = found
    return {
      kind: 'adjust',
      payload: { what, from: figure(from!), to: figure(to!), ...(turns && { turns: figure(turns) }) },
    }
  }
  return null
}

const SURFACE_WAYS: readonly (readonly [Surface, RegExp])[] = [
  ['pit', /\bpit(?:s|ted)?\b/i],
  ['step', /\bstep(?:ped)?\b/i],
  ['rust', /\brust(?:y|ed)?\b/i],
  ['stain', /\bstain(?:ed|s)?\b/i],
  ['clean', /\bclean|bright|sound\b/i],
]
const BORE = one(`bore of ${THE}(master|slave)[:,]? nominal ${NUMBER}(?: ?mm)?(.*)`)
/** A bore with its nominal size: what it comes to is judged here, as it is wherever it is filed. */
function boreSaid(line: string): Statement | null {
  const found = BORE.exec(line)
  if (!found) return null
  const [, cylinder, nominal, rest] = found
  const surface = SURFACE_WAYS.find(([, way]) => way.test(rest!))?.[0]
  if (!surface) return null
  const named = (way: string) => new RegExp(`\\b${way} ${NUMBER}`, 'i').exec(rest!)?.[1]
  const [bore, piston] = [named('(?:measured|bore)'), named('piston')]
  const asked = {
    nominal: figure(nominal!),
    surface,
    ...(bore && { bore: figure(bore) }),
    ...(piston && { piston: figure(piston) }),
  }
  try {
    const { verdict } = judgeBore(asked)
    return {
      kind: 'boreCheck',
      payload: { cylinder: cylinder!.toLowerCase() as 'master' | 'slave', ...asked, verdict },
    }
  } catch {
    // A size that no cylinder has: the line is not understood, and says so.
    return null
  }
}

const PIECE = one(`out of ${THE}(master|slave) (\\d{1,2}): ?([^,]+)((?:, ?[^,]+)*)`)
function pieceSaid(line: string): Statement | null {
  const found = PIECE.exec(line)
  if (!found) return null
  const [, cylinder, order, piece, rest = ''] = found
  const facing: Facing = /\blip(?: to(?: the)?)? open\b/i.test(rest)
    ? 'open'
    : /\blip(?: to(?: the)?)? closed\b/i.test(rest)
      ? 'closed'
      : 'none'
  const verdict: PieceVerdict | null = /\breject/i.test(rest)
    ? 'reject'
    : /\brenew/i.test(rest)
      ? 'renew'
      : /\b(?:re-?use|keep|good)/i.test(rest)
        ? 'reuse'
        : null
  if (!verdict) return null
  return {
    kind: 'rebuildPiece',
    payload: {
      cylinder: cylinder!.toLowerCase() as 'master' | 'slave',
      order: Number(order),
      piece: piece!.trim(),
      facing,
      verdict,
    },
  }
}

const NEW_PART = one(`${THE}new (master|slave|concentric)(?: slave)?(?: cylinder)? on the bench: ?(.+)`)
function newPartSaid(line: string): Statement | null {
  const found = NEW_PART.exec(line)
  if (!found) return null
  const rest = found[2]!
  const plugs = /\b(\d+|no) (?:delivery )?(?:plugs?|caps?)\b/i.exec(rest)?.[1]
  const has = (way: RegExp) => way.test(rest)
  const screw = has(/\bno bleed ?(?:screw|er)\b/i)
    ? 'none'
    : has(/\bscrew (?:is )?(?:freed|free)\b/i)
      ? 'freed'
      : has(/\bscrew (?:is )?(?:seized|stuck)\b/i)
        ? 'seized'
        : null
  const spring = has(/\bno spring\b|\bspring not felt\b/i)
    ? 'notFelt'
    : has(/\bspring felt\b/i)
      ? 'felt'
      : null
  const compared = has(/\b(?:unlike|differs from) the old\b/i)
    ? 'differs'
    : has(/\b(?:like|same as) the old\b/i)
      ? 'alike'
      : null
  if (plugs === undefined && !screw && !spring && !compared) return null
  return {
    kind: 'newPart',
    payload: {
      part: found[1]!.toLowerCase() as 'master' | 'slave' | 'concentric',
      ...(plugs !== undefined && { plugs: plugs.toLowerCase() === 'no' ? 0 : Number(plugs) }),
      ...(screw && { screw }),
      ...(spring && { spring }),
      ...(compared && { compared }),
    },
  }
}

/** What a whole line says of the work in hand; null where it says nothing of it. */
export const fitSaid = (line: string): Statement | null =>
  newPartSaid(line) ??
  pieceSaid(line) ??
  boreSaid(line) ??
  adjustSaid(line) ??
  stepSaid(line) ??
  surpriseSaid(line) ??
  onVehicle(line) ??
  offVehicle(line)
