import { choiceOf, InputError, inRange, objectOf, pointerTo, yesOrNo } from '../circuit'
import {
  USUAL_CONCENTRIC,
  USUAL_MASTER,
  USUAL_SLAVE,
  type BleedAsked,
  type BleedMaster,
  type BleedPath,
  type BleedSlave,
  type BleedStart,
} from './asked'
import type { Point } from './cells'
import { BLEED_CONSTANTS, usualConstants, type ConstantName, type Constants } from './constants'
import { BLEED_RUNS } from './methods'

const MOST_POINTS = 200
const MOST_CYCLES = 500

function figure(
  value: unknown,
  path: string,
  min: number,
  max: number,
  unit: string,
  label: string,
): number {
  inRange(value, path, { unit, min, max }, label)
  return value
}

/** A line as points and bores, mm. */
function readPath(value: unknown, path: string): BleedPath {
  const given = objectOf(value, path, ['points', 'bores'])
  if (!Array.isArray(given.points)) throw new InputError('must be a list', `${path}/points`)
  if (!Array.isArray(given.bores)) throw new InputError('must be a list', `${path}/bores`)
  if (given.points.length < 2)
    throw new InputError('at least two points must be given', `${path}/points`)
  if (given.points.length > MOST_POINTS)
    throw new InputError(`at most ${MOST_POINTS} can be given`, `${path}/points/${MOST_POINTS}`)
  if (given.bores.length !== given.points.length - 1)
    throw new InputError('one bore must be given for each piece between two points', `${path}/bores`)
  const points = given.points.map((one, i): Point => {
    const at = `${path}/points/${i}`
    if (!Array.isArray(one) || one.length !== 3) throw new InputError('must be [x, y, z]', at)
    return one.map((c, k) =>
      figure(c, `${at}/${k}`, -50_000, 50_000, 'mm', 'Coordinate'),
    ) as unknown as Point
  })
  points.slice(1).forEach(([x, y, z], i) => {
    const [a, b, c] = points[i]!
    if (Math.hypot(x - a, y - b, z - c) < 0.01)
      throw new InputError('two points lie on each other', `${path}/points/${i + 1}`)
  })
  const bores = given.bores.map((one, i) => figure(one, `${path}/bores/${i}`, 1, 30, 'mm', 'Bore'))
  return { points, bores }
}

type Bounds<T> = Partial<Record<keyof T, readonly [min: number, max: number, unit: string]>>
/** Figures of an object over its usual ones. */
function over<T extends object>(value: unknown, path: string, usual: T, bounds: Bounds<T>): T {
  if (value === undefined) return usual
  const given = objectOf(value, path, Object.keys(bounds))
  const result = { ...usual }
  for (const [name, bound] of Object.entries(bounds) as [
    keyof T & string,
    readonly [number, number, string],
  ][]) {
    if (given[name] === undefined) continue
    const [min, max, unit] = bound
    Object.assign(result, { [name]: figure(given[name], `${path}/${name}`, min, max, unit, name) })
  }
  return result
}

export function readMaster(value: unknown, path: string): BleedMaster {
  const usual = { ...USUAL_MASTER, usable: 1000 * USUAL_MASTER.usable }
  const master = over(value, path, usual, {
    bore: [5, 60, 'mm'],
    stroke: [0.5, 100, 'mm'],
    unswept: [0, 60, 'mm'],
    outletOff: [0, 180, '°'],
    portOff: [0, 180, '°'],
    portEndRaise: [-89, 89, '°'],
    portDiameter: [0.1, 10, 'mm'],
    portTravel: [0, 20, 'mm'],
    reservoirLevel: [-2000, 5000, 'mm'],
    usable: [1000, 5_000_000, 'mm³'],
  })
  return { ...master, usable: master.usable / 1000 }
}

