import {
  COMPLAINTS,
  FINDINGS,
  NEEDS,
  READINGS,
  whyNotHere,
  type Finding,
  type NeedKind,
  type ReadingKind,
} from '../diagnosis'
import {
  formatOf,
  HELD_FOR,
  lengthInMm,
  numberIn,
  stored,
  volumeInMm3,
  type LengthUnit,
  type UnitSystem,
  type VolumeUnit,
  WORKSHOP_VOLUME,
} from '../quantity'
import type { Installation } from '../installation'
import { CAME_OUT, type CameOut, type Payloads, type Phase } from '../entries'

/** What a short statement was understood as, before it is filed. */
export type Said = { [K in Sayable]: { kind: K; payload: Payloads[K] } }[Sayable]
type Sayable = 'complaint' | 'finding' | 'measurement' | 'condition' | 'bleedCycle' | 'topUp' | 'note'

export interface SayContext {
  phase: Phase
  /** How the person reads: units of bare figures, and of what is said back. */
  units: UnitSystem
  /** The vehicle, where it is known: what makes no sense on it is refused. */
  installation?: Installation | null
  /** Method and strokes of a cycle where they are not said. */
  cycle: Pick<Payloads['bleedCycle'], 'method' | 'strokes'>
}
export type Understood = { said: Said } | { problem: string }

type Phrase = {
  words: readonly string[]
  read: (rest: string, context: SayContext, word: string) => Understood
}

const CAME_OUT_WORDS: Record<CameOut, string[]> = {
  nothing: ['nothing'],
  foam: ['foam'],
  large: ['large', 'large bubbles'],
  few: ['few', 'few bubbles'],
  clear: ['clear'],
}
const PRESENT = ['yes', 'there', 'wet', 'damp', 'drips', 'leaks', 'leaking', 'bad']
const ABSENT = ['no', 'dry', 'ok', 'good', 'fine', 'sound']
const NOT_LOOKED = ['?', 'not looked', 'not looked at', 'unknown']

const LENGTH_UNITS = 'mm|cm|in|inch|"'
/** What may stand behind the figure of a reading, by the unit in which it is kept. */
const SPOKEN_UNITS: Record<ReadingKind['unit'], string> = {
  mm: LENGTH_UNITS,
  s: 's|sec|secs|seconds|min|minutes',
  '°C': '°c|c|degrees|°f|f',
}

const PHRASES: Phrase[] = [
  { words: ['top up', 'topup', 'topped up'], read: readTopUp },
  ...READINGS.map((kind) => ({ words: kind.words, read: readingReader(kind) })),
  ...FINDINGS.map((kind) => ({ words: kind.words, read: findingReader(kind) })),
  ...NEEDS.map((kind) => ({ words: kind.words, read: conditionReader(kind) })),
  ...CAME_OUT.map((cameOut) => ({ words: CAME_OUT_WORDS[cameOut], read: cycleReader(cameOut) })),
  ...COMPLAINTS.map(({ id, words }) => ({
    words: [...words],
    read: (rest: string): Understood =>
      rest === ''
        ? { said: { kind: 'complaint', payload: { complaint: id } } }
        : { problem: `“${rest}” is not understood after the complaint` },
  })),
]

const spoken = (text: string) => text.trim().toLowerCase().replace(/\s+/g, ' ')

/**
 * Understands one statement: subject first, then its value or state ("free 42", "sink 6 in 60 s", "boot wet",
 * "3 clear 12 ml", "top up"). The longest subject that fits and can read the rest wins.
 */
export function understand(text: string, context: SayContext): Understood {
  const say = spoken(text)
  if (say === '') return { problem: 'Say what was seen, felt or measured' }
  const note = /^\s*note\b(.*)$/is.exec(text)
  if (note) return readNote(note[1]!.trim())
  const counted = /^(\d+) (?:strokes? )?(.+)$/.exec(say)
  if (
    counted &&
    Object.values(CAME_OUT_WORDS)
      .flat()
      .some((word) => counted[2]!.startsWith(word))
  ) {
    const strokes = Number(counted[1])
    if (strokes < 1 || strokes > 200) return { problem: 'Strokes: 1 to 200 in one cycle' }
    return understand(counted[2]!, { ...context, cycle: { ...context.cycle, strokes } })
  }
  const fits = PHRASES.flatMap((way) =>
    way.words
      .filter((word) => say === word || say.startsWith(`${word} `))
      .map((word) => ({ way, word })),
  ).sort((a, b) => b.word.length - a.word.length)
  let problem: string | undefined
  for (const { way, word } of fits) {
    const found = way.read(say.slice(word.length).trim(), context, word)
    if ('said' in found) return found
    problem ??= found.problem
  }
  return {
    problem: problem ?? `“${text.trim()}” is not known. Start with a place, a reading or a complaint`,
  }
}

