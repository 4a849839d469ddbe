import type { NewPersonBody, Person, PersonSettingsBody } from '../../contract'
import type { Database } from '../database/database'
import type { PersonRow } from '../database/models'
import { notFound, Refusal } from './refusal'

const shownPerson = ({ id, name, units }: PersonRow): Person => ({ id, name, units })

export async function listPeople({ models }: Database): Promise<Person[]> {
  const rows = await models.Person.findAll({ order: [['name', 'ASC']], limit: 500 })
  return rows.map(shownPerson)
}

/** Adds a person; the same id and name again changes nothing. */
export async function addPerson(
  { models, sequelize }: Database,
  { id, name }: NewPersonBody,
): Promise<{ person: Person; created: boolean }> {
  return sequelize.transaction(async (transaction) => {
    const wanted = name.trim()
    const known = await models.Person.findByPk(id, { transaction })
    if (known?.name === wanted) return { person: shownPerson(known), created: false }
    if (known) throw new Refusal(409, 'taken', 'This id belongs to somebody else')
    const sameName = await models.Person.findOne({ where: { name: wanted }, transaction })
    if (sameName)
      throw new Refusal(409, 'name-taken', `There is a ${wanted} already: pick that name`, [
        { path: '/name', message: 'is taken' },
      ])
    const row = await models.Person.create({ id, name: wanted }, { transaction })
    return { person: shownPerson(row), created: true }
  })
}

/** What a person chose for all devices. */
export async function setPerson(
  { models }: Database,
  id: string,
  { units }: PersonSettingsBody,
): Promise<Person> {
  const row = await models.Person.findByPk(id)
  if (!row) throw notFound('person')
  return shownPerson(await row.update({ units }))
}
