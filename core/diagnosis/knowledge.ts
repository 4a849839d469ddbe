import { takesUpPlay } from '../circuit'
import type { Installation } from '../installation'
import { COMPLAINTS, type ComplaintId } from './complaints'
import { expectations, type Expectations, type GoodFigures } from './expectations'
import { FAULTS, type Fault, type FaultId } from './faults'
import { FINDINGS, findingKind, type FindingId, type Only } from './findings'
import { isLostTravel } from './lost-travel'
import { enumerate, type Network, type Sets } from './network'
import { makeReady, type Ready } from './posterior'

/** Chance of each fault before anything is known, where the shop's own record has moved it. */
export type Priors = Partial<Record<FaultId, number>>

/** All that is known in general, narrowed to one vehicle and made ready to be asked. */
export interface Knowledge {
  installation: Installation
  faults: readonly Fault[]
  /** What can be said or found here: complaints, then findings. */
  observations: readonly (ComplaintId | FindingId)[]
  place: ReadonlyMap<string, number>
  ready: Ready
  sets: Sets
  expected: Expectations
}

/** True where a row is for this vehicle. */
export function fits(only: Only | undefined, installation: Installation): boolean {
  const { circuit, slave, reservoir } = installation
  switch (only) {
    case undefined:
      return true
    case 'external':
    case 'concentric':
      return circuit.slave.type === only
    case 'adjustable':
      return circuit.slave.type === 'external' && !takesUpPlay(circuit)
    case 'hose':
      return circuit.lines.some((line) => line.kind !== 'steel')
    case 'bleeder':
      return slave.bleeder.kind === 'screw'
    case 'shared':
      return reservoir.sharedWithBrakes
  }
}

const NOT_HERE: Record<Only, string> = {
  external: 'its slave is concentric and sits inside the bell housing',
  concentric: 'its slave is an external one',
  adjustable: 'its linkage takes up its own play, so that there is none to feel',
  hose: 'its line is all steel pipe',
  bleeder: 'it has no bleed screw',
  shared: 'its reservoir is the clutch’s own',
}

/** Why a finding makes no sense on this vehicle; null where it does. */
export function whyNotHere(id: FindingId, installation: Installation): string | null {
  const { only, label } = findingKind(id)
  return fits(only, installation) ? null : `${label} is nothing for this vehicle: ${NOT_HERE[only!]}`
}

/**
 * The tables narrowed to a vehicle, its sets of faults and what each makes one read; made once per circuit.
 * @param priors chances moved by the shop's record; those of the table unless given.
 * @param good what this very vehicle showed when its pedal was good, mm.
 */
export function knowledgeOf(
  installation: Installation,
  priors: Priors = {},
  good: GoodFigures = {},
): Knowledge {
  const faults = FAULTS.filter((fault) => fits(fault.only, installation))
  const findings = FINDINGS.filter((kind) => fits(kind.only, installation))
  const observed = [...COMPLAINTS, ...findings]
  const causes = new Map<string, [number, number][]>()
  faults.forEach((fault, i) => {
    for (const [what, chance] of fault.shows) {
      // What comes of lost travel is told way by way, from the circuit.
      if (isLostTravel(what)) continue
      const list = causes.get(what) ?? []
      list.push([i, chance])
      causes.set(what, list)
    }
  })
  const network: Network = {
    faults: faults.map((fault) => ({
      prior: priors[fault.id] ?? fault.prior[0],
      weights: fault.severities?.map(({ weight }) => weight) ?? [1],
      graded: fault.shows.some(([what]) => isLostTravel(what)),
    })),
    findings: observed.map((kind) => ({
      background: kind.background[0],
      causes: causes.get(kind.id) ?? [],
    })),
  }
  const sets = enumerate(network)
  return {
    installation,
    faults,
    observations: observed.map(({ id }) => id),
    place: new Map(observed.map(({ id }, j) => [id, j])),
    ready: makeReady(network, sets),
    sets,
    expected: expectations(
      installation,
      sets,
      faults,
      (what) => observed.find(({ id }) => id === what)!.background[0],
      good,
    ),
  }
}
