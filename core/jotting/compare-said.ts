import type { FitCheck } from '../entries'
import { threadOf } from '../fitting'
import { lengthTyped } from '../quantity'
import {
  compareRow,
  judgeRow,
  type Compared,
  type ComparedRow,
  type RowId,
  type RowValue,
} from '../side-by-side'
import type { LineContext, Statement } from './statement'

/** What is said of a new part beside the old one: a row of the comparison, one side of it or both. */

const OF: readonly (readonly [Compared, RegExp])[] = [
  ['concentric', /\bconcentric\b/i],
  ['slave', /\bslave\b/i],
  ['master', /\bmaster\b/i],
  ['hose', /\bhose\b/i],
  ['pipe', /\bpipe\b/i],
]
const partIn = (line: string): Compared | undefined => OF.find(([, way]) => way.test(line))?.[0]

/** A fraction first: else its first number alone would be taken for the figure. */
const FIGURE = String.raw`((?:\d+[ -])?\d+\/\d+|\d+(?:[.,]\d+)?)(?: ?(mm|in|inch|inches|"))?`
/** Rows that are figures: the words that name them, and the part where only one has it. */
const FIGURES: readonly (readonly [RowId, RegExp, Compared?])[] = [
  ['pinDiameter', /\bpin\b/i, 'master'],
  ['boltSpacing', /\b(?:bolt|stud|mounting) (?:holes?|spacing)\b/i],
  ['bore', /\bbore\b/i],
  ['stroke', /\bstroke\b/i],
  ['rodLength', /\b(?:push)?rod\b/i],
  ['length', /\blong\b|\blength\b/i],
]
/** A side with words between it and its figure, as in “new bore 17.46” or “new hose is 380”. */
const SIDE = (side: 'old' | 'new') =>
  new RegExp(
    String.raw`\b${side}\b(?: one)?(?:['’]s)?(?: (?!old\b|new\b)[a-z]+){0,3}[:,]? ${FIGURE}`,
    'i',
  )

/** Sayings of the new part alone, or of both, that are no figure. */
interface Saying {
  way: RegExp
  what: RowId
  old?: RowValue
  fresh: RowValue
}
const PART = String.raw`(?:the )?new (?:master|slave|concentric(?: slave)?)(?: cylinder)?(?:['’]s)?`
const said = (rest: string) => new RegExp(`^${PART} ${rest}$`, 'i')
const SAYINGS: readonly Saying[] = [
  {
    way: said('(?:has|comes with|came with) no bleed ?(?:screw|nipple|er)'),
    what: 'bleedScrew',
    fresh: 'none',
  },
  {
    way: said("bleed ?(?:screw|nipple|er) (?:is |sits )?in the line(?:[’']s)? port"),
    what: 'bleedScrew',
    fresh: 'inLinePort',
  },
  {
    way: said('bleed ?(?:screw|nipple|er) (?:is |sits )?(?:loose )?in the (?:bag|box)'),
    what: 'bleedScrew',
    fresh: 'inBag',
  },
  { way: said('(?:comes|came|is) dry'), what: 'filled', fresh: 'dry' },
  { way: said('(?:comes|came|is) (?:pre-?)?filled'), what: 'filled', fresh: 'filled' },
  {
    way: said('(?:has|comes with|came with) (?:retaining )?(?:straps?|tabs?)'),
    what: 'straps',
    fresh: true,
  },
  { way: said('(?:has|comes with|came with) no (?:straps?|tabs?)'), what: 'straps', fresh: false },
  { way: said('(?:has|comes with|came with) no rod'), what: 'rodSupplied', fresh: false },
  { way: new RegExp(`^no rod with ${PART}$`, 'i'), what: 'rodSupplied', fresh: false },
  {
    way: said('(?:has|comes with|came with) no switch,? (?:the )?old (?:one )?(?:has|had)(?: one)?'),
    what: 'switch',
    old: true,
    fresh: false,
  },
  {
    way: said('(?:has|comes with|came with) (?:a )?switch,? (?:the )?old (?:one )?(?:has|had) none'),
    what: 'switch',
    old: false,
    fresh: true,
  },
  { way: said('has (?:a )?restrictor'), what: 'restrictor', fresh: true },
  { way: said('has no restrictor'), what: 'restrictor', fresh: false },
]
const MOUNTED: readonly (readonly [string, string])[] = [
  ['bolts', String.raw`(?:is )?(?:bolted|on (?:two |three )?bolts)`],
  ['studs', String.raw`(?:is )?on (?:two |three )?studs`],
  ['bayonet', String.raw`(?:is |has )?a bayonet`],
]
const PORT = new RegExp(`^${PART}(?: line)? port(?: is)? (.+)$`, 'i')

