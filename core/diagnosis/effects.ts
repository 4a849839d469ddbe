import { masterArea, shiftExpansion, shiftLoad, solveCircuit, type Circuit } from '../circuit'
import type { Effect } from './faults'

/** A rod is set within these when all is well, mm. */
const WELL_SET = { least: 0.2, most: 1 } as const

/** The circuit as it would be if nothing were wrong: no air, and the rod set as it should be. */
export function sound(circuit: Circuit): Circuit {
  const { pushrodClearance } = circuit.master
  const clearance = Math.min(WELL_SET.most, Math.max(WELL_SET.least, pushrodClearance))
  return { ...circuit, air: 0, master: { ...circuit.master, pushrodClearance: clearance } }
}

type Name = keyof Effect
const SUMS = [
  'air',
  'clearance',
  'pinPlay',
  'slop',
  'bearingClearance',
  'friction',
  'flex',
  'travel',
  'bypass',
  'loss',
  'standing',
] as const satisfies readonly Name[]
const FACTORS = [
  'swell',
  'masterBore',
  'slaveBore',
  'release',
  'load',
] as const satisfies readonly Name[]

/** What several faults do together: amounts add, factors multiply, shares of the fork compound. */
export function together(effects: readonly Effect[]): Effect {
  const whole: Effect = {}
  for (const effect of effects) {
    for (const name of SUMS)
      if (effect[name] !== undefined) whole[name] = (whole[name] ?? 0) + effect[name]
    for (const name of FACTORS)
      if (effect[name] !== undefined) whole[name] = (whole[name] ?? 1) * effect[name]
    if (effect.fork !== undefined) whole.fork = (1 + (whole.fork ?? 0)) * (1 + effect.fork) - 1
  }
  return whole
}

/** What shows only in time, or only at the rod: the circuit under the foot is the same with it. */
export const TIMED: ReadonlySet<string> = new Set<Name>(['bypass', 'loss', 'standing', 'pinPlay'])

/** True where the circuit at rest and under the foot is another with it. */
export const changesCircuit = (effect: Effect): boolean =>
  Object.keys(effect).some((name) => !TIMED.has(name))

/** A thin tube that swells by this much per MPa, mm³: what bends is drawn as what swells. */
const bending = (perPressure: number): Circuit['lines'][number] => ({
  kind: 'rubber',
  length: 1,
  innerDiameter: 0.1,
  expansion: perPressure * 1000,
})

/** A sound circuit with the effect of faults done to it. */
export function affected(circuit: Circuit, effect: Effect): Circuit {
  let next: Circuit = {
    ...circuit,
    air: circuit.air + (effect.air ?? 0),
    pedal: { ...circuit.pedal, travel: Math.max(1, circuit.pedal.travel - (effect.travel ?? 0)) },
    master: {
      ...circuit.master,
      pushrodClearance: circuit.master.pushrodClearance + (effect.clearance ?? 0),
      bore: circuit.master.bore * (effect.masterBore ?? 1),
    },
    slave: {
      ...circuit.slave,
      sealFriction: (circuit.slave.sealFriction ?? 0) + (effect.friction ?? 0),
      ...(circuit.slave.type === 'external' &&
        effect.slaveBore !== undefined && { bore: circuit.slave.bore * effect.slaveBore }),
    },
    linkage: {
      ...circuit.linkage,
      slop: circuit.linkage.slop + (effect.slop ?? 0),
      bearingClearance: circuit.linkage.bearingClearance + (effect.bearingClearance ?? 0),
      forkRatio: circuit.linkage.forkRatio * (1 + (effect.fork ?? 0)),
    },
    cover: { ...circuit.cover, releaseTravel: circuit.cover.releaseTravel * (effect.release ?? 1) },
  }
  if (effect.load !== undefined) next = shiftLoad(next, effect.load - 1)
  if (effect.swell !== undefined) next = shiftExpansion(next, effect.swell - 1)
  if (effect.flex !== undefined) {
    const { pressureAtRelease } = solveCircuit(circuit)
    const lost = (effect.flex * masterArea(circuit)) / circuit.pedal.ratio
    next = { ...next, lines: [...next.lines, bending(lost / Math.max(0.1, pressureAtRelease))] }
  }
  return next
}
