import { isImplausible, type Implausible } from '../circuit'
import { assumedFigures } from '../installation'
import type { Format } from '../quantity'
import type { PhaseFigures } from './phase'

/** What a phase's figures mean, in a sentence or two that can be said aloud. */
export function meaning(
  { air, solution, circuit, installation, airFrom }: PhaseFigures,
  f: Format,
): string {
  if (air === null)
    return 'Free travel is not measured yet. It tells how much air there is: one finger on the pad, tape along its path.'
  if (isImplausible(air)) return misfit(air, f)
  const parts: string[] = []
  if (air.low <= 0) parts.push(`No air to be seen, at most ${f.volume(Math.max(0, air.high))}.`)
  else {
    const source = airFrom === 'freeTravel' ? 'free travel' : 'the take-up'
    parts.push(
      `About ${f.volume(air.air)} of air by ${source}, ${f.volume(air.low)} to ${f.volume(air.high)}.`,
      `It takes ${f.length(solution.budget.air)} of the pad’s ${f.length(circuit.pedal.travel)}.`,
    )
  }
  parts.push(release(solution, f))
  const guess = assumedFigures(installation).length
  if (guess > 0) parts.push(`${guess} figures of this vehicle are assumed and widen this.`)
  return parts.join(' ')
}

/** How far the reading lies from what the geometry can give. */
export function misfit({ implausible, lacking }: Implausible, f: Format): string {
  const short =
    lacking > 0
      ? ` Even with no air at all the circuit would take ${f.volume(lacking)} more than the reading shows.`
      : ''
  return `The reading and the geometry do not fit: ${implausible}${short}`
}

function release({ releases, reserve, limitedBy }: PhaseFigures['solution'], f: Format): string {
  if (releases) return `The disc is free ${f.length(reserve)} above the floor.`
  const short =
    reserve < 0
      ? `${f.length(-reserve)} of pad is missing to free the disc`
      : 'The disc does not come free'
  const stop = {
    pedal: 'the pad is on the floor first',
    master: 'the master’s piston is at its end first',
    slave: 'the slave is at its end first',
  }
  return `${short}: ${stop[limitedBy ?? 'pedal']}.`
}
