import type { ConstantName } from './constants'
import type { BleedRun } from './methods'

const FLOWING: readonly BleedRun[] = ['gravity', 'pressure', 'vacuum']
const OPEN: readonly BleedRun[] = ['submerged', 'checkValve']
const PULLED: readonly BleedRun[] = ['vacuum']
const BURPS: readonly BleedRun[] = [
  'openPush',
  'pumpHold',
  'prop',
  'hang',
  'shortStrokes',
  'overnight',
  ...OPEN,
]

/** Methods on which a constant can tell at all; one that is not listed tells on all of them. */
const BEARS_ON: Partial<Record<ConstantName, readonly BleedRun[]>> = {
  Cd: FLOWING,
  burpShare: BURPS,
  cupCrack: [...FLOWING, ...OPEN],
  cupR: [...FLOWING, ...OPEN],
  bleederR: [...FLOWING, ...OPEN],
  tPush: ['openPush', 'hang', ...OPEN],
  tLift: ['openPush', 'prop', 'pumpHold', 'hang', ...OPEN],
  tValve: ['openPush', 'prop', 'pumpHold', 'hang'],
  pumps: ['pumpHold'],
  tPump: ['pumpHold'],
  tHold: ['pumpHold'],
  letOut: ['pumpHold'],
  holdPressure: ['pumpHold'],
  strokeShare: ['prop'],
  tripTime: ['prop'],
  overPressure: ['pressure'],
  vacuum: PULLED,
  falseAir: PULLED,
  falseShare: PULLED,
  vacuumCapacity: PULLED,
  falseBack: OPEN,
  dryVacuum: ['dryVacuum'],
  injectQ: ['inject'],
  jetMix: ['inject'],
  bleederBore: ['inject'],
  batch: [...FLOWING, 'inject'],
  handling: [...FLOWING, 'inject'],
  bubble: ['tap'],
}

export const bearsOn = (name: ConstantName, steps: readonly BleedRun[]): boolean =>
  BEARS_ON[name] === undefined || steps.some((one) => BEARS_ON[name]!.includes(one))
