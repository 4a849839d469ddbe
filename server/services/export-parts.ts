import Papa from 'papaparse'
import type { PartsCountQueryValues } from '../../contract'
import { PART_COLUMNS, plainForSheets, writeRow } from '../../core/shelf'
import type { Database } from '../database/database'
import { listParts } from './parts'

const PAGE = 200

/** The shelf, or what of it is searched for, as a list that can be read in again. */
export async function* exportParts(
  database: Database,
  query: PartsCountQueryValues,
): AsyncGenerator<string> {
  yield `${PART_COLUMNS.join(',')}\r\n`
  for (let after: number | null = 0; after !== null;) {
    const page = await listParts(database, { ...query, sort: 'number', limit: PAGE, after })
    if (page.items.length > 0)
      yield `${Papa.unparse(
        page.items.map((part) => writeRow(part).map(plainForSheets)),
        { newline: '\r\n' },
      )}\r\n`
    after = page.next === null ? null : Number(page.next)
  }
}
