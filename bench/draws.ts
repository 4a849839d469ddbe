import { solveCircuit } from '../core/circuit'
import { ARCHETYPES, fromArchetype } from '../core/installation'
import { whole } from '../core/run'
import { bandRun } from '../core/whatif'
import { perSecond, quantile, type Row } from './measure'

/** Ten thousand Monte Carlo draws beside as many bare solutions. */
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
  ]
}
