import { TERMS, type CircuitSolution } from '../../../core/circuit'
import { displayUnit, shown, type UnitSystem } from '../../../core/quantity'

/** One term of the travel budget as it stands on the ladder, mm of pad. */
export interface Piece {
  name: (typeof TERMS)[number]['name']
  label: string
  from: number
  to: number
  size: number
}

/** A figure on the ladder: tenths of a millimetre, whole ones where coarse, or hundredths of an inch. */
export function padFigure(mm: number, units: UnitSystem, coarse = false): string {
  const { size } = displayUnit('mm', units)
  return shown(mm / size, units === 'inch' ? 2 : coarse ? 0 : 1)
}

/** Thinner than this a term is not drawn, mm. */
const THINNEST = 0.05
/** Room for a finger at each label, px. */
const FINGER = 44

/** A travel budget cut into its terms, from the pedal up to where the disc comes free. */
export function piecesOf({ budget }: Pick<CircuitSolution, 'budget'>): Piece[] {
  let from = 0
  // A rod that holds the piston in gives pad back: what the port still takes is the less by it.
  let owed = 0
  return TERMS.flatMap(({ name, label }) => {
    const size = budget[name] + owed
    owed = Math.min(0, size)
    if (size <= 0) return []
    const piece = { name, label, from, to: from + size, size }
    from += size
    return size > THINNEST ? [piece] : []
  })
}

/** A piece with the middle of its label, px from the top. */
export type Label = Piece & { at: number; half: number }

/** Labels beside the pieces, moved apart where terms are thin; the last keeps clear of the floor's own words. */
export function labelsOf(pieces: readonly Piece[], y: (mm: number) => number, floor: number): Label[] {
  const list = pieces.map((piece) => ({
    ...piece,
    at: (y(piece.from) + y(piece.to)) / 2,
    half: FINGER / 2,
  }))
  for (let i = 1; i < list.length; i++) list[i]!.at = Math.max(list[i]!.at, list[i - 1]!.at + FINGER)
  const last = list.at(-1)
  if (last && Math.abs(last.at - floor) < FINGER) last.at = floor - FINGER
  return list
}

/** A tick of the rule, mm, and what is written at it; nothing at most of them. */
export interface Tick {
  mm: number
  words: string
}

/** Every centimetre with a figure at every fifth, or every half inch with a figure at every second inch. */
export function ticksTo(deepest: number, inch: boolean): Tick[] {
  const step = inch ? 12.7 : 10
  const named = inch ? 4 : 5
  const list: Tick[] = []
  for (let i = 0; i * step <= deepest; i++)
    list.push({ mm: i * step, words: i % named ? '' : String(inch ? i / 2 : i * 10) })
  return list
}
