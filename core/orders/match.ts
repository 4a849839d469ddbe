import { endsOf, type ListedPart } from '../shelf'
import type { Need, NeedSpec } from './needs'

/** mm; bores are rounded by as much. */
const SAME_BORE = 0.06
/** A part that answers a need, and how well. */
export interface Match<P extends ListedPart = ListedPart> {
  part: P
  /** What of the need the part’s own figures do not tell. */
  unsure: ('bore' | 'thread' | 'volume')[]
}

/** Whether a part answers a need, by its kind and by what is known of it; null where it does not. */
export function matches<P extends ListedPart>(
  need: Pick<Need, 'kind' | 'spec'>,
  part: P,
): Match<P> | null {
  if (part.kind !== need.kind || part.supersededBy !== null) return null
  const { spec } = need
  const unsure: Match['unsure'] = []
  for (const name of ['bore', 'outer', 'inner'] as const) {
    const wanted = spec[name]
    if (wanted === undefined) continue
    const has = part.data[name]
    if (has === undefined) {
      if (!unsure.includes('bore')) unsure.push('bore')
    } else if (Math.abs(has - wanted) > SAME_BORE) return null
  }
  if (spec.thread !== undefined) {
    const ends = endsOf(part.data)
    if (!ends) {
      if (!named(spec.thread, part)) unsure.push('thread')
    } else if (!ends.some(({ thread }) => thread === spec.thread)) return null
  }
  if (spec.name !== undefined && !named(spec.name, part)) return null
  if (spec.volume !== undefined && part.data.volume === undefined) unsure.push('volume')
  return { part, unsure }
}
const flat = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '')
const named = (word: string, { name, number }: ListedPart): boolean =>
  flat(name).includes(flat(word)) || flat(number).includes(flat(word))

/** How many of a part a need takes: containers of fluid by volume, anything else as asked. */
export const piecesFor = (need: Pick<Need, 'quantity' | 'spec' | 'kind'>, part: ListedPart): number =>
  need.kind === 'fluid' && need.spec.volume !== undefined && part.data.volume
    ? Math.ceil(need.spec.volume / part.data.volume)
    : need.quantity

const GRADE_RANK = { good: 0, usual: 1, unknown: 2, low: 3 } as const

/**
 * Parts that answer a need, the best first: what is sure, what is in stock, what is not graded low, and then the price of
 * as many as it takes.
 */
export function ranked<P extends ListedPart>(
  need: Pick<Need, 'kind' | 'quantity' | 'spec'>,
  parts: readonly P[],
): Match<P>[] {
  const found = parts.map((part) => matches(need, part)).filter((one) => one !== null)
  const key = ({ part, unsure }: Match<P>) => [
    unsure.length,
    part.grade === 'low' ? 1 : 0,
    (part.stock ?? 0) >= piecesFor(need, part) ? 0 : 1,
    part.price * piecesFor(need, part),
    GRADE_RANK[part.grade],
  ]
  return found.sort((a, b) => {
    const [one, other] = [key(a), key(b)]
    for (let i = 0; i < one.length; i++) if (one[i] !== other[i]) return one[i]! - other[i]!
    return a.part.number < b.part.number ? -1 : a.part.number > b.part.number ? 1 : 0
  })
}
export type { NeedSpec }
