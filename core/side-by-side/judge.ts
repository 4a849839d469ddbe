import { lookAlike, sameThread, SEAT_WORDS, threadOf, type Seat } from '../fitting'
import { formatOf, type Format } from '../quantity'
import { compareRow, rowsOf, type Compared, type CompareRow, type RowId, type RowValue } from './rows'

export const JUDGED = ['same', 'change', 'wontFit', 'notKnown'] as const
export type Judged = (typeof JUDGED)[number]
export const JUDGED_WORDS: Record<Judged, string> = {
  same: 'same',
  change: 'fits with a change',
  wontFit: 'will not fit',
  notKnown: 'not known',
}

/** A row as it was looked at: both sides, what it was judged to be, and which change it needs. */
export interface ComparedRow {
  what: RowId
  old: RowValue | null
  new: RowValue | null
  unit?: 'mm' | '°'
  judged: Judged
  change?: string
  /** Whoever looked judged otherwise than the figures: then that holds. */
  hand?: true
}
export type Sides = Pick<ComparedRow, 'old' | 'new'>

/** What other rows, and the vehicle, say that a row hangs on. */
export interface CompareContext {
  /** Of the new part, where it is known. */
  rodAdjusts?: boolean
  rodSupplied?: boolean
  /** mm per turn of the rod’s thread. */
  rodThreadPitch?: number
  /** Of the end that is turned in, for the direction of a look-alike. */
  of: Compared
}

interface Finding {
  judged: Judged
  change?: string
}
const same: Finding = { judged: 'same' }
const unknown: Finding = { judged: 'notKnown' }
const change = (words: string): Finding => ({ judged: 'change', change: words })
const refused = (words: string): Finding => ({ judged: 'wontFit', change: words })

/**
 * One row judged from its two sides. Whoever looks may know better: this is what is proposed.
 * @returns notKnown where a side that counts is missing
 */
export function judgeRow(
  id: RowId,
  sides: Sides,
  context: CompareContext,
  format: Format = formatOf('metric'),
): Finding {
  const row = compareRow(id)
  if (sides.new === null || (sides.old === null && !row.newOnly)) return unknown
  switch (row.type) {
    case 'figure':
      return typeof sides.old === 'number' && typeof sides.new === 'number'
        ? figureJudged(row, sides.old, sides.new, context, format)
        : unknown
    case 'thread':
      return threadJudged(String(sides.old), String(sides.new))
    case 'yesNo':
      return yesNoJudged(id, sides.old === true, sides.new === true)
    case 'choice':
      return choiceJudged(id, sides.old === null ? null : String(sides.old), String(sides.new))
  }
}

function figureJudged(
  row: CompareRow & { type: 'figure' },
  old: number,
  fresh: number,
  { rodAdjusts, rodSupplied, rodThreadPitch }: CompareContext,
  format: Format,
): Finding {
  const apart = row.unit === '°' ? Math.abs(((fresh - old + 540) % 360) - 180) : Math.abs(fresh - old)
  if (apart <= row.same + 1e-9) return same
  const by = row.unit === '°' ? `${Math.round(apart)}°` : format.figure(apart, 'mm')
  const longer = fresh > old
  switch (row.id) {
    case 'bore':
      return change(`another bore: see Cylinders for reserve and pedal force before it goes in`)
    case 'stroke':
      return longer ? same : change(`${by} less stroke: see Cylinders whether the clutch still frees`)
    case 'length':
      return change(`${by} ${longer ? 'longer' : 'shorter'}: offer it up and look for room`)
    case 'rodLength': {
      if (rodSupplied === false) return change('the old rod moves across')
      if (rodAdjusts)
        return change(
          `set the rod ${by} ${longer ? 'shorter' : 'longer'}` +
            (rodThreadPitch ? `, ${(apart / rodThreadPitch).toFixed(1)} turns` : ''),
        )
      if (rodAdjusts === undefined) return { ...unknown, change: 'does its rod adjust?' }
      return refused(
        `a fixed rod, ${by} ${longer ? 'longer: it would shut the port' : 'shorter: it gives pedal away'}; move the old rod across if it fits`,
      )
    }
    case 'pinDiameter':
      return change(
        longer
          ? 'a pin of the new size; the pedal’s hole decides'
          : 'the new clevis takes the smaller pin: keep the old clevis, or bush the pedal’s hole',
      )
    case 'boltSpacing':
      return refused(`its holes are ${by} off`)
    case 'portAngle':
      return change(`the port points ${by} elsewhere: re-form the pipe, or turn the hose`)
    default:
      return change(`${by} apart`)
  }
}

