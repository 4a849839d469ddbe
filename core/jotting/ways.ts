import {
  COMPLAINTS,
  FINDINGS,
  READINGS,
  type ComplaintId,
  type FindingId,
  type Need,
  type ReadingName,
} from '../diagnosis'
import type { CameOut } from '../entries'
import { ABOVE_WAYS } from './finding-ways'
import { BELOW_WAYS } from './finding-ways-below'
import { COMPLAINT_WAYS, NEED_WAYS, READING_WAYS } from './meanings'
import { isWord, standard, vocabulary } from './standard'
import { tokensOf } from './tokens'

const FINDING_WAYS = { ...ABOVE_WAYS, ...BELOW_WAYS }

export type Way = readonly string[]
export const waysOf = (text: string): Way[] =>
  text
    .split(' | ')
    .map((one) => [
      ...new Set(standard(tokensOf(one), false).flatMap((item) => (isWord(item) ? [item.word] : []))),
    ])
    .filter((way) => way.length > 0)

function learn(text: string): void {
  for (const token of tokensOf(text)) if (token.kind === 'word') vocabulary.add(token.word)
}
for (const { about, present, absent } of Object.values(FINDING_WAYS))
  [about, present, absent].forEach(learn)
Object.values(COMPLAINT_WAYS).forEach(learn)
Object.values(READING_WAYS).forEach(learn)
for (const { yes, no } of Object.values(NEED_WAYS)) [yes, no].forEach(learn)
for (const { words, present, absent } of FINDINGS) [...words, present, absent].forEach(learn)
for (const { words } of [...COMPLAINTS, ...READINGS]) words.forEach(learn)
'gone less better same worse before clear fresh note undo scratch'
  .split(' ')
  .forEach((word) => vocabulary.add(word))

const halves = (state: string): string[] => [state, ...state.split(/,? or /)]
const unique = (ways: Way[]): Way[] => [...new Map(ways.map((way) => [way.join(' '), way])).values()]

export const findingWays = FINDINGS.map((kind) => {
  const own = FINDING_WAYS[kind.id]
  return {
    id: kind.id as FindingId,
    about: unique([...kind.words.flatMap(waysOf), ...waysOf(own?.about ?? '')]),
    present: unique([...halves(kind.present).flatMap(waysOf), ...waysOf(own?.present ?? '')]),
    absent: unique([...halves(kind.absent).flatMap(waysOf), ...waysOf(own?.absent ?? '')]),
  }
})
export const complaintWays = COMPLAINTS.map(({ id, words }) => ({
  id: id as ComplaintId,
  ways: unique([...words.flatMap(waysOf), ...waysOf(COMPLAINT_WAYS[id])]),
}))
export const readingWays = READINGS.map(({ name, words }) => ({
  name: name as ReadingName,
  ways: unique([...words.flatMap(waysOf), ...waysOf(READING_WAYS[name])]),
}))
export const needWays = (Object.entries(NEED_WAYS) as [Need, { yes: string; no: string }][]).map(
  ([id, { yes, no }]) => ({
    id,
    yes: waysOf(yes),
    no: waysOf(no),
  }),
)
export const CAME_OUT_WAYS: Record<CameOut, Way[]> = {
  nothing: waysOf('nothing came | nothing | not came | nothing out'),
  foam: waysOf('foam'),
  large: waysOf('large bubbles | large'),
  few: waysOf('few bubbles | few'),
  clear: waysOf('clear | not air | not bubbles'),
}
export const TOP_UP_WAYS = waysOf(
  'topped up | top up | topup | added | poured in | filled res up | filled up res | filled the res | added res',
)
export const GRADES = {
  gone: waysOf('gone | cured | fixed'),
  less: waysOf('less | better | bit better'),
  same: waysOf('same | not better | no better | same as before | not worse'),
} as const
export const GRADED: Record<string, ComplaintId | FindingId> = {
  judder: 'judders',
  rattle: 'rattles',
  squeak: 'squeaks',
  growl: 'growlsPressed',
  slip: 'slips',
  squeal: 'squealsInGear',
  grind: 'grinds',
  soft: 'soft',
  hard: 'hard',
}
