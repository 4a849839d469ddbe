import { type BleedChange, METHOD_ROWS, TRICK_ROWS } from '~~/core/bleed'
import { isMethod } from '~~/core/coach'
import type { Method, Trick } from '~~/core/journal'

/** What may be moved, turned or lifted first: its name, and how. */
export const CHANGE_WORDS: Record<BleedChange, { name: string; how: string }> = {
  crestLowered: {
    name: 'crest 60 mm lower',
    how: 'Unclip the line at its highest place and hold it down while you bleed.',
  },
  lineFalls: {
    name: 'line that falls all the way',
    how: 'Unclip it and let it hang, with no place higher than the one before.',
  },
  narrower: { name: 'line of 3.35 mm bore', how: 'When the line is renewed anyway.' },
  slaveTurned: {
    name: 'slave turned, screw uppermost',
    how: 'Off its bolts, straps on, pedal tagged: turn it until the screw is on top.',
  },
  noseUp: { name: 'nose 10° up', how: 'On ramps, wheels chocked. It serves the slave.' },
  noseDown: { name: 'nose 10° down', how: 'On ramps, wheels chocked. It serves the master.' },
}
export const stepWords = (method: Method | Trick): string =>
  isMethod(method) ? METHOD_ROWS[method].name : TRICK_ROWS[method].name

/** Constants that a place in a ranking may hang on, as one would say them. */
export const CONSTANT_WORDS: Record<string, string> = {
  Cd: 'how well the port in the master flows',
  burpShare: 'how much of what passes the port is air',
  cupCrack: 'when the cup lets fluid past its lip',
  cupR: 'how well fluid gets past the cup',
  bleederR: 'how far the bleed screw is opened',
  crevice: 'how much air hides behind cups',
  tPush: 'how quickly the pedal is pushed',
  tLift: 'how quickly it is lifted',
  tValve: 'how quickly the screw is worked',
  tPump: 'how quickly it is pumped',
  tHold: 'how long it is held',
  letOut: 'how much leaves at an opening: look at the bottle',
  holdPressure: 'how hard the pedal is held',
  strokeShare: 'how far the bar holds the pedal down',
  falseAir: 'how much air comes past the screw’s thread',
  falseShare: 'how much of that gets into the slave',
  falseBack: 'whether the hose end stays under',
  vacuumCapacity: 'what the pump keeps up with',
  injectQ: 'how fast it is injected',
  jetMix: 'how well the jet stirs the slave, which nobody has measured',
  bleederBore: 'the drilling of the screw',
  bubble: 'how small tapping breaks the bubbles',
}
