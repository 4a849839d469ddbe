import type { Circuit } from './circuit'
import { fieldAt, LOAD_POINT, MOST_LINES } from './fields'

/** Bad input: what is wrong with which field, and the bound it breaks. */
export class InputError extends Error {
  override readonly name = 'InputError'
  /** @param path JSON pointer (RFC 6901) to the field. */
  constructor(
    message: string,
    readonly path: string,
  ) {
    super(message)
  }
}

const SHAPE = {
  pedal: ['ratio', 'travel', 'returnForce'],
  master: [
    'bore',
    'stroke',
    'pushrodClearance',
    'portClosure',
    'springPreload',
    'springRate',
    'sealFriction',
  ],
  linkage: ['forkRatio', 'slop', 'bearingClearance'],
  fluid: ['bulkModulus'],
} as const
const LINE_KINDS = ['steel', 'rubber', 'braided', 'nylon']

type Json = Record<string, unknown>

/**
 * Takes unknown input for a circuit, or refuses it by field and bound.
 * @param at JSON pointer to the circuit in the input that the user sees.
 * @throws InputError
 */
export function readCircuit(input: unknown, at = ''): Circuit {
  const circuit = objectOf(input, at, [
    'pedal',
    'master',
    'lines',
    'slave',
    'linkage',
    'cover',
    'fluid',
    'air',
  ])
  for (const [part, names] of Object.entries(SHAPE)) readPart(circuit[part], at, part, names)
  readLines(circuit.lines, at)
  readSlave(circuit.slave, at)
  readCover(circuit.cover, at)
  readField(circuit.air, at, 'air')
  const read = circuit as unknown as Circuit
  acrossFields(read, at)
  return read
}

function readPart(input: unknown, at: string, part: string, names: readonly string[]): Json {
  const object = objectOf(input, `${at}/${part}`, names)
  for (const name of names) readField(object[name], at, `${part}.${name}`)
  return object
}

function readLines(input: unknown, at: string): void {
  const lines = listOf(input, `${at}/lines`, 0, MOST_LINES)
  lines.forEach((line, i) => {
    const kind = (line as Json | null)?.kind
    oneOf(kind, `${at}/lines/${i}/kind`, LINE_KINDS)
    const last = kind === 'steel' ? 'outerDiameter' : 'expansion'
    const names = ['length', 'innerDiameter', last]
    const object = objectOf(line, `${at}/lines/${i}`, ['kind', ...names])
    for (const name of names) readField(object[name], at, `lines.${i}.${name}`)
    if (kind === 'steel')
      above(
        object.outerDiameter,
        object.innerDiameter,
        `${at}/lines/${i}/outerDiameter`,
        'its inner diameter',
      )
  })
}

function readSlave(input: unknown, at: string): void {
  const type = (input as Json | null)?.type
  oneOf(type, `${at}/slave/type`, ['external', 'concentric'])
  const names = [
    ...(type === 'external' ? ['bore'] : ['outer', 'inner']),
    'stroke',
    'springPreload',
    'sealFriction',
  ]
  const object = objectOf(input, `${at}/slave`, ['type', ...names])
  for (const name of names) readField(object[name], at, `slave.${name}`)
  if (type === 'concentric')
    above(object.outer, object.inner, `${at}/slave/outer`, 'its inner diameter')
}

function readCover(input: unknown, at: string): void {
  const names = ['releaseTravel', 'fullClampTravel']
  const cover = objectOf(input, `${at}/cover`, ['releaseLoad', ...names])
  for (const name of names) readField(cover[name], at, `cover.${name}`)
  const where = `${at}/cover/releaseLoad`
  const points = listOf(cover.releaseLoad, where, LOAD_POINT.least, LOAD_POINT.most)
  let before = -1
  points.forEach((point, i) => {
    const [travel, load] = listOf(point, `${where}/${i}`, 2, 2)
    inRange(travel, `${where}/${i}/0`, LOAD_POINT.travel, 'bearing travel')
    inRange(load, `${where}/${i}/1`, LOAD_POINT.load, 'load')
    above(travel, before, `${where}/${i}/0`, 'the point before it')
    before = travel as number
  })
}