/** Whether a line speaks of a size of the new part, even where it is not understood: it is no reading of the vehicle. */
export const isComparison = (line: string): boolean =>
  /^\s*(?:the )?new\b/i.test(line) && /\d/.test(line) && FIGURES.some(([, way]) => way.test(line))

/** What a line says of new against old; null where it says nothing of it. */
export function comparisonSaid(line: string, { units }: LineContext): Statement | null {
  if (!/\b(?:old|new)\b/i.test(line)) return null
  const of = partIn(line)
  for (const { way, what, old = null, fresh } of SAYINGS)
    if (way.test(line)) return row(what, old, fresh, of)
  const port = PORT.exec(line)
  if (port && threadOf(port[1]!.replace(/ ?[x×] ?/i, 'x').replace(/^m ?/, 'M')))
    return row('portThread', null, port[1]!.replace(/ ?[x×] ?/i, 'x').replace(/^m ?/, 'M'), of)
  for (const [fresh, way] of MOUNTED) {
    if (!new RegExp(`^${PART} ${way}\\b`, 'i').test(line)) continue
    const old = MOUNTED.find(([, other]) => new RegExp(`\\bold (?:one )?${other}$`, 'i').test(line))
    return row('mounting', old?.[0] ?? null, fresh, of)
  }
  const figure = FIGURES.find(([, way]) => way.test(line))
  if (!figure) return null
  const [what, , only] = figure
  const side = (name: 'old' | 'new'): number | null => {
    const found = SIDE(name).exec(line)
    return found ? lengthTyped(`${found[1]!} ${found[2] ?? ''}`.trim(), units) : null
  }
  const [old, fresh] = [side('old'), side('new')]
  // “3 mm longer” is no length of anything.
  if (/\b(?:longer|shorter|more|less|bigger|smaller)\b/i.test(line)) return null
  // One side alone must say of which part it is: a rod’s stroke may be new without a part beside it.
  if (fresh === null || (old === null && of === undefined)) return null
  const { type } = compareRow(what)
  return type === 'figure' ? row(what, old, fresh, of ?? only) : null
}

function row(
  what: RowId,
  old: RowValue | null,
  fresh: RowValue | null,
  of: Compared | undefined,
): Statement | null {
  const kind = compareRow(what)
  if (of !== undefined && !kind.on.includes(of)) return null
  const { judged, change } = judgeRow(what, { old, new: fresh }, { of: of ?? 'master' })
  const made: ComparedRow = {
    what,
    old,
    new: fresh,
    judged,
    ...(kind.type === 'figure' && { unit: kind.unit }),
    ...(change !== undefined && { change }),
  }
  const payload: FitCheck = {
    brought: false,
    rows: [made],
    keep: [],
    move: [],
    bin: [],
    casualties: [],
    ...(of !== undefined && { of }),
  }
  return { kind: 'fitCheck', payload }
}

/** Why a row that was said cannot be filed: out of its bounds; null where it can. */
export function rowProblem({ rows }: FitCheck): string | null {
  for (const { what, old, new: fresh } of rows) {
    const kind = compareRow(what)
    if (kind.type !== 'figure') continue
    for (const value of [old, fresh])
      if (typeof value === 'number' && (value < kind.min || value > kind.max))
        return `${kind.label} is ${kind.min} to ${kind.max} ${kind.unit}; this is ${value}`
  }
  return null
}
