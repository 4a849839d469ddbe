import {
  airFromFreeTravel,
  fieldAt,
  InputError,
  inRange,
  isImplausible,
  objectOf,
  pointerTo,
  pressCurve,
  readCircuit,
  sink,
  SINK_BOUNDS,
  solveCircuit,
  yesOrNo,
} from './circuit'
import {
  knowledgeOf,
  priorsFrom,
  QUESTION_FIELDS,
  readQuestion,
  readRecord,
  report,
  type GoodFigures,
} from './diagnosis'
import { answerBleed, answerRank } from './bleed'
import { answerChain, answerJoin } from './fitting'
import { answerFluid } from './fluid'
import { estimate, ESTIMATE_DRAWS, type Known, type PedalReadings } from './estimate'
import {
  ARCHETYPES,
  aroundCircuit,
  fromArchetype,
  readMeasured,
  type Installation,
} from './installation'
import { phaseAt, STAGES } from './journal'
import { answerPlan } from './plan'
import { answerProve } from './proof'
import { understandLine } from './jotting'
import { UNIT_SYSTEMS } from './quantity'
import { answerSize } from './sizing'
import { sensitivity } from './whatif'
import { HOURLY_RATE } from './work'

/** The core with no interface: JSON in, JSON out. A bad input throws InputError with a JSON pointer. */
export const VERBS: Record<string, (input: unknown) => object> = {
  /** { circuit, pedalTravel? } → the solution, `at` the given pad travel or full travel. */
  circuit(input) {
    const given = objectOf(input, '', ['circuit', 'pedalTravel'])
    const circuit = readCircuit(given.circuit, '/circuit')
    const { pedalTravel } = given
    if (pedalTravel === undefined) return solveCircuit(circuit)
    const bounds = { unit: 'mm', min: 0, max: circuit.pedal.travel }
    inRange(pedalTravel, '/pedalTravel', bounds, 'Pad travel')
    return solveCircuit(circuit, pedalTravel)
  },

  /** { circuit, freeTravel, touchForce? } → { air, low, high } or { implausible }. */
  air(input) {
    const given = objectOf(input, '', ['circuit', 'freeTravel', 'touchForce'])
    const circuit = readCircuit(given.circuit, '/circuit')
    const { freeTravel, touchForce } = given
    const bounds = { unit: 'mm', min: 0, max: circuit.pedal.travel }
    inRange(freeTravel, '/freeTravel', bounds, 'Free travel')
    if (touchForce !== undefined)
      inRange(touchForce, '/touchForce', { unit: 'N', min: 1, max: 500 }, 'Touch force')
    const found = airFromFreeTravel(circuit, freeTravel, { touchForce })
    return isImplausible(found)
      ? { implausible: found.implausible }
      : { air: found.air, low: found.low, high: found.high }
  },

  /** { circuit, sinkRate, reservoirArea?, reservoirDrop?, duration? } → { flow, loss, bypass }. */
  sink(input) {
    const hold = ['reservoirArea', 'reservoirDrop', 'duration'] as const
    const given = objectOf(input, '', ['circuit', 'sinkRate', ...hold])
    const circuit = readCircuit(given.circuit, '/circuit')
    const { sinkRate, reservoirArea: area, reservoirDrop: drop, duration } = given
    inRange(sinkRate, '/sinkRate', SINK_BOUNDS.sinkRate, 'Sink rate')
    if (hold.every((name) => given[name] === undefined)) return sink(circuit, sinkRate)
    inRange(area, '/reservoirArea', SINK_BOUNDS.reservoirArea, 'Reservoir area')
    inRange(drop, '/reservoirDrop', SINK_BOUNDS.reservoirDrop, 'Reservoir drop')
    inRange(duration, '/duration', SINK_BOUNDS.duration, 'Duration')
    const found = sink(circuit, sinkRate, { area, drop, duration })
    // What the ruler at the reservoir may be out is no nonsense.
    if (found.bypass! < (-area * SINK_BOUNDS.levelError) / duration)
      throw new InputError(
        `the reservoir lost ${found.loss} mm³/s and the sinking pad sends ${found.flow}: one of the figures is wrong, or it leaks before the master as well`,
        '/reservoirDrop',
      )
    return found
  },

  /** { circuit, points? } → { down, up, jumps, hangs }. */
  curve(input) {
    const given = objectOf(input, '', ['circuit', 'points'])
    const circuit = readCircuit(given.circuit, '/circuit')
    const { points = 200 } = given
    wholeNumber(points, '/points', { min: 2, max: 5000 }, 'Points')
    return pressCurve(circuit, points)
  },

  /** { circuit, hourlyRate? } → { reserve, remedies, slopes }. */
  sensitivity(input) {
    const given = objectOf(input, '', ['circuit', 'hourlyRate'])
    const circuit = readCircuit(given.circuit, '/circuit')
    const { hourlyRate = HOURLY_RATE } = given
    inRange(hourlyRate, '/hourlyRate', { unit: '', min: 1, max: 10_000 }, 'Hourly rate')
    return sensitivity(aroundCircuit(circuit), hourlyRate)
  },

  /** { line, units?, stage? } → { statements, ask?, leftOver?, problem? }. */
  say(input) {
    const given = objectOf(input, '', ['line', 'units', 'stage'])
    const { line, units = 'metric', stage = 'find' } = given
    if (typeof line !== 'string') throw new InputError('line must be a text', '/line')
    if (line.length > MOST_SAID)
      throw new InputError(`a line has at most ${MOST_SAID} characters`, '/line')
    const system = UNIT_SYSTEMS.find((one) => one === units)
    if (!system) throw new InputError(`must be one of ${UNIT_SYSTEMS.join(', ')}`, '/units')
    const at = STAGES.find((one) => one === stage)
    if (!at) throw new InputError(`must be one of ${STAGES.join(', ')}`, '/stage')
    return understandLine(line, { phase: phaseAt(at), units: system })
  },

  /** { a: End, b: End, sealsAtHand? } → { verdict, needs, starts, lookAlike?, engaged?, reasons }. */
  join: answerJoin,

  /** { from: End, to: End, pieces, costs? } → the cheapest chain, or { none }; and what each piece off the path fails by. */
  chain: answerChain,

  /** { inside, adding, wanted?, ageMonths?, climate?, water?, boiling?, container?, share?, shared?, need? } → what may go in. */
  fluid: answerFluid,

  /** { circuit, masters, slaves, ratios?, lines?, room?, air?, … } → { present, options }. */
  size: answerSize,

  /** Packages on a vehicle in the best order that keeps every rule; or { check: { steps } } → its breaches. */
  plan: answerPlan,

  /** One run of a bleed, with nothing drawn: { line, start, method, cycles, … } → { cycles, carry, where }. */
  bleed: answerBleed,

  /** Methods and sequences over draws: { installation, start, people, kit, … } → { target, methods, changes, now }. */
  rank: answerRank,

  /** Readings before and after against this circuit's own limits → { outcome, reasons, owed, recheck }. */
  prove: answerProve,

  /** { archetype, measured?, errors?, readings, knownGood?, calibration?, touchForce?, draws?, seed? } → ranges, or { implausible }. */
  estimate(input) {
    const optional = ['measured', 'errors', 'knownGood', 'calibration', 'touchForce', 'draws', 'seed']
    const given = objectOf(input, '', ['archetype', 'readings', ...optional])
    const { knownGood, touchForce, draws = ESTIMATE_DRAWS, seed = 1 } = given
    const installation = readKind(given.archetype, given.measured)
    const known: Known = { installation, readings: readReadings(given.readings, '/readings') }
    if (given.calibration !== undefined)
      known.calibration = readReadings(given.calibration, '/calibration')
    if (given.errors !== undefined) known.errors = readErrors(given.errors)
    if (knownGood !== undefined) known.knownGood = yesOrNo(knownGood, '/knownGood')
    if (touchForce !== undefined) {
      inRange(touchForce, '/touchForce', { unit: 'N', min: 1, max: 500 }, 'Touch force')
      known.touchForce = touchForce
    }
    wholeNumber(draws, '/draws', { min: 100, max: 100_000 }, 'Draws')
    wholeNumber(seed, '/seed', { min: 0, max: 4_294_967_295 }, 'Seed')
    return estimate(known, { draws, seed })
  },

  /**
   * { archetype } or { circuit }, with measured?, calibration?, complaints?, findings?, readings?, conditions?, costs?, record?,
   * model? → suspects with their reasons, sets, contradictions, stops, looks, what decides, advice, schools.
   */
  diagnose(input) {
    const where = ['archetype', 'measured', 'circuit', 'record', 'model', 'calibration']
    const given = objectOf(input, '', [...where, ...QUESTION_FIELDS])
    if (given.circuit !== undefined && given.archetype !== undefined)
      throw new InputError('give a circuit or an archetype, not both', '/circuit')
    const installation =
      given.circuit === undefined
        ? readKind(given.archetype, given.measured)
        : measuredOn(aroundCircuit(readCircuit(given.circuit, '/circuit')), given.measured)
    const { model = '', record } = given
    if (typeof model !== 'string') throw new InputError('model must be a text', '/model')
    if (given.model !== undefined && record === undefined)
      throw new InputError(
        'a model says something only beside a record: give both or neither',
        '/model',
      )
    const question = readQuestion(given, installation)
    const { priors, moved } = priorsFrom(readRecord(record ?? {}), model)
    const good = given.calibration === undefined ? {} : readGood(given.calibration)
    const answer = report(knowledgeOf(installation, priors, good), question)
    return moved.length === 0 ? answer : { ...answer, moved }
  },
}