/** What only two fields together can get wrong. */
function acrossFields({ master, cover }: Circuit, at: string): void {
  if (master.portClosure >= master.stroke)
    refuse(`${at}/master/portClosure`, `must be less than the master's stroke (${master.stroke} mm)`)
  if (cover.fullClampTravel > cover.releaseTravel)
    refuse(
      `${at}/cover/fullClampTravel`,
      `must be at most the release travel (${cover.releaseTravel} mm)`,
    )
}

function readField(value: unknown, at: string, path: string): void {
  const field = fieldAt(path)
  if (!field) throw new Error(`no field ${path}`)
  if (value === undefined && field.optional) return
  inRange(value, `${at}/${path.replaceAll('.', '/')}`, field, field.label)
}

/**
 * A number within its bounds, or refused.
 * @throws InputError
 */
export function inRange(
  value: unknown,
  path: string,
  bounds: { min: number; max: number; unit: string },
  label: string,
): asserts value is number {
  const unit = bounds.unit ? ` ${bounds.unit}` : ''
  const range = `${bounds.min} to ${bounds.max}${unit}`
  const no = (message: string): never => {
    throw new InputError(`${label} ${message}`, path)
  }
  if (value === undefined) no(`is missing: give a number from ${range}`)
  else if (typeof value !== 'number' || !Number.isFinite(value)) no(`must be a number from ${range}`)
  else if (value < bounds.min) no(`${value}${unit} is below its least, ${bounds.min}${unit}`)
  else if (value > bounds.max) no(`${value}${unit} is above its most, ${bounds.max}${unit}`)
}

/**
 * An object with no fields but those named (any, where none are), or refused.
 * @throws InputError
 */
/** JSON pointer to a member, its name escaped (RFC 6901, section 3). */
export const pointerTo = (path: string, name: string): string =>
  `${path}/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`

export function objectOf(input: unknown, path: string, names?: readonly string[]): Json {
  if (input === undefined) refuse(path, 'is missing')
  if (typeof input !== 'object' || input === null || Array.isArray(input))
    refuse(path, 'must be an object')
  for (const name of Object.keys(input))
    if (names && !names.includes(name))
      refuse(pointerTo(path, name), `is not known here; known: ${names.join(', ')}`)
  return input as Json
}

function listOf(input: unknown, path: string, least: number, most: number): unknown[] {
  if (input === undefined) refuse(path, 'is missing')
  if (!Array.isArray(input) || input.length < least || input.length > most)
    refuse(
      path,
      least === most ? `must be a list of ${least}` : `must be a list of ${least} to ${most}`,
    )
  return input
}

function oneOf(value: unknown, path: string, allowed: readonly string[]): void {
  if (!allowed.includes(value as string)) refuse(path, `must be one of ${allowed.join(', ')}`)
}

function above(value: unknown, other: unknown, path: string, what: string): void {
  if ((value as number) <= (other as number)) refuse(path, `must be greater than ${what}`)
}

/** The field's own name leads its message, so that the message can stand alone. */
function refuse(path: string, message: string): never {
  throw new InputError(`${path.slice(path.lastIndexOf('/') + 1) || 'the input'} ${message}`, path)
}

/** One of a list of names. @throws InputError at the path where it is none of them. */
export function choiceOf<const T extends readonly string[]>(
  value: unknown,
  path: string,
  names: T,
): T[number] {
  const known = names.find((name) => name === value)
  if (known === undefined) throw new InputError(`must be one of ${names.join(', ')}`, path)
  return known
}
/** True or false. @throws InputError at the path where it is neither. */
export function yesOrNo(value: unknown, path: string): boolean {
  if (typeof value !== 'boolean') throw new InputError('must be true or false', path)
  return value
}
