import { InputError, inRange, objectOf, pointerTo, readCircuit, yesOrNo } from '../circuit'
import { ARCHETYPES } from './archetypes'
import { lengthOfLines, type Installation, type RoutePoint } from './installation'
import { withMeasured } from './measure'
import { installationField, PLACE_FIELDS } from './place-fields'
import { MOST_POINTS, outOfReach } from './route'
import { aroundCircuit, fromArchetype } from './spread'

const NAMES = [
  'circuit',
  'archetype',
  'assumed',
  'route',
  'reservoir',
  'master',
  'slave',
  'rodThreadPitch',
  'joints',
  'mounts',
  'switches',
  'heat',
]
/** Parts that nothing here reckons with; they are handed on as they are. */
const CARRIED = ['joints', 'mounts', 'switches', 'heat'] as const
const MOST_BLEED_LINE = 20
const SPAN = { unit: 'mm', min: -10_000, max: 10_000 }

/**
 * Takes unknown input for an installation: what is left out is as in its archetype, or usual where none is named.
 * @param at JSON pointer to it in the input that the user sees
 * @throws InputError
 */
export function readInstallation(input: unknown, at = ''): Installation {
  const given = objectOf(input, at, NAMES)
  const { archetype } = given
  const known = ARCHETYPES.map(({ id }) => id)
  const isKnown = typeof archetype === 'string' && known.includes(archetype)
  if (archetype !== undefined && archetype !== '' && !isKnown)
    throw new InputError(`archetype must be one of ${known.join(', ')}`, `${at}/archetype`)
  if (given.circuit === undefined && !isKnown) throw new InputError('is missing', `${at}/circuit`)
  const circuit = given.circuit === undefined ? null : readCircuit(given.circuit, `${at}/circuit`)
  const kind = isKnown ? fromArchetype(archetype) : null
  const base = kind && !circuit ? kind : { ...aroundCircuit(circuit!), ...(kind && placeOf(kind)) }
  const length = lengthOfLines(base.circuit)
  const next: Installation = {
    ...base,
    ...(Array.isArray(given.assumed) && {
      assumed: given.assumed.filter((one): one is string => typeof one === 'string'),
    }),
    route: given.route === undefined ? base.route : readRoute(given.route, `${at}/route`, length),
    reservoir: readPlace(given.reservoir, `${at}/reservoir`, 'reservoir', base.reservoir),
    master: readPlace(given.master, `${at}/master`, 'master', base.master),
    slave: readSlave(given.slave, `${at}/slave`, base.slave),
  }
  if (given.rodThreadPitch !== undefined)
    next.rodThreadPitch = figure(given.rodThreadPitch, `${at}/rodThreadPitch`, 'rodThreadPitch')
  for (const name of CARRIED)
    if (given[name] !== undefined) Object.assign(next, { [name]: given[name] })
  return next
}
/**
 * An installation with figures of its circuit and of its place in the vehicle, by their paths.
 * @throws InputError with the path of what is wrong
 */
export function readMeasured(start: Installation, measured: unknown, at: string): Installation {
  const fields = objectOf(measured, at)
  const installation = Object.entries(fields).reduce((so, [path, value]) => {
    const field = installationField(path)
    if (!field) throw new InputError(`${path} is no field of a circuit`, pointerTo(at, path))
    inRange(value, pointerTo(at, path), field, field.label)
    return withMeasured(so, path, value)
  }, start)
  readCircuit(installation.circuit, at)
  return installation
}

/** Where the parts of a kind of vehicle sit, without its circuit. */
const placeOf = ({ reservoir, master, slave, archetype }: Installation): Partial<Installation> => ({
  reservoir,
  master,
  slave,
  archetype,
})