/** Characters of a line that is said. */
const MOST_SAID = 2000

const measuredOn = (start: Installation, measured: unknown): Installation =>
  measured === undefined ? start : readMeasured(start, measured, '/measured')

function readKind(archetype: unknown, measured: unknown): Installation {
  const known = ARCHETYPES.map(({ id }) => id)
  if (typeof archetype !== 'string' || !known.includes(archetype))
    throw new InputError(`archetype must be one of ${known.join(', ')}`, '/archetype')
  const start = fromArchetype(archetype)
  return measuredOn(start, measured)
}

/** One standard deviation of a measured figure, in its own unit. */
function readErrors(input: unknown): Record<string, number> {
  const given = objectOf(input, '/errors')
  for (const [path, value] of Object.entries(given)) {
    const field = fieldAt(path)
    if (!field) throw new InputError(`${path} is no field of a circuit`, pointerTo('/errors', path))
    const bounds = { unit: field.unit, min: 0, max: field.max - field.min }
    inRange(value, `/errors/${path}`, bounds, `Error of ${field.label}`)
  }
  return given as Record<string, number>
}

const TAPE_BOUNDS = {
  freeTravel: { unit: 'mm', min: 0, max: 500 },
  takeUpHeight: { unit: 'mm', min: 0, max: 500 },
  rodStroke: { unit: 'mm', min: 0, max: 150 },
}

