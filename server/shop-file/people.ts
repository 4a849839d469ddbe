import type { Transaction } from 'sequelize'
import type { ImportQueryValues, Namesakes, ShopFile, ShopFileTold } from '../../contract'
import type { Database } from '../database/database'
import { knownPerson } from '../services/shop/people'
import { keepPeopleChange } from '../services/shop/people-changes'
import { Refusal } from '../services/refusal'
import { wrong } from './read'
import { ulid } from 'ulid'

/** Who of a file is who here, as told by whoever reads it in. */
export type Told = ImportQueryValues

type FilePerson = ShopFile['people'][number]
const NAME_LENGTH = 80

/**
 * Puts a file's people in. Who is known by id keeps the name of here. A stranger with a name of here is that person, where this
 * is told, and is merged into him; else he is told apart by a mark. Both are kept with who and when.
 * @throws Refusal 409 with the namesakes where that is not told
 */
export async function putPeople(
  database: Database,
  file: Pick<ShopFile, 'people' | 'shop'>,
  { same = '', mark, by }: Told,
  kept: ShopFileTold['kept'],
  transaction: Transaction,
): Promise<number> {
  const { models } = database
  const here = new Map((await models.Person.findAll({ transaction })).map((one) => [one.id, one]))
  const isSame = new Set(same.split(',').filter(Boolean))
  const decided = isSame.size > 0 || mark !== undefined
  if (decided && by === undefined) throw wrong('/by', 'is missing: who says who is who')
  if (by !== undefined) await knownPerson(database, by, transaction)
  const open: Namesakes['people'] = []
  let added = 0
  const add = async (one: FilePerson, change: { name?: string; mergedInto?: string }) => {
    const { id, units, createdAt } = one
    const row = { id, name: one.name, units, createdAt: new Date(createdAt), ...change }
    here.set(id, await models.Person.create(row, { transaction }))
    added += 1
  }
  const nameHere = (name: string) =>
    models.Person.findOne({ where: { name, mergedInto: null }, transaction })
  const told = (one: FilePerson, kind: 'merged' | 'renamed', to: string, into?: string) =>
    keepPeopleChange(
      database,
      { id: ulid(), personId: one.id, kind, by: by!, at: new Date().toISOString() },
      { from: one.name, to, ...(into !== undefined && { into, along: [] }) },
      transaction,
    )
  // Those first who stand for others.
  const inOrder = [...file.people].sort(
    (a, b) => Number(a.mergedInto !== undefined) - Number(b.mergedInto !== undefined),
  )
  for (const one of inOrder) {
    const known = here.get(one.id)
    if (known) {
      if (known.mergedInto === null && known.name !== one.name && one.mergedInto === undefined)
        kept.push({ what: 'people', here: known.name, there: one.name })
      continue
    }
    if (one.mergedInto !== undefined) {
      const stands = here.get(one.mergedInto)
      // Absent only where he is still to be told apart: then nothing goes in.
      if (stands) await add(one, { mergedInto: stands.mergedInto ?? stands.id })
      continue
    }
    const namesake = await nameHere(one.name)
    if (!namesake) {
      await add(one, {})
      continue
    }
    if (isSame.has(one.id)) {
      await add(one, { mergedInto: namesake.id })
      await told(one, 'merged', namesake.name, namesake.id)
      continue
    }
    const marked = mark === undefined ? null : `${one.name} (${mark.trim()})`
    const taken = marked === null ? namesake : await nameHere(marked)
    if (marked !== null && marked.length > NAME_LENGTH)
      throw wrong('/mark', `makes ${marked} longer than ${NAME_LENGTH} letters`)
    if (taken || marked === null)
      open.push({ id: one.id, name: marked ?? one.name, here: taken?.id ?? namesake.id })
    else {
      await add(one, { name: marked })
      await told(one, 'renamed', marked)
    }
  }
  if (open.length > 0) throw namesakes(file.shop ?? null, open)
  return added
}

function namesakes(shop: string | null, people: Namesakes['people']): Refusal {
  const names = people.slice(0, 3).map(({ name }) => name)
  const more = people.length > 3 ? ` and ${people.length - 3} more` : ''
  return new Refusal(
    'namesakes',
    `Somebody here is called ${names.join(', ')}${more}, too: say who is the same person, or give the others a mark. Nothing was read in.`,
    people.map(({ id, name }) => ({ path: `/people/${id}`, message: `${name} is somebody here` })),
    { shop, people },
  )
}
