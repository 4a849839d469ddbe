import { freeTravel, solveCircuit, type Circuit } from '../core/circuit'
import { fromArchetype, withMeasured, type Installation } from '../core/installation'
import type { Payloads, Phase } from '../core/journal'

/** What the scenario is made of: measured vehicles, what a tape shows of them, and entries in short. */

export const measured = (archetype: string, fields: Record<string, number>): Installation =>
  Object.entries(fields).reduce(
    (installation, [path, value]) => withMeasured(installation, path, value),
    fromArchetype(archetype),
  )

/** What a tape shows of this circuit, to the millimetre; the rod's rule to half a one. */
export function tape(circuit: Circuit) {
  const solved = solveCircuit(circuit)
  return {
    free: Math.round(freeTravel(circuit)),
    takeUp: solved.engagement === null ? 0 : Math.round(circuit.pedal.travel - solved.engagement),
    rod: Math.round(solved.at.rodStroke * 2) / 2,
  }
}

export const withAir = (installation: Installation, air: number): Circuit => ({
  ...installation.circuit,
  air,
})

export const reading = (
  name: Payloads['measurement']['reading'],
  value: number,
  phase: Phase,
  duration?: number,
): Payloads['measurement'] => ({ reading: name, value, phase, ...(duration && { duration }) })

export const found = (
  finding: Payloads['finding']['finding'],
  state: Payloads['finding']['state'],
  phase: Phase = 'asFound',
): Payloads['finding'] => ({ finding, state, phase })

export const cycle = (
  cameOut: Payloads['bleedCycle']['cameOut'],
  strokes: number,
  bottleMl: number,
  colour: 'dark' | 'fresh',
): Payloads['bleedCycle'] => ({ method: 'openPush', strokes, cameOut, bottle: bottleMl * 1000, colour })
