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
  Outcome,
  PedalSays,
  RuleName,
} from '../journal'

export { chanceWords } from './chance'
export { countOf } from './count'

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
export const BLEED_PHASE_WORDS: Record<BleedPhase, string> = {
  fill: 'Fill',
  flush: 'Flush',
  finish: 'Finish',
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
