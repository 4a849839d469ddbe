import { readingKind } from '../diagnosis'
import type { CameOut } from '../entries'
import { stored } from '../quantity'
import { bestOf, COST, leftOf, total, type Candidate, type Clause } from './clause'
import { isWord, type Item } from './standard'
import { CAME_OUT_WAYS, GRADED, GRADES, readingWays, TOP_UP_WAYS, type Way } from './ways'

/** Figures of a clause that count strokes: they stand before the word. */
export function counts(items: readonly Item[]): number[] {
  const list: number[] = []
  items.forEach((item, i) => {
    if (!('figure' in item) || item.figure.unit !== null) return
    for (const next of items.slice(i + 1, i + 4)) {
      if (!isWord(next)) break
      if (next.word === 'pumps' || next.word === 'x' || next.word === 'more') {
        list.push(item.figure.value)
        break
      }
      if (!['quick', 'hard', 'ones', 'slow', 'more', 'good', 'full'].includes(next.word)) break
    }
  })
  return list
}

export function readingsIn(clause: Clause): Candidate[] {
  const { items, words, context } = clause
  const counted = counts(items)
  const list: Candidate[] = []
  for (const { name, ways } of readingWays) {
    const way = bestOf(ways, clause)
    if (!way) continue
    const kind = readingKind(name)
    const own = clause.figures.filter(
      ({ value, unit }) => !(unit === null && counted.includes(value) && name === 'pumpUpGain'),
    )
    const takes = (unit: string | null) =>
      unit === null || (kind.unit === '°C' ? unit === '°C' || unit === '°F' : unit === kind.unit)
    let values = own.filter(({ unit }) => takes(unit))
    let duration: number | undefined
    if (kind.over !== undefined) {
      const held = own.filter(({ unit }) => unit === 's')
      if (held.length === 1) duration = held[0]!.value
      else if (held.length === 0 && values.length === 2 && followsPreposition(items, values[1]!)) {
        duration = values[1]!.value
        values = [values[0]!]
      }
      values = values.filter(({ unit }) => unit !== 's')
    }
    const used = new Set([...way, 'held', 'hold', 'pedal', 'now', 'mark'])
    let value: number
    const none =
      words.has('not') && kind.over !== undefined && values.length === 0 && duration !== undefined
    if (none) {
      value = 0
      used.add('not')
    } else if (values.length === 1) {
      const [figure] = values as [(typeof values)[0]]
      value =
        figure.unit === null && kind.unit === 'mm' && context.units === 'inch'
          ? figure.value * 25.4
          : kind.unit === '°C' &&
              (figure.unit === '°F' || (figure.unit === null && context.units === 'inch'))
            ? stored(figure.value, '°C', 'inch')
            : figure.value
    } else continue
    if (name === 'levelUnder' && (words.has('over') || words.has('above'))) {
      value = -Math.abs(value)
      used.add('over').add('above')
    }
    // Years and a distance are said with their unit; a bare figure is none.
    if ((name === 'fluidAge' || name === 'mileage') && values[0]?.unit === null) {
      if (name === 'fluidAge') continue
      if (context.units === 'inch') value = stored(value, 'km', 'inch')
    }
    if (name === 'rodClearance' && words.has('long') && words.has('too')) {
      value = -Math.abs(value)
      for (const word of ['too', 'long', 'pin', 'not', 'rod']) used.add(word)
    } else if (words.has('not') && !none) continue
    const spare = own.length - 1 - (duration !== undefined && !none ? 1 : 0)
    const { phase } = context
    list.push({
      score:
        total(way) +
        1.1 +
        (duration !== undefined ? 0.5 : 0) -
        0.9 * Math.max(0, spare) -
        leftOf(clause, used) -
        COST.statement,
      said: [
        {
          kind: 'measurement',
          payload: {
            reading: name,
            value,
            phase,
            ...(duration !== undefined && { duration }),
            ...(kind.over !== undefined &&
              duration === undefined &&
              name === 'sink' && { duration: kind.over }),
          },
        },
      ],
    })
  }
  return list
}
function followsPreposition(items: readonly Item[], figure: object): boolean {
  const at = items.findIndex((item) => 'figure' in item && item.figure === figure)
  const before = items[at - 1]
  return before !== undefined && isWord(before) && ['in', 'over', 'after', 'for'].includes(before.word)
}

