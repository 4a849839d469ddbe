import { QueryTypes } from 'sequelize'
import type { NewPersonBody, Page, PeopleQueryValues, Person, PersonSettingsBody } from '../../contract'
import type { Database } from '../database/database'
import type { PersonRow } from '../database/models'
import { inTransaction } from '../database/transaction'
import { matching, pageOf, pastCursor, whereOf } from './paging'
import { notFound, Refusal } from './refusal'

const shownPerson = ({ id, name, units }: PersonRow): Person => ({ id, name, units })

/** People by name. */
export async function listPeople(
  { sequelize }: Database,
  { limit = 200, after, search }: PeopleQueryValues = {},
): Promise<Page<Person>> {
  const where = matching(search, ['name'])
  if (after) where.push(pastCursor(after, ['name', 'id'], 'ASC'))
  const rows = await sequelize.query<PersonRow>(
    `SELECT * FROM people ${whereOf(where)}
      ORDER BY name, id LIMIT ?`,
    { replacements: [...where.flatMap(({ values }) => values), limit + 1], type: QueryTypes.SELECT },
  )
  return pageOf(rows, limit, ({ name, id }) => [name, id], shownPerson)
}

/** Adds a person; the same id and name again changes nothing. */
export async function addPerson(
  database: Database,
  { id, name }: NewPersonBody,
): Promise<{ person: Person; created: boolean }> {
  const { models } = database
  return inTransaction(database, async (transaction) => {
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

/** Everybody's name by id. */
export async function namesOfPeople({ models }: Database): Promise<Map<string, string>> {
  const rows = await models.Person.findAll({ attributes: ['id', 'name'], raw: true })
  return new Map(rows.map(({ id, name }) => [id, name]))
}
