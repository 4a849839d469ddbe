import { QueryTypes, type Transaction } from 'sequelize'
import type { Database } from '../../database/database'

/** Of these ids, those that are jobs here. */
export async function jobsKept(
  { sequelize }: Database,
  ids: readonly string[],
  transaction: Transaction,
): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set()
  const rows = await sequelize.query<{ id: string }>('SELECT id FROM jobs WHERE id IN (?)', {
    replacements: [[...new Set(ids)]],
    type: QueryTypes.SELECT,
    transaction,
  })
  return new Set(rows.map(({ id }) => id))
}
