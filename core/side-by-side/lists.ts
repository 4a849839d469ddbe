import { FIT_ITEM_WORDS, USUAL_LISTS, type FitItem, type FitList } from './items'
import type { ComparedRow } from './judge'
import type { Compared, RowId } from './rows'

/** A thing and where it goes, with why. */
export interface Listed {
  item: FitItem
  list: FitList
  why: string
}

/** What stays, what moves across and what is thrown away: the usual, put right by what was seen. */
export function listsFrom(of: Compared, rows: readonly ComparedRow[]): Listed[] {
  const lists = new Map<FitItem, Listed>()
  for (const { item, list, on, why } of USUAL_LISTS)
    if (on.includes(of)) lists.set(item, { item, list, why })
  const set = (item: FitItem, list: FitList, why: string) => lists.set(item, { item, list, why })
  const seen = (id: RowId) => rows.find(({ what }) => what === id)
  const fresh = (id: RowId) => seen(id)?.new
  const seat = seen('portSeat')
  if (seat && seat.judged !== 'notKnown' && !/^seal/.test(String(seat.old))) lists.delete('lineSeal')
  if (seat && !['banjo', 'washerFace'].includes(String(seat.old)) && of === 'slave')
    lists.delete('oldWashers')

  if (fresh('rodSupplied') === false) set('rod', 'move', 'No rod came with the new one.')
  else if (fresh('rodSupplied') === true) {
    set('rod', 'bin', 'The new one brings its own; kept until that one is in.')
    if (seen('pinDiameter')?.judged === 'change') {
      set('clevis', 'bin', 'Its pin is of another size.')
      set('clevisPin', 'bin', 'Of another size.')
    }
  }
  const plug = seen('switch')
  if (plug?.old === true)
    set(
      'switch',
      plug.new === true ? 'bin' : 'move',
      plug.new === true ? 'The new one has its own.' : 'The new one has none.',
    )
  if (seen('restrictor')?.judged === 'change' && seen('restrictor')?.old === true)
    set('restrictor', 'move', 'The new one has none; moved if the old feel is wanted.')
  const screw = fresh('bleedScrew')
  if (of === 'slave' && screw === 'none' && seen('bleedScrew')?.old !== 'none')
    set('bleedScrew', 'move', 'The new one has a port and no screw, or none at all: look.')
  if (
    rows.some(({ what, judged }) => /Thread|Seat/.test(what) && judged === 'wontFit') &&
    of !== 'hose' &&
    of !== 'pipe'
  )
    set('line', 'bin', 'Its end does not fit the new port: a new pipe, or an adapter.')
  return [...lists.values()]
}

/** A thing by its name in the table, or as somebody typed it. */
export const itemWords = (item: string): string => FIT_ITEM_WORDS[item as FitItem] ?? item
