import type { Held } from './held'
import { operationOf, OPERATIONS, type OperationId } from '../work'
import type { Format } from '../quantity'
import { namesOf, type EntryKind } from './kind'

/** A piece of work that was done, by its name in the table of operations. */
export interface WorkDone {
  operation: OperationId
  /** Where, with what, and whatever else the next one should know. */
  words?: string
}

/** What is written down before the first wrench turns, and cannot be measured any more afterwards. */
export const AS_FOUND_ITEMS = [
  'rodLength',
  'threadsOnRod',
  'switchThreads',
  'routing',
  'clips',
  'portOrientation',
  'sensorOrientation',
  'lineEnds',
  'witnessMark',
  'hosePath',
  'other',
] as const
export type AsFoundItem = (typeof AS_FOUND_ITEMS)[number]
export const AS_FOUND_UNITS = ['threads', 'turns', 'mm', '°'] as const
export type AsFoundUnit = (typeof AS_FOUND_UNITS)[number]

export interface AsFound {
  item: AsFoundItem
  value?: number
  /** Of the value; one without it is threads or turns as its item counts. */
  unit?: AsFoundUnit
  words?: string
  /** Id of a photograph’s file. */
  photo?: string
}

export interface AsFoundKind {
  item: AsFoundItem
  label: string
  /** What its figure is counted in; null where words or a photograph say it. */
  unit: AsFoundUnit | null
  max: number
  how: string
}
/** Each item as it is asked for; bounds are what a pedal assembly and its line can show. */
export const AS_FOUND_KINDS: readonly AsFoundKind[] = [
  {
    item: 'rodLength',
    label: 'Length of the pushrod',
    unit: 'mm',
    max: 400,
    how: 'Rule from the tip to the middle of the pin’s hole.',
  },
  {
    item: 'threadsOnRod',
    label: 'Threads showing on the rod',
    unit: 'threads',
    max: 60,
    how: 'Count those outside the locknut.',
  },
  {
    item: 'switchThreads',
    label: 'Threads showing on the switch',
    unit: 'threads',
    max: 60,
    how: 'Count those outside its nut, on the plunger’s side.',
  },
  {
    item: 'routing',
    label: 'How the line runs',
    unit: null,
    max: 0,
    how: 'Over, under and behind what; a photograph says it best.',
  },
  { item: 'clips', label: 'Clips', unit: null, max: 0, how: 'How many, and where each sits.' },
  {
    item: 'portOrientation',
    label: 'Which way the slave’s port points',
    unit: '°',
    max: 360,
    how: 'As on a clock seen from its rod end, or in words.',
  },
  {
    item: 'sensorOrientation',
    label: 'Which way the sensor points',
    unit: '°',
    max: 360,
    how: 'As on a clock seen from its plug, or in words.',
  },
  {
    item: 'lineEnds',
    label: 'Which end of the line is which',
    unit: null,
    max: 0,
    how: 'Tag both ends, and write which is which.',
  },
  {
    item: 'witnessMark',
    label: 'Witness marks',
    unit: null,
    max: 0,
    how: 'Paint across both parts before they come apart, and across every nut that must not turn.',
  },
  { item: 'hosePath', label: 'How the hose hangs', unit: null, max: 0, how: 'Its twist and its bow.' },
  { item: 'other', label: 'As found', unit: null, max: 1000, how: 'Whatever cannot be seen later.' },
]
export const asFoundKind = (item: AsFoundItem): AsFoundKind =>
  AS_FOUND_KINDS.find((one) => one.item === item)!

/** What is set by turning it: from where to where. */
export const ADJUSTED = {
  rod: { label: 'Pushrod clearance', unit: 'mm', min: -5, max: 10 },
  stop: { label: 'Pedal stop', unit: 'mm', min: 0, max: 300 },
  switch: { label: 'Pedal switch', unit: 'threads', min: 0, max: 60 },
  height: { label: 'Pedal height', unit: 'mm', min: 0, max: 400 },
} as const
export type Adjusted = keyof typeof ADJUSTED
export const ADJUSTED_NAMES = Object.keys(ADJUSTED) as Adjusted[]
export interface Adjust {
  what: Adjusted
  /** Turns it took; the rod’s are positive where it became shorter. */
  turns?: number
  from: number
  to: number
}

export interface FitPayloads {
  workDone: WorkDone
  asFound: AsFound
  adjust: Adjust
}
export interface FitState {
  /** In the order in which they were made: what was set twice was set twice. */
  adjusted: Held<Adjust>[]
  workDone: Held<WorkDone>[]
  /** The last of each item; of the rest, every one. */
  recorded: Held<AsFound>[]
}
export const startFit = (): FitState => ({ adjusted: [], workDone: [], recorded: [] })

const operations = namesOf(OPERATIONS.map(({ id }) => id))
const items = namesOf(AS_FOUND_ITEMS)
const adjusted = namesOf(ADJUSTED_NAMES)

/** A figure of what was found, in the units of whoever reads. */
export function asFoundFigure({ item, value, unit }: AsFound, format: Format): string {
  if (value === undefined) return ''
  const counted = unit ?? asFoundKind(item).unit
  if (counted === 'mm') return format.length(value)
  if (counted === '°') return `${value}°`
  const named = counted ?? ''
  return `${value} ${value === 1 ? named.replace(/s$/, '') : named}`.trim()
}

/** A figure of what was set, in its own unit. */
export function adjustedFigure(what: Adjusted, value: number, format: Format): string {
  const { unit } = ADJUSTED[what]
  if (unit === 'mm') return format.length(value)
  return `${value} ${value === 1 ? 'thread' : 'threads'}`
}

type Kinds = { [K in keyof FitPayloads]: EntryKind<FitPayloads[K], FitState> }

export const FIT_KINDS: Kinds = {
  workDone: {
    stages: ['fit', 'prove'],
    subjects: ['job'],
    knows: ({ operation }) => operations.has(operation),
    take: (slice, held) => slice.workDone.push(held),
    tell: ({ operation, words }) => `Done: ${operationOf(operation).label}${words ? `; ${words}` : ''}`,
  },
  asFound: {
    stages: ['fit'],
    subjects: ['job'],
    knows: ({ item }) => items.has(item),
    replaces: ({ item }) => (item === 'other' ? null : item),
    take: (slice, held) => {
      const { item } = held.payload
      if (item !== 'other')
        slice.recorded = slice.recorded.filter(({ payload }) => payload.item !== item)
      slice.recorded.push(held)
    },
    tell: (found, format) => {
      const { item, words, photo } = found
      const said = [asFoundFigure(found, format), words ?? '', photo && !words ? 'photograph' : '']
      return `${asFoundKind(item).label}: ${said.filter(Boolean).join(', ')}`
    },
  },
  adjust: {
    stages: ['fit'],
    subjects: ['job'],
    knows: ({ what }) => adjusted.has(what),
    take: (slice, held) => slice.adjusted.push(held),
    tell: ({ what, turns, from, to }, format) =>
      [
        `${ADJUSTED[what].label} from ${adjustedFigure(what, from, format)} to ${adjustedFigure(what, to, format)}`,
        turns === undefined ? '' : `${Math.abs(turns)} ${Math.abs(turns) === 1 ? 'turn' : 'turns'}`,
      ]
        .filter(Boolean)
        .join(', '),
  },
}