const YES_OR_NO = ['takesUp', 'pushesBack']

function readReadings(input: unknown, path: string): PedalReadings {
  const given = objectOf(input, path, [...Object.keys(TAPE_BOUNDS), ...YES_OR_NO])
  for (const [name, bounds] of Object.entries(TAPE_BOUNDS))
    if (given[name] !== undefined) inRange(given[name], `${path}/${name}`, bounds, name)
  for (const name of YES_OR_NO) if (given[name] !== undefined) yesOrNo(given[name], `${path}/${name}`)
  return given as PedalReadings
}

/** What a vehicle showed when its pedal was good. */
function readGood(input: unknown): GoodFigures {
  const given = objectOf(input, '/calibration', Object.keys(TAPE_BOUNDS))
  for (const [name, bounds] of Object.entries(TAPE_BOUNDS))
    if (given[name] !== undefined) inRange(given[name], `/calibration/${name}`, bounds, name)
  return given as GoodFigures
}

function wholeNumber(
  value: unknown,
  path: string,
  bounds: { min: number; max: number },
  label: string,
): asserts value is number {
  inRange(value, path, { ...bounds, unit: '' }, label)
  if (!Number.isInteger(value)) throw new InputError(`${label} must be a whole number`, path)
}

export const isInputError = (error: unknown): error is InputError => error instanceof InputError
