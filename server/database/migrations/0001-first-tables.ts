import type { Migration } from '../migrate'

const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci'
const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'

/** People, vehicles, jobs and the journal's entries. */
export const firstTables: Migration = {
  name: '0001-first-tables',
  up: [
    `CREATE TABLE people (
      id ${ULID} NOT NULL PRIMARY KEY,
      name VARCHAR(80) NOT NULL,
      createdAt DATETIME(3) NOT NULL,
      UNIQUE KEY people_name (name)
    ) ${TABLE}`,
    `CREATE TABLE vehicles (
      id ${ULID} NOT NULL PRIMARY KEY,
      name VARCHAR(120) NOT NULL,
      plate VARCHAR(20) NULL,
      createdAt DATETIME(3) NOT NULL,
      lastSequence INT UNSIGNED NOT NULL DEFAULT 0,
      KEY vehicles_name (name)
    ) ${TABLE}`,
    `CREATE TABLE jobs (
      id ${ULID} NOT NULL PRIMARY KEY,
      vehicleId ${ULID} NOT NULL,
      title VARCHAR(160) NOT NULL,
      kind VARCHAR(24) NOT NULL,
      createdAt DATETIME(3) NOT NULL,
      lastSequence INT UNSIGNED NOT NULL DEFAULT 0,
      KEY jobs_vehicle (vehicleId, id),
      CONSTRAINT jobs_of_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicles (id) ON DELETE RESTRICT
    ) ${TABLE}`,
    `CREATE TABLE entries (
      id ${ULID} NOT NULL PRIMARY KEY,
      jobId ${ULID} NULL,
      vehicleId ${ULID} NULL,
      sequence INT UNSIGNED NOT NULL,
      kind VARCHAR(24) NOT NULL,
      at DATETIME(3) NOT NULL,
      byId ${ULID} NOT NULL,
      payload JSON NOT NULL,
      corrects ${ULID} NULL,
      withdraws ${ULID} NULL,
      UNIQUE KEY entries_job_sequence (jobId, sequence),
      UNIQUE KEY entries_vehicle_sequence (vehicleId, sequence),
      KEY entries_job_kind (jobId, kind, sequence),
      KEY entries_by (byId),
      KEY entries_corrects (corrects),
      KEY entries_withdraws (withdraws),
      CONSTRAINT entries_one_subject CHECK ((jobId IS NULL) <> (vehicleId IS NULL)),
      CONSTRAINT entries_of_job FOREIGN KEY (jobId) REFERENCES jobs (id) ON DELETE RESTRICT,
      CONSTRAINT entries_of_vehicle FOREIGN KEY (vehicleId) REFERENCES vehicles (id) ON DELETE RESTRICT,
      CONSTRAINT entries_by_person FOREIGN KEY (byId) REFERENCES people (id) ON DELETE RESTRICT,
      CONSTRAINT entries_correct FOREIGN KEY (corrects) REFERENCES entries (id) ON DELETE RESTRICT,
      CONSTRAINT entries_withdraw FOREIGN KEY (withdraws) REFERENCES entries (id) ON DELETE RESTRICT
    ) ${TABLE}`,
  ],
  down: ['DROP TABLE entries', 'DROP TABLE jobs', 'DROP TABLE vehicles', 'DROP TABLE people'],
}
