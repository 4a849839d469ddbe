import { QueryTypes } from 'sequelize'
import type {
  NewVehicleBody,
  Page,
  Vehicle,
  VehicleNamesBody,
  VehiclesQueryValues,
  WithEntries,
} from '../../../contract'
import type { Database } from '../../database/database'
import type { VehicleRow } from '../../database/models'
import { inTransaction } from '../../database/transaction'
import { committed } from '../../live/news'
import { appendFirst } from '../journal/append'
import { opened } from '../journal/open'
import { matching, pageOf, pastCursor, whereOf } from './paging'
import { notFound, Refusal } from '../refusal'

const shownVehicle = (row: VehicleRow): Vehicle => ({
  id: row.id,
  name: row.name,
  plate: row.plate,
  model: row.model,
  createdAt: row.createdAt.toISOString(),
  lastSequence: row.lastSequence,
})

const ORDER = {
  name: { by: ['name', 'id'], direction: 'ASC', of: ({ name, id }: Vehicle) => [name, id] },
  newest: { by: ['id'], direction: 'DESC', of: ({ id }: Vehicle) => [id] },
} as const

/** Vehicles by name, or the newest first, with whatever words are searched for. */
export async function listVehicles(
  { sequelize }: Database,
  { limit = 100, after, search, sort = 'name' }: VehiclesQueryValues = {},
): Promise<Page<Vehicle>> {
  const { by, direction, of } = ORDER[sort]
  const where = matching(search, ['name', 'plate', 'model'])
  if (after) where.push(pastCursor(after, by, direction))
  const rows = await sequelize.query<VehicleRow>(
    `SELECT * FROM vehicles ${whereOf(where)}
      ORDER BY ${by.map((column) => `${column} ${direction}`).join(', ')} LIMIT ?`,
    { replacements: [...where.flatMap(({ values }) => values), limit + 1], type: QueryTypes.SELECT },
  )
  return pageOf(rows.map(shownVehicle), limit, of, (vehicle) => vehicle)
}

/** A vehicle with its first entries, all or nothing; the same again changes nothing. */
export async function addVehicle(
  database: Database,
  { id, name, plate, model, entries }: NewVehicleBody,
): Promise<{ vehicle: Vehicle; created: boolean }> {
  if (!entries.some((entry) => entry.kind === 'installation'))
    throw new Refusal('no-installation', 'A vehicle needs its installation', [
      { path: '/entries', message: 'must hold an installation entry' },
    ])
  const subject = { type: 'vehicle', id } as const
  const done = await inTransaction(database, async (transaction) => {
    const known = await database.models.Vehicle.findByPk(id, { transaction })
    const wanted = { name: name.trim(), plate: plate?.trim() ?? null, model: model?.trim() ?? null }
    if (
      known &&
      (known.name !== wanted.name || known.plate !== wanted.plate || known.model !== wanted.model)
    )
      throw new Refusal('taken', 'Another vehicle has this id')
    const row = known ?? (await database.models.Vehicle.create({ id, ...wanted }, { transaction }))
    await appendFirst(database, subject, entries, transaction)
    await row.reload({ transaction })
    return { vehicle: shownVehicle(row), created: !known }
  })
  committed('entries')
  return done
}

/** What a vehicle is called, put right; wherever it is listed or looked for, it is found by that. */
export async function renameVehicle(
  database: Database,
  id: string,
  { name, plate, model }: VehicleNamesBody,
): Promise<Vehicle> {
  const done = await inTransaction(database, async (transaction) => {
    const row = await database.models.Vehicle.findByPk(id, { transaction })
    if (!row) throw notFound('vehicle')
    const names = { name: name.trim(), plate: plate?.trim() ?? null, model: model?.trim() ?? null }
    await row.update(names, { transaction })
    const run = (sql: string) =>
      database.sequelize.query(sql, { replacements: [id], type: QueryTypes.UPDATE, transaction })
    await run('UPDATE vehicles SET searched = 0 WHERE id = ?')
    await run('UPDATE jobs SET searched = 0 WHERE vehicleId = ?')
    return shownVehicle(row)
  })
  committed('entries')
  return done
}

/** @param entries all of them, or those that bear its state */
export async function readVehicle(
  database: Database,
  id: string,
  entries: 'all' | 'state' = 'all',
): Promise<WithEntries<Vehicle>> {
  const row = await database.models.Vehicle.findByPk(id)
  if (!row) throw notFound('vehicle')
  return opened(database, { type: 'vehicle', id }, shownVehicle(row), entries)
}
