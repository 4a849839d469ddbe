import type { Role } from '../../bleed/methods'
import type { BleedSign } from '../../entries'
import type { CannotBe } from '../can'
import type { Unusual } from '../state'
import type { Work } from '../works'

export { CALL_WORDS, STATE_WORDS } from './calls'
export { pumpWords, sentenceOf, standsOf, USUAL_PUMPS, type Said, type SentenceAsked } from './said'
export { RIGHT_SENTENCES, STOPPED_FIRST, type Stands } from './right'
export { THING_SENTENCES } from './ready'
export { SENTENCES, type Row, type Sentences } from './sentences'

export const ROLE_WORDS: Record<Role, { at: string; who: string }> = {
  pedal: { at: 'At the pedal', who: 'the pedal' },
  bleeder: { at: 'At the screw', who: 'the screw' },
}
export const WORK_WORDS: Record<Work, string> = {
  masterAlone: 'Proof: master alone, plugged',
  withLine: 'Proof: master with its line',
  withSlave: 'Proof: with the slave',
  endFill: 'Put back and filled to the mark',
  putAway: 'Closed and put away',
}
/** Why the coach does not call it here. */
export const CANNOT_WORDS: Record<CannotBe, string> = {
  noScrew: 'This slave has no bleed screw to open.',
  twoPeople: 'It takes one at the pedal and one below, at the same time.',
  shared:
    'The brakes share this reservoir: not under pressure, vacuum or from below, unless somebody who answers for the brakes says so under Methods.',
}
/** Three times running: what it means, and what to try. */
export const UNUSUAL_WORDS: Record<Unusual, { means: string; tries: string }> = {
  foam: {
    means:
      'Foam three times running. Air is being drawn in, or there is far more of it than this way moves.',
    tries:
      'Is the hose end under, and tight on the screw? Is the screw opened too far (its thread is wet)? Is a union or the boot damp? If all is dry, go over to another way.',
  },
  nothing: {
    means: 'Nothing three times running. What is pushed does not arrive at the screw.',
    tries:
      'Is the screw really open, and not blocked? Does the level fall at all? A new master may not have primed; the feed may be clamped, or the rod too long so that the port is shut.',
  },
}
/** What goes wrong beside the cycle: what it means, and what to do. */
export const SIGN_SAYS: Record<BleedSign, string> = {
  hoseOff:
    'Close the screw first, then push the hose back on, dry, and tie it. If the pedal came up while it was off, air went in at the screw: bleed on.',
  threadWet:
    'Opened too far: fluid passes the thread, and air can come in there. A quarter turn is enough; wipe the screw and go on.',
  bubblesHeard:
    'In the reservoir: air is leaving by the port, leave it time between strokes. At the slave or a union: air is being drawn in, look for wet there before you bleed on.',
}
