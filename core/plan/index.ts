/** The plan of the work: packages put together for one vehicle, the order that breaks no rule, its time, and the check of any sequence. */
export { answerPlan, makePlan, stepIds, type PlanAnswer } from './answer'
export { checkSequence, type Breach } from './check'
export { PLAN_RULES, type PlanRule } from './rules'
export { PLAN_CHOICES, planChoice, type PlanChoice } from './choices'
export { emptiedBy, heldByWork, isPutOn, leftByWork, spoiledBy, spoilsBleed } from './ledger'
export {
  PUT_ON,
  PUT_ON_ITEMS,
  REMOVED,
  REMOVED_ITEMS,
  type PutOnItem,
  type RemovedItem,
} from './put-on'
export { learntFactor, learntMinutes, type Learnt, type StepTimes } from './learn'
export { stillWanted, type Owed } from './owed'
export { notePlaces } from './note-places'
export { bestOrder, objectiveOf, type Objective } from './order'
export {
  PACKAGE_IDS,
  PACKAGES,
  stepTitle,
  type Package,
  type StepTold as PackageStep,
} from './packages'
export { readPlan, readSteps, VEHICLE_FACTS, type PlanAsked } from './read'
export { isPassing, STATES, stateWords } from './states'
export {
  CAUTIONS,
  type Caution,
  PLACES,
  RECORDS,
  type Place,
  type RecordName,
  type Step,
  type VehicleFacts,
} from './step'
export { SURPRISE_KINDS, surpriseWords, SURPRISES, type SurpriseKind } from './surprises'
export { isOwn, OWN_ID } from './packages'
export { PACKAGE_SCHEMA, readPackage } from './read-package'
