import { InputError, inRange, objectOf, readCircuit, type Circuit, type Line } from '../circuit'
import { whole } from '../run'
import {
  choicesOf,
  sizeRun,
  SIZING_LIMITS,
  withParts,
  type MasterCandidate,
  type Sized,
  type SlaveCandidate,
} from './size'

/** Bounds of what the limits may be. */
const BOUNDS = {
  room: { unit: 'mm', min: 0, max: 200 },
  air: { unit: 'mm³', min: 0, max: 200_000 },
  bedding: { unit: 'mm', min: 0, max: 10 },
  wear: { unit: 'mm', min: 0, max: 20 },
  fingerRatio: { unit: '', min: 1, max: 10 },
  wantedReserve: { unit: 'mm', min: 0, max: 200 },
  mostForce: { unit: 'N', min: 1, max: 5000 },
} as const
const MM = (max: number) => ({ unit: 'mm', min: 0, max })
const MOST_OF_A_KIND = 40
const MOST_OPTIONS = 4000

/** What the `size` verb is asked, read and answered. @throws InputError with the path of what is wrong. */
export function answerSize(input: unknown): Sized {
  const given = objectOf(input, '', [
    'circuit',
    'masters',
    'slaves',
    'ratios',
    'lines',
    ...Object.keys(BOUNDS),
  ])
  const circuit = readCircuit(given.circuit, '/circuit')
  const limits = { ...SIZING_LIMITS }
  for (const name of Object.keys(BOUNDS) as (keyof typeof BOUNDS)[]) {
    const value = given[name]
    if (value === undefined) continue
    inRange(value, `/${name}`, BOUNDS[name], name)
    limits[name] = value
  }
  const masters = listOf(given.masters, '/masters').map(readMaster)
  const slaves = listOf(given.slaves, '/slaves').map(readSlave)
  const ratios = given.ratios === undefined ? [circuit.pedal.ratio] : listOf(given.ratios, '/ratios')
  const lines =
    given.lines === undefined
      ? []
      : listOf(given.lines, '/lines').map((own, i) => readLines(circuit, own, `/lines/${i}`))
  ratios.forEach((ratio, i) => inRange(ratio, `/ratios/${i}`, { unit: '', min: 1, max: 20 }, 'Ratio'))
  const choices = choicesOf(masters, slaves, ratios as number[], lines.length)
  if (choices.length > MOST_OPTIONS)
    throw new InputError(`at most ${MOST_OPTIONS} options: these are ${choices.length}`, '/masters')
  // Each part is read in the circuit it goes into: what cannot be together is named.
  masters.forEach((master, i) => {
    readPart({ ...circuit, master: { ...circuit.master, ...master } }, `/masters/${i}`, 'master')
  })
  slaves.forEach((slave, i) => {
    const choice = { master: circuit.master, slave, ratio: circuit.pedal.ratio, lines: null }
    readPart(withParts(circuit, choice), `/slaves/${i}`, 'slave')
  })
  return whole(sizeRun(circuit, choices, lines, limits))
}

function readMaster(input: unknown, i: number): MasterCandidate {
  const path = `/masters/${i}`
  const { bore, stroke } = objectOf(input, path, ['bore', 'stroke'])
  inRange(bore, `${path}/bore`, MM(100), 'Bore')
  if (stroke === undefined) return { bore }
  inRange(stroke, `${path}/stroke`, MM(200), 'Stroke')
  return { bore, stroke }
}

const SLAVE_FIELDS = ['bore', 'outer', 'inner', 'stroke', 'rodExtension', 'room'] as const
function readSlave(input: unknown, i: number): SlaveCandidate {
  const path = `/slaves/${i}`
  const given = objectOf(input, path, SLAVE_FIELDS)
  const slave: SlaveCandidate = {}
  for (const name of SLAVE_FIELDS) {
    const value = given[name]
    if (value === undefined) continue
    inRange(value, `${path}/${name}`, MM(200), name)
    slave[name] = value
  }
  const round = slave.outer !== undefined && slave.inner !== undefined
  if ((slave.bore === undefined) === !round)
    throw new InputError('give a bore, or outer and inner of a concentric one', path)
  return slave
}

function readLines(circuit: Circuit, input: unknown, path: string): Line[] {
  return readPart({ ...circuit, lines: input }, path, 'lines').lines
}
/** A circuit with one part in it; what is wrong with that is named where the part was given. */
function readPart(circuit: object, path: string, part: string): Circuit {
  try {
    return readCircuit(circuit, path)
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    throw new InputError(error.message, error.path.replace(`${path}/${part}`, path))
  }
}
function listOf(value: unknown, path: string): unknown[] {
  if (!Array.isArray(value) || value.length < 1 || value.length > MOST_OF_A_KIND)
    throw new InputError(`must be a list of 1 to ${MOST_OF_A_KIND}`, path)
  return value
}
