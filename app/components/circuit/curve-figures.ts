import type { ClampState, CurvePoint, PressCurve } from '~~/core/circuit'
import type { CoreUnit } from '~~/core/quantity'

/** What is drawn over pad travel. */
export const QUANTITIES = [
  { id: 'pedalForce', name: 'Pad force', unit: 'N' },
  { id: 'pressure', name: 'Pressure', unit: 'MPa' },
  { id: 'slaveTravel', name: 'Slave travel', unit: 'mm' },
  { id: 'bearingTravel', name: 'Bearing travel', unit: 'mm' },
] as const satisfies readonly { id: keyof CurvePoint; name: string; unit: CoreUnit }[]
export type QuantityId = (typeof QUANTITIES)[number]['id']

export interface DrawnCurve {
  name: string
  curve: PressCurve
}

export const CLAMP_WORDS: Record<ClampState, string> = {
  full: 'holds in full',
  slipping: 'slips',
  free: 'free',
}

/** Pad travels at which the clamp changes going down, mm; null where that is never reached. */
export function clampChanges({ down }: PressCurve): { slips: number | null; free: number | null } {
  const first = (clamp: ClampState) => down.find((point) => point.clamp === clamp)?.padTravel ?? null
  return { slips: first('slipping') ?? first('free'), free: first('free') }
}

/** Rows of the table and of the file: evenly spaced pads, every state beside the others, down and up. */
export function curveRows(curves: readonly DrawnCurve[], quantity: QuantityId, every: number) {
  const [first] = curves
  if (!first) return []
  const even = first.curve.down.filter((_, i) => i % every === 0)
  return even.map(({ padTravel }) => ({
    padTravel,
    values: curves.map(({ curve }) => ({
      down: at(curve.down, padTravel)?.[quantity] ?? null,
      up: at(curve.up, padTravel)?.[quantity] ?? null,
      clamp: at(curve.down, padTravel)?.clamp ?? null,
    })),
  }))
}

/** The last point at or before a pad travel: on a jump, the side beyond it. */
function at(points: readonly CurvePoint[], padTravel: number): CurvePoint | undefined {
  const end = points.at(-1)
  if (!end || padTravel > end.padTravel + 1e-6) return undefined
  let low = 0
  let high = points.length - 1
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    if (points[middle]!.padTravel <= padTravel + 1e-9) low = middle
    else high = middle - 1
  }
  return points[low]
}