function figure(value: unknown, at: string, path: string): number {
  const field = PLACE_FIELDS.find((one) => one.path === path)!
  inRange(value, at, field, field.label)
  return value
}
/** Figures of a part over its usual ones. */
function readPlace<T extends object>(input: unknown, at: string, part: string, usual: T): T {
  if (input === undefined) return usual
  const fields = PLACE_FIELDS.filter(({ path }) => path.startsWith(`${part}.`))
  const names = fields
    .map(({ path }) => path.slice(part.length + 1))
    .filter((one) => !one.includes('.'))
  const given = objectOf(input, at, [...names, ...(part === 'reservoir' ? ['sharedWithBrakes'] : [])])
  const next = { ...usual }
  for (const name of names)
    if (given[name] !== undefined && given[name] !== null)
      Object.assign(next, { [name]: figure(given[name], `${at}/${name}`, `${part}.${name}`) })
  if (given.sharedWithBrakes !== undefined)
    Object.assign(next, { sharedWithBrakes: yesOrNo(given.sharedWithBrakes, `${at}/sharedWithBrakes`) })
  return next
}

function readSlave(input: unknown, at: string, usual: Installation['slave']): Installation['slave'] {
  if (input === undefined) return usual
  const all = objectOf(input, at)
  const { bleeder, bleedLine, faces, ...figures } = all
  const next = readPlace(figures, at, 'slave', usual)
  if (faces !== undefined) Object.assign(next, { faces })
  if (bleeder !== undefined) {
    const screw = objectOf(bleeder, `${at}/bleeder`, ['kind', 'angle'])
    if (screw.kind !== 'none' && screw.kind !== 'screw')
      throw new InputError('must be none or screw', `${at}/bleeder/kind`)
    next.bleeder =
      screw.kind === 'none'
        ? { kind: 'none' }
        : { kind: 'screw', angle: figure(screw.angle, `${at}/bleeder/angle`, 'slave.bleeder.angle') }
  }
  if (bleedLine !== undefined) {
    if (!Array.isArray(bleedLine) || bleedLine.length > MOST_BLEED_LINE)
      throw new InputError(`must be a list of at most ${MOST_BLEED_LINE}`, `${at}/bleedLine`)
    next.bleedLine = bleedLine.map((one, i) => {
      const where = `${at}/bleedLine/${i}`
      const piece = objectOf(one, where, ['length', 'innerDiameter', 'rise'])
      const number = (name: string, min: number, max: number): number => {
        const value = piece[name]
        inRange(value, `${where}/${name}`, { unit: 'mm', min, max }, name)
        return value
      }
      return {
        length: number('length', 1, 10_000),
        innerDiameter: number('innerDiameter', 1, 30),
        rise: number('rise', -2000, 2000),
      }
    })
  }
  return next
}

function readRoute(input: unknown, at: string, length: number): RoutePoint[] {
  if (!Array.isArray(input) || input.length < 2 || input.length > MOST_POINTS)
    throw new InputError(`must be a list of 2 to ${MOST_POINTS} points`, at)
  const route = input.map((one, i): RoutePoint => {
    const point = objectOf(one, `${at}/${i}`, ['along', 'height', 'forward', 'clip'])
    const number = (name: 'along' | 'height' | 'forward'): number => {
      const value = point[name] ?? (name === 'along' ? undefined : 0)
      const bounds = name === 'along' ? { unit: 'mm', min: 0, max: 640_000 } : SPAN
      inRange(value, `${at}/${i}/${name}`, bounds, name)
      return value
    }
    return {
      along: number('along'),
      height: number('height'),
      forward: number('forward'),
      ...(point.clip === true && { clip: true }),
    }
  })
  if (route[0]!.along !== 0) throw new InputError('must be 0', `${at}/0/along`)
  const back = route.findIndex(({ along }, i) => i > 0 && along <= route[i - 1]!.along)
  if (back >= 0) throw new InputError('must be greater than the point before it', `${at}/${back}/along`)
  if (Math.abs(route.at(-1)!.along - length) > 1)
    throw new InputError(
      `must be the length of all lines, ${length} mm`,
      `${at}/${route.length - 1}/along`,
    )
  const far = outOfReach(route)
  if (far)
    throw new InputError(
      'is farther from the point before it than the line between them is long',
      `${at}/${far.index}/height`,
    )
  return route
}
