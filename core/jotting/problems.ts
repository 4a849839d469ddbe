import { readingKind, whyNotHere } from '../diagnosis'
import { ADJUSTED, adjustedFigure } from '../entries'
import { installationField, jointPlaces, valueAt } from '../installation'
import { formatOf, HELD_FOR, WORKSHOP_VOLUME, type Format } from '../quantity'
import { jointWords } from '../words'
import { rowProblem } from './compare-said'
import { recordProblem } from './record-said'
import type { LineContext, Statement } from './statement'

/** mm that a pad is called free, degrees that a vehicle is tilted, and minutes that a pedal is wedged: at the most. */
const MOST_FREE = 400
const MOST_TILT = 45
const TWO_DAYS = 2880

/** Why a statement is not filed: its figure is out of bounds, or it makes no sense on this vehicle. */
export function problemOf(one: Statement, { units, installation }: LineContext): string | null {
  const format = formatOf(units)
  switch (one.kind) {
    case 'finding':
      return installation ? whyNotHere(one.payload.finding, installation) : null
    case 'measurement': {
      const { reading, value, duration } = one.payload
      const { label, min, max, unit } = readingKind(reading)
      const told = (figure: number) =>
        unit === 'mm' ? format.length(figure) : format.figure(figure, unit)
      if (value < min || value > max)
        return `${label}: ${told(min)} to ${told(max)}; this is ${told(value)}`
      return duration !== undefined && (duration < HELD_FOR.min || duration > HELD_FOR.max)
        ? `${label}: the hold lasts 1 s to 7 days`
        : null
    }
    case 'topUp':
      return (one.payload.volume ?? 0) > WORKSHOP_VOLUME.max
        ? `Top-up: at most ${format.volume(WORKSHOP_VOLUME.max)}`
        : null
    case 'bleedCycle': {
      const { strokes = 1, bottle = 0 } = one.payload
      if (strokes < 1 || strokes > 200) return 'Strokes: 1 to 200 in one cycle'
      return bottle > WORKSHOP_VOLUME.max
        ? `In the bottle: at most ${format.volume(WORKSHOP_VOLUME.max)} in one cycle`
        : null
    }
    case 'pedalSays':
      return (one.payload.mm ?? 0) > MOST_FREE
        ? `Free travel: at most ${format.length(MOST_FREE)}`
        : null
    case 'followUp':
    case 'approval':
    case 'deferred':
      return recordProblem(one, format)
    case 'stageProof':
      return one.payload.travel > MOST_FREE ? `Free travel: at most ${format.length(MOST_FREE)}` : null
    case 'fluidDisposed':
      return one.payload.volume > WORKSHOP_VOLUME.max
        ? `To collection: at most ${format.volume(WORKSHOP_VOLUME.max)}`
        : null
    case 'trick': {
      const { degrees = 0, minutes = 0 } = one.payload
      if (degrees > MOST_TILT) return `At most ${MOST_TILT}°`
      return minutes > TWO_DAYS ? 'At most two days' : null
    }
    case 'parameter':
      return parameterProblem(one.payload, format, installation)
    case 'circuitPlan':
      for (const change of one.payload.changes) {
        const problem =
          change.change === 'field' ? parameterProblem(change, format, installation) : null
        if (problem) return problem
      }
      return null
    case 'joint':
      return installation && !jointPlaces(installation).includes(one.payload.at)
        ? `${jointWords(one.payload.at)}: this circuit has no such joint`
        : null
    case 'fitCheck':
      return rowProblem(one.payload)
    case 'adjust': {
      const { label, min, max } = ADJUSTED[one.payload.what]
      const out = [one.payload.from, one.payload.to].find((value) => value < min || value > max)
      return out === undefined
        ? null
        : `${label}: ${adjustedFigure(one.payload.what, min, format)} to ${adjustedFigure(one.payload.what, max, format)}`
    }
    default:
      return null
  }
}

/** A figure of the circuit out of its bounds, or of a part that this vehicle has not. */
function parameterProblem(
  { field, value }: { field: string; value: number | string },
  format: Format,
  installation: LineContext['installation'],
): string | null {
  const known = installationField(field)
  if (typeof value === 'string' || !known) return null
  if (value < known.min || value > known.max)
    return `${known.label}: ${format.figure(known.min, known.unit)} to ${format.figure(known.max, known.unit)}; this is ${format.figure(value, known.unit)}`
  const missing = installation && !known.optional && valueAt(installation, field) === null
  return missing ? `${known.label}: this vehicle has no such part` : null
}
