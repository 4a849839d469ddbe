/**
 * Constants of a bleed with their usual value and, where they are estimates or assumptions, their low and high: what a rank is drawn
 * over. One table, a reason a row.
 */
export interface BleedConstant {
  name: string
  unit: string
  usual: number
  /** Absent where the value is set, not guessed at. */
  low?: number
  high?: number
  min: number
  max: number
  reason: string
}
const row = (
  name: string,
  unit: string,
  usual: number,
  range: readonly [number, number] | null,
  [min, max]: readonly [number, number],
  reason: string,
): BleedConstant => ({
  name,
  unit,
  usual,
  ...(range && { low: range[0], high: range[1] }),
  min,
  max,
  reason,
})

const CONSTANTS_TABLE = [
  row('Cd', '', 0.6, [0.5, 0.75], [0.1, 1], 'Sharp-edged hole; a worn one flows better.'),
  row(
    'burpShare',
    '',
    0.5,
    [0.25, 0.8],
    [0, 1],
    'How much of what passes the port is gas; nobody has measured it.',
  ),
  row('cupCrack', 'kPa', 10, [4, 25], [0, 500], 'Pressure at which a cup lets fluid past its lip.'),
  row('cupR', 'Pa s/ml', 1000, [400, 3000], [1, 1e6], 'Holes behind the cup, and its lip.'),
  row(
    'bleederR',
    'Pa s/ml',
    2000,
    [1200, 6000],
    [10, 1e7],
    'A 1.5 mm drilling 20 mm long; 10 000 and more barely cracked.',
  ),
  row(
    'crevice',
    'ml',
    0.05,
    [0.02, 0.1],
    [0, 1],
    'What stays behind a cup and in threads whatever is done.',
  ),
  row('tPush', 's', 1.5, [1, 2.5], [0.1, 30], 'A foot told to push.'),
  row('tLift', 's', 1.5, [1, 2.5], [0.1, 30], 'Slow enough not to draw past the cup.'),
  row('tValve', 's', 1, [0.6, 2], [0, 60], 'A hand on the wrench.'),
  row('pumps', '', 4, null, [1, 40], 'As it is usually called.'),
  row('tPump', 's', 2, [1.5, 3], [0.2, 30], 'Down and up.'),
  row('tHold', 's', 1, [0.5, 2], [0, 60], 'Until the call comes back.'),
  row(
    'letOut',
    '',
    0.4,
    [0.15, 0.7],
    [0, 1],
    'Share of a stroke that leaves at an opening: decides pump and hold.',
  ),
  row('holdPressure', 'MPa', 2, [1, 3], [0.11, 20], 'A foot that holds and does not stamp.'),
  row('strokeShare', '', 0.85, [0.7, 0.95], [0.05, 1], 'A bar stops short of a foot.'),
  row('tripTime', 's', 20, null, [0, 600], 'From the pedal to the screw and back.'),
  row(
    'overPressure',
    'kPa',
    30,
    null,
    [1, 300],
    'Read off the gauge; the maker of cap and vehicle sets the most.',
  ),
  row('vacuum', 'kPa', 80, null, [1, 100], 'Read off the gauge: 50 to 70 is common.'),
  row(
    'falseAir',
    'ml/min',
    20,
    [5, 60],
    [0, 2000],
    'Past the threads of a plain screw; a taped one none, a loose one 100 to 300.',
  ),
  row(
    'falseShare',
    '',
    0.02,
    [0.005, 0.06],
    [0, 1],
    'How much of it finds its way in and not straight out.',
  ),
  row(
    'falseBack',
    '',
    0.01,
    [0, 0.04],
    [0, 1],
    'Air drawn back with the fluid by a hose that is under.',
  ),
  row('vacuumCapacity', 'ml/min', 400, [200, 1000], [10, 1e5], 'What the pump keeps up with.'),
  row('dryVacuum', 'kPa', 85, null, [1, 100], 'Read off the gauge.'),
  row('injectQ', 'ml/s', 2, [1, 4], [0.01, 50], 'A hand on the injector.'),
  row(
    'jetMix',
    '',
    0.1,
    [0.02, 0.4],
    [0, 1],
    'How well the jet stirs the slave: injection stands or falls with it.',
  ),
  row('bleederBore', 'mm', 1.8, [1.5, 2.2], [0.3, 10], 'Drilling of the screw.'),
  row('batch', 'ml', 50, null, [1, 1000], 'What is drawn before one looks at the level.'),
  row('handling', 's', 10, null, [0, 3600], 'Bottle, gauge, level.'),
  row('bubble', 'mm', 0.8, [0.5, 1.2], [0.05, 5], 'What tapping breaks a slug into.'),
  row('packed', '', 0.8, null, [0.1, 1], 'Gas that a cell passes on at the most; hardly matters.'),
] as const
export const BLEED_CONSTANTS: readonly BleedConstant[] = CONSTANTS_TABLE

export type ConstantName =
  | 'Cd'
  | 'burpShare'
  | 'cupCrack'
  | 'cupR'
  | 'bleederR'
  | 'crevice'
  | 'tPush'
  | 'tLift'
  | 'tValve'
  | 'pumps'
  | 'tPump'
  | 'tHold'
  | 'letOut'
  | 'holdPressure'
  | 'strokeShare'
  | 'tripTime'
  | 'overPressure'
  | 'vacuum'
  | 'falseAir'
  | 'falseShare'
  | 'falseBack'
  | 'vacuumCapacity'
  | 'dryVacuum'
  | 'injectQ'
  | 'jetMix'
  | 'bleederBore'
  | 'batch'
  | 'handling'
  | 'bubble'
  | 'packed'
export type Constants = Record<ConstantName, number>
export const usualConstants = (): Constants =>
  Object.fromEntries(BLEED_CONSTANTS.map(({ name, usual }) => [name, usual])) as Constants
