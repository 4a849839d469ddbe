import { QueryTypes } from 'sequelize'
import type { Package } from '../../../core/plan'
import type { Database } from '../../database/database'
import { ask } from '../../threads/pool'
import { notFound, Refusal } from '../refusal'

/** Packages of work of the shop's own, by title. */
export async function listPackages({ sequelize }: Database): Promise<Package[]> {
  const rows = await sequelize.query<{ data: unknown }>('SELECT data FROM packages ORDER BY id', {
    type: QueryTypes.SELECT,
  })
  const all = rows.map(({ data }) => (typeof data === 'string' ? JSON.parse(data) : data) as Package)
  return all.sort((a, b) => (a.title < b.title ? -1 : 1))
}

/** Kept as it is read, in place of the one with its id. */
export async function keepPackage(
  { sequelize }: Database,
  id: string,
  value: unknown,
): Promise<Package> {
  // Its steps are put in order to see that they have one, which may take a while.
  const pack = await ask('package', value)
  if (pack.id !== id)
    throw new Refusal('invalid', 'The package has another id', [
      { path: '/id', message: `must be ${id}` },
    ])
  await sequelize.query(
    `INSERT INTO packages (id, data, changedAt) VALUES (?, ?, ?)
       ON DUPLICATE KEY UPDATE data = VALUES(data), changedAt = VALUES(changedAt)`,
    { replacements: [id, JSON.stringify(pack), new Date()], type: QueryTypes.INSERT },
  )
  return pack
}

export async function dropPackage({ sequelize }: Database, id: string): Promise<{ id: string }> {
  const gone = await sequelize.query('DELETE FROM packages WHERE id = ?', {
    replacements: [id],
    type: QueryTypes.BULKDELETE,
  })
  if (gone === 0) throw notFound('package')
  return { id }
}
