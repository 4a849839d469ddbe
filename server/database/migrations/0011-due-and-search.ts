import type { Migration } from '../migrate'

const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci'
const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'

/**
 * What jobs leave owed, by day; which job came back; and every word of a job or a vehicle, once each, to be searched. All of it
 * follows from the entries and is worked out behind the answers.
 */
export const dueAndSearch: Migration = {
  name: '0011-due-and-search',
  up: [
    `ALTER TABLE jobs
      ADD COLUMN provenAt DATETIME(3) NULL,
      ADD COLUMN complaints JSON NULL,
      ADD COLUMN cameBackOf ${ULID} NULL,
      ADD COLUMN searched TINYINT(1) NOT NULL DEFAULT 0,
      ADD KEY jobs_came_back (onBench, cameBackOf),
      ADD KEY jobs_came_back_of (cameBackOf),
      ADD KEY jobs_proven (provenAt),
      ADD KEY jobs_searched (searched)`,
    `ALTER TABLE vehicles
      ADD COLUMN searched TINYINT(1) NOT NULL DEFAULT 0,
      ADD KEY vehicles_searched (searched)`,
    `CREATE TABLE due_items (
      jobId ${ULID} NOT NULL,
      item ${ULID} NOT NULL,
      vehicleId ${ULID} NOT NULL,
      kind VARCHAR(24) NOT NULL,
      due DATE NULL,
      -- What has no day comes after all that has.
      sortDay DATE AS (COALESCE(due, '9999-12-31')) PERSISTENT,
      atKm INT UNSIGNED NULL,
      payload JSON NOT NULL,
      PRIMARY KEY (jobId, item),
      KEY due_items_due (sortDay, jobId, item),
      KEY due_items_vehicle (vehicleId, kind, due),
      CONSTRAINT due_items_of_job FOREIGN KEY (jobId) REFERENCES jobs (id) ON DELETE CASCADE
    ) ${TABLE}`,
    `CREATE TABLE search_words (
      id ${ULID} NOT NULL PRIMARY KEY,
      subject ENUM('job', 'vehicle') NOT NULL,
      changedAt DATETIME(3) NOT NULL,
      words MEDIUMTEXT NOT NULL,
      FULLTEXT KEY search_words_words (words)
    ) ${TABLE}`,
  ],
  down: [
    'DROP TABLE search_words',
    'DROP TABLE due_items',
    'ALTER TABLE vehicles DROP KEY vehicles_searched, DROP COLUMN searched',
    `ALTER TABLE jobs DROP KEY jobs_searched, DROP KEY jobs_came_back, DROP KEY jobs_came_back_of, DROP KEY jobs_proven, DROP COLUMN searched, DROP COLUMN cameBackOf,
      DROP COLUMN complaints, DROP COLUMN provenAt`,
  ],
}
