import { Op } from 'sequelize'
import type { ListQueryValues, NewVehicleBody, Vehicle, WithEntries } from '../../contract'
import type { Database } from '../database/database'
import type { VehicleRow } from '../database/models'
import { appendWithin, readEntries } from './entries'
import { notFound, Refusal } from './refusal'

const shownVehicle = (row: VehicleRow): Vehicle => ({
  id: row.id,
  name: row.name,
  plate: row.plate,
  model: row.model,
  createdAt: row.createdAt.toISOString(),
  lastSequence: row.lastSequence,
})

export async function listVehicles(
  { models }: Database,
  { limit = 100, before }: ListQueryValues = {},
): Promise<Vehicle[]> {
  const rows = await models.Vehicle.findAll({
    where: before ? { id: { [Op.lt]: before } } : {},
    order: [['id', 'DESC']],
    limit,
  })
  return rows.map(shownVehicle)
}

/** A vehicle with its first entries, all or nothing; the same again changes nothing. */
export async function addVehicle(
  database: Database,
  { id, name, plate, model, entries }: NewVehicleBody,
): Promise<{ vehicle: Vehicle; created: boolean }> {
  if (!entries.some((entry) => entry.kind === 'installation'))
    throw new Refusal(422, 'no-installation', 'A vehicle needs its installation', [
      { path: '/entries', message: 'must hold an installation entry' },
    ])
  return database.sequelize.transaction(async (transaction) => {
    const known = await database.models.Vehicle.findByPk(id, { transaction })
    const wanted = { name: name.trim(), plate: plate?.trim() ?? null, model: model?.trim() ?? null }
    if (
      known &&
      (known.name !== wanted.name || known.plate !== wanted.plate || known.model !== wanted.model)
    )
      throw new Refusal(409, 'taken', 'Another vehicle has this id')
    const row = known ?? (await database.models.Vehicle.create({ id, ...wanted }, { transaction }))
    const subject = { type: 'vehicle', id } as const
    for (const entry of entries) await appendWithin(database, subject, entry, transaction)
    await row.reload({ transaction })
    return { vehicle: shownVehicle(row), created: !known }
  })
}

export async function readVehicle(database: Database, id: string): Promise<WithEntries<Vehicle>> {
  const row = await database.models.Vehicle.findByPk(id)
  if (!row) throw notFound('vehicle')
  return { subject: shownVehicle(row), entries: await readEntries(database, { type: 'vehicle', id }) }
}
