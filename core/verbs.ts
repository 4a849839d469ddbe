import {
  airFromFreeTravel,
  InputError,
  inRange,
  isImplausible,
  objectOf,
  readCircuit,
  sink,
  SINK_BOUNDS,
  solveCircuit,
} from './circuit'

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
    return isImplausible(found) ? found : { air: found.air, low: found.low, high: found.high }
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
    return sink(circuit, sinkRate, { area, drop, duration })
  },
}

export const isInputError = (error: unknown): error is InputError => error instanceof InputError
