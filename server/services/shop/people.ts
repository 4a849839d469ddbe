import { QueryTypes, type Transaction } from 'sequelize'
import type {
  NewPersonBody,
  Page,
  PeopleQueryValues,
  Person,
  PersonSettingsBody,
} from '../../../contract'
import type { Database } from '../../database/database'
import type { PersonRow } from '../../database/models'
import { inTransaction } from '../../database/transaction'
import { matching, pageOf, pastCursor, whereOf } from '../lists/paging'
import { notFound, Refusal } from '../refusal'

const shownPerson = ({ id, name, units }: PersonRow, also: string[] = []): Person => ({
  id,
  name,
  units,
  also,
})

/** Ids of the records for which these stand, by id. */
async function alsoOf({ sequelize }: Database, ids: readonly string[]): Promise<Map<string, string[]>> {
  const also = new Map<string, string[]>(ids.map((id) => [id, []]))
  if (ids.length === 0) return also
  const rows = await sequelize.query<{ id: string; mergedInto: string }>(
    'SELECT id, mergedInto FROM people WHERE mergedInto IN (?) ORDER BY id',
    { replacements: [ids], type: QueryTypes.SELECT },
  )
  for (const { id, mergedInto } of rows) also.get(mergedInto)!.push(id)
  return also
}

/** All records of one person: this one, what it stands for, and what stands for it. */
export async function recordsOf({ sequelize }: Database, id: string): Promise<string[]> {
  const rows = await sequelize.query<{ id: string }>(
    `SELECT p.id FROM people p JOIN people own ON own.id = ?
      WHERE COALESCE(p.mergedInto, p.id) = COALESCE(own.mergedInto, own.id)`,
    { replacements: [id], type: QueryTypes.SELECT },
  )
  return rows.length > 0 ? rows.map((row) => row.id) : [id]
}

/** People by name; who was merged into another is named with that one. */
export async function listPeople(
  database: Database,
  { limit = 200, after, search }: PeopleQueryValues = {},
): Promise<Page<Person>> {
  const where = [{ sql: 'mergedInto IS NULL', values: [] as unknown[] }, ...matching(search, ['name'])]
  if (after) where.push(pastCursor(after, ['name', 'id'], 'ASC'))
  const rows = await database.sequelize.query<PersonRow>(
    `SELECT * FROM people ${whereOf(where)}
      ORDER BY name, id LIMIT ?`,
    { replacements: [...where.flatMap(({ values }) => values), limit + 1], type: QueryTypes.SELECT },
  )
  const also = await alsoOf(
    database,
    rows.map(({ id }) => id),
  )
  return pageOf(
    rows,
    limit,
    ({ name, id }) => [name, id],
    (row) => shownPerson(row, also.get(row.id)),
  )
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
    if (known) throw new Refusal('taken', 'This id belongs to somebody else')
    const sameName = await models.Person.findOne({
      where: { name: wanted, mergedInto: null },
      transaction,
    })
    if (sameName)
      throw new Refusal('name-taken', `There is a ${wanted} already: pick that name`, [
        { path: '/name', message: 'is taken' },
      ])
    const row = await models.Person.create({ id, name: wanted }, { transaction })
    return { person: shownPerson(row), created: true }
  })
}

/** What a person chose for all devices. */
export async function setPerson(
  database: Database,
  id: string,
  { units }: PersonSettingsBody,
): Promise<Person> {
  const row = await database.models.Person.findByPk(id)
  if (!row) throw notFound('person')
  const also = await alsoOf(database, [id])
  return shownPerson(await row.update({ units }), also.get(id))
}

/** Everybody's name by id; of a record that was merged the name of who stands for it. */
export async function namesOfPeople({ sequelize }: Database): Promise<Map<string, string>> {
  const rows = await sequelize.query<{ id: string; name: string }>(
    `SELECT p.id, one.name FROM people p JOIN people one ON one.id = COALESCE(p.mergedInto, p.id)`,
    { type: QueryTypes.SELECT },
  )
  return new Map(rows.map(({ id, name }) => [id, name]))
}

/** @throws Refusal 422 where nobody with this id works here */
export async function knownPerson(
  { models }: Database,
  id: string,
  transaction: Transaction,
): Promise<void> {
  if (!(await models.Person.findByPk(id, { attributes: ['id'], transaction })))
    throw new Refusal('nobody', 'Nobody with this id works here: pick a name at the bench', [
      { path: '/by', message: 'is not a person here' },
    ])
}
