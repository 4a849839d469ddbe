import type { BleedRun } from '../bleed'
import type { ProofStage } from '../circuit'
import type { First, Scope, Way } from '../diagnosis'
import type { JointPlace } from '../installation'
import type { Caution, Place } from '../plan'
import type { SizingAdvice } from '../sizing'
import type {
  BleedPhase,
  BleedSign,
  CameOut,
  Grade,
  JobKind,
  KitItem,
  Method,
  Outcome,
  PedalSays,
  RuleName,
  Stage,
  Trick,
} from '../journal'

export { chanceWords } from './chance'
export { countOf } from './count'
export {
  CALL_WORDS,
  pumpWords,
  RIGHT_SENTENCES,
  standsOf,
  STOPPED_FIRST,
  THING_SENTENCES,
  USUAL_PUMPS,
  CANNOT_WORDS,
  ROLE_WORDS,
  sentenceOf,
  SENTENCES,
  SIGN_SAYS,
  STATE_WORDS,
  TRICK_CAUTIONS,
  UNUSUAL_WORDS,
  WORK_WORDS,
  type Said,
  type SentenceAsked,
} from './coach'

/**
 * The trade's words for what the core names: for screens, papers and searches alike. Types alone are imported, so that a page
 * that shows a word carries no table.
 */
export const JOB_KIND_WORDS: Record<JobKind, string> = {
  fault: 'Fault',
  refresh: 'Refresh',
  upgrade: 'Upgrade',
  fluidService: 'Fluid service',
  partsBrought: 'Parts brought',
  afterOtherWork: 'After other work',
}
export const STAGE_WORDS: Record<Stage, string> = {
  find: 'Find',
  choose: 'Choose',
  fit: 'Fit',
  bleed: 'Bleed',
  prove: 'Prove',
  record: 'Record',
}
export const OUTCOME_WORDS: Record<Outcome, string> = {
  pass: 'Proven',
  notYet: 'Not yet',
  stop: 'Stop',
}
export const CAME_OUT_WORDS: Record<CameOut, string> = {
  nothing: 'Nothing',
  foam: 'Foam',
  large: 'Large bubbles',
  few: 'Few bubbles',
  clear: 'Clear',
}
export const METHOD_WORDS: Record<Method, { name: string; cycle: string }> = {
  openPush: {
    name: 'Open, down, close, up',
    cycle: 'One helper. Open, pedal down, close, and only then up.',
  },
  pumpHold: {
    name: 'Pump, hold, open, close',
    cycle: 'One helper. Pump, hold; open and close before the pedal rises.',
  },
  prop: { name: 'Pedal propped down', cycle: 'Alone. Open, push and prop; close, then lift.' },
  submerged: { name: 'Hose under fluid, left open', cycle: 'Alone. The hose end must stay under.' },
  checkValve: { name: 'Check-valve hose', cycle: 'Alone. Watch the screw’s thread for leaks.' },
  gravity: { name: 'Gravity', cycle: 'Alone and patient; a crest may keep its air.' },
  pressure: {
    name: 'Low pressure at the reservoir',
    cycle: 'Start at 30 kPa; the maker of cap and vehicle sets the most.',
  },
  vacuum: {
    name: 'Vacuum at the bleeder',
    cycle: 'Alone. Bubbles that never stop may come past the thread.',
  },
  inject: { name: 'From the bleeder up', cycle: 'Empty the reservoir first, and purge the injector.' },
  hang: {
    name: 'Off the vehicle, hung in a line',
    cycle: 'The whole circuit comes out; no crest is left.',
  },
  reservoirVacuum: {
    name: 'Vacuum at the reservoir',
    cycle: 'Alone. Draw, wait two minutes, let it back slowly; a few times.',
  },
  slaveStrokes: {
    name: 'Slave strokes in place',
    cycle: 'Slave off its bolts, port uppermost, cap off: rod in, wait, let it out slowly.',
  },
  crackedUnion: {
    name: 'At a cracked union',
    cycle: 'One helper. Crack the union at the slave, push, nip it up, and only then lift.',
  },
  benchLoop: {
    name: 'Master on the bench, hose looped',
    cycle: 'Short slow strokes, both ends of the loop under fluid.',
  },
}
/** A method as a sequence names it. */
export const RUN_WORDS: Record<BleedRun, string> = {
  openPush: 'Open, down, close, up',
  pumpHold: 'Pump, hold, open, close',
  prop: 'Pedal propped down',
  checkValve: 'Check-valve hose',
  submerged: 'Hose under fluid, left open',
  gravity: 'Gravity',
  pressure: 'Pressure at the reservoir',
  vacuum: 'Vacuum at the bleeder',
  inject: 'From the bleeder up',
  dryVacuum: 'Vacuum at the reservoir',
  hang: 'Off the vehicle, hung in a line',
  slavePush: 'Slave strokes in place',
  shortStrokes: 'Ten short strokes',
  bottom: 'Slave pushed home, screw open',
  tap: 'Line tapped',
  overnight: 'Pedal wedged down overnight',
}
export const BLEED_PHASE_WORDS: Record<BleedPhase, string> = {
  fill: 'Fill',
  flush: 'Flush',
  finish: 'Finish',
}
export const TRICK_WORDS: Record<Trick, string> = {
  shortStrokes: 'Ten short strokes, cap off',
  tap: 'Line tapped along its way',
  noseUp: 'Nose of the vehicle up',
  noseDown: 'Nose of the vehicle down',
  turned: 'Slave turned, bleed screw uppermost',
  bottomed: 'Slave pushed home, screw open',
  wedged: 'Pedal wedged down',
  slavePrimed: 'Slave primed: rod in, filled, let out slowly',
  masterPrimed: 'Master primed at its cracked outlet',
}
export const BLEED_SIGN_WORDS: Record<BleedSign, string> = {
  hoseOff: 'Hose off',
  threadWet: 'Thread wet',
  bubblesHeard: 'Bubbles heard',
}
export const PROOF_STAGE_WORDS: Record<ProofStage, string> = {
  master: 'master alone',
  masterAndLine: 'master with line',
  whole: 'the whole circuit',
}
export const PEDAL_SAYS_WORDS: Record<PedalSays, string> = {
  firmer: 'firmer',
  toFloor: 'to the floor',
  stuck: 'stays down',
  easy: 'no resistance',
  free: 'takes up',
}
export const KIT_WORDS: Record<KitItem, string> = {
  pump: 'Pump oil can',
  vacuumPump: 'Vacuum pump',
  pressureCap: 'Cap for the reservoir, with gauge',
  injector: 'Injector or large syringe',
  checkValveHose: 'Hose with a check valve',
  hose: 'Clear hose and bottle',
  prop: 'Bar for the pedal',
  wedge: 'Clamp and wedge',
}
/** What a finished job is judged by, as it is measured again. */
export const RULE_WORDS: Record<RuleName, string> = {
  complaint: 'what was complained of',
  reserve: 'free travel and take-up',
  sink: 'sink under a held foot',
  rodStroke: 'rod stroke',
  rodClearance: 'rod clearance',
  returnTime: 'pedal’s return',
  gearQuiet: 'unsynchronised gear',
  overnight: 'free travel overnight',
  levelFall: 'level',
  pushBack: 'push-back',
  switches: 'switches',
  unionsDry: 'unions dry',
  slip: 'load test',
  drag: 'drag',
  clearInRow: 'clear cycles',
  brakes: 'brake pedal',
  ledger: 'what is on or off',
  cause: 'confirmed cause and its repair',
}
/** The schools, as they are asked for. */
export const SCOPE_WORDS: Record<Scope, string> = {
  proven: 'Only what is proven',
  pair: 'Master and slave together',
  all: 'Master, slave and hose',
}
export const WAY_WORDS: Record<Way, string> = { replace: 'Renew', rebuild: 'Rebuild' }
export const FIRST_WORDS: Record<First, string> = {
  part: 'Part first',
  bleed: 'Bleed first, then watch',
}
export const GRADE_WORDS: Record<Grade, string> = { gone: 'Gone', less: 'Less', same: 'Same' }

