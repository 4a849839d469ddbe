import { isRodInDoubt, rodState } from '../circuit'
import type { Evidence } from './evidence'
import { FINDINGS, findingKind, type FindingId } from './findings'

/** What stops work: a finding, or the rod as it was measured. */
export type StopId = FindingId | 'rodClearance'
export interface Stop {
  stop: StopId
  words: string
}

/** Two findings that stop work together, though neither does alone: the finding whose stop they raise. */
export const STOP_TOGETHER: readonly (readonly [FindingId, FindingId, raises: FindingId])[] = [
  ['rodTight', 'pushBackStiff', 'wayHomeShut'],
  ['switchHolds', 'pushBackStiff', 'wayHomeShut'],
  // Where the clutch draws from under the brakes' mark, what it loses the brakes lose.
  ['takeOffLow', 'levelLow', 'brakeLevelLow'],
]

/**
 * What must be mended, or taken over by a named person, before work goes on.
 * @param portClosure of the master, mm; null where the rod is not judged.
 * @param rebuilding true where a cylinder is to be rebuilt.
 */
export function stopsOf(
  { findings, readings }: Pick<Evidence, 'findings' | 'readings'>,
  portClosure: number | null,
  rebuilding = false,
): Stop[] {
  const stops = new Map<StopId, string>()
  for (const { id, stop, stopsOnly } of FINDINGS)
    if (stop && (!stopsOnly || rebuilding) && findings[id] === 'present') stops.set(id, stop)
  const clearance = readings.rodClearance?.value
  const tight = (id: FindingId) =>
    findings[id] === 'present' ||
    (id === 'rodTight' && clearance !== undefined && (clearance < 0 || isRodInDoubt(clearance)))
  for (const [one, other, raises] of STOP_TOGETHER)
    if (tight(one) && findings[other] === 'present' && findings[raises] !== 'absent')
      stops.set(raises, findingKind(raises).stop!)
  if (clearance !== undefined && portClosure !== null && !isRodInDoubt(clearance)) {
    const rod = rodState(clearance, portClosure)
    if (rod === 'portCovered')
      stops.set('rodClearance', 'The rod covers the port at rest: shorten it before anything else.')
    else if (rod === 'preloaded')
      stops.set(
        'rodClearance',
        'The rod holds the piston in and part covers the port: set it before going on.',
      )
  }
  return Array.from(stops, ([stop, words]) => ({ stop, words }))
}
