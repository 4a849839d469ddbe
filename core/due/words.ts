import { readingKind } from '../diagnosis'
import { dayWords, tell, type Entry } from '../journal'
import type { Format } from '../quantity'
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
      const { watch, reached } = item.payload
      const { label, unit } = readingKind(watch)
      const words = tell({ kind: 'deferred', payload: item.payload }, format)
      return reached
        ? `${words}; ${label.toLowerCase()} is ${format.figure(reached.value, unit)}: it is due`
        : words
    }
    default:
      return tell({ kind: item.kind, payload: item.payload } as Pick<Entry, 'kind' | 'payload'>, format)
  }
}
