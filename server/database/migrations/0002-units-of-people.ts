import type { Migration } from '../migrate'

/** Each person reads figures in one system of units. */
export const unitsOfPeople: Migration = {
  name: '0002-units-of-people',
  up: [
    `ALTER TABLE people ADD COLUMN units ENUM('metric', 'inch') NOT NULL DEFAULT 'metric' AFTER name`,
  ],
  down: ['ALTER TABLE people DROP COLUMN units'],
}
