import type { LeftToGo } from '~~/core/coach'
import { withUnits } from '~/units/units'

/** How far the reservoir goes, in what is being done. */
export function goesWords({ unit, count }: LeftToGo): string {
  switch (unit) {
    case 'ml':
      return withUnits(1000 * count, 'mm³', 0)
    case 'minutes':
      return `${count} min`
    case 'rodStrokes':
      return `${count} rod ${count === 1 ? 'stroke' : 'strokes'}`
    default:
      return `${count} ${count === 1 ? unit.slice(0, -1) : unit}`
  }
}
/** So little that it is said aloud: ml, minutes, and whatever else is counted. */
const LOW = { ml: 15, minutes: 1 } as const
export const isLow = ({ unit, count }: LeftToGo): boolean =>
  unit === 'minutes' ? count < LOW.minutes : count <= (unit === 'ml' ? LOW.ml : 3)
