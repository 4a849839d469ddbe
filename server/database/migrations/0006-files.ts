import type { Migration } from '../migrate'

/** Photographs, content and all: a backup of the database holds them, and nothing else must be kept in step with it. */
export const files: Migration = {
  name: '0006-files',
  up: [
    `CREATE TABLE files (
      id CHAR(26) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
      sha256 BINARY(32) NOT NULL,
      type VARCHAR(40) NOT NULL,
      bytes INT UNSIGNED NOT NULL,
      width SMALLINT UNSIGNED NOT NULL,
      height SMALLINT UNSIGNED NOT NULL,
      content MEDIUMBLOB NOT NULL,
      thumbnail MEDIUMBLOB NOT NULL,
      createdAt DATETIME(3) NOT NULL,
      UNIQUE KEY files_sha256 (sha256)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`,
  ],
  down: ['DROP TABLE files'],
}