/** Where a joint is, as one would say it. */
export function jointWords(at: JointPlace): string {
  switch (at) {
    case 'feed':
      return 'Feed at the master'
    case 'masterOutlet':
      return 'Master’s outlet'
    case 'slavePort':
      return 'Slave’s port'
    case 'bleeder':
      return 'Bleed screw'
    default: {
      const before = Number(at.slice(5)) + 1
      return `Line ${before} to line ${before + 1}`
    }
  }
}

/** What is advised of a combination of cylinders, in two words. */
export const ADVICE_WORDS: Record<SizingAdvice, string> = {
  notReleasing: 'does not free the disc',
  tooLittleRoom: 'too little room for wear',
  tooHeavy: 'too heavy',
  tooLow: 'takes up too low',
  waitForBedding: 'once the disc has bedded in',
  fits: 'fits',
}

/** Where a step is done. */
export const PLACE_WORDS: Record<Place, string> = {
  bench: 'At the bench',
  engineBay: 'In the engine bay',
  footwell: 'In the footwell',
  under: 'Under the vehicle',
  wheelArch: 'Beside the vehicle',
  road: 'On the road',
}
/** Cautions as they stand beside a step; the maker's data, local codes and licensed practice come before them. */
export const CAUTION_WORDS: Record<Caution, string> = {
  fluid: 'Fluid: eyes, skin, paint; water at hand.',
  eyes: 'Glasses on.',
  jack: 'Never under it on a jack alone.',
  hot: 'Hot exhaust beside it.',
  clutchDust: 'Clutch dust: wiped wet, never blown.',
  asbestos: 'Old dust may hold asbestos.',
  spring: 'A piston under its spring flies.',
  pedalNobody: 'Nobody at the pedal.',
  air: 'Air only at a whisper, into a rag, nobody in line.',
  battery: 'Negative off first, on last.',
  engineRunning: 'Nobody under or in front; brake on, out of gear.',
  brakes: 'A brake job too: local codes and a licensed hand decide.',
  heavy: 'Heavy: two hands or a jack.',
  sharp: 'Sharp edges.',
  startInGear: 'Expect a start in gear.',
}
/** A caution of a package of the shop's own may be any words. */
export const cautionWords = (code: string): string =>
  Object.hasOwn(CAUTION_WORDS, code) ? CAUTION_WORDS[code as Caution] : code
