import Papa from 'papaparse'
import { QueryTypes, Transaction } from 'sequelize'
import type { PartsCountQueryValues } from '../../../contract'
import { PART_COLUMNS, plainForSheets, writeRow } from '../../../core/shelf'
import type { Database } from '../../database/database'
import { whereOf } from '../lists/paging'
import { COLUMNS, conditionsOf, shownPart, type PartRow } from './parts'

const PAGE = 200

/**
 * The shelf, or what of it is searched for, as a list that can be read in again: as it is at one moment, whatever is put on
 * it or taken off meanwhile.
 */
export async function* exportParts(
  database: Database,
  query: PartsCountQueryValues,
): AsyncGenerator<string> {
  const conditions = conditionsOf(query)
  const transaction = await database.sequelize.transaction({
    isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ,
  })
  try {
    yield `${PART_COLUMNS.join(',')}\r\n`
    for (let last: PartRow | undefined, more = true; more;) {
      const where = last
        ? [
            ...conditions,
            {
              sql: '(number > ? OR (number = ? AND id > ?))',
              values: [last.number, last.number, last.id],
            },
          ]
        : conditions
      const rows: PartRow[] = await database.sequelize.query<PartRow>(
        `SELECT ${COLUMNS} FROM parts ${whereOf(where)} ORDER BY number, id LIMIT ?`,
        {
          replacements: [...where.flatMap(({ values }) => values), PAGE],
          type: QueryTypes.SELECT,
          transaction,
        },
      )
      if (rows.length > 0)
        yield `${Papa.unparse(
          rows.map((row) => writeRow(shownPart(row)).map(plainForSheets)),
          { newline: '\r\n' },
        )}\r\n`
      last = rows.at(-1)
      more = rows.length === PAGE
    }
  } finally {
    await transaction.rollback()
  }
}