function threadJudged(old: string, fresh: string): Finding {
  const none = (text: string) => text.trim().toLowerCase() === 'none'
  if (none(old) && none(fresh)) return same
  const [a, b] = [threadOf(old), threadOf(fresh)]
  if (a && b && sameThread(a, b)) return same
  if ((!a && !none(old)) || (!b && !none(fresh))) return unknown
  if (a && b) {
    const like = lookAlike(a, b) ?? lookAlike(b, a)
    if (like)
      return refused(
        `it starts and ${like.turns === null ? 'never binds' : `binds after ${Math.floor(like.turns)} turns`}: ` +
          'another thread. See Joints for an adapter or a new pipe',
      )
  }
  return refused('another thread: see Joints for an adapter or a new pipe')
}

function yesNoJudged(id: RowId, old: boolean, fresh: boolean): Finding {
  switch (id) {
    case 'rodAdjusts':
      return old === fresh || fresh ? same : change('the old rod adjusted: its length is now fixed')
    case 'rodSupplied':
      return fresh ? same : change('no rod with it: the old one moves across')
    case 'switch':
      if (old === fresh) return same
      return old
        ? change('the switch moves across from the old one')
        : change('a switch that this vehicle has no plug for: leave it capped')
    case 'straps':
      return fresh ? change('straps stay, or come off, as its maker says') : same
    case 'restrictor':
      if (old === fresh) return same
      return old
        ? change('no restrictor: quicker, and harsher to take up; move the old one across if wanted')
        : change('a restrictor: slower to free and to return; taken out if the old one had none')
    default:
      return old === fresh ? same : change('not as the old one')
  }
}

function choiceJudged(id: RowId, old: string | null, fresh: string): Finding {
  switch (id) {
    case 'mounting':
      return old === fresh ? same : refused('it is held another way')
    case 'portPosition':
      return old === fresh ? same : change('the line has to reach another place: re-form or remake it')
    case 'portSeat':
    case 'farSeat':
      return old === fresh
        ? same
        : refused(
            `${SEAT_WORDS[fresh as Seat] ?? fresh} where the old one has ${SEAT_WORDS[old as Seat] ?? old}: see Joints`,
          )
    case 'filled':
      return fresh === 'filled'
        ? change('carry it capped and upright, and open nothing that its maker has closed')
        : change('dry: bench-bleed or prime it')
    case 'bleedScrew':
      if (fresh === 'inLinePort') return change('the bleed screw changes places with the line')
      if (fresh === 'inBag') return change('screw the bleed screw in, with its cap')
      if (old === fresh) return same
      return fresh === 'none'
        ? change('no bleed screw: bled at the union, by slave strokes, or off the vehicle')
        : same
    default:
      return old === fresh ? same : change('not as the old one')
  }
}

/** What the rows themselves tell of the new part’s rod. */
export function contextOf(of: Compared, rows: readonly ComparedRow[]): CompareContext {
  const told = (what: RowId) => rows.find((row) => row.what === what)?.new
  const [adjusts, supplied] = [told('rodAdjusts'), told('rodSupplied')]
  return {
    of,
    ...(typeof adjusts === 'boolean' && { rodAdjusts: adjusts }),
    ...(typeof supplied === 'boolean' && { rodSupplied: supplied }),
  }
}

/** The rows as they are to be judged now: a row may hang on one that was looked at later. What was judged by hand stays. */
export function judgedAnew(of: Compared, rows: readonly ComparedRow[]): ComparedRow[] {
  const context = contextOf(of, rows)
  return rows.map((row) => {
    if (row.hand) return row
    const { judged, change } = judgeRow(row.what, row, context)
    // What was said of it in its own words, turns of the rod among them, stays while it is judged the same.
    if (judged === row.judged) return row
    const { change: _, ...rest } = row
    return { ...rest, judged, ...(change !== undefined && { change }) }
  })
}

export type FitVerdict = 'fits' | 'withChanges' | 'wontFit' | 'notKnown'
export const FIT_WORDS: Record<FitVerdict, string> = {
  fits: 'It fits.',
  withChanges: 'It fits, with changes.',
  wontFit: 'It does not fit.',
  notKnown: 'Not known yet.',
}

/** What the rows come to: one that will not fit decides; then what must be known and is not. */
export function fitVerdict(of: Compared, rows: readonly ComparedRow[]): FitVerdict {
  if (rows.some(({ judged }) => judged === 'wontFit')) return 'wontFit'
  if (unlooked(of, rows).length > 0) return 'notKnown'
  return rows.some(({ judged }) => judged === 'change') ? 'withChanges' : 'fits'
}

/** Rows that must be known before the old part comes off, and are not. */
export const unlooked = (of: Compared, rows: readonly ComparedRow[]): CompareRow[] =>
  rowsOf(of).filter(
    ({ id, must }) =>
      must?.includes(of) && !rows.some(({ what, judged }) => what === id && judged !== 'notKnown'),
  )
