import type { Migration } from '../migrate'

const ID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin'
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci'

/** The shelf, how a supplier’s list is read, orders with their lines, and what happened to each. */
export const partsAndOrders: Migration = {
  name: '0009-parts-and-orders',
  up: [
    `CREATE TABLE parts (
      id ${ID} NOT NULL PRIMARY KEY,
      number VARCHAR(80) NOT NULL,
      name VARCHAR(200) NOT NULL,
      kind VARCHAR(24) CHARACTER SET ascii NOT NULL,
      data JSON NOT NULL,
      supplier VARCHAR(80) NOT NULL,
      price DECIMAL(10,2) NOT NULL,
      currency CHAR(3) CHARACTER SET ascii NULL,
      stock INT UNSIGNED NULL,
      leadDays SMALLINT UNSIGNED NULL,
      grade ENUM('unknown', 'low', 'usual', 'good') NOT NULL,
      supersededBy VARCHAR(80) NULL,
      place VARCHAR(80) NULL,
      changedAt DATETIME(3) NOT NULL,
      bore DOUBLE AS (JSON_VALUE(data, '$.bore')) PERSISTENT,
      UNIQUE KEY parts_number (supplier, number),
      KEY parts_by_number (number, id),
      KEY parts_by_name (name, id),
      KEY parts_by_kind (kind, name, id),
      KEY parts_by_bore (kind, bore),
      KEY parts_by_price (price, id),
      FULLTEXT KEY parts_words (number, name)
    ) ${TABLE}`,
    `CREATE TABLE part_mappings (
      hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
      mapping JSON NOT NULL,
      supplier VARCHAR(80) NULL,
      changedAt DATETIME(3) NOT NULL
    ) ${TABLE}`,
    `CREATE TABLE orders (
      id ${ID} NOT NULL PRIMARY KEY,
      supplier VARCHAR(80) NOT NULL,
      state ENUM('draft', 'placed', 'confirmed', 'partly', 'delivered', 'cancelled') NOT NULL,
      placedAt DATETIME(3) NULL,
      arrives DATETIME(3) NULL,
      total DECIMAL(12,2) NOT NULL,
      createdAt DATETIME(3) NOT NULL,
      wired TINYINT(1) NOT NULL DEFAULT 0,
      answeredAt DATETIME(3) NULL,
      trouble VARCHAR(300) NULL,
      tries INT UNSIGNED NOT NULL DEFAULT 0,
      nextTryAt DATETIME(3) NULL,
      draftOf VARCHAR(80) AS (IF(state = 'draft', supplier, NULL)) PERSISTENT,
      UNIQUE KEY orders_one_draft (draftOf),
      KEY orders_state (state, createdAt),
      KEY orders_to_send (wired, answeredAt, nextTryAt)
    ) ${TABLE}`,
    `CREATE TABLE order_lines (
      id ${ID} NOT NULL PRIMARY KEY,
      orderId ${ID} NOT NULL,
      partId ${ID} NULL,
      number VARCHAR(80) NULL,
      words VARCHAR(200) NOT NULL,
      jobId ${ID} NULL,
      quantity INT UNSIGNED NOT NULL,
      price DECIMAL(10,2) NOT NULL,
      currency CHAR(3) CHARACTER SET ascii NULL,
      received INT UNSIGNED NOT NULL DEFAULT 0,
      returned INT UNSIGNED NOT NULL DEFAULT 0,
      confirmed INT UNSIGNED NULL,
      confirmedPrice DECIMAL(10,2) NULL,
      need VARCHAR(120) NULL,
      KEY order_lines_order (orderId, id),
      KEY order_lines_job (jobId),
      CONSTRAINT order_lines_order FOREIGN KEY (orderId) REFERENCES orders (id),
      CONSTRAINT order_lines_part FOREIGN KEY (partId) REFERENCES parts (id) ON DELETE SET NULL,
      CONSTRAINT order_lines_job FOREIGN KEY (jobId) REFERENCES jobs (id)
    ) ${TABLE}`,
    `CREATE TABLE order_events (
      id ${ID} NOT NULL PRIMARY KEY,
      lineId ${ID} NOT NULL,
      happened ENUM('placed', 'delivered', 'short', 'wrong', 'returned', 'cancelled') NOT NULL,
      quantity INT UNSIGNED NOT NULL,
      at DATETIME(3) NOT NULL,
      byId ${ID} NOT NULL,
      takenBack TINYINT(1) NOT NULL DEFAULT 0,
      KEY order_events_line (lineId, id),
      CONSTRAINT order_events_line FOREIGN KEY (lineId) REFERENCES order_lines (id),
      CONSTRAINT order_events_person FOREIGN KEY (byId) REFERENCES people (id)
    ) ${TABLE}`,
  ],
  down: [
    'DROP TABLE order_events',
    'DROP TABLE order_lines',
    'DROP TABLE orders',
    'DROP TABLE part_mappings',
    'DROP TABLE parts',
  ],
}
