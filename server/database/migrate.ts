import { SequelizeStorage, Umzug } from 'umzug'
import type { Database } from './database'
import { firstTables } from './migrations/0001-first-tables'
import { unitsOfPeople } from './migrations/0002-units-of-people'
import { theShop } from './migrations/0003-the-shop'
import { keptWithTheJob } from './migrations/0004-kept-with-the-job'
import { files } from './migrations/0006-files'
import { closedJobs } from './migrations/0007-closed-jobs'
import { containers } from './migrations/0008-containers'
import { partsAndOrders } from './migrations/0009-parts-and-orders'
import { packages } from './migrations/0010-packages'
import { dueAndSearch } from './migrations/0011-due-and-search'
import { learntFromJobs } from './migrations/0012-learnt-from-jobs'
import { filedAt } from './migrations/0013-filed-at'
import { peopleMerged } from './migrations/0014-people-merged'
import { circuitPlan } from './migrations/0005-circuit-plan'

/** Plain statements forward and back. MariaDB commits each on its own, so each migration is one small idea. */
export interface Migration {
  name: string
  up: string[]
  down: string[]
}

const MIGRATIONS: readonly Migration[] = [
  firstTables,
  unitsOfPeople,
  theShop,
  keptWithTheJob,
  circuitPlan,
  files,
  closedJobs,
  containers,
  partsAndOrders,
  packages,
  dueAndSearch,
  learntFromJobs,
  filedAt,
  peopleMerged,
]
export const NEWEST_MIGRATION = MIGRATIONS.at(-1)!.name

export function migrator({ sequelize }: Database) {
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => run(sequelize, up),
      down: () => run(sequelize, down),
    })),
    storage: new SequelizeStorage({ sequelize, modelName: 'migrations' }),
    logger: undefined,
  })
}

async function run(sequelize: Database['sequelize'], statements: string[]): Promise<void> {
  for (const statement of statements) await sequelize.query(statement, { raw: true })
}