const CAME_OUT_WORDS: ReadonlySet<string> = new Set(
  Object.values(CAME_OUT_WAYS)
    .flat(2)
    .filter((word) => word !== 'not' && word !== 'air'),
)

export function cyclesIn(clause: Clause): Candidate[] {
  const { items, words } = clause
  // 3 clear 12: strokes before what came out, and the bottle after it.
  const at = items.findIndex((item) => isWord(item) && CAME_OUT_WORDS.has(item.word))
  const bare = (from: number, to: number) =>
    items
      .slice(from, to)
      .flatMap((item) => ('figure' in item && item.figure.unit === null ? [item.figure.value] : []))
  const counted = counts(items)
  const strokes = counted.length > 0 ? counted : bare(0, Math.max(0, at))
  const isInch = clause.context.units === 'inch'
  const volume = [
    ...clause.figures.filter(({ unit }) => unit === 'mm³').map(({ value }) => value),
    // A bare figure is the bottle's only where the strokes are known.
    ...(strokes.length === 0 ? [] : bare(at, items.length))
      .filter((value) => !counted.includes(value))
      .map((value) => (isInch ? stored(value, 'mm³', 'inch') : 1000 * value)),
  ]
  const dark = words.has('dark')
  const list: Candidate[] = []
  for (const [cameOut, ways] of Object.entries(CAME_OUT_WAYS) as [CameOut, Way[]][]) {
    const way = bestOf(ways, clause)
    if (!way || (strokes.length !== 1 && !(strokes.length === 0 && volume.length === 1))) continue
    const used = new Set([
      ...way,
      'pumps',
      'x',
      'dark',
      'fresh',
      'bottle',
      'fluid',
      'air',
      'bubbles',
      'came',
      'more',
      'slime',
      'all',
    ])
    const fresh = words.has('fresh') || (words.has('clear') && !way.includes('clear'))
    if (fresh) used.add('clear')
    list.push({
      score:
        total(way) +
        1 +
        (words.has('pumps') || words.has('x') ? 1 : 0) +
        volume.length +
        (dark || fresh ? 1 : 0) +
        (words.has('slime') ? 1 : 0) -
        leftOf(clause, used) -
        1.2,
      said: [
        {
          kind: 'bleedCycle',
          payload: {
            cameOut,
            ...(strokes.length === 1 && { strokes: strokes[0]! }),
            ...(dark ? { colour: 'dark' as const } : fresh ? { colour: 'fresh' as const } : {}),
            ...(volume.length === 1 && { bottle: volume[0]! }),
          },
        },
      ],
    })
  }
  return list
}

export function topUpsIn(clause: Clause): Candidate[] {
  const way = bestOf(TOP_UP_WAYS, clause)
  if (!way || clause.words.has('not')) return []
  const volume = clause.figures.filter(({ unit }) => unit === 'mm³')
  if (clause.figures.length > volume.length || volume.length > 1) return []
  const used = new Set([...way, 'res', 'fluid', 'again'])
  return [
    {
      score: total(way) + 0.6 + 1.2 * volume.length - leftOf(clause, used) - COST.statement,
      said: [{ kind: 'topUp', payload: volume[0] ? { volume: volume[0].value } : {} }],
    },
  ]
}

export function gradesIn(clause: Clause): Candidate[] {
  const subject = Object.keys(GRADED).find((word) => clause.words.has(word))
  if (!subject || clause.words.has('slave') || clause.words.has('hot')) return []
  return (Object.entries(GRADES) as ['gone' | 'less' | 'same', Way[]][]).flatMap(([grade, ways]) => {
    const way = bestOf(ways, clause)
    if (!way) return []
    const used = new Set([...way, subject, 'bit', 'before', 'still', 'there', 'now'])
    return [
      {
        score: total(way) + 1.2 - leftOf(clause, used) - COST.statement,
        said: [{ kind: 'graded' as const, payload: { of: GRADED[subject]!, grade } }],
      },
    ]
  })
}
