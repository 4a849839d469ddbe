import { solveCircuit } from '../core/circuit'
import { estimate, ESTIMATE_DRAWS, simulateVehicle } from '../core/estimate'
import { ARCHETYPES, fromArchetype } from '../core/installation'
import { whole } from '../core/run'
import { bandRun } from '../core/whatif'
import { perSecond, quantile, type Row } from './measure'

const VEHICLES = 300
const DRAWS = ESTIMATE_DRAWS

/** Ten thousand Monte Carlo draws beside as many bare solutions, and how often an estimate holds the truth. */
export function benchDraws(): Row[] {
  const kinds = ARCHETYPES.map(({ id }) => fromArchetype(id))
  const solved = perSecond((i) => solveCircuit(kinds[i % kinds.length]!.circuit).reserve)
  const band = quantile((i) => {
    const installation = kinds[i % kinds.length]!
    return whole(bandRun(installation, { freeTravel: 45, seed: i })).releases
  }, 9)
  return [
    {
      name: 'tolerance band, 10 000 draws with the full budget, median',
      value: band.median,
      unit: 'ms',
      ratio: ((band.median / 1000) * solved) / 10_000,
      of: '10 000 bare solutions',
    },
    ...coverage(),
  ]
}

/**
 * Vehicles of known truth, fifty of each kind, with all that can be read of them: how many have their true air inside the
 * 90 % range, how wide that is, and what a range from the kind alone would be.
 */
function coverage(): Row[] {
  let inside = 0
  const widths: number[] = []
  const blind: number[] = []
  const effective: number[] = []
  const started = performance.now()
  for (let k = 0; k < VEHICLES; k++) {
    const installation = fromArchetype(ARCHETYPES[k % ARCHETYPES.length]!.id)
    const { circuit, readings } = simulateVehicle(installation, 90_000 + k)
    const found = estimate({ installation, readings }, { draws: DRAWS, seed: k })
    if (!found) continue
    if (found.air.low <= circuit.air && circuit.air <= found.air.high) inside += 1
    widths.push(found.air.high - found.air.low)
    effective.push(found.effective)
    if (k < ARCHETYPES.length) {
      const nothing = estimate({ installation, readings: {} }, { draws: DRAWS, seed: k })!
      blind.push(nothing.air.high - nothing.air.low)
    }
  }
  const time = performance.now() - started
  const middle = (list: number[]) => list.sort((a, b) => a - b)[list.length >> 1]!
  const width = middle(widths)
  return [
    {
      name: `estimate: true air inside the 90 % range, of ${VEHICLES} vehicles`,
      value: (100 * inside) / VEHICLES,
      unit: '%',
    },
    {
      name: 'estimate: width of that range, median',
      value: width / 1000,
      unit: 'ml',
      ratio: width / middle(blind),
      of: 'width with no reading',
    },
    {
      name: 'estimate: effective draws, median',
      value: middle(effective),
      unit: `of ${DRAWS}`,
    },
    { name: 'estimate: one vehicle, mean', value: time / VEHICLES, unit: 'ms' },
  ]
}
