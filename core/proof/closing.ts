import type { JobState } from '../journal'
import { isProven } from './judge'
import { leftOver } from './on-vehicle'

/** Why a job is not closed without a word: it is not proven, or something is still on the vehicle or off its place. */
export type ClosingOwes = 'proof' | 'ledger'

/** What keeps a job from being closed without a reason; null where nothing does. Screen and server both ask this. */
export function closingOwes(state: JobState): ClosingOwes | null {
  if (leftOver(state).length > 0) return 'ledger'
  return isProven(state) ? null : 'proof'
}

export const CLOSING_WORDS: Record<ClosingOwes, string> = {
  proof: 'It is not proven: say why it is closed.',
  ledger: 'Something is still on or off its place: put it right, or say why it is closed so.',
}