/** More statements than these in one line are not taken apart. */
const MOST_AT_ONCE = 8

/**
 * Understands several statements in a row, with or without commas between them: “level low dark”, “boot wet, free 42”.
 * Each is as long as can be understood; where the rest cannot, the problem of the whole is told.
 */
export function understandAll(
  text: string,
  context: SayContext,
): { said: Said[] } | { problem: string } {
  const whole = understand(text, context)
  if ('said' in whole) return { said: [whole.said] }
  const said: Said[] = []
  let rest = text.trim()
  while (rest !== '') {
    if (said.length === MOST_AT_ONCE) return { problem: `At most ${MOST_AT_ONCE} statements at once` }
    const found = longest(rest, context)
    if (!found) return said.length > 0 ? { problem: problemOf(rest, context) } : whole
    said.push(found.said)
    rest = found.rest
  }
  return said.length > 0 ? { said } : whole
}

function longest(text: string, context: SayContext): { said: Said; rest: string } | null {
  const ends = [...text.matchAll(/(?:\s*[,;]\s*|\s+and\s+|\s+|$)/g)].filter(({ index }) => index > 0)
  for (const { index, 0: gap } of ends.reverse()) {
    const found = understand(text.slice(0, index), context)
    if ('said' in found) return { said: found.said, rest: text.slice(index + gap.length).trim() }
  }
  return null
}

const problemOf = (rest: string, context: SayContext): string => {
  const found = understand(rest, context)
  return 'problem' in found ? found.problem : ''
}

/** Subjects that go on from what was typed, nearest first. */
export function completions(text: string, most = 6): string[] {
  const say = spoken(text)
  if (say === '') return []
  const all = ['note', ...PHRASES.flatMap((way) => way.words)]
  const starts = all.filter((word) => word.startsWith(say) && word !== say)
  const holds = all.filter((word) => !word.startsWith(say) && word.includes(say))
  const states = FINDINGS.flatMap((kind) =>
    kind.words
      .filter((word) => say === word)
      .flatMap((word) => [`${word} ${kind.present}`, `${word} ${kind.absent}`]),
  )
  return [...new Set([...states, ...starts, ...holds])].slice(0, most)
}

/** Every word with which a statement can start. */
export const subjects = (): string[] => ['note', ...PHRASES.flatMap((way) => way.words)]
/** States of the findings that a subject names. */
export const statesOf = (subject: string): string[] =>
  FINDINGS.filter((kind) => kind.words.includes(subject)).flatMap((kind) => [
    ...either(kind.present),
    ...either(kind.absent),
    ...PRESENT,
    ...ABSENT,
  ])

function readingReader(kind: ReadingKind): Phrase['read'] {
  const figure = `(-?[\\d.,]+) ?(${SPOKEN_UNITS[kind.unit]})?`
  const hold = '(?: (?:in|over) ([\\d.,]+) ?(s|sec|seconds|min|minutes|h|hours)?)?'
  const pattern = new RegExp(`^${figure}${kind.over ? hold : ''}$`)
  return (rest, context) => {
    // Between two numbers "in" is a word, not inches.
    const match = pattern.exec(
      kind.over ? rest.replace(/^(-?[\d.,]+) in (?=[\d.,])/, '$1 over ') : rest,
    )
    const number = match ? numberIn(match[1]!) : null
    if (!match || number === null)
      return {
        problem: `${kind.label}: say a number, as in “${kind.words[0]} ${kind.over ? '6 in 60 s' : '42'}”`,
      }
    const value = inKeptUnit(kind.unit, number, match[2], context.units)
    const f = formatOf(context.units)
    if (value < kind.min || value > kind.max) {
      const told = (one: number) => (kind.unit === 'mm' ? f.length(one) : f.figure(one, kind.unit))
      return {
        problem: `${kind.label}: ${told(kind.min)} to ${told(kind.max)}; this is ${told(value)}`,
      }
    }
    const payload: Payloads['measurement'] = { reading: kind.name, value, phase: context.phase }
    if (kind.over) {
      const count = match[3] === undefined ? kind.over : numberIn(match[3])
      const duration = count === null ? null : count * secondsPer(match[4])
      if (duration === null || duration < HELD_FOR.min || duration > HELD_FOR.max)
        return { problem: `${kind.label}: the hold lasts 1 s to 7 days` }
      payload.duration = duration
    }
    return { said: { kind: 'measurement', payload } }
  }
}

