/** What a shop learns from its own jobs: which figures there are, how they are set, shares with their doubt, what steps took. */
export { stepsTook, type StepTook } from './from-job'
export {
  LEARNT,
  settingOf,
  shareOf,
  type CameBackCount,
  type Learning,
  type Learnt,
  type LearntSetting,
} from './learnt'
