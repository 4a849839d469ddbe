import { boilingAt, waterAtBoiling, waterByAge, type Climate, type Ranged } from './ageing'
import { FLUIDS, isCrossed, isPoorer, type FluidKind } from './kinds'

export type FluidVerdict = 'fill' | 'flush' | 'refuse' | 'stop'
export type FluidCode =
  'mixes' | 'lowersTo' | 'silicone' | 'mineral' | 'unknown' | 'opened' | 'water' | 'age' | 'wanted'

export interface FluidQuestion {
  inside: FluidKind
  adding: FluidKind
  /** What the maker wants. */
  wanted?: FluidKind
  /** Since it was last changed. */
  ageMonths?: number
  climate?: Climate
  /** Measured, % by mass. */
  water?: number
  /** Measured, °C. */
  boiling?: number
  container?: { opened: boolean; months: number }
  /** New fluid in the circuit after the fill, 0 to 1. */
  share?: number
  /** The reservoir is shared with the brakes. */
  shared?: boolean
}
export interface FluidAnswer {
  verdict: FluidVerdict
  becomes: FluidKind
  dry: number | null
  wet: number | null
  /** % by mass, after the fill. */
  water: Ranged | null
  /** °C, after the fill. */
  boiling: Ranged | null
  from: 'measured' | 'age' | null
  /** Parts that are renewed because of what has touched them. */
  condemned: string[]
  reasons: { code: FluidCode; words: string }[]
}

/** % of water from which on it is flushed: most of the fall of the boiling point is behind it. */
const FLUSH_WATER = 3
/** Months from which on it is flushed, whatever it looks like. */
const FLUSH_AGE = 24
/** Months that an opened container may stand. */
const OPEN_FOR = { usual: 12, damp: 6 }
const EVERY_RUBBER = [
  'master seals',
  'slave seals and boot',
  'hoses',
  'feed hose',
  'reservoir cap seal',
] as const

/** What may go in, what it becomes, how much water it holds and when it boils. */
export function judgeFluid(question: FluidQuestion): FluidAnswer {
  const { inside, adding, share = 0 } = question
  const families = [FLUIDS[inside].family, FLUIDS[adding].family]
  const [old, fresh] = families
  const crossed = isCrossed(inside, adding)
  const reasons: FluidAnswer['reasons'] = []
  const say = (code: FluidCode, words: string) => reasons.push({ code, words })

  if (old === 'glycol' && fresh === 'glycol' && inside !== adding) {
    const poorer = isPoorer(inside, adding) ? inside : adding
    say('mixes', `${FLUIDS[inside].name} and ${FLUIDS[adding].name} may be mixed.`)
    say('lowersTo', `The mixture counts as the poorer of the two, ${FLUIDS[poorer].name}.`)
  }
  if (crossed && families.includes('silicone'))
    say('silicone', 'Silicone fluid mixes with no other: neither works as it should. Stop.')
  if (crossed && families.includes('mineral'))
    say(
      'mineral',
      'Mineral oil and brake fluid swell each other’s rubber: every rubber part that was touched is renewed. Stop.',
    )
  if (adding === 'unknown') say('unknown', 'Nobody knows what is in the container: it does not go in.')
  else if (inside === 'unknown')
    say('unknown', 'Nobody knows what is inside: flush it with the fluid that the maker names.')
  const climate = question.shared ? 'damp' : (question.climate ?? 'usual')
  opened(question, say)
  const known = waterInside(question, climate)
  if (known && 100 * known.share.value >= FLUSH_WATER)
    say(
      'water',
      `${(100 * known.share.value).toFixed(1)} % of water: flush it from ${FLUSH_WATER} % on.`,
    )
  if (question.ageMonths !== undefined && question.ageMonths >= FLUSH_AGE)
    say('age', `${question.ageMonths} months old: it is due every ${FLUSH_AGE}.`)
  unwanted(question, say)

  const becomes = whatItBecomes(inside, adding, share, crossed)
  const { dry, wet } = FLUIDS[becomes]
  const holds = known && times(known.share, 1 - share)
  const boilsAt = (water: number) => boilingAt(becomes, water)
  return {
    verdict: verdictOf(reasons, inside, adding),
    becomes,
    dry,
    wet,
    water: holds && times(holds, 100),
    boiling:
      holds && boilsAt(0) !== null
        ? { low: boilsAt(holds.high)!, value: boilsAt(holds.value)!, high: boilsAt(holds.low)! }
        : null,
    from: known?.from ?? null,
    condemned: crossed && families.includes('mineral') ? [...EVERY_RUBBER] : [],
    reasons,
  }
}

type Say = (code: FluidCode, words: string) => void

function opened({ container, climate }: FluidQuestion, say: Say): void {
  if (!container?.opened) return
  const most = climate === 'damp' ? OPEN_FOR.damp : OPEN_FOR.usual
  if (container.months > most)
    say('opened', `The container has been open for ${container.months} months; ${most} are the most.`)
}

function unwanted({ adding, wanted }: FluidQuestion, say: Say): void {
  if (wanted === undefined || wanted === 'unknown' || adding === 'unknown') return
  const other = FLUIDS[wanted].family !== FLUIDS[adding].family
  if (other || isPoorer(adding, wanted))
    say(
      'wanted',
      `The maker names ${FLUIDS[wanted].name}; ${FLUIDS[adding].name} is ${other ? 'of another family' : 'poorer'}.`,
    )
}

/** At the end nothing of the old is left only where all of it is new. */
function whatItBecomes(
  inside: FluidKind,
  adding: FluidKind,
  share: number,
  crossed: boolean,
): FluidKind {
  if (crossed) return 'unknown'
  if (share === 1) return adding
  if (inside === 'unknown' || adding === 'unknown') return 'unknown'
  return isPoorer(adding, inside) ? adding : inside
}

/** Water of the fluid inside before anything is added, as a share; null where it takes up none or nothing is known of it. */
function waterInside(
  { inside, water, boiling, ageMonths }: FluidQuestion,
  climate: Climate,
): { share: Ranged; from: 'measured' | 'age' } | null {
  // Silicone and mineral oil take up none; what is not known may be of the kind that does.
  if (FLUIDS[inside].family === 'silicone' || FLUIDS[inside].family === 'mineral') return null
  const exactly = (value: number): Ranged => ({ low: value, value, high: value })
  if (water !== undefined) return { share: exactly(water / 100), from: 'measured' }
  if (boiling !== undefined) {
    const share = waterAtBoiling(inside, boiling)
    return share === null ? null : { share: exactly(share), from: 'measured' }
  }
  return ageMonths === undefined ? null : { share: waterByAge(ageMonths, climate), from: 'age' }
}
const times = ({ low, value, high }: Ranged, by: number): Ranged => ({
  low: low * by,
  value: value * by,
  high: high * by,
})

/** Stop outranks refuse, that outranks flush. */
function verdictOf(
  reasons: FluidAnswer['reasons'],
  inside: FluidKind,
  adding: FluidKind,
): FluidVerdict {
  const codes = new Set(reasons.map(({ code }) => code))
  if (codes.has('silicone') || codes.has('mineral')) return 'stop'
  if (codes.has('opened') || codes.has('wanted') || adding === 'unknown') return 'refuse'
  return codes.has('water') || codes.has('age') || inside === 'unknown' ? 'flush' : 'fill'
}
