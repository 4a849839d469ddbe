import { isImplausible, NINETY, solveCircuit, type Circuit } from '../circuit'
import { readingKind } from '../diagnosis'
import { rangeOf, spreadOf, type Installation } from '../installation'
import type { ProofCase, RuleReason } from './accept'
import { limitOf } from './rules'

const rule = 'rodStroke'

/** mm that this circuit gives at full pedal, and half the width of 90 % of such circuits with the rule’s own error. */
function given(installation: Installation, circuit: Circuit): { limit: number; half: number } {
  const { value, low, high } = spreadOf(installation, (c) => solveCircuit(c).at.rodStroke, circuit)!
  return { limit: value, half: Math.hypot((high - low) / 2, NINETY * readingKind(rule).error[0]) }
}

/**
 * Rod stroke at full pedal against what this circuit gives, or, as far as it is assumed, such vehicles: 90 % of them. What lies
 * outside by no more than the rule's tolerance cannot be told; more than the circuit does without air, or than the slave's
 * stroke, cannot be.
 */
export function rodStroke({ after, readings, limits }: ProofCase): RuleReason | null {
  const figure = readings.after.rodStroke?.payload.value
  const { circuit, installation, air } = after
  if (figure === undefined || circuit.slave.type === 'concentric') return null
  const base = { rule, figure, unit: 'mm' } as const
  const path = 'slave.stroke'
  const range = installation.assumed.includes(path) ? rangeOf(installation, path) : undefined
  const stop = range?.high ?? circuit.slave.stroke
  if (figure > stop + NINETY * readingKind(rule).error[0])
    return { ...base, outcome: 'notYet', code: 'misfit', against: 'stroke', limit: stop }

  const tolerance = limitOf(rule, limits)
  const full = given(installation, { ...circuit, air: 0 })
  const aired = circuit.air > 0 ? given(installation, circuit) : full
  // A circuit that is known is judged by the rule's tolerance, an assumed one by its kind, whichever is wider.
  const within = ({ half }: typeof full) => Math.max(tolerance, half)
  const [low, high] = [aired.limit - aired.half, full.limit + full.half]
  const over = figure > full.limit + within(full)
  const figures = { ...base, low, high, limit: over ? full.limit : aired.limit }
  if (!over && figure >= aired.limit - within(aired)) return { ...figures, outcome: 'pass' }
  const { half } = over ? full : aired
  if (half > tolerance && Math.abs(figure - figures.limit) <= half + tolerance)
    return { ...figures, outcome: 'notYet', code: 'cannotTell' }
  if (over) return { ...figures, outcome: 'notYet', code: 'misfit', against: 'noAir' }
  const soft = air !== null && !isImplausible(air) && air.low > 0
  return { ...figures, outcome: 'notYet', cause: soft ? 'airFromWork' : 'linkageWorn' }
}
