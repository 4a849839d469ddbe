import type { RepairId } from '../diagnosis'
import { circuitVolume, FLUIDS, neededFor, type FluidAct, type FluidKind } from '../fluid'
import type { Installation } from '../installation'
import type { JobState } from '../journal'
import { needsOf, type Need } from '../orders'
import { fitVerdict, type Compared } from '../side-by-side'
import { operationOf } from '../work'
import { applyChanges, type Change } from '../whatif'

/** Parts that a change of the circuit renews. */
function renewedBy(change: Change, { circuit }: Installation): RepairId[] {
  if (change.change === 'line' || change.change === 'lines') return ['hose']
  if (change.change !== 'field') return []
  if (change.field.startsWith('master.')) return ['master']
  if (/^slave\.(bore|outer|inner|stroke)$/.test(change.field))
    return [circuit.slave.type === 'concentric' ? 'concentric' : 'slave']
  return []
}

/** What is going to be done: what was decided, what is planned, and what was compared with the old part. */
export function repairsAhead(state: JobState, installation: Installation): RepairId[] {
  const { decision, circuitPlan, comparisons } = state
  const planned = (circuitPlan?.payload.changes ?? []).flatMap((one) => renewedBy(one, installation))
  const compared = Object.values(comparisons)
    .filter(({ of, rows }) => rows.length > 0 && fitVerdict(of, rows) !== 'wontFit')
    .map(({ of }): RepairId => of)
  return [...new Set<RepairId>([...(decision?.payload.repairs ?? []), ...planned, ...compared])]
}

/** What the fluid that goes in has to be: its maker’s, else what is there. */
const wantedFluid = (state: JobState): FluidKind | null => {
  const inside = state.fluidInside?.payload
  const kind = inside?.wanted ?? inside?.kind ?? null
  return kind === 'unknown' ? null : kind
}

/** All that a job takes: parts as they are planned, seals, casualties, fluid by volume, what bleeds it, what is used up. */
export function needsAhead(state: JobState, installation: Installation): Need[] {
  const repairs = repairsAhead(state, installation)
  const changes = state.circuitPlan?.payload.changes ?? []
  const planned = changes.length > 0 ? applied(installation, changes) : installation
  const brought = new Set<string>(
    Object.values(state.comparisons)
      .filter((one) => one.brought)
      .map(({ of }): Compared => of),
  )
  const jobKind = state.goal?.payload.jobKind
  const opens = repairs.some((id) => operationOf(id).opens)
  const act: FluidAct | null =
    jobKind === 'fluidService' || repairs.includes('everythingRubber')
      ? 'flush'
      : repairs.some((id) => id !== 'bleed' && operationOf(id).opens)
        ? 'fill'
        : opens
          ? 'bleed'
          : null
  const kind = wantedFluid(state)
  const volume = act
    ? neededFor(
        act,
        circuitVolume(planned.circuit, installation.slave.chamber ?? 0),
        installation.reservoir.usable,
      )
    : 0
  return needsOf({
    installation: planned,
    repairs,
    way: state.decision?.payload.way ?? 'replace',
    casualties: [...new Set(Object.values(state.comparisons).flatMap((one) => one.casualties))],
    fluid: act ? { volume, kind: kind ? FLUIDS[kind].name : 'fluid' } : null,
    // What the customer brought is not bought.
  }).filter(({ id }) => !brought.has(id))
}

function applied(installation: Installation, changes: readonly Change[]): Installation {
  try {
    return applyChanges(installation, changes)
  } catch {
    // A plan from before the circuit was changed under it: then what is there is bought again.
    return installation
  }
}
