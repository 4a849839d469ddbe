/**
 * From what is said, seen, felt and measured to what is wrong, and what to look at next: the tables of complaints,
 * findings, readings, faults and repairs, and the inference over them.
 */
export * from './complaints'
export * from './findings'
export * from './readings'
export * from './faults'
export {
  NEEDS,
  safeConditions,
  unmet,
  USUAL_CONDITIONS,
  type Conditions,
  type NeedKind,
} from './conditions'
export {
  BLEED,
  costOf,
  OPENED_BY,
  priceOf,
  REPAIRS,
  repairWords,
  repairOf,
  SHOP_COSTS,
  type Repair,
  type RepairId,
  type ShopCosts,
} from './repairs'
export { fits, knowledgeOf, whyNotHere, type Knowledge, type Priors } from './knowledge'
export type { GoodFigures } from './expectations'
export { stopsOf, type Stop, type StopId } from './stops'
export { outdone, type Evidence, type Item } from './evidence'
export {
  diagnose,
  nextMove,
  SAID_PLAINLY,
  type Diagnosis,
  type NextMove,
  type Suspect,
} from './diagnose'
export type { Answer } from './answers'
export { LOOK_FIGURES, type Look } from './next-look'
export type { Advice } from './advice'
export type { Decision } from './stopping'
export type { Contradiction } from './contradictions'
export type { Reason } from './reasons'
export { GUIDES, walk, type Conclusion, type Guide, type GuideState, type GuideStep } from './guides'
export { priorsFrom, STRENGTH, type ModelRecord, type Moved, type ShopRecord } from './record'
export {
  FIRSTS,
  POLICY_FIGURES,
  weighPolicies,
  SCOPES,
  USUAL_POLICY,
  WAYS,
  type First,
  type Option,
  type Policy,
  type PolicyChoice,
  type Policies,
  type Scope,
  type Way,
} from './policies'
export { whyFavoured, type Favoured } from './favoured'
export { report, type Question, type Report, type SuspectTold } from './report'
export { QUESTION_FIELDS, readQuestion, readRecord } from './read-question'
export { NOISE_PLACES, type NoisePlace } from './noise-hunt'
