import type { Migration } from '../migrate'

/** Packages of work of the shop's own. */
export const packages: Migration = {
  name: '0010-packages',
  up: [
    `CREATE TABLE packages (
      id VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
      data JSON NOT NULL,
      changedAt DATETIME(3) NOT NULL
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`,
  ],
  down: ['DROP TABLE packages'],
}
