import type { Migration } from '../migrate'

/** Containers of fluid in the shop, what is left in each, and how much of it each job took. */
export const containers: Migration = {
  name: '0008-containers',
  up: [
    `CREATE TABLE containers (
      id CHAR(26) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
      kind ENUM('dot3', 'dot4', 'dot4lv', 'dot51', 'dot5', 'mineral', 'unknown') NOT NULL,
      openedAt DATETIME(3) NULL,
      volume DOUBLE NOT NULL,
      \`left\` DOUBLE NOT NULL,
      createdAt DATETIME(3) NOT NULL,
      KEY containers_left (\`left\`, createdAt)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`,
    `CREATE TABLE container_use (
      containerId CHAR(26) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      jobId CHAR(26) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
      used DOUBLE NOT NULL,
      PRIMARY KEY (containerId, jobId),
      CONSTRAINT container_use_container FOREIGN KEY (containerId) REFERENCES containers (id),
      CONSTRAINT container_use_job FOREIGN KEY (jobId) REFERENCES jobs (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`,
  ],
  down: ['DROP TABLE container_use', 'DROP TABLE containers'],
}
