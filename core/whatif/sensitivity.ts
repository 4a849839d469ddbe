import { InputError, numberAtPath, peakForce, solveCircuit } from '../circuit'
import type { Installation } from '../installation'
import { applyChanges, type Change } from './change'
import { REMEDIES } from './remedies'
import { HOURLY_RATE } from '../work'

/** What a remedy buys on this circuit. */
export interface Bought {
  id: string
  label: string
  reason: string
  changes: Change[]
  /** Reserve after it, mm at the pad, and what it gains. */
  reserve: number
  gain: number
  /** Change of the largest pad force going down to release, N. */
  forceChange: number
  releases: boolean
  minutes: number
  money: number
  /** Parts and hours together, in the shop's money. */
  cost: number
  /** mm gained for each hour's worth of cost. */
  perCost: number
}

/** What one more unit of a field costs or gives. */
export interface Slope {
  field: string
  /** d reserve / d field, mm at the pad per unit of the field. */
  perUnit: number
  /** An everyday step of that field, and what it does to the reserve, mm. */
  step: number
  perStep: number
}

export interface Sensitivity {
  reserve: number
  remedies: Bought[]
  slopes: Slope[]
}

/** Everyday steps by which a field may be out or be changed; the order is that of the circuit. */
const STEPS: readonly [field: string, step: number][] = [
  ['pedal.ratio', 0.1],
  ['pedal.travel', 5],
  ['master.bore', 0.5],
  ['master.pushrodClearance', 0.2],
  ['master.portClosure', 0.2],
  ['slave.bore', 0.5],
  ['slave.outer', 0.5],
  ['slave.inner', 0.5],
  ['slave.springPreload', 10],
  ['linkage.forkRatio', 0.05],
  ['linkage.slop', 0.5],
  ['linkage.bearingClearance', 0.2],
  ['cover.releaseTravel', 0.2],
  ['fluid.bulkModulus', 200],
  ['air', 500],
]

/**
 * Which change buys most reserve for what it costs, and what each figure of the circuit is worth.
 * @param hourlyRate what an hour costs, in the shop's money, above 0.
 */
export function sensitivity(installation: Installation, hourlyRate = HOURLY_RATE): Sensitivity {
  const { circuit } = installation
  const { reserve } = solveCircuit(circuit)
  const force = peakForce(circuit)
  const remedies = REMEDIES.flatMap((remedy): Bought[] => {
    const changes = remedy.change(circuit)
    if (!changes) return []
    const after = attempt(installation, changes)
    if (!after) return []
    const solved = solveCircuit(after.circuit)
    // Pad left over at a master or slave that is at its end frees no disc.
    if (solved.limitedBy === 'master' || solved.limitedBy === 'slave') return []
    const { id, label, reason, minutes, money } = remedy
    const cost = money + (minutes / 60) * hourlyRate
    const gain = solved.reserve - reserve
    return [
      {
        id,
        label,
        reason,
        changes,
        reserve: solved.reserve,
        gain,
        forceChange: peakForce(after.circuit) - force,
        releases: solved.releases,
        minutes,
        money,
        cost,
        perCost: (gain / cost) * hourlyRate,
      },
    ]
  })
  remedies.sort((a, b) => b.perCost - a.perCost)
  return { reserve, remedies, slopes: slopesOf(installation) }
}

/** The installation changed, or null where the change leaves no circuit that can be. */
function attempt(installation: Installation, changes: Change[]): Installation | null {
  try {
    return applyChanges(installation, changes)
  } catch (error) {
    if (error instanceof InputError) return null
    throw error
  }
}

function slopesOf(installation: Installation): Slope[] {
  const reserveWith = (field: string, value: number): number | null => {
    const change: Change =
      field === 'air' ? { change: 'air', value } : { change: 'field', field, value }
    const after = attempt(installation, [change])
    return after && solveCircuit(after.circuit).reserve
  }
  return STEPS.flatMap(([field, step]): Slope[] => {
    const value = numberAtPath(installation.circuit, field)
    if (value === null) return []
    const by = step / 20
    const above = reserveWith(field, value + by)
    const below = reserveWith(field, value - by)
    const here = reserveWith(field, value)
    if (above === null || here === null) return []
    // At a field's least the slope is one-sided.
    const perUnit = below === null ? (above - here) / by : (above - below) / (2 * by)
    return [{ field, perUnit, step, perStep: perUnit * step }]
  })
}