export function readSlave(value: unknown, path: string): BleedSlave {
  if (value === undefined) return USUAL_SLAVE
  const given = objectOf(value, path, [
    'type',
    'bore',
    'inner',
    'length',
    'bottom',
    'bleeder',
    'linePort',
    'endRaise',
    'bleederEndForward',
  ])
  const type =
    given.type === undefined
      ? 'external'
      : choiceOf(given.type, `${path}/type`, ['external', 'concentric'] as const)
  const usual = type === 'concentric' ? USUAL_CONCENTRIC : USUAL_SLAVE
  const { type: _, bleeder, linePort, bleederEndForward, ...figures } = given
  const plain = over(figures, path, usual, {
    bore: [5, 120, 'mm'],
    inner: [0, 119, 'mm'],
    length: [0.5, 200, 'mm'],
    bottom: [0, 200, 'mm'],
    endRaise: [-89, 89, '°'],
  })
  const off = (one: unknown, at: string): { off: number } => {
    const own = objectOf(one, at, ['off'])
    return { off: own.off === undefined ? 0 : figure(own.off, `${at}/off`, 0, 180, '°', 'Off top') }
  }
  const slave: BleedSlave = {
    ...plain,
    type,
    bleeder:
      bleeder === undefined ? usual.bleeder : bleeder === null ? null : off(bleeder, `${path}/bleeder`),
    linePort: linePort === undefined ? usual.linePort : off(linePort, `${path}/linePort`),
    bleederEndForward:
      bleederEndForward === undefined
        ? usual.bleederEndForward
        : yesOrNo(bleederEndForward, `${path}/bleederEndForward`),
  }
  if (slave.type === 'concentric' && (slave.inner ?? 0) >= slave.bore)
    throw new InputError('the inner diameter must be under the bore', `${path}/inner`)
  if (slave.bottom > slave.length)
    throw new InputError('the chamber is shorter at the bottom than at rest', `${path}/bottom`)
  return slave
}

export function readStart(value: unknown, path: string): BleedStart {
  if (value === 'dry' || value === 'clean') return value
  if (value === undefined) throw new InputError('is missing', path)
  if (typeof value === 'string') throw new InputError('must be dry, clean, or air by place', path)
  const given = objectOf(value, path, ['line', 'slave', 'master'])
  const air = (name: 'line' | 'slave' | 'master') =>
    given[name] === undefined
      ? 0
      : figure(given[name], `${path}/${name}`, 0, 5_000_000, 'mm³', 'Air') / 1000
  return { line: air('line'), slave: air('slave'), master: air('master') }
}

export function readConstants(value: unknown, path: string): Constants {
  const constants = usualConstants()
  if (value === undefined) return constants
  for (const [name, one] of Object.entries(objectOf(value, path))) {
    const at = pointerTo(path, name)
    const known = BLEED_CONSTANTS.find((row) => row.name === name)
    if (!known) throw new InputError(`${name} is no constant of a bleed`, at)
    constants[name as ConstantName] = figure(one, at, known.min, known.max, known.unit, name)
  }
  return constants
}

/** One run, as the verb takes it. @throws InputError with the path of what is wrong */
export function readBleed(input: unknown): BleedAsked {
  const given = objectOf(input, '', [
    'line',
    'bleedLine',
    'master',
    'slave',
    'noseUp',
    'temperature',
    'start',
    'method',
    'cycles',
    'settings',
    'atUnion',
    'cells',
  ])
  const whole = (name: 'cycles' | 'cells', min: number, max: number): number => {
    const value = figure(given[name], `/${name}`, min, max, '', name)
    if (!Number.isInteger(value)) throw new InputError(`${name} must be a whole number`, `/${name}`)
    return value
  }
  if (given.line === undefined) throw new InputError('is missing', '/line')
  const slave = readSlave(given.slave, '/slave')
  const method = choiceOf(given.method, '/method', BLEED_RUNS)
  const atUnion = given.atUnion === undefined ? false : yesOrNo(given.atUnion, '/atUnion')
  const constants = readConstants(given.settings, '/settings')
  const line = readPath(given.line, '/line')
  return {
    line,
    ...(given.bleedLine !== undefined &&
      given.bleedLine !== null && { bleedLine: readPath(given.bleedLine, '/bleedLine') }),
    master: readMaster(given.master, '/master'),
    slave,
    noseUp: given.noseUp === undefined ? 0 : figure(given.noseUp, '/noseUp', -45, 45, '°', 'Nose up'),
    temperature:
      given.temperature === undefined
        ? 20
        : figure(given.temperature, '/temperature', -40, 100, '°C', 'Temperature'),
    start: readStart(given.start, '/start'),
    method,
    cycles: whole('cycles', 1, MOST_CYCLES),
    constants,
    atUnion,
    cells: given.cells === undefined ? 80 : whole('cells', 10, 400),
  }
}