/** A spoken figure in the unit in which its reading is kept. */
function inKeptUnit(
  kept: ReadingKind['unit'],
  number: number,
  spokenUnit: string | undefined,
  units: UnitSystem,
): number {
  if (kept === 's') return number * secondsPer(spokenUnit)
  if (kept === '°C') {
    const isFahrenheit = spokenUnit?.endsWith('f') ?? (units === 'inch' && spokenUnit !== 'c')
    return stored(number, '°C', isFahrenheit ? 'inch' : 'metric')
  }
  return lengthInMm(number, unitOf(spokenUnit) ?? (units === 'inch' ? 'in' : 'mm'))
}

/** “Hangs or creeps up”, and either half of it. */
const either = (state: string): string[] => [state, ...state.split(/,? or /)]

function findingReader(kind: Finding): Phrase['read'] {
  return (rest, { phase, installation }, word) => {
    const why = installation ? whyNotHere(kind.id, installation) : null
    if (why) return { problem: why }
    // A subject that is a state by itself needs no other: “dark”.
    const said = rest === '' && word === kind.present ? word : rest
    const is = (words: string[]) => words.includes(said)
    const state = is([...either(kind.present), ...PRESENT.filter((word) => word !== kind.absent)])
      ? 'present'
      : is([...either(kind.absent), ...ABSENT])
        ? 'absent'
        : is(NOT_LOOKED)
          ? 'notLooked'
          : null
    if (state === null)
      return { problem: `${kind.label}: say “${kind.present}”, “${kind.absent}” or “not looked”` }
    return { said: { kind: 'finding', payload: { finding: kind.id, state, phase } } }
  }
}

function conditionReader(kind: NeedKind): Phrase['read'] {
  return (rest) => {
    const holds = ['', 'yes', 'here', 'ok'].includes(rest)
    if (!holds && !['no', 'not', 'gone', 'away'].includes(rest))
      return { problem: `${kind.label}: say “yes” or “no”` }
    return { said: { kind: 'condition', payload: { condition: kind.id, holds } } }
  }
}

function cycleReader(cameOut: CameOut): Phrase['read'] {
  return (rest, { cycle, units }) => {
    const match = /^(?:(dark|fresh) ?)?(?:([\d.,]+) ?(ml|cl|fl oz|oz)?)?$/.exec(rest)
    const amount = match?.[2] === undefined ? undefined : numberIn(match[2])
    if (!match || amount === null)
      return { problem: `“${rest}”: say how much is in the bottle, dark or fresh` }
    const payload: Payloads['bleedCycle'] = { ...cycle, cameOut }
    if (match[1] === 'dark' || match[1] === 'fresh') payload.colour = match[1]
    if (amount !== undefined) {
      payload.bottle = volumeInMm3(amount, volumeUnit(match[3], units))
      if (payload.bottle > WORKSHOP_VOLUME.max)
        return {
          problem: `In the bottle: at most ${formatOf(units).volume(WORKSHOP_VOLUME.max)} in one cycle`,
        }
    }
    return { said: { kind: 'bleedCycle', payload } }
  }
}

function readTopUp(rest: string, { units }: SayContext): Understood {
  const match = /^(?:([\d.,]+) ?(ml|cl|fl oz|oz)?)?$/.exec(rest)
  const amount = match?.[1] === undefined ? undefined : numberIn(match[1])
  if (!match || amount === null) return { problem: 'Top-up: say how much, or nothing' }
  if (amount === undefined) return { said: { kind: 'topUp', payload: {} } }
  const volume = volumeInMm3(amount, volumeUnit(match[2], units))
  if (volume > WORKSHOP_VOLUME.max)
    return { problem: `Top-up: at most ${formatOf(units).volume(WORKSHOP_VOLUME.max)}` }
  return { said: { kind: 'topUp', payload: { volume } } }
}

function readNote(rest: string): Understood {
  return rest === ''
    ? { problem: 'Note: say what to keep' }
    : { said: { kind: 'note', payload: { words: rest } } }
}

function unitOf(text: string | undefined): LengthUnit | undefined {
  if (text === undefined) return undefined
  return text === 'mm' || text === 'cm' ? text : 'in'
}

function volumeUnit(text: string | undefined, units: UnitSystem): VolumeUnit {
  if (text === undefined) return units === 'inch' ? 'fl oz' : 'ml'
  return text === 'ml' || text === 'cl' ? text : 'fl oz'
}

const secondsPer = (unit: string | undefined): number =>
  unit?.startsWith('h') ? 3600 : unit?.startsWith('min') ? 60 : 1
