import { readingKind, READINGS, REPAIRS, type ReadingKind, type RepairId } from '../diagnosis'
import type { ApprovedHow } from '../entries'
import { stored, type Format } from '../quantity'
import type { LineContext, Statement } from './statement'

/** What is said when a job is written up: what is owed, what was agreed, and what is put off. */

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`
const figure = (text: string): number => Number(text.replace(',', '.'))

const OWED =
  /^(no longer |still )?owed(?:,? by (\d{4}-\d\d-\d\d))?(?:,? at (\d+(?:[.,]\d+)?) ?(km|mi(?:les?)?)?)?: *(\S.*)$/i
function owedSaid(line: string, { units }: LineContext): Statement | null {
  const found = OWED.exec(line)
  if (!found) return null
  const [, how, due, at, unit, what] = found
  const miles = unit?.toLowerCase().startsWith('mi') ?? (at !== undefined && units === 'inch')
  return {
    kind: 'followUp',
    payload: {
      what: what!.trim(),
      ...(due && { due }),
      ...(at !== undefined && { atKm: miles ? stored(figure(at), 'km', 'inch') : figure(at) }),
      ...(how?.trim().toLowerCase() === 'no longer' && { done: true }),
    },
  }
}

const AGREED: readonly (readonly [ApprovedHow, RegExp])[] = [
  ['written', /^agreed in writing (?:with|by) ([^:]{1,80}): *(\S.*)$/i],
  ['spoken', /^agreed(?: by word)? (?:with|by) ([^:]{1,80}): *(\S.*)$/i],
  ['signed', /^signed by ([^:]{1,80}): *(\S.*)$/i],
]
function agreedSaid(line: string): Statement | null {
  for (const [how, way] of AGREED) {
    const found = way.exec(line)
    if (found)
      return {
        kind: 'approval',
        payload: { option: found[2]!.trim(), by: found[1]!.trim(), how },
      }
  }
  return null
}

const repairNamed = (name: string): RepairId | undefined =>
  REPAIRS.find(({ id, label }) => id === name || label.toLowerCase() === name)?.id
const readingNamed = (words: string): ReadingKind | undefined =>
  READINGS.find((one) => one.words.includes(words))
const PUT_OFF = /^put off (?:the )?(.+?) until (.+)$/i
const FIGURE_FIRST = new RegExp(`^${NUMBER} ?(mm|in|s|km|mi)? (.+)$`, 'i')
const WORDS_FIRST = new RegExp(`^(\\D+?) ${NUMBER} ?(mm|in|s|km|mi)?$`, 'i')
function putOffSaid(line: string, { units }: LineContext): Statement | null {
  const found = PUT_OFF.exec(line.toLowerCase())
  const repair = found && repairNamed(found[1]!)
  if (!repair) return null
  const first = FIGURE_FIRST.exec(found[2]!)
  const last = WORDS_FIRST.exec(found[2]!)
  const kind = first ? readingNamed(first[3]!) : last ? readingNamed(last[1]!) : undefined
  if (!kind) return null
  const [number, unit] = first ? [first[1]!, first[2]] : [last![2]!, last![3]]
  const inch = unit === 'in' || unit === 'mi' || (unit === undefined && units === 'inch')
  const limit = inch ? stored(figure(number), kind.unit, 'inch') : figure(number)
  return { kind: 'deferred', payload: { repair, watch: kind.name, limit } }
}

/** Why it is not filed; null where it is. */
export function recordProblem(
  one: Statement & { kind: 'followUp' | 'approval' | 'deferred' },
  format: Format,
): string | null {
  if (one.kind === 'followUp')
    return one.payload.what.length > 200 ? 'What is owed: at most 200 characters' : null
  if (one.kind === 'approval')
    return one.payload.option.length > 300 ? 'What was agreed: at most 300 characters' : null
  const { label, min, max, unit } = readingKind(one.payload.watch)
  const { limit } = one.payload
  return limit < min || limit > max
    ? `${label}: ${format.figure(min, unit)} to ${format.figure(max, unit)}`
    : null
}

export const recordSaid = (line: string, context: LineContext): Statement | null =>
  owedSaid(line, context) ?? agreedSaid(line) ?? putOffSaid(line, context)
