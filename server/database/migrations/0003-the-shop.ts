import type { Migration } from '../migrate'

/** One shop with its settings; and the model of a vehicle, by which the shop’s record is pooled. */
export const theShop: Migration = {
  name: '0003-the-shop',
  up: [
    `CREATE TABLE shop (
      id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
      settings JSON NOT NULL,
      changedAt DATETIME(3) NOT NULL,
      CONSTRAINT shop_only_one CHECK (id = 1)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`,
    'ALTER TABLE vehicles ADD COLUMN model VARCHAR(80) NULL AFTER plate, ADD KEY vehicles_model (model)',
    'ALTER TABLE entries ADD KEY entries_kind (kind, jobId)',
  ],
  down: [
    'ALTER TABLE entries DROP KEY entries_kind',
    'ALTER TABLE vehicles DROP KEY vehicles_model, DROP COLUMN model',
    'DROP TABLE shop',
  ],
}
