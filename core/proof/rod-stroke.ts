import { isImplausible, NINETY, solveCircuit } from '../circuit'
import { readingKind } from '../diagnosis'
import { rangeOf, spreadOf } from '../installation'
import type { ProofCase, RuleReason } from './accept'
import { limitOf } from './rules'

const rule = 'rodStroke'

/**
 * Rod stroke at full pedal against what this circuit gives, or, as far as it is assumed, such vehicles: 90 % of them. What lies
 * outside by no more than the rule's tolerance cannot be told; more than the slave's stroke cannot be.
 */
export function rodStroke({ after, readings, limits }: ProofCase): RuleReason | null {
  const figure = readings.after.rodStroke?.payload.value
  const { circuit, installation, air } = after
  if (figure === undefined || circuit.slave.type === 'concentric') return null
  const [own] = readingKind(rule).error
  const path = 'slave.stroke'
  const range = installation.assumed.includes(path) ? rangeOf(installation, path) : undefined
  const most = (range?.high ?? circuit.slave.stroke) + NINETY * own
  const misfit = { rule, outcome: 'notYet', code: 'misfit', figure, unit: 'mm' } as const
  if (figure > most) return { ...misfit, against: 'stroke', limit: range?.high ?? circuit.slave.stroke }
  const spread = spreadOf(installation, (c) => solveCircuit(c).at.rodStroke, circuit)!
  const half = Math.hypot((spread.high - spread.low) / 2, NINETY * own)
  const tolerance = limitOf(rule, limits)
  const limit = spread.value
  // A circuit that is known is judged by the rule's tolerance, an assumed one by its kind, whichever is wider.
  const within = Math.max(tolerance, half)
  const off = figure - limit
  const soft = air !== null && !isImplausible(air) && air.low > 0
  const figures = { figure, low: limit - half, high: limit + half, limit, unit: 'mm' }
  if (Math.abs(off) <= within) return { rule, outcome: 'pass', ...figures }
  if (off > half + tolerance) return { ...misfit, ...figures, against: 'noAir' }
  if (Math.abs(off) <= half + tolerance && half > tolerance)
    return { rule, outcome: 'notYet', code: 'cannotTell', ...figures }
  if (off > 0) return { ...misfit, ...figures, against: 'noAir' }
  return { rule, outcome: 'notYet', ...figures, cause: soft ? 'airFromWork' : 'linkageWorn' }
}
