import { createServer } from 'node:http'
import { QueryTypes } from 'sequelize'
import { openDatabase } from '../server/database/database'
import { databaseSettings } from '../server/database/settings'

/** A route that does nothing but run one SELECT and return its rows: what the bench's list is held against. */
const { sql, replacements } = JSON.parse(process.env.BARE_STATEMENT!) as {
  sql: string
  replacements: unknown[]
}
const database = openDatabase(databaseSettings())
createServer((_, response) => {
  void database.sequelize
    .query(sql, { replacements, type: QueryTypes.SELECT })
    .then((rows) => response.setHeader('content-type', 'application/json').end(JSON.stringify(rows)))
    .catch((error: Error) => response.writeHead(500).end(error.message))
}).listen(Number(process.env.BARE_PORT), '127.0.0.1')
