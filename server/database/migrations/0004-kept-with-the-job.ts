import type { Migration } from '../migrate'

const JOB_COLUMNS = [
  'ADD COLUMN changedAt DATETIME(3) NULL',
  'ADD COLUMN changedById CHAR(26) CHARACTER SET ascii COLLATE ascii_bin NULL',
  // Which list it stands in: still open, stopped, or done.
  `ADD COLUMN standing ENUM('open', 'stopped', 'done') NOT NULL DEFAULT 'open'`,
  `ADD COLUMN outcome ENUM('pass', 'notYet', 'stop') NULL`,
  'ADD COLUMN step JSON NULL',
  'ADD COLUMN causes JSON NULL',
  'ADD COLUMN closedAt DATETIME(3) NULL',
  // What is kept was folded by this version of the rules, and from all entries, unless fresh is 0.
  'ADD COLUMN rules SMALLINT UNSIGNED NOT NULL DEFAULT 0',
  'ADD COLUMN fresh TINYINT(1) NOT NULL DEFAULT 0',
  'ADD COLUMN changes INT UNSIGNED NOT NULL DEFAULT 0',
  'ADD KEY jobs_changed (changedAt, id)',
  'ADD KEY jobs_standing (standing, changedAt, id)',
  'ADD KEY jobs_fresh (fresh)',
  'ADD KEY jobs_closed (closedAt)',
]

/**
 * What the entries of a job add up to is kept with the job, so that a list reads rows and folds nothing; cues between
 * tablets, which are no entries; and a row that health writes to.
 */
export const keptWithTheJob: Migration = {
  name: '0004-kept-with-the-job',
  up: [
    `ALTER TABLE jobs ${JOB_COLUMNS.join(', ')}`,
    `UPDATE jobs j JOIN entries e ON e.jobId = j.id AND e.sequence = j.lastSequence
        SET j.changedAt = e.at, j.changedById = e.byId`,
    'UPDATE jobs SET changedAt = createdAt WHERE changedAt IS NULL',
    'ALTER TABLE entries ADD KEY entries_by_job (byId, jobId)',
    `CREATE TABLE cues (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      jobId CHAR(26) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      cue JSON NOT NULL,
      at DATETIME(3) NOT NULL,
      KEY cues_at (at),
      CONSTRAINT cues_of_job FOREIGN KEY (jobId) REFERENCES jobs (id) ON DELETE CASCADE
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`,
    `CREATE TABLE pulse (
      id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
      at DATETIME(3) NOT NULL
    ) ENGINE=InnoDB`,
  ],
  down: [
    'DROP TABLE pulse',
    'DROP TABLE cues',
    'ALTER TABLE entries DROP KEY entries_by_job',
    `ALTER TABLE jobs DROP KEY jobs_changed, DROP KEY jobs_standing, DROP KEY jobs_fresh, DROP KEY jobs_closed,
      DROP COLUMN changedAt, DROP COLUMN changedById, DROP COLUMN standing, DROP COLUMN outcome, DROP COLUMN step,
      DROP COLUMN causes, DROP COLUMN closedAt, DROP COLUMN rules, DROP COLUMN fresh, DROP COLUMN changes`,
  ],
}
