import { ensureBuilt } from '../../scripts/build'
import { loadDemo } from '../../demo/load'
import { freshDatabase, testMariadb } from '../harness/running'

/** The demo's data as nobody touches it: every test's database is filled from it. */
export const DEMO_COPY = 'mellow_demo_copy'

/** The build and the database server that all workers share; each has a database and a web server of its own. */
export default async function setup(): Promise<void> {
  await ensureBuilt()
  const { settings } = await testMariadb()
  const database = await freshDatabase(settings, DEMO_COPY)
  await loadDemo(database)
  await database.sequelize.close()
}
