import type { Migration } from '../migrate'

/** When the server took an entry in, by its own clock: devices’ clocks differ. Unknown of what came before, or by a file. */
export const filedAt: Migration = {
  name: '0013-filed-at',
  up: ['ALTER TABLE entries ADD COLUMN filedAt DATETIME(3) NULL'],
  down: ['ALTER TABLE entries DROP COLUMN filedAt'],
}
