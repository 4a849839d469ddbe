import { readingKind } from '../diagnosis'
import { dayWords, tell, type Entry } from '../journal'
import type { Format } from '../quantity'
import { operationOf } from '../work'
import { RULE_WORDS } from '../words'
import type { DueItem } from './due'

/** What is owed, in a line; the day and the distance stand beside it. */
export function dueWords(item: DueItem, format: Format): string {
  switch (item.kind) {
    case 'recheck':
      return `Look again: ${item.payload.rules.map((rule) => RULE_WORDS[rule]).join(', ')}`
    case 'fluid': {
      const { changed, months, by } = item.payload
      return `Fluid, last changed ${dayWords(changed)}: every ${months} months, ${by === 'maker' ? 'by its maker' : 'as is usual'}`
    }
    case 'followUp':
      return item.payload.what
    case 'deferred': {
      const { repair, watch, limit, reached, words } = item.payload
      if (!reached) return tell({ kind: 'deferred', payload: item.payload }, format)
      const { label, unit } = readingKind(watch)
      const figure = (value: number) => format.figure(value, unit)
      return [
        `${operationOf(repair).label}, put off: ${label.toLowerCase()} is ${figure(reached.value)}, the limit was ${figure(limit)}`,
        ...(words ? [words] : []),
      ].join('; ')
    }
    default:
      return tell({ kind: item.kind, payload: item.payload } as Pick<Entry, 'kind' | 'payload'>, format)
  }
}
