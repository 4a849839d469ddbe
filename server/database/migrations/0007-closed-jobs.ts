import type { Migration } from '../migrate'

/** A closed job leaves the bench; what stays there is found by a key of its own, in the bench's order. */
export const closedJobs: Migration = {
  name: '0007-closed-jobs',
  up: [
    `ALTER TABLE jobs
      MODIFY COLUMN standing ENUM('open', 'stopped', 'done', 'closed') NOT NULL DEFAULT 'open'`,
    `ALTER TABLE jobs
      ADD COLUMN onBench TINYINT(1) NOT NULL DEFAULT 1,
      ADD KEY jobs_on_bench (onBench, changedAt, id)`,
  ],
  down: [
    'ALTER TABLE jobs DROP KEY jobs_on_bench, DROP COLUMN onBench',
    "UPDATE jobs SET standing = 'done' WHERE standing = 'closed'",
    `ALTER TABLE jobs
      MODIFY COLUMN standing ENUM('open', 'stopped', 'done') NOT NULL DEFAULT 'open'`,
  ],
}
