import type { Migration } from '../migrate'

const ULID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'

/**
 * Two records of one person are merged: the one keeps its id, for entries name it, and stands for the other from then on. Only
 * names that are shown must differ. What was done to names is kept with who and when.
 */
export const peopleMerged: Migration = {
  name: '0014-people-merged',
  up: [
    `ALTER TABLE people
      ADD COLUMN mergedInto VARCHAR(26) CHARACTER SET ascii COLLATE ascii_bin NULL,
      ADD CONSTRAINT people_merged FOREIGN KEY (mergedInto) REFERENCES people (id) ON DELETE RESTRICT`,
    // VARCHAR above: what is worked out from a CHAR hangs on a mode of the session, and can bear no index.
    'ALTER TABLE people ADD COLUMN isShown TINYINT AS (IF(mergedInto IS NULL, 1, NULL)) VIRTUAL',
    `ALTER TABLE people DROP KEY people_name, ADD UNIQUE KEY people_name (name, isShown)`,
    `CREATE TABLE people_entries (
      id ${ULID} NOT NULL PRIMARY KEY,
      personId ${ULID} NOT NULL,
      kind ENUM('renamed', 'merged', 'parted') NOT NULL,
      payload JSON NOT NULL,
      at DATETIME(3) NOT NULL,
      byId ${ULID} NOT NULL,
      filedAt DATETIME(3) NOT NULL,
      KEY people_entries_person (personId, filedAt),
      KEY people_entries_filed (filedAt),
      CONSTRAINT people_entries_of FOREIGN KEY (personId) REFERENCES people (id) ON DELETE RESTRICT,
      CONSTRAINT people_entries_by FOREIGN KEY (byId) REFERENCES people (id) ON DELETE RESTRICT
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`,
  ],
  down: [
    'DROP TABLE people_entries',
    'ALTER TABLE people DROP FOREIGN KEY people_merged',
    'ALTER TABLE people DROP KEY people_name, DROP COLUMN isShown',
    // Who was merged shares a name: it is told apart by its id again.
    `UPDATE people SET name = CONCAT(LEFT(name, 70), ' ', RIGHT(id, 6)) WHERE mergedInto IS NOT NULL`,
    'ALTER TABLE people DROP COLUMN mergedInto, ADD UNIQUE KEY people_name (name)',
  ],
}
