import { openDatabase } from '../server/database/database'
import { migrator } from '../server/database/migrate'
import { databaseSettings } from '../server/database/settings'

/** `npm run migrate -- up|down`: all forward, or the newest one back, on the database of the environment. */
const way = process.argv[2] ?? 'up'
if (way !== 'up' && way !== 'down') throw new Error('up or down')
const database = openDatabase(databaseSettings())
try {
  const done = await migrator(database)[way]()
  process.stdout.write(`${way}: ${done.map((one) => one.name).join(', ') || 'nothing to do'}\n`)
} finally {
  await database.sequelize.close()
}
