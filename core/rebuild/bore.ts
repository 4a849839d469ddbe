import { InputError } from '../circuit'

/** What the swept part of a bore looks like, wiped clean, with a lamp and a fingernail. */
export const SURFACES = ['clean', 'stain', 'step', 'pit', 'rust'] as const
export type Surface = (typeof SURFACES)[number]
export const BORE_VERDICTS = ['pass', 'reject', 'notTold'] as const
export type BoreVerdict = (typeof BORE_VERDICTS)[number]

/** Bores that a clutch cylinder may have, mm. */
export const NOMINAL_BORE = { unit: 'mm', min: 8, max: 80 } as const
/** mm by which a measured diameter may differ from nominal before it is another cylinder. */
const ANOTHER = 2

/**
 * Limits by which a bore is rejected: judgement, the maker's data decides.
 */
export const BORE_LIMITS = {
  /** Bore less piston, mm. */
  clearance: { limit: 0.15, reason: 'The lip is drawn into a wider gap, and tears.' },
  /** Bore over nominal, mm. */
  over: { limit: 0.1, reason: 'A cup is made for its bore: in a worn one it does not press.' },
} as const

export interface BoreQuestion {
  /** mm. */
  nominal: number
  /** Measured at its widest in the swept part, mm. */
  bore?: number
  /** Piston where it is worn least, mm. */
  piston?: number
  surface: Surface
  /** Of a stain: whether it wipes off; left out where nobody tried. */
  wipesOff?: boolean
  /** The mark is where the cup runs; taken as true where it is not said. */
  swept?: boolean
}
export type BoreReason =
  | { code: 'clearance' | 'over'; figure: number; limit: number }
  | { code: 'step' | 'pit' | 'rust' | 'unsweptMark' | 'stainGone' | 'wipeIt' | 'stainStays' }
  | { code: 'small'; figure: number }
  | { code: 'notMeasured' | 'clean' }
export interface BoreJudgement {
  verdict: BoreVerdict
  reasons: BoreReason[]
  /** Bore less piston, mm; null where one of the two is missing. */
  clearance: number | null
}

/** Tolerance against rounding in a subtraction, mm. */
const EXACT = 1e-9

/**
 * Whether a bore is fit to be rebuilt.
 * @throws InputError with the field where a diameter is out of its bounds or the piston is larger than its bore
 */
export function judgeBore(asked: BoreQuestion): BoreJudgement {
  const { nominal, bore, piston, surface, swept = true } = asked
  within(nominal, 'nominal', NOMINAL_BORE.min, NOMINAL_BORE.max)
  if (bore !== undefined) within(bore, 'bore', nominal - ANOTHER, nominal + ANOTHER)
  if (piston !== undefined) within(piston, 'piston', nominal - ANOTHER, nominal + ANOTHER)
  if (bore !== undefined && piston !== undefined && piston > bore)
    throw new InputError(`the piston, ${piston} mm, does not go into a bore of ${bore} mm`, '/piston')
  const reject: BoreReason[] = []
  const open: BoreReason[] = []
  const good: BoreReason[] = []
  const clearance = bore !== undefined && piston !== undefined ? bore - piston : null
  if (clearance !== null && clearance > BORE_LIMITS.clearance.limit + EXACT)
    reject.push({ code: 'clearance', figure: clearance, limit: BORE_LIMITS.clearance.limit })
  if (bore !== undefined && bore - nominal > BORE_LIMITS.over.limit + EXACT)
    reject.push({ code: 'over', figure: bore - nominal, limit: BORE_LIMITS.over.limit })
  if (bore !== undefined && nominal - bore > BORE_LIMITS.over.limit + EXACT)
    open.push({ code: 'small', figure: nominal - bore })
  if (surface === 'step' || surface === 'pit' || surface === 'rust')
    (swept ? reject : good).push({ code: swept ? surface : 'unsweptMark' })
  else if (surface === 'stain') {
    if (asked.wipesOff === undefined) open.push({ code: 'wipeIt' })
    else if (asked.wipesOff) good.push({ code: 'stainGone' })
    else open.push({ code: 'stainStays' })
  } else good.push({ code: 'clean' })
  if (clearance === null) good.push({ code: 'notMeasured' })
  const verdict = reject.length > 0 ? 'reject' : open.length > 0 ? 'notTold' : 'pass'
  return { verdict, reasons: [...reject, ...open, ...good], clearance }
}

function within(value: number, field: string, min: number, max: number): void {
  if (!Number.isFinite(value) || value < min || value > max)
    throw new InputError(`${field} must be ${min} to ${max} mm`, `/${field}`)
}

/** A reason in a sentence; lengths in the reader's own units. */
export function boreReasonWords(reason: BoreReason, diameter: (mm: number) => string): string {
  switch (reason.code) {
    case 'clearance':
      return `Piston loose in its bore by ${diameter(reason.figure)}; over ${diameter(reason.limit)} is rejected. ${BORE_LIMITS.clearance.reason}`
    case 'over':
      return `Bore ${diameter(reason.figure)} over nominal; over ${diameter(reason.limit)} is rejected. ${BORE_LIMITS.over.reason}`
    case 'small':
      return `Bore ${diameter(reason.figure)} under nominal: measured wrong, or another size. Measure again.`
    case 'step':
      return 'A fingernail catches on a step where the cup runs: rejected.'
    case 'pit':
      return 'Pits where the cup runs cut the new one: rejected.'
    case 'rust':
      return 'Rust where the cup runs: rejected.'
    case 'unsweptMark':
      return 'The mark is where no cup runs.'
    case 'stainGone':
      return 'The stain wiped off.'
    case 'wipeIt':
      return 'Wipe the stain with clean fluid: does it go?'
    case 'stainStays':
      return 'The stain stays: drag a fingernail over it; the maker’s data decides.'
    case 'clean':
      return 'Clean.'
    case 'notMeasured':
      return 'By look and nail alone: measure bore and piston where in doubt.'
  }
}
