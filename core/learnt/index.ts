/** What a shop learns from its own jobs: which figures there are, how they are set, and shares with their doubt. */
export {
  LEARNT,
  settingOf,
  shareOf,
  type CameBackCount,
  type Learning,
  type Learnt,
  type LearntSetting,
} from './learnt'
