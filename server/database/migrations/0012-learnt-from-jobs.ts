import type { Migration } from '../migrate'

/** What was done in a job and how long its steps took, as it stands after what was put right and taken back. */
export const learntFromJobs: Migration = {
  name: '0012-learnt-from-jobs',
  up: ['ALTER TABLE jobs ADD COLUMN work JSON NULL, ADD COLUMN stepsTook JSON NULL'],
  down: ['ALTER TABLE jobs DROP COLUMN stepsTook, DROP COLUMN work'],
}
