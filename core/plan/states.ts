/**
 * States that hold from the step that puts them to the step that takes them, in words; joints add their name after a colon.
 */
export const STATE_WORDS = {
  ignitionOff: 'ignition off',
  chocked: 'chocked',
  onStands: 'on stands',
  wheelOff: 'wheel off',
  panelOff: 'panel off',
  airboxOff: 'airbox off',
  batteryOff: 'battery disconnected',
  batteryTrayOff: 'battery tray out',
  dashPanelOff: 'dash panel off',
  starterOff: 'starter out',
  gearboxOut: 'gearbox out',
  paintCovered: 'paint covered',
  feedClamped: 'clamp on the feed hose',
  capSheeted: 'sheet under the cap',
  capOff: 'cap off',
  reservoirLow: 'reservoir drawn low',
  drained: 'drained',
  bleederOpen: 'bleed screw open',
  loopOn: 'loop hose on',
  propOn: 'pedal propped',
  pedalTagged: 'pedal tagged',
  pedalOff: 'pedal out',
  masterOff: 'master off',
  slaveFree: 'slave free',
  strapsOn: 'straps on',
  unitOut: 'unit out',
  lineOff: 'line off',
  bootOff: 'boot off',
  sensorOff: 'sensor off',
  reservoirFull: 'reservoir full',
  unionsTight: 'unions tight',
  masterFast: 'master bolted up',
  slaveFast: 'slave bolted up',
  pedalJoined: 'pedal joined',
  primed: 'primed',
  benchBled: 'bench-bled',
  bled: 'bled',
  rodSet: 'rod set',
  brakesProved: 'brakes proved',
  proven: 'proven',
} as const
export const STATES = Object.keys(STATE_WORDS) as readonly (keyof typeof STATE_WORDS)[]
/** Of a joint: `circuitOpen:slave`, `plugged:master`. */
const OF_A_JOINT = ['circuitOpen', 'plugged'] as const

/** What is so for good once it is reached; everything else has to be gone at the end. */
const LASTS: ReadonlySet<string> = new Set([
  'reservoirFull',
  'unionsTight',
  'masterFast',
  'slaveFast',
  'pedalJoined',
  'primed',
  'benchBled',
  'bled',
  'rodSet',
  'brakesProved',
  'proven',
])

const JOINT = /^(circuitOpen|plugged):./
/** True for what must not be left when the work is over; names that are not of this list are nobody's to judge. */
export const isPassing = (name: string): boolean =>
  JOINT.test(name) || ((STATES as readonly string[]).includes(name) && !LASTS.has(name))
export const isOpening = (name: string): boolean => name.startsWith(`${OF_A_JOINT[0]}:`)

/** What keeps fluid from running while the circuit is open. */
export const FEED_HELD = ['feedClamped', 'capSheeted', 'reservoirLow', 'drained'] as const

/** A state in words, with its joint where it has one. */
export function stateWords(name: string): string {
  const [kind, joint] = name.split(':')
  if (joint !== undefined) return kind === 'circuitOpen' ? `open at ${joint}` : `plugged at ${joint}`
  return STATE_WORDS[name as keyof typeof STATE_WORDS] ?? name
}
