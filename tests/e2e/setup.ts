import { ensureBuilt } from '../../scripts/build'
import { testMariadb } from '../harness/running'

/** The build and the database server that all workers share; each has a database and a web server of its own. */
export default async function setup(): Promise<void> {
  await ensureBuilt()
  await testMariadb()
}
