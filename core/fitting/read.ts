import { choiceOf, InputError, inRange, objectOf, pointerTo } from '../circuit'
import { chain, CHAIN_COSTS, type ChainAnswer, type Piece } from './chain'
import { GENDERS, MATERIALS, SEALS, SEATS, type End, type Seal } from './end'
import { join, type Joint } from './join'
import { threadOf } from './thread'

const MM = (max: number) => ({ unit: 'mm', min: 0, max })
const MOST_PIECES = 400

/** What the `join` verb is asked, read and answered. @throws InputError with the path of what is wrong. */
export function answerJoin(input: unknown): Joint {
  const given = objectOf(input, '', ['a', 'b', 'sealsAtHand'])
  const seals = given.sealsAtHand
  return join(
    readEnd(given.a, '/a'),
    readEnd(given.b, '/b'),
    seals === undefined
      ? undefined
      : listOf(seals, '/sealsAtHand', 200).map((one, i): Seal =>
          choiceOf(one, `/sealsAtHand/${i}`, SEALS),
        ),
  )
}

/** The same for the `chain` verb. */
export function answerChain(input: unknown): ChainAnswer {
  const given = objectOf(input, '', ['from', 'to', 'pieces', 'costs'])
  const costs = { ...CHAIN_COSTS }
  if (given.costs !== undefined) {
    const own = objectOf(given.costs, '/costs', Object.keys(CHAIN_COSTS))
    for (const name of ['piece', 'joint', 'day'] as const) {
      const value = own[name]
      if (value === undefined) continue
      inRange(value, `/costs/${name}`, { unit: '', min: 0, max: 1e6 }, name)
      costs[name] = value
    }
  }
  const pieces = listOf(given.pieces, '/pieces', MOST_PIECES).map((one, i) =>
    readPiece(one, `/pieces/${i}`),
  )
  const twice = pieces.findIndex(({ id }, i) => pieces.findIndex((one) => one.id === id) !== i)
  if (twice >= 0) throw new InputError('each piece has an id of its own', `/pieces/${twice}/id`)
  return chain(readEnd(given.from, '/from'), readEnd(given.to, '/to'), pieces, costs)
}

function readPiece(input: unknown, path: string): Piece {
  const given = objectOf(input, path, ['id', 'ends', 'price', 'days'])
  const { id, price, days } = given
  if (typeof id !== 'string' || id === '' || id.length > 120)
    throw new InputError('id must be a text', `${path}/id`)
  inRange(price, `${path}/price`, { unit: '', min: 0, max: 1e7 }, 'Price')
  inRange(days, `${path}/days`, { unit: 'days', min: 0, max: 3650 }, 'Lead time')
  const ends = listOf(given.ends, `${path}/ends`, 2)
  if (ends.length !== 2) throw new InputError('a piece has two ends', `${path}/ends`)
  return {
    id,
    ends: [readEnd(ends[0], `${path}/ends/0`), readEnd(ends[1], `${path}/ends/1`)],
    price,
    days,
  }
}

const END_FIELDS = [
  'thread',
  'gender',
  'seat',
  'tube',
  'bore',
  'nut',
  'depth',
  'counterbore',
  'material',
  'profile',
]

/** One end as it is given. @throws InputError with the path of what is wrong. */
export function readEnd(input: unknown, path: string): End {
  const given = objectOf(input, path, END_FIELDS)
  const { thread, material, profile, nut } = given
  if (thread !== null && (typeof thread !== 'string' || !threadOf(thread)))
    throw new InputError(
      'must be a thread as M10x1, 3/8-24, 3/8-20 BSF or G1/8, or null',
      `${path}/thread`,
    )
  const end: End = {
    thread,
    gender: choiceOf(given.gender, `${path}/gender`, GENDERS),
    seat: choiceOf(given.seat, `${path}/seat`, SEATS),
  }
  for (const name of ['tube', 'bore', 'depth', 'counterbore'] as const) {
    const value = given[name]
    if (value === undefined) continue
    inRange(value, `${path}/${name}`, MM(200), name)
    end[name] = value
  }
  if (nut !== undefined) {
    const own = objectOf(nut, `${path}/nut`, ['length', 'lead'])
    const { length, lead } = own
    inRange(length, `${path}/nut/length`, MM(200), 'Length of the nut')
    if (lead !== undefined) inRange(lead, `${path}/nut/lead`, MM(200), 'Nose of the nut')
    end.nut = { length, ...(lead !== undefined && { lead }) }
  }
  if (material !== undefined) end.material = choiceOf(material, `${path}/material`, MATERIALS)
  if (profile !== undefined) {
    if (typeof profile !== 'string' || profile.length > 80)
      throw new InputError('must be a text', `${path}/profile`)
    end.profile = profile
  }
  return end
}

function listOf(value: unknown, path: string, most: number): unknown[] {
  if (!Array.isArray(value)) throw new InputError('must be a list', path)
  if (value.length > most)
    throw new InputError(`at most ${most} can be given`, pointerTo(path, String(most)))
  return value
}
