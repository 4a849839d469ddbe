import { asFoundKind, type AsFound, type AsFoundItem } from '../entries'
import type { OperationId } from '../work'
import { isWord, standard, vocabulary } from './standard'
import type { LineContext, Statement } from './statement'
import { tokensOf } from './tokens'

/** What is written down as it is, because it cannot be measured: the words themselves are kept. */
const AS_IT_IS: readonly (readonly [AsFoundItem, RegExp])[] = [
  [
    'routing',
    /^(?:the )?(?:clutch )?(?:line|hose|pipe)(?: is)? (?:routed|runs?|routes?|goes|passes)\s+(?:over|under|behind|in front of|along|between|past|through|round|around|above|below|beside)\b/i,
  ],
  ['routing', /^routed\b/i],
  ['hosePath', /^(?:the )?hose (?:bows|is bowed|is twisted|twists|loops)\b/i],
  [
    'portOrientation',
    /^(?:the )?(?:slave(?:['’]?s)? )?port (?:is |points |pointing |faces |facing |looks )+(?:up|down|forwards?|backwards?|rearwards?|to|left|right|inboard|outboard|towards?)\b/i,
  ],
  [
    'sensorOrientation',
    /^(?:the )?sensor(?: plug)? (?:is |points |pointing |faces |facing |looks )+(?:up|down|forwards?|backwards?|rearwards?|to|left|right|inboard|outboard|towards?)\b/i,
  ],
]
/** The same, told over a whole line. */
const WHOLE_LINE: readonly (readonly [AsFoundItem, RegExp])[] = [
  [
    'clips',
    /^(?:the )?(?:\d+|one|two|three|four|five|six) clips? (?:on|at|along|behind|under|over)\b/i,
  ],
  ['witnessMark', /\bwitness marks?\b/i],
  ['lineEnds', /^(?:tagged|marked) (?:the )?(?:\w+ )?ends? of the (?:line|pipe|hose)\b/i],
]
const CLOCK =
  /^(?:the )?(?:slave(?:['’]?s)? )?(port|sensor)(?: plug)?(?: is| points| faces)?(?: at| to)? (\d{1,2}) o['’]?\s?clock\.?$/i

/** Figures that are counted or ruled before anything comes off: the words that name them. */
const COUNTED: readonly (readonly [AsFoundItem, readonly string[], RegExp])[] = [
  ['threadsOnRod', ['threads'], /rod/],
  ['switchThreads', ['threads'], /switch/],
  ['switchThreads', ['turns'], /switch/],
  ['rodLength', ['length'], /rod/],
  ['rodLength', ['long'], /rod/],
]

/** Work by the verb that says it is done, and the part that it is done to; the first row that fits holds. */
const WORK: readonly (readonly [OperationId, RegExp, RegExp | null])[] = [
  ['grease', /^(oiled|greased|lubed|lubricated)$/, null],
  ['tighten', /^(tightened|nipped)$/, /^(slaveunion|unions?|outlet|bleeder|nut|screw|bolts?|joint)$/],
  ['bleed', /^(bled|rebled)$/, null],
  ['flush', /^flushed$/, null],
  ['rod', /^(adjusted|set|shortened|lengthened)$/, /^rod$/],
  ['switch', /^(adjusted|set)$/, /^switch$/],
  ['linkage', /^(adjusted|set)$/, /^(linkage|fork)$/],
  ['wash', /^(wiped|cleaned|washed)$/, /^(down|off|boot|slave|master|bell)$/],
  ...(
    [
      ['master', /^master$/],
      ['slave', /^slave$/],
      ['hose', /^hose$/],
      ['pipe', /^pipe$/],
      ['feed', /^feed$/],
      ['pin', /^(clevis|pin)$/],
      ['pedal', /^bushes$/],
      ['clutch', /^(clutch|disc|cover)$/],
      ['fork', /^fork$/],
    ] as const
  ).map(([id, part]) => [id, /^(fitted|renewed|replaced|installed|changed|swapped)$/, part] as const),
]
const VERBS = [...new Set(WORK.flatMap(([, verb]) => verb.source.match(/[a-z]{3,}/g) ?? []))]
// Known words are not taken for slips of others.
for (const word of [...VERBS, 'threads', 'turns', 'length', 'long', 'loudest']) vocabulary.add(word)

/** What a whole line writes down as found. */
export function wholeLine(line: string): Statement | null {
  const words = line.trim()
  const found = WHOLE_LINE.find(([, way]) => way.test(words))
  return found ? { kind: 'asFound', payload: { item: found[0], words } } : null
}

/** What a clause writes down as found, or says is done; null where it does neither. */
export function writtenIn(clause: string, context: LineContext): Statement | null {
  const words = clause.trim().replace(/[.!]+$/, '')
  const clock = CLOCK.exec(words)
  if (clock) {
    const item = clock[1]!.toLowerCase() === 'port' ? 'portOrientation' : 'sensorOrientation'
    return asFound({ item, value: (Number(clock[2]) % 12) * 30, unit: '°' })
  }
  const said = AS_IT_IS.find(([, way]) => way.test(words))
  if (said) return asFound({ item: said[0], words })
  return counted(words, context) ?? done(words)
}
/** Verbs that also stand in what is found: a clause that says a finding is that. */
const MAY_BE_FOUND = /\b(?:set|adjusted|wiped|cleaned|washed|changed|swapped)\b/i
/** Whether a clause that says what is done may as well say how something was found. */
export const mayBeFound = (clause: string): boolean => MAY_BE_FOUND.test(clause)
const asFound = (payload: AsFound): Statement => ({ kind: 'asFound', payload })

function counted(clause: string, { units }: LineContext): Statement | null {
  // From where without where to: half of what was set, and not how it was found.
  if (/\bfrom\b/i.test(clause)) return null
  const items = standard(tokensOf(clause), true)
  const words = new Set(items.flatMap((item) => (isWord(item) ? [item.word] : [])))
  const figures = items.flatMap((item) => ('figure' in item ? [item.figure] : []))
  if (figures.length !== 1 || words.has('not') || words.has('too')) return null
  const [figure] = figures as [(typeof figures)[0]]
  const row = COUNTED.find(
    ([, names, part]) => names.every((name) => words.has(name)) && [...words].some((w) => part.test(w)),
  )
  if (!row) return null
  const { unit, max } = asFoundKind(row[0])
  const ruled = unit === 'mm'
  if (ruled ? figure.unit !== null && figure.unit !== 'mm' : figure.unit !== null) return null
  const value = ruled && figure.unit === null && units === 'inch' ? figure.value * 25.4 : figure.value
  if (value < 0 || value > max) return null
  return asFound({ item: row[0], value, unit: words.has('turns') ? 'turns' : unit! })
}

function done(clause: string): Statement | null {
  const items = standard(tokensOf(clause), true).flatMap((item) => (isWord(item) ? [item.word] : []))
  if (items.includes('not') || items.length > 9) return null
  for (const [operation, verb, part] of WORK)
    if (items.some((word) => verb.test(word)) && (!part || items.some((word) => part.test(word))))
      return { kind: 'workDone', payload: { operation, words: clause } }
  return null
}

/** The part that a note about a model is of: the first that it names. */
const PART_WAYS: readonly (readonly [place: string, RegExp])[] = [
  ['reservoir', /\breservoir|\bres\b|\bfluid pot/i],
  ['bleed screw', /\bbleed(?:er)?\b|\bnipple/i],
  ['slave', /\bslave|\bslv\b/i],
  ['master', /\bmaster|\bmstr\b/i],
  ['fork', /\bfork|\bhousing/i],
  ['switch', /\bswitch|\bsensor/i],
  ['pedal', /\bpedal/i],
  ['line', /\bline|\bhose|\bpipe|\bunion/i],
]
const FOR_MODEL =
  /^\s*(?:model note|note for (?:this|the) model|note on (?:this|the) model|this model|on these|on this model)\b[:,]?\s*(.+)$/is

/** A note for whoever next has this model in front of him; a plain note where the vehicle’s model is not known. */
export function noteOfModel(line: string, { model }: LineContext): Statement | null {
  const said = FOR_MODEL.exec(line)
  if (!said) return null
  const words = said[1]!.trim()
  if (!model) return { kind: 'note', payload: { words: line.trim() } }
  const place = PART_WAYS.find(([, way]) => way.test(words))?.[0] ?? 'vehicle'
  return { kind: 'modelNote', payload: { model, place, words } }
}
